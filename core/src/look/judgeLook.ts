import { isInRange, type Range } from '../terminal';
import { reason, type Reason } from '../verdict';
import type { Criterion } from './criteria';
import { worseFinding, type Finding } from './Finding';
import { numberFinding } from './numberFinding';

export interface PieceFinding {
  readonly piece: number;
  /** Key of the point, or {@link AS_DRAWN}. */
  readonly criterion: string;
  readonly finding: Finding;
}

/** A point's number on one piece, in the point's own unit. */
export interface PieceNumber {
  readonly piece: number;
  /** Key of the point. */
  readonly what: string;
  readonly value: number;
}

/** A set-up piece looked at as a whole, where the practice allows it: every point, and all of them as drawn. */
export const AS_DRAWN = 'as-drawn';

/** What is known of one point of one piece; `finding` null: not looked at yet. */
export interface PointState {
  readonly finding: Finding | null;
  /** Measured, null where it was not. */
  readonly value: number | null;
  /** Whether a number is still asked for. */
  readonly toMeasure: boolean;
}

export interface LookVerdict {
  readonly state: 'pass' | 'hold' | 'fail' | 'missing';
  /** Verdict of each piece from 1. */
  readonly pieces: readonly ('accepted' | 'rework' | 'rejected' | 'open')[];
  /** Points of each piece from 1, in the order of the criteria. */
  readonly points: readonly (readonly PointState[])[];
  readonly reasons: readonly Reason[];
}

/** Everything in force that was said of sample pieces. */
export interface LookEvidence {
  readonly findings: readonly PieceFinding[];
  readonly numbers: readonly PieceNumber[];
  /** Pieces looked at. */
  readonly count: number;
  /** Of these, how many a number asked of 'the first pieces' is measured on. */
  readonly measured: number;
}

/**
 * The state of one point of one piece: what the eye found and what the number says, the worse of the two. A number in
 * its range answers the point where nobody found anything by eye.
 */
export function pointState(
  criterion: Criterion,
  piece: number,
  { findings, numbers, measured }: Pick<LookEvidence, 'findings' | 'numbers' | 'measured'>,
): PointState {
  const own = findings.filter((f) => f.piece === piece);
  const given =
    own.find((f) => f.criterion === criterion.key)?.finding ??
    (own.some((f) => f.criterion === AS_DRAWN) ? 'accept' : null);
  const { number } = criterion;
  const value = number ? (numbers.find((n) => n.piece === piece && n.what === criterion.key)?.value ?? null) : null;
  const said = number && value !== null ? numberFinding(value, number) : null;
  const isAsked = number?.measured === 'each' || (number?.measured === 'first' && piece <= measured);
  // A caliper's point on a piece nobody has to measure is answered by not being asked.
  const spared = !isAsked && isCaliperOnly(criterion) ? 'accept' : null;
  const finding = given && said ? worseFinding(given, said) : (given ?? said ?? spared);
  return { finding, value, toMeasure: isAsked && value === null };
}

/** Points nobody can judge by eye: they need a caliper, or a cut. */
export function isCaliperOnly({ code }: Criterion): boolean {
  return code === 'height' || code === 'width' || code === 'compression' || code === 'voids';
}

/**
 * Judges what was found and measured (corrected ones left out) on `count` sample pieces. A reject fails whatever the
 * pull says; a piece to rework holds; a point not looked at or not measured where it is asked for is missing, never
 * assumed good. A note lets the piece go and is told.
 */
