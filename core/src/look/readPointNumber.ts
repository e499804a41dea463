import { readLength, readNumber, type LengthUnit } from '../units';
import type { PointUnit } from './points';

export type PointNumberRead =
  | { readonly outcome: 'read'; readonly value: number; readonly unit: PointUnit | LengthUnit }
  | { readonly outcome: 'refused'; readonly text: string };

/** How each unit may be typed behind its number; another one is refused. */
const OWN: Readonly<Record<Exclude<PointUnit, 'mm'>, RegExp>> = { '°': /\s*°$/, '%': /\s*%$/, strands: /\s*strands?$/ };

/**
 * Reads what was typed for a point's number. A length may be typed in inches and becomes mm; angles, shares and counts
 * may carry their unit.
 *
 * @param unit of the point
 * @returns the value in the point's unit, and the unit it was typed in
 * @example ('0.071 in', 'mm'): 1.8034, 'in'; ('12°', '°'): 12, '°'
 */
export function readPointNumber(text: string, unit: PointUnit): PointNumberRead {
  if (unit === 'mm') {
    const read = readLength(text, 'mm');
    return read.outcome === 'refused'
      ? { outcome: 'refused', text: read.text }
      : { outcome: 'read', value: read.millimetres, unit: read.unit };
  }
  const bare = text.trim().replace(OWN[unit], '');
  const read = readNumber(bare);
  if (read.outcome === 'refused') return { outcome: 'refused', text: read.text };
  return read.rest === ''
    ? { outcome: 'read', value: read.value, unit }
    : { outcome: 'refused', text: `'${text.trim()}' is not in ${unit}. Type the number alone.` };
}
