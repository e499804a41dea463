import { isInRange, type CrimpHeight, type Range, type Terminal } from '../terminal';
import { showBeside } from '../units';
import { reason, type Reason } from '../verdict';
import type { Wire } from '../wire';
import { entriesOf, type Entry } from '../entry';

/** The crimp height the terminal's sheet gives for this wire, mm; null when it gives none. */
export function crimpHeight(terminal: Terminal, wire: Wire): Range | null {
  const row = rowFor(terminal, wire);
  return row ? { min: tidy(row.height - row.tolerance), max: tidy(row.height + row.tolerance) } : null;
}

/** The crimp width the sheet gives for this wire, mm; null when it gives none. */
export function crimpWidth(terminal: Terminal, wire: Wire): Range | null {
  const row = rowFor(terminal, wire);
  if (!row || row.width === null) return null;
  const tolerance = row.widthTolerance ?? 0;
  return { min: tidy(row.width - tolerance), max: tidy(row.width + tolerance) };
}

function rowFor(terminal: Terminal, wire: Wire): CrimpHeight | undefined {
  const { size } = wire.conductor;
  return terminal.crimpHeights.find((h) => h.size.scale === size.scale && h.size.value === size.value);
}

/** Takes off what binary fractions leave over: 1.48 - 0.05 is 1.43 on the caliper. */
const tidy = (value: number) => Number(value.toFixed(9));

export interface MeasureVerdict {
  readonly state: 'pass' | 'fail' | 'missing';
  readonly reasons: readonly Reason[];
}

/**
 * Judges the strip lengths of the first pieces of a set-up: each has to be measured, each has to lie in its range.
 * @param wanted how many pieces have to be measured
 */
export function judgeStrips(range: Range | null, entries: readonly Entry[], wanted: number): MeasureVerdict {
  if (!range || wanted === 0) return { state: 'pass', reasons: [] };
  const given = entriesOf(entries, 'measure').filter((e) => e.body.what === 'strip');
  const out = given.filter(({ body }) => !isInRange(body.value, range));
  const missing = Array.from({ length: wanted }, (_, i) => i + 1).filter(
    (piece) => !given.some(({ body }) => body.piece === piece),
  );
  const span = `${range.min.toFixed(2)}–${range.max.toFixed(2)} mm`;
  const reasons: Reason[] = out.map(({ body }) => {
    const isShort = body.value < range.min;
    const { value } = showBeside(body.value, isShort ? range.min : range.max, 2);
    const trim = `trim ${(body.value - range.max).toFixed(2)} to ${(body.value - range.min).toFixed(2)} mm`;
    return reason(
      'strip-out',
      'bad',
      `Piece ${body.piece}: strip length ${value} mm is ${isShort ? 'below' : 'above'} ${span}: ${isShort ? 'cut it off and strip it again' : trim}.`,
      { piece: body.piece, value: body.value, lo: range.min, hi: range.max },
    );
  });
  if (missing.length) {
    reasons.push(
      reason(
        'strip-not-measured',
        'hold',
        `Strip length of ${missing.length} of ${wanted} pieces is not measured yet.`,
        { missing: missing.length, wanted },
      ),
    );
  }
  if (!reasons.length) {
    reasons.push(reason('strip-good', 'good', `Strip length of ${wanted} pieces lies in ${span}.`, { wanted }));
  }
  return { state: out.length ? 'fail' : missing.length ? 'missing' : 'pass', reasons };
}
