import { atEnd, type End, type Range } from '../terminal';
import { uncapital } from '../text';
import type { Finding } from './Finding';
import type { LookContext } from './LookContext';
import { PLAIN_SHEET, type LookRow, type LookSheet, type Measured } from './LookSheet';
import { pointOf, POINTS, pointTitle, type Point, type PointCode, type PointUnit, type View } from './points';

export interface Criterion {
  readonly code: PointCode;
  /** The end of a splice that is looked at; 1 for a point of the whole piece, and for everything that has one end. */
  readonly end: End;
  /** Code and end in one, as findings and numbers name the point. */
  readonly key: string;
  readonly title: string;
  readonly view: View;
  /** What a good piece shows, with the numbers of this set-up. */
  readonly accept: string;
  /** Findings a person may give: some faults cannot be reworked, some are never worth a reject. */
  readonly findings: readonly Finding[];
  /** The number that answers it; null where the eye alone does. */
  readonly number: {
    readonly what: string;
    readonly unit: PointUnit;
    readonly range: Range;
    readonly measured: Exclude<Measured, 'never'>;
    /** What a number outside the range means. */
    readonly outside: Finding;
    /** Outside the range and in this one it is reworked, whatever `outside` says; null where nothing is. */
    readonly mends: Range | null;
  } | null;
}

/** Points whose numbers follow from the set-up and stand in their words even where nobody measures. */
const FROM_SET_UP: readonly PointCode[] = ['brush', 'window', 'gap', 'height', 'width'];

/**
 * What to look at on each sample piece: the points of the sheet this terminal has, in the order the eye goes along the
 * piece from the tongue to the wire. A row for the family wins over one for all.
 */
export function criteria(context: LookContext, sheet: LookSheet = PLAIN_SHEET): Criterion[] {
  return POINTS.filter((point) => point.applies(context) && isAsked(point, context)).flatMap((point) => {
    const row = rowFor(sheet, point.code, context.terminal.family);
    return row ? [criterion(context, point, row)] : [];
  });
}

/**
 * What to look at on each sample piece of a splice: first what one end shows, then the other, then what both show together.
 * @param ends the second one is missing where nothing is known of the wire there
 */
export function criteriaOfEnds(ends: readonly LookContext[], sheet: LookSheet = PLAIN_SHEET): Criterion[] {
  const [first, second] = ends;
  if (!first) return [];
  const own = criteria(first, sheet);
  if (!second) return own;
  const isWhole = ({ code }: Criterion) => pointOf(code).ofWhole === true;
  return [...own.filter((c) => !isWhole(c)), ...criteria(second, sheet), ...own.filter(isWhole)];
}

/** A point of the whole piece is asked for once: with its first end. */
const isAsked = (point: Point, context: LookContext) => context.end === 1 || !point.ofWhole;

function rowFor(sheet: LookSheet, code: PointCode, family: LookContext['terminal']['family']): LookRow | undefined {
  const own = sheet.rows.filter((r) => r.point === code);
  return own.find((r) => r.families.includes(family)) ?? own.find((r) => !r.families.length);
}

function criterion(context: LookContext, point: Point, row: LookRow): Criterion {
  const range = rangeFor(context, point, row);
  const isShown = row.measured !== 'never' || FROM_SET_UP.includes(point.code);
  const title = pointTitle(point, context);
  const mends = point.mends?.(context, isShown ? range : null) ?? null;
  const isOfEnd = context.opposite !== null && !point.ofWhole;
  return {
    code: point.code,
    end: context.end,
    key: atEnd(point.code, context.end),
    title: isOfEnd ? `End ${context.end}: ${uncapital(title)}` : title,
    view: point.view,
    accept: [point.accept(context, isShown ? range : null), mends?.text, row.text].filter(Boolean).join(' '),
    findings: mends && !row.findings.includes('rework') ? [...row.findings, 'rework'] : row.findings,
    number:
      point.number && range && row.measured !== 'never'
        ? {
            what: point.number.what,
            unit: point.number.unit,
            range,
            measured: row.measured,
            outside: row.outside,
            mends: mends?.range ?? null,
          }
        : null,
  };
}

/** The range of a point's number: the sheet's ends where it says them, else what follows from the set-up. */
function rangeFor(context: LookContext, point: Point, row: LookRow): Range | null {
  const own = point.number?.range(context) ?? null;
  if (row.min === null && row.max === null) return own;
  return { min: row.min ?? own?.min ?? 0, max: row.max ?? own?.max ?? Infinity };
}
