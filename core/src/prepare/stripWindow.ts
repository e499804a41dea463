import type { Practice } from '../practice';
import type { Range, Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { envelopeDiameter, type Wire } from '../wire';
import { brushRange, ferruleBrush, gapRange } from './allowances';
import type { Stripper } from './Stripper';

export interface StripWindow {
  /**
   * 'robust': any allowed position of the wire gives a good crimp. 'positioned': only with the named position.
   * 'empty': none. 'unknown': the terminal's sheet leaves out a dimension it rests on.
   */
  readonly kind: 'robust' | 'positioned' | 'empty' | 'unknown';
  readonly rule: Terminal['barrel']['stripRule'];
  /** Window of strip lengths the set-up works to, mm; null when empty. */
  readonly window: Range | null;
  /** The window less the stripper's repeatability on both sides, mm; null when this stripper cannot hold it. */
  readonly guard: Range | null;
  /** Set point on the stripper's own steps, mm; null without a guard band, or when no step falls into it. */
  readonly setPoint: number | null;
  readonly brush: Range | null;
  /** Allowed gap, mm; for an open barrel, where the insulation edge may lie behind the conductor grip. */
  readonly gap: Range;
  /** Where the insulation edge has to lie at the set point, mm behind the barrel; equals `gap` when robust. */
  readonly position: Range;
  /** Folded back: what is stripped is twice the length in the barrel, and the bend. */
  readonly folded: boolean;
  readonly reasons: readonly Reason[];
}

/**
 * Strip length for one terminal, wire, practice and stripper. All lengths mm. With L barrel length, D depth to the
 * stop, u the growth of the barrel in the crimp, brush in [e0, e1], gap in [g0, g1], w the window between two grips
 * and the insulation edge at f w:
 *
 * - barrel-located (S = L + gap + brush): any gap must give a brush in range, so S in [L + e0 + g1, L + e1 + g0];
 *   feasible for some gap: [L + e0 + g0, L + e1 + g1].
 * - window-located: the same with g = f w.
 * - stop-located: S in [D + g0, D + g1]; the conductor must reach past the inspection window's far edge.
 * - ferrule (insulation bottoms in the funnel): S in [L, L + 0.5], the wire standing out by up to 0.5 mm; where the
 *   clamp needs it flush it is cut after the crimp, which allows up to 2 mm.
 * - lug (the barrel grows by u over the bare wire): bare conductor left is S - D - u, so S in [D + u, D + u + bare].
 *
 * A conductor that is folded back is stripped to 2 S plus the bend, pi/2 x its envelope diameter.
 *
 * An empty robust window falls back to the feasible one and names the positioning it requires. The guard band takes
 * the stripper's repeatability off both sides; the set point is the middle snapped to the stripper's step.
 */
export function stripWindow(
  terminal: Terminal,
  wire: Wire,
  practice: Practice,
  stripper: Stripper,
  folded = false,
): StripWindow {
  const { barrel } = terminal;
  const reasons: Reason[] = [];
  const located = barrel.stripRule === 'barrel' || barrel.stripRule === 'window';
  const brush = located
    ? brushRange(terminal, wire, practice)
    : barrel.stripRule === 'ferrule'
      ? ferruleBrush(terminal)
      : null;
  const gap = gapOf(terminal, wire, practice);
  const base = { rule: barrel.stripRule, brush, gap, folded };
  const none = { ...base, window: null, guard: null, setPoint: null, position: gap };

  const found = bounds(terminal, brush, gap);
  if (typeof found === 'string') {
    reasons.push(
      reason(
        'dimension-missing',
        'bad',
        `The sheet of ${terminal.part} gives no ${found}, and the strip length rests on it. Enter it in the cabinet.`,
      ),
    );
    return { ...none, kind: 'unknown', reasons };
  }
  if (
    barrel.stripRule === 'stop' &&
    barrel.inspection &&
    barrel.depth !== null &&
    barrel.depth < barrel.inspection.max
  ) {
    reasons.push(
      reason(
        'inspection-not-covered',
        'bad',
        `The stop at ${barrel.depth} mm lies before the window’s far edge at ${barrel.inspection.max} mm: the sheet contradicts itself.`,
        { depth: barrel.depth, far: barrel.inspection.max },
      ),
    );
  }
  const length = barrel.length ?? 0;
  const fold = (range: Range): Range => {
    const bend = (Math.PI / 2) * envelopeDiameter(wire.conductor);
    return folded ? { min: 2 * range.min + bend, max: 2 * range.max + bend } : range;
  };
  const robust = fold(found.robust);
  const isRobust = robust.min <= robust.max;
  const window = isRobust ? robust : fold(found.feasible);
  if (window.min > window.max) {
    reasons.push(
      reason(
        'strip-window-empty',
        'bad',
        `No strip length works: the wire would need ${window.min.toFixed(1)} mm to be seen and at most ${window.max.toFixed(1)} mm to stay clear.${
          brush && brush.min > brush.max
            ? ` The wire would have to stand ${brush.min.toFixed(1)} mm past the barrel and the mating room is ${brush.max.toFixed(1)} mm.`
            : ''
        }`,
        { lo: window.min, hi: window.max },
      ),
    );
    return { ...none, kind: 'empty', reasons };
  }

  const guard = { min: window.min + stripper.repeatability, max: window.max - stripper.repeatability };
  const middle = (window.min + window.max) / 2;
  const { step } = stripper;
  let setPoint: number | null = null;
  if (guard.min <= guard.max) {
    // The nearest step may fall outside a narrow guard band while its neighbour is inside.
    const nearest = Math.round(middle / step);
    const inside = [nearest, nearest - 1, nearest + 1]
      .map((steps) => Number((steps * step).toFixed(6)))
      .filter((value) => value >= guard.min - 1e-9 && value <= guard.max + 1e-9)
      .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle));
    setPoint = inside[0] ?? null;
    if (setPoint === null) {
      reasons.push(
        reason(
          'stripper-too-coarse',
          'bad',
          `${stripper.label} steps by ${step} mm and no step falls between ${guard.min.toFixed(2)} and ${guard.max.toFixed(2)} mm.`,
          { step, lo: guard.min, hi: guard.max },
        ),
      );
    }
  } else {
    const needed = (window.max - window.min) / 2;
    reasons.push(
      reason(
        'stripper-cannot-hold',
        'bad',
        `${stripper.label} repeats within ± ${stripper.repeatability} mm; this window needs ± ${needed.toFixed(2)} mm or better.`,
        { repeatability: stripper.repeatability, needed },
      ),
    );
  }

  let position = gap;
  if (!isRobust && brush && setPoint !== null) {
    const inBarrel = folded ? (setPoint - (Math.PI / 2) * envelopeDiameter(wire.conductor)) / 2 : setPoint;
    position = {
      min: Math.max(gap.min, inBarrel - length - brush.max),
      max: Math.min(gap.max, inBarrel - length - brush.min),
    };
    reasons.push(
      reason(
        'position-required',
        'hold',
        `No strip length suits every position. At ${setPoint} mm the insulation edge must lie ${position.min.toFixed(1)} to ${position.max.toFixed(1)} mm behind the barrel: check it on every piece.`,
        { setPoint, lo: position.min, hi: position.max },
      ),
    );
  }
  if (setPoint !== null) {
    reasons.push(
      reason(
        'strip-set-point',
        'good',
        `Strip ${setPoint} mm; ${window.min.toFixed(1)} to ${window.max.toFixed(1)} mm is good.${folded ? ' Fold it back on itself before it goes in.' : ''}`,
        { setPoint, lo: window.min, hi: window.max },
      ),
    );
  }
  return {
    ...base,
    kind: isRobust ? 'robust' : 'positioned',
    window,
    guard: guard.min <= guard.max ? guard : null,
    setPoint,
    position,
    reasons,
  };
}

