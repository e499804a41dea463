import { readNumber } from '../units';
import type { ConductorSize } from './Wire';

/**
 * A conductor size as printed: '0.75 mm2', '0.75', 'AWG 18', '18 AWG', 'AWG 1/0'. A bare number is mm2.
 * @returns null for anything else, and for sizes of 0 or less
 */
export function readSize(text: string): ConductorSize | null {
  const cell = text.trim();
  const awg = /^(?:awg\s*(\d{1,2}|[1-4]\/0)|(\d{1,2}|[1-4]\/0)\s*awg)$/i.exec(cell);
  const number = awg?.[1] ?? awg?.[2];
  if (number !== undefined) {
    const zeros = /^([1-4])\/0$/.exec(number);
    return { scale: 'awg', value: zeros ? 1 - Number(zeros[1]) : Number(number) };
  }
  const read = readNumber(cell.replace(/mm2|mm²|sqmm/i, ''));
  return read.outcome === 'number' && read.rest === '' && read.value > 0 ? { scale: 'mm2', value: read.value } : null;
}
