import { MM_PER_INCH, type LengthUnit } from './length';
import { lengthUnitOf } from './unitOf';
import { readNumber } from './readNumber';

export type LengthRead =
  | { readonly outcome: 'length'; readonly millimetres: number; readonly unit: LengthUnit }
  | { readonly outcome: 'refused'; readonly code: string; readonly text: string };

const FRACTION = /^(?:(\d+)[ -])?(\d+)\/(\d+)\s*(in|")?$/;

const NOT_ABOVE_0: LengthRead = { outcome: 'refused', code: 'zero', text: 'A length lies above 0.' };

/**
 * Reads a length as typed: a number with or without its unit, or inches as a fraction ('3/8 in', '1 1/64').
 * @param unit the field's unit, for a number without one
 * @example readLength('3/8 in', 'mm') // 9.525 mm
 */
export function readLength(text: string, unit: LengthUnit): LengthRead {
  const fraction = FRACTION.exec(text.trim());
  if (fraction) {
    const [, whole = '0', top = '0', bottom = '1'] = fraction;
    if (Number(bottom) === 0) return { outcome: 'refused', code: 'not-a-number', text: `'${text}' divides by 0.` };
    const millimetres = (Number(whole) + Number(top) / Number(bottom)) * MM_PER_INCH;
    return millimetres > 0 ? { outcome: 'length', millimetres, unit: 'in' } : NOT_ABOVE_0;
  }
  const read = readNumber(text.replace(/"$/, ' in'));
  if (read.outcome === 'refused') return read;
  const said = read.rest === '' ? unit : lengthUnitOf(read.rest);
  if (!said) {
    return {
      outcome: 'refused',
      code: 'unknown-unit',
      text: `'${read.rest.slice(0, 12)}' is no unit of length here. Use mm or in, or none for ${unit}.`,
    };
  }
  if (!(read.value > 0)) return NOT_ABOVE_0;
  return { outcome: 'length', millimetres: said === 'in' ? read.value * MM_PER_INCH : read.value, unit: said };
}