/** Bounds of the length in the barrel, or the dimension that is missing for them. */
function bounds(terminal: Terminal, brush: Range | null, gap: Range): { robust: Range; feasible: Range } | string {
  const { barrel } = terminal;
  if (brush) {
    if (barrel.length === null) return 'barrel length';
    return {
      robust: { min: barrel.length + brush.min + gap.max, max: barrel.length + brush.max + gap.min },
      feasible: { min: barrel.length + brush.min + gap.min, max: barrel.length + brush.max + gap.max },
    };
  }
  const depth = barrel.depth ?? barrel.length;
  if (depth === null) return barrel.stripRule === 'lug' ? 'depth of the well' : 'depth to the stop';
  const grown = depth + (barrel.stripRule === 'lug' ? barrel.growth : 0);
  const only = { min: grown + gap.min, max: grown + gap.max };
  return { robust: only, feasible: only };
}

function gapOf(terminal: Terminal, wire: Wire, practice: Practice): Range {
  const { betweenGrips, stripRule } = terminal.barrel;
  if (stripRule === 'window' && betweenGrips !== null) {
    return { min: practice.windowShare.min * betweenGrips, max: practice.windowShare.max * betweenGrips };
  }
  if (stripRule === 'ferrule') return { min: 0, max: 0 };
  if (stripRule === 'lug') return { min: 0, max: practice.lugBare };
  return gapRange(wire, practice);
}
