import type { Practice } from '../practice';
import type { Range, Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { envelopeDiameter, type Wire } from '../wire';
import { brushRange, ferruleBrush, gapRange } from './allowances';
import type { Stripper } from './Stripper';
import { showRange } from '../units';

/** Narrowest band the insulation edge can be placed in by eye, mm. */
const LEAST_BAND = 0.3;

export interface StripWindow {
  /**
   * 'robust': any allowed position of the wire gives a good crimp. 'positioned': only with the insulation edge in the named
   * band; strip length and position belong together. 'empty': none. 'unknown': the terminal's sheet leaves out a dimension it
   * rests on.
   */
  readonly kind: 'robust' | 'positioned' | 'empty' | 'unknown';
  readonly rule: Terminal['barrel']['stripRule'];
  /** Strip lengths that are good anywhere in `position`, mm; null when empty. */
  readonly window: Range | null;
  /** The window less the stripper's repeatability on both sides, mm; null when this stripper cannot hold it. */
  readonly guard: Range | null;
  /** Set point on the stripper's own steps, mm; null without a guard band, or when no step falls into it. */
  readonly setPoint: number | null;
  readonly brush: Range | null;
  /** Allowed gap, mm; for an open barrel, where the insulation edge may lie behind the conductor grip. */
  readonly gap: Range;
  /** Where the insulation edge has to lie, mm behind the barrel; equals `gap` when robust. */
  readonly position: Range;
  /** Folded back: what is stripped is twice the length in the barrel, and the bend. */
  readonly folded: boolean;
  /** The terminal's sheet gives the strip length; what follows from its dimensions stands beside it. */
  readonly bySheet: boolean;
  /** Lengths that follow from the sheet's dimensions, mm, where the sheet gives a length of its own; null where none follow. */
  readonly computed: Range | null;
  readonly reasons: readonly Reason[];
}

/**
 * Strip length for one terminal, wire, practice and stripper. All lengths mm. With L barrel length, D depth to the
 * stop, u the growth of the barrel in the crimp, brush in [e0, e1], gap in [g0, g1], w the window between two grips
 * and the insulation edge at f w:
 *
 * - barrel-located (S = L + gap + brush): any gap in [p0, p1] must give a brush in range, so S in [L + e0 + p1, L + e1 + p0],
 *   which is (e1 - e0) - (p1 - p0) wide. The stripper needs 2 r + step of it, so a band of (e1 - e0) - 2 r - step is left for
 *   the position. Where that takes in the whole allowed gap, any position does; else the band is laid into the gap, at its
 *   smallest or in its middle by the practice. Narrower than 0.3 mm nobody can place an edge: refused.
 * - window-located: the same with g = f w.
 * - stop-located: S in [D + g0, D + g1]; the conductor must reach past the inspection window's far edge.
 * - ferrule (insulation bottoms in the funnel): S in [L, L + 0.5], the wire standing out by up to 0.5 mm; where the
 *   clamp needs it flush it is cut after the crimp, which allows up to 2 mm.
 * - lug (the barrel grows by u over the bare wire): bare conductor left is S - D - u, so S in [D + u, D + u + bare].
 *
 * A conductor that is folded back is stripped to 2 S plus the bend, pi/2 x its envelope diameter.
 *
 * Where the terminal's sheet gives a strip length with its tolerance, that wins: S in [length - tolerance, length + tolerance]. The
 * position is what those lengths leave of the allowed gap: any S of them must give a brush in range, so the edge lies in
 * [S_max - L - e1, S_min - L - e0]. The computed window stands beside it, and a clash beyond the tolerance is told.
 *
 * The guard band takes the stripper's repeatability off both sides; the set point is the middle snapped to the stripper's step.
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
  const fold = (range: Range): Range => {
    const bend = (Math.PI / 2) * envelopeDiameter(wire.conductor);
    return folded ? { min: 2 * range.min + bend, max: 2 * range.max + bend } : range;
  };
  const computed = fromDimensions(terminal, brush, gap, positionBand(terminal, brush, gap, stripper, practice, folded));
  const sheet = barrel.sheetStrip && fromSheet(terminal, barrel.sheetStrip, brush, gap);
  const found = sheet ?? computed;
  const bySheet = sheet !== null;
  const base = {
    ...{ rule: barrel.stripRule, brush, gap, folded, bySheet },
    computed: bySheet && computed.window ? fold(computed.window) : null,
  };
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
  reasons.push(...found.reasons);
  if (!found.window) {
    const { kind } = found;
    return { ...base, kind, window: null, guard: null, setPoint: null, position: gap, reasons };
  }
  const { position } = found;
  const window = fold(found.window);
  if (sheet && computed.window) reasons.push(...besideSheet(terminal.part, window, fold(computed.window)));
  const isRobust = position.min <= gap.min + 1e-9 && position.max >= gap.max - 1e-9;

  const guard = { min: window.min + stripper.repeatability, max: window.max - stripper.repeatability };
  const middle = (window.min + window.max) / 2;
  const { step } = stripper;
  let setPoint: number | null = null;
  if (guard.min <= guard.max + 1e-9) {
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
    const placed = isRobust || bySheet ? '' : `, with the insulation edge placed within ${LEAST_BAND} mm`;
    reasons.push(
      reason(
        'stripper-cannot-hold',
        'bad',
        `${stripper.label} repeats within ± ${stripper.repeatability} mm; this window needs ± ${needed.toFixed(2)} mm or better${placed}.`,
        { repeatability: stripper.repeatability, needed },
      ),
    );
  }

  if (!isRobust && setPoint !== null) {
    const at = `${showRange(position, 1, ' to ')} mm`;
    reasons.push(
      reason(
        'position-required',
        'hold',
        `Length and position belong together: at ${setPoint} mm the insulation edge must lie ${at} behind the barrel. Check both on every piece.`,
        { setPoint, lo: position.min, hi: position.max },
      ),
    );
  }
  if (setPoint !== null) {
    const bySheetText = bySheet ? ', as the sheet says' : '';
    reasons.push(
      reason(
        'strip-set-point',
        'good',
        `Strip ${setPoint} mm${bySheetText}; ${showRange(window, 1, ' to ')} mm is good.${folded ? ' Fold it back on itself before it goes in.' : ''}`,
        { setPoint, lo: window.min, hi: window.max },
      ),
    );
  }
  return {
    ...base,
    kind: isRobust ? 'robust' : 'positioned',
    window,
    guard: guard.min <= guard.max + 1e-9 ? guard : null,
    setPoint,
    position,
    reasons,
  };
}

/** Lengths in the barrel before any folding, and where the insulation edge lies then; without a window, why there is none. */
type Lengths =
  | { readonly window: Range; readonly position: Range; readonly reasons: readonly Reason[] }
  | { readonly window: null; readonly kind: 'empty' | 'unknown'; readonly reasons: readonly Reason[] };

/** What follows from the dimensions of the sheet. */
function fromDimensions(terminal: Terminal, brush: Range | null, gap: Range, band: Range): Lengths {
  const missing = missingLength(terminal, brush);
  if (missing) {
    const text = `The sheet of ${terminal.part} gives no ${missing}, and the strip length rests on it. Enter it in the cabinet.`;
    return { window: null, kind: 'unknown', reasons: [reason('dimension-missing', 'bad', text)] };
  }
  const position = brush ? band : gap;
  const window = lengthsFor(terminal, brush, position);
  if (!(brush && brush.min > brush.max) && window.min <= window.max) return { window, position, reasons: [] };
  const text = `No strip length works: the wire would need ${window.min.toFixed(1)} mm to be seen and at most ${window.max.toFixed(1)} mm to stay clear.${
    brush && brush.min > brush.max
      ? ` The wire would have to stand ${brush.min.toFixed(1)} mm past the barrel and the mating room is ${brush.max.toFixed(1)} mm.`
      : ''
  }`;
  const numbers = { lo: window.min, hi: window.max };
  return { window: null, kind: 'empty', reasons: [reason('strip-window-empty', 'bad', text, numbers)] };
}

/** What the sheet itself says, and what it leaves of the position. */
function fromSheet(
  { barrel }: Terminal,
  { length, tolerance }: NonNullable<Terminal['barrel']['sheetStrip']>,
  brush: Range | null,
  gap: Range,
): Lengths {
  const window = { min: tidy(length - tolerance), max: tidy(length + tolerance) };
  // Where a stop or funnel locates the wire, its edge lies where the length leaves it.
  if (!brush || barrel.length === null || barrel.stripRule === 'ferrule') return { window, position: gap, reasons: [] };
  const min = Math.max(gap.min, tidy(window.max - barrel.length - brush.max));
  const max = Math.min(gap.max, tidy(window.min - barrel.length - brush.min));
  return { window, position: min <= max ? { min, max } : gap, reasons: [] };
}

const tidy = (value: number) => Number(value.toFixed(9));

/** The computed window beside the sheet's: told where they have no length in common, since one of the two is wrong then. */
function besideSheet(part: string, sheet: Range, computed: Range): Reason[] {
  const numbers = { sheetMin: sheet.min, sheetMax: sheet.max, lo: computed.min, hi: computed.max };
  const own = `The sheet of ${part} says ${showRange(sheet, 1, ' to ')} mm; from its dimensions follow ${showRange(computed, 1, ' to ')} mm`;
  if (computed.min <= sheet.max + 1e-9 && computed.max >= sheet.min - 1e-9)
    return [reason('strip-beside', 'note', `${own}. The sheet’s own length is taken.`, numbers)];
  const off = computed.min > sheet.max ? computed.min - sheet.max : sheet.min - computed.max;
  return [
    reason(
      'strip-clash',
      'note',
      `${own}: ${off.toFixed(1)} mm apart beyond the tolerance. The sheet’s own length is taken; check its dimensions, and look at wire and insulation edge on every piece.`,
      { ...numbers, off },
    ),
  ];
}

/**
 * Where the insulation edge may lie so that the stripper can hold what is left of the brush's room, mm behind the barrel, to a tenth:
 * all of the allowed gap, or a band in it. Never narrower than can be placed, whether the stripper holds the rest or not.
 */
function positionBand(
  terminal: Terminal,
  brush: Range | null,
  gap: Range,
  stripper: Stripper,
  practice: Practice,
  folded: boolean,
): Range {
  if (!brush) return gap;
  const needs = (2 * stripper.repeatability + stripper.step) / (folded ? 2 : 1);
  const room = brush.max - brush.min - needs;
  const allowed = gap.max - gap.min;
  if (room >= allowed - 1e-9) return gap;
  const band = Math.min(allowed, Math.max(LEAST_BAND, Math.floor(room * 10 + 1e-9) / 10));
  if (practice.gap !== 'required' && terminal.barrel.stripRule !== 'window')
    return { min: gap.min, max: gap.min + band };
  const min = Math.max(gap.min, Math.round(((gap.min + gap.max - band) / 2) * 10) / 10);
  return { min, max: Math.min(gap.max, min + band) };
}

/** Dimension the length rests on and the sheet leaves out; null when it is there. */
function missingLength({ barrel }: Terminal, brush: Range | null): string | null {
  if (brush) return barrel.length === null ? 'barrel length' : null;
  if ((barrel.depth ?? barrel.length) !== null) return null;
  return barrel.stripRule === 'lug' ? 'depth of the well' : 'depth to the stop';
}

/** Lengths in the barrel that are good wherever in `position` the insulation edge lies. */
function lengthsFor({ barrel }: Terminal, brush: Range | null, position: Range): Range {
  if (brush) {
    const length = barrel.length ?? 0;
    return { min: length + brush.min + position.max, max: length + brush.max + position.min };
  }
  const depth = (barrel.depth ?? barrel.length ?? 0) + (barrel.stripRule === 'lug' ? barrel.growth : 0);
  return { min: depth + position.min, max: depth + position.max };
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
