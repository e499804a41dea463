import { isInRange, type Range } from '../terminal';

/** What to do about a measured crimp height. */
export interface HeightAdjustment {
  /** Above the middle of the range when positive, mm. */
  readonly off: number;
  /** Steps to turn, downwards when negative; null where the tool has no steps, 0 where nothing is to be turned. */
  readonly steps: number | null;
  /** Where the height would be then, mm. */
  readonly after: number;
  /** The instruction itself. */
  readonly text: string;
}

/**
 * Steps by which a press is adjusted so that the mean of the measured crimp heights comes nearest to the middle of its
 * range. A mean inside the range is left alone within a quarter of the tolerance, or within half a step: chasing single
 * readings makes it worse. A mean outside it is never left alone.
 *
 * @param heights measured, mm
 * @param range what the terminal's sheet gives for this wire, mm
 * @param step how far one step moves the ram, mm; null (or 0) where the tool has none
 * @returns null where nothing was measured
 * @example 1.53 and 1.53 against 1.45 to 1.55 in steps of 0.015: 0.03 mm too high, two steps down
 */
export function adjustHeight(heights: readonly number[], range: Range, step: number | null): HeightAdjustment | null {
  if (!heights.length) return null;
  const mean = heights.reduce((sum, h) => sum + h, 0) / heights.length;
  const middle = (range.min + range.max) / 2;
  const half = (range.max - range.min) / 2;
  const off = Number((mean - middle).toFixed(9));
  const size = `${Math.abs(off).toFixed(3).replace(/0$/, '')} mm`;
  const side = off > 0 ? 'too high' : 'too low';
  const isInside = isInRange(mean, range);
  if (isInside && (Math.abs(off) <= half / 4 || (step !== null && Math.abs(off) < step / 2))) {
    return { off, steps: 0, after: mean, text: `Leave it: ${size} off the middle.` };
  }
  if (!step) {
    const way = off > 0 ? 'tighter' : 'looser';
    return { off, steps: null, after: mean, text: `${size} ${side}. This tool has no steps: have it set ${way}.` };
  }
  const steps = -Math.round(off / step);
  if (steps === 0) {
    // Its nearest steps are both out of range, this one and the next.
    const text = `${size} ${side} and out of range, yet less than half a step of ${step} mm: this tool cannot be set closer. Take another.`;
    return { off, steps, after: mean, text };
  }
  const after = mean + steps * step;
  const count = Math.abs(steps);
  const words = ['', 'one step', 'two steps', 'three steps', 'four steps', 'five steps'][count] ?? `${count} steps`;
  const still = !isInRange(after, range);
  return {
    off,
    steps,
    after,
    text: `${size} ${side}: ${words} ${steps < 0 ? 'down' : 'up'}.${still ? ' Even then it is out of range.' : ''}`,
  };
}
