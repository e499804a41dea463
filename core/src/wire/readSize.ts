import { readNumber } from '../units';
import { LARGEST_AREA, LARGEST_AWG, SMALLEST_AREA, SMALLEST_AWG } from './sizes';
import type { ConductorSize } from './Wire';

/** AWG as printed: '18', '0' to '0000', '1/0' to '4/0'. */
const AWG = String.raw`(\d{1,2}|0{1,4}|[1-4]\/0)`;
const PATTERN = new RegExp(String.raw`^(?:awg\s*${AWG}|${AWG}\s*awg)$`, 'i');

/**
 * A conductor size as printed: '0.75 mm2', '0.75', 'AWG 18', '18 AWG', 'AWG 1/0', 'AWG 00'. A bare number is mm2.
 * @returns null for anything else, and for sizes nobody makes: AWG outside 4/0 to 40, mm2 outside 0.005 to 1000
 */
export function readSize(text: string): ConductorSize | null {
  const cell = text.trim();
  const awg = PATTERN.exec(cell);
  const number = awg?.[1] ?? awg?.[2];
  if (number !== undefined) {
    const aughts = number.endsWith('/0') ? Number(number[0]) : /^0+$/.test(number) ? number.length : null;
    const value = aughts === null ? Number(number) : 1 - aughts;
    return value >= LARGEST_AWG && value <= SMALLEST_AWG ? { scale: 'awg', value } : null;
  }
  const read = readNumber(cell.replace(/mm2|mm²|sqmm/i, ''));
  const isSize =
    read.outcome === 'number' && read.rest === '' && read.value >= SMALLEST_AREA && read.value <= LARGEST_AREA;
  return isSize ? { scale: 'mm2', value: read.value } : null;
}
