import type { Range, Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import type { Wire } from '../wire';
import { entriesOf } from './entriesOf';
import type { Entry, Measure } from './Entry';

/** What a measure has to lie in, mm; null where it is not asked for. */
export type MeasureRanges = Readonly<Record<Measure, Range | null>>;

/** The crimp height the terminal's sheet gives for this wire, mm; null when it gives none. */
export function crimpHeight(terminal: Terminal, wire: Wire): Range | null {
  const { size } = wire.conductor;
  const row = terminal.crimpHeights.find((h) => h.size.scale === size.scale && h.size.value === size.value);
  return row ? { min: tidy(row.height - row.tolerance), max: tidy(row.height + row.tolerance) } : null;
}

/** Takes off what binary fractions leave over: 1.48 - 0.05 is 1.43 on the caliper. */
const tidy = (value: number) => Number(value.toFixed(9));

const NAMES: Readonly<Record<Measure, string>> = { strip: 'strip length', height: 'crimp height' };

export interface MeasureVerdict {
  readonly state: 'pass' | 'fail' | 'missing';
  readonly reasons: readonly Reason[];
}

/**
 * Judges one kind of measure over the first pieces of a set-up: each has to be measured, each has to lie in its range.
 * @param wanted how many pieces have to be measured
 */
export function judgeMeasures(
  what: Measure,
  range: Range | null,
  entries: readonly Entry[],
  wanted: number,
): MeasureVerdict {
  if (!range || wanted === 0) return { state: 'pass', reasons: [] };
  const given = entriesOf(entries, 'measure').filter((e) => e.body.what === what);
  const out = given.filter(({ body }) => body.value < range.min - 1e-9 || body.value > range.max + 1e-9);
  const missing = Array.from({ length: wanted }, (_, i) => i + 1).filter(
    (piece) => !given.some(({ body }) => body.piece === piece),
  );
  const span = `${range.min.toFixed(2)}–${range.max.toFixed(2)} mm`;
  const reasons: Reason[] = out.map(({ body }) =>
    reason(
      `${what}-out`,
      'bad',
      `Piece ${body.piece}: ${NAMES[what]} ${body.value.toFixed(2)} mm is ${body.value < range.min ? 'below' : 'above'} ${span}.`,
      { piece: body.piece, value: body.value, lo: range.min, hi: range.max },
    ),
  );
  if (missing.length) {
    reasons.push(
      reason(
        `${what}-not-measured`,
        'hold',
        `${capital(NAMES[what])} of ${missing.length} of ${wanted} pieces is not measured yet.`,
        { missing: missing.length, wanted },
      ),
    );
  }
  if (!reasons.length) {
    reasons.push(
      reason(`${what}-good`, 'good', `${capital(NAMES[what])} of ${wanted} pieces lies in ${span}.`, { wanted }),
    );
  }
  return { state: out.length ? 'fail' : missing.length ? 'missing' : 'pass', reasons };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
