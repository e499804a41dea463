import { FORCE_UNITS, type ForceUnit } from './force';
import { LENGTH_UNITS } from './length';

/* How units are read wherever they are written: in a field, in a heading, in a line of a gauge. */

const named =
  <U extends string>(units: readonly U[]) =>
  (word: string | null | undefined): U | undefined => {
    const plain = word?.trim().toLowerCase();
    return units.find((unit) => unit.toLowerCase() === plain);
  };

/** The unit of force a word names, in capitals or without; undefined where it names none. */
export const forceUnitOf = named(FORCE_UNITS);
/** The unit of length a word names. */
export const lengthUnitOf = named(LENGTH_UNITS);

/** Every unit of force, for a pattern that looks for one. */
export const ANY_FORCE_UNIT = FORCE_UNITS.join('|');

const AT_END = new RegExp(`\\b(${ANY_FORCE_UNIT})\\W*$`, 'i');

/** The unit of force a column is headed with, as its last word: 'force N', 'Load (lbf)'. */
export function headedForceUnit(heading: string): ForceUnit | undefined {
  return forceUnitOf(AT_END.exec(heading)?.[1]);
}