export function judgeLook(criteria: readonly Criterion[], evidence: LookEvidence): LookVerdict {
  const { count } = evidence;
  const reasons: Reason[] = [];
  const pieces: ('accepted' | 'rework' | 'rejected' | 'open')[] = [];
  const points: PointState[][] = [];
  let open = 0;
  const unmeasured = new Map<Criterion, number>();
  const notes: string[] = [];
  for (let piece = 1; piece <= count; piece++) {
    const states = criteria.map((criterion) => pointState(criterion, piece, evidence));
    points.push(states);
    const of = (finding: Finding) => criteria.filter((_, i) => states[i]?.finding === finding);
    const tell = (list: readonly Criterion[]) =>
      list.map((c) => withNumber(c, states[criteria.indexOf(c)]?.value ?? null)).join('; ');
    const rejected = of('reject');
    const rework = of('rework');
    if (rejected.length) {
      reasons.push(reason('piece-rejected', 'bad', `Piece ${piece} is rejected: ${tell(rejected)}.`, { piece }));
    }
    if (rework.length) {
      reasons.push(reason('piece-rework', 'hold', `Piece ${piece} is to be reworked: ${tell(rework)}.`, { piece }));
    }
    const noted = of('note');
    if (noted.length) notes.push(`Noted on piece ${piece}: ${tell(noted)}.`);
    const waits = states.filter((s) => s.finding === null || s.toMeasure).length;
    for (const [i, criterion] of criteria.entries()) {
      if (states[i]?.toMeasure) unmeasured.set(criterion, (unmeasured.get(criterion) ?? 0) + 1);
    }
    open += states.filter((s) => s.finding === null && !s.toMeasure).length;
    pieces.push(
      rejected.length ? 'rejected' : rework.length ? 'rework' : waits > 0 || !criteria.length ? 'open' : 'accepted',
    );
  }
  if (open) {
    reasons.push(
      reason('not-looked-at', 'hold', `${open} of ${count * criteria.length} points are not looked at yet.`, { open }),
    );
  }
  for (const [{ title, number }, missing] of unmeasured) {
    const wanted = number?.measured === 'each' ? count : Math.min(count, evidence.measured);
    reasons.push(
      reason('not-measured', 'hold', `${title} of ${missing} of ${wanted} pieces is not measured yet.`, {
        missing,
        wanted,
      }),
    );
  }
  const state = pieces.includes('rejected')
    ? 'fail'
    : pieces.includes('open')
      ? 'missing'
      : pieces.includes('rework')
        ? 'hold'
        : 'pass';
  if (state === 'pass') {
    reasons.push(
      reason('look-accepted', 'good', `${count} of ${count} pieces accepted at ${criteria.length} points each.`, {
        count,
      }),
    );
  }
  if (notes.length) reasons.push(reason('noted', 'note', notes.join(' ')));
  return { state, pieces, points, reasons };
}

function withNumber(criterion: Criterion, value: number | null): string {
  const title = criterion.title.toLowerCase();
  const { number } = criterion;
  if (!number || value === null) return title;
  // The eye found what no number shows.
  if (isInRange(value, number.range))
    return `${title} by eye (measured ${withUnit(rounded(value, number.unit), number.unit)}, which is good)`;
  const measured = showPoint(value, number.unit);
  // Strands are counted in strands: their name once is enough.
  return `${title === number.unit ? measured : `${title} ${measured}`}, ${showPoints(number.range, number.unit)} is good`;
}

/** A point's number with its unit, never rounded into or out of its range: lengths to a hundredth or as measured. */
export function showPoint(value: number, unit: string): string {
  return withUnit(exactly(value, unit), unit);
}

/** A range of them, its unit once: '0.50 to 1.00 mm'; one number where both ends are the same. */
export function showPoints({ min, max }: Range, unit: string): string {
  return min === max ? showPoint(min, unit) : withUnit(`${exactly(min, unit)} to ${exactly(max, unit)}`, unit);
}

/** As far as anybody measures it. */
const rounded = (value: number, unit: string) => value.toFixed(unit === 'mm' ? 2 : unit === 'strands' ? 0 : 1);

function exactly(value: number, unit: string): string {
  const short = rounded(value, unit);
  return Math.abs(Number(short) - value) < 1e-9 ? short : String(Number(value.toFixed(4)));
}

function withUnit(text: string, unit: string): string {
  if (unit === '°') return `${text}°`;
  return `${text} ${text === '1' && unit === 'strands' ? 'strand' : unit}`;
}
