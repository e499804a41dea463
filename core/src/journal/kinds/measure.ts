import { measureAsked } from '../../combination';
import { pointOf, readPointNumber, showPoint, type PointUnit } from '../../look';
import { endOf } from '../../terminal';
import { readLength } from '../../units';
import { agreesWithTyped } from '../agreesWithTyped';
import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';
import { ofWire } from '../pieceSlot';

/** The unit a value is kept in: lengths in mm, however they were typed. */
const keptUnit = (unit: BodyOf<'measure'>['unit']): PointUnit => (unit === 'in' ? 'mm' : unit);

/** What the typed text says, in the unit the value is kept in; null when it cannot be read. */
function typedValue({ typed, unit }: BodyOf<'measure'>): number | null {
  if (unit === 'mm' || unit === 'in') {
    const read = readLength(typed, unit);
    return read.outcome === 'refused' ? null : read.millimetres;
  }
  const read = readPointNumber(typed, unit);
  return read.outcome === 'read' ? read.value : null;
}

/** A number measured of a piece. */
export const measure: Kind<BodyOf<'measure'>> = {
  place: (body) => `measure/${body.what}/${body.piece}${ofWire(body.wire, endOf(body))}`,
  reads: () => NOTHING,
  // A wire end is stripped and measured before it meets a tool; everything else is measured of a crimp.
  after: (body) => (body.what === 'strip' ? 'pair' : 'tool'),
  rests: false,
  check(body, { setUp, lot, points, wire, isCorrection }) {
    if (body.after && (body.what !== 'strip' || !isCorrection)) {
      return refuse(
        'after-wrong',
        'after',
        'An end is trimmed or cut off after its strip length was out of range: correct that one.',
      );
    }
    if (body.what !== 'strip' && (body.wire ?? 1) !== 1) {
      return refuse(
        'measure-of-piece',
        'wire',
        'This is measured of the whole piece, not of one wire: leave the wire out.',
      );
    }
    const asked = measureAsked(lot === null ? setUp : { ...setUp, criteria: points }, body.what, wire, endOf(body));
    if (!asked) {
      return refuse(
        'measure-not-asked',
        'what',
        'Nothing says what this should be, so there is nothing to compare it with.',
      );
    }
    const isLength = asked.unit === 'mm';
    if (!Number.isFinite(body.value) || body.value < 0 || (body.value === 0 && asked.range.min > 0)) {
      return refuse('measure-impossible', 'value', `${asked.title}: type a number above 0.`);
    }
    if (isLength !== (body.unit === 'mm' || body.unit === 'in') || (!isLength && body.unit !== asked.unit)) {
      return refuse('measure-unit', 'unit', `${asked.title} is measured in ${isLength ? 'mm or in' : asked.unit}.`);
    }
    if (asked.unit === 'strands' && !Number.isInteger(body.value)) {
      return refuse('measure-impossible', 'value', 'Strands are counted: type a whole number.');
    }
    if (body.value > Math.max(10 * asked.range.max, asked.unit === 'mm' ? 20 : 360)) {
      return refuse(
        'length-implausible',
        'value',
        `${body.value} ${asked.unit} is far more than it may be. Check value and unit.`,
      );
    }
    return agreesWithTyped(typedValue(body), body.value, body.typed)
      ? null
      : refuse(
          'typed-differs',
          'typed',
          `'${body.typed}' was typed, but ${body.value} ${asked.unit} is to be kept. Type it again.`,
        );
  },
  sentence: (body) =>
    `Piece ${body.piece}${body.end ? ', end 2' : ''}${body.wire ? `, wire ${body.wire}` : ''}, ${body.what === 'strip' ? 'strip length' : pointOf(body.what).title.toLowerCase()} ${showPoint(body.value, keptUnit(body.unit))} (${body.from ? `from ${body.from}` : `typed ${body.typed} ${body.unit}`})${body.after ? `, ${body.after === 'trim' ? 'trimmed' : 'cut off and stripped again'}` : ''}${noted(body.note)}`,
  cells: (body) => ({ measured: body.value, unit: keptUnit(body.unit) }),
};
