import { dieDimension, endOf, isInRange, type CrimpHeight, type Range, type Terminal } from '../terminal';
import { capital } from '../text';
import { showBeside, showRange } from '../units';
import { reason, type Reason } from '../verdict';
import type { Nest } from '../tool';
import type { Wire } from '../wire';
import { entriesOf, type Entry } from '../entry';
import type { WireSetUp } from './computeSetUp';
import { wireName } from './wireName';

/**
 * The crimp height the terminal's sheet gives, mm: with a die of an index of its own the dimension it names for that die, else the
 * height for this wire; null when it gives none.
 */
export function crimpHeight(terminal: Terminal, wire: Wire, nest?: Pick<Nest, 'index'> | null): Range | null {
  const own = dieDimension(terminal, nest ?? null);
  if (own) return { min: own.from, max: own.to };
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
 * Judges the strip lengths of the first pieces of a set-up: each has to be measured, each has to lie in its range. Wires
 * that share a barrel are stripped, measured and judged each by itself. A release that was given before the further
 * wires were asked for keeps standing: what was not asked of it then is told, and holds nothing back.
 *
 * @param wanted how many pieces have to be measured
 */
export function judgeStrips(
  wires: readonly Pick<WireSetUp, 'preparation' | 'end' | 'number'>[],
  entries: readonly Entry[],
  wanted: number,
): MeasureVerdict {
  if (wanted === 0) return { state: 'pass', reasons: [] };
  const measured = entriesOf(entries, 'measure').flatMap(({ body }) => (body.what === 'strip' ? [body] : []));
  const isReleased = entriesOf(entries, 'release').length > 0;
  const reasons = wires.flatMap(({ preparation, end, number }, i) => {
    const range = preparation?.strip.window;
    const own = measured.filter((body) => endOf(body) === end && (body.wire ?? 1) === number);
    if (!range) return [];
    const name = wireName({ end, number }, wires);
    if (i > 0 && isReleased && !own.length) {
      const text = `Strip length of ${name} is not on record: it was not asked for when this set-up was released.`;
      return [reason('strip-not-asked', 'note', text)];
    }
    return stripsOf(range, own, wanted, name);
  });
  const has = (weight: Reason['weight']) => reasons.some((r) => r.weight === weight);
  return { state: has('bad') ? 'fail' : has('hold') ? 'missing' : 'pass', reasons };
}

/** @param name of the wire; empty where it is the only one */
function stripsOf(
  range: Range,
  given: readonly { readonly piece: number; readonly value: number }[],
  wanted: number,
  name: string,
): readonly Reason[] {
  const length = name === '' ? 'Strip length' : `${capital(name)}: strip length`;
  const missing = Array.from({ length: wanted }, (_, i) => i + 1).filter(
    (piece) => !given.some((body) => body.piece === piece),
  );
  const span = `${showRange(range, 2)} mm`;
  const out = given
    .filter(({ value }) => !isInRange(value, range))
    .map(({ piece, value }) => {
      const isShort = value < range.min;
      const shown = showBeside(value, isShort ? range.min : range.max, 2).value;
      const trim = `trim ${(value - range.max).toFixed(2)} to ${(value - range.min).toFixed(2)} mm`;
      return reason(
        'strip-out',
        'bad',
        `Piece ${piece}${name === '' ? '' : `, ${name}`}: strip length ${shown} mm is ${isShort ? 'below' : 'above'} ${span}: ${isShort ? 'cut it off and strip it again' : trim}.`,
        { piece, value, lo: range.min, hi: range.max },
      );
    });
  if (missing.length) {
    const text = `${length} of ${missing.length} of ${wanted} pieces is not measured yet.`;
    return [...out, reason('strip-not-measured', 'hold', text, { missing: missing.length, wanted })];
  }
  return out.length
    ? out
    : [reason('strip-good', 'good', `${length} of ${wanted} pieces lies in ${span}.`, { wanted })];
}
