import { FORCE_UNITS, type ForceUnit, forceUnitOf, fromNewtons, readNumber, showNumber, toNewtons } from '../units';
import { plausibleForce } from './plausibleForce';

export type ForceRead =
  | { readonly outcome: 'force'; readonly newtons: number; readonly unit: ForceUnit; readonly note: string | null }
  | {
      readonly outcome: 'question';
      readonly code: 'other-unit' | 'above-wire' | 'unit-slip';
      readonly newtons: number;
      readonly unit: ForceUnit;
      readonly text: string;
    }
  | { readonly outcome: 'refused'; readonly code: string; readonly text: string };

/**
 * Reads a force as typed or as sent by a gauge that types like a keyboard. Doubtful values are asked about, never
 * changed silently and never thrown away: another unit than the field's, a force above 1.25 x the wire's breaking
 * load, or one that in another unit would be what is usual here, whether it comes out too low or too high.
 *
 * @param text e.g. '118.4', '12,5', '12.5 lbf'
 * @param unit the field's unit
 * @param breaks breaking load of the wire, N
 * @param usual lower end of what this lot has read so far, N; null before the first valid reading
 */
export function readForce(text: string, unit: ForceUnit, breaks: number, usual: number | null = null): ForceRead {
  const read = readNumber(text);
  if (read.outcome === 'refused') return read;
  const named = read.rest === '' ? unit : forceUnitOf(read.rest);
  if (!named) {
    return {
      outcome: 'refused',
      code: 'unknown-unit',
      text: `'${read.rest.slice(0, 12)}' is no unit of force here. Use N, lbf or kgf, or none for ${unit}.`,
    };
  }
  if (read.value < 0) {
    return {
      outcome: 'refused',
      code: 'negative',
      text: `${read.value} ${named} is negative. Check that the gauge reads pull, not push, and type the force without a sign.`,
    };
  }
  if (read.value === 0) return { outcome: 'refused', code: 'zero', text: 'Nothing was pulled: 0 is no reading.' };
  const newtons = toNewtons(read.value, named);
  const shown = `${showNumber(newtons, 1)} N`;
  const ceiling = plausibleForce(breaks);
  if (newtons > ceiling * 50) {
    return {
      outcome: 'refused',
      code: 'impossible',
      text: `${read.value} ${named} is ${showNumber(newtons / breaks, 0)} times what this wire can bear. Read the gauge again.`,
    };
  }
  if (newtons > ceiling) {
    return {
      outcome: 'question',
      code: 'above-wire',
      newtons,
      unit: named,
      text: `${shown} is more than this wire can bear (it breaks near ${showNumber(breaks, 0)} N). ${slip(read.value, named, breaks)}Is the wire or the unit another one?`,
    };
  }
  if (named !== unit) {
    return {
      outcome: 'question',
      code: 'other-unit',
      newtons,
      unit: named,
      text: `${read.value} ${named} is ${shown}, but this field is set to ${unit}. Keep it as ${shown}?`,
    };
  }
  const slipped = usual === null || within(newtons, usual) ? undefined : unitOf(read.value, named, usual);
  if (usual !== null && slipped) {
    const side = newtons < usual ? 'below' : 'above';
    return {
      outcome: 'question',
      code: 'unit-slip',
      newtons,
      unit: named,
      text: `${shown} is far ${side} the others. ${read.value} ${slipped} would be ${showNumber(toNewtons(read.value, slipped), 1)} N. Is it really ${shown}?`,
    };
  }
  const note = /,/.test(text) ? `Read as ${read.value} ${named}.` : null;
  return { outcome: 'force', newtons, unit: named, note };
}

/** Another unit in which the number would be what is usual here. */
const unitOf = (value: number, named: ForceUnit, usual: number) =>
  FORCE_UNITS.find((unit) => unit !== named && within(toNewtons(value, unit), usual));

function within(newtons: number, usual: number): boolean {
  return newtons > usual * 0.7 && newtons < usual * 1.4;
}

function slip(value: number, unit: ForceUnit, breaks: number): string {
  if (unit === 'N') return '';
  return value <= plausibleForce(breaks)
    ? `${value} N would be ${showNumber(fromNewtons(value, unit), 1)} ${unit}. `
    : '';
}
