import type { ReadingVerdict } from '@tug-mark/core';

export interface TugFlag {
  readonly piece: number;
  /** N */
  readonly force: number;
  readonly verdict: ReadingVerdict['verdict'];
  /** The reading being entered, not on record yet. */
  readonly current: boolean;
}

export interface PlacedFlag extends TugFlag {
  readonly x: number;
  /** Row above the line, from 0: flags close together stand on different rows. */
  readonly row: number;
}

export interface TugScale {
  /** N at the right end. */
  readonly max: number;
  readonly ticks: readonly { readonly force: number; readonly x: number }[];
  readonly x: (force: number) => number;
}

/** Least distance in the drawing's units between flags on one row. */
const FLAG_WIDTH = 40;
const ROWS = 7;

/**
 * The force scale: from 0 to a fifth past the largest of limit, breaking load and readings, with ticks at a round step
 * (1, 2 or 5 times a power of ten) so that at most ten stand on it.
 */
export function tugScale(width: number, limit: number | null, breaks: number, forces: readonly number[]): TugScale {
  const max = 1.18 * Math.max(breaks, limit ?? 0, ...forces);
  const rough = max / 10;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? 10 * power;
  const x = (force: number) => (force / max) * width;
  const ticks = Array.from({ length: Math.floor(max / step) }, (_, i) => {
    const force = Number(((i + 1) * step).toPrecision(12));
    return { force, x: x(force) };
  });
  return { max, ticks, x };
}

/**
 * Puts each flag at its force, the strongest first and lowest. A flag stands one row above every flag close to its right,
 * so that no pole strikes through the number of a flag beside it.
 */
export function placeFlags(flags: readonly TugFlag[], x: (force: number) => number): PlacedFlag[] {
  const placed: PlacedFlag[] = [];
  for (const flag of [...flags].sort((a, b) => b.force - a.force)) {
    const at = x(flag.force);
    const near = placed.filter((other) => other.x - at < FLAG_WIDTH).map((other) => other.row);
    placed.push({ ...flag, x: at, row: Math.min(ROWS - 1, Math.max(-1, ...near) + 1) });
  }
  return placed;
}

/** Flags a line has room for. */
const MOST_FLAGS = 20;

/**
 * Which readings stand as flags, when there are more than a person can tell apart: the one being entered, those that do not
 * hold, the lowest, and the newest. The others are marks on the line.
 */
export function chooseFlags(flags: readonly TugFlag[]): { readonly flags: TugFlag[]; readonly marks: TugFlag[] } {
  if (flags.length <= MOST_FLAGS) return { flags: [...flags], marks: [] };
  const byNeed = [...flags].sort(
    (a, b) =>
      Number(b.current) - Number(a.current) ||
      Number(b.verdict !== 'holds') - Number(a.verdict !== 'holds') ||
      b.piece - a.piece,
  );
  const lowest = flags.reduce((low, flag) => (flag.force < low.force ? flag : low));
  const chosen = new Set([...byNeed.slice(0, MOST_FLAGS - 1), lowest]);
  return { flags: flags.filter((f) => chosen.has(f)), marks: flags.filter((f) => !chosen.has(f)) };
}
