import { sizeLabel } from '../wire';
import type { Terminal } from './Terminal';

/** The printed conductor range in the order the scale is printed: '0.5-1 mm²', or 'AWG 22-18'. */
export function rangeLabel(range: Terminal['conductorRange']): string {
  const { smallest, largest } = range;
  if (smallest.scale === largest.scale && smallest.value === largest.value) return sizeLabel(smallest);
  if (smallest.scale !== largest.scale) return `${sizeLabel(smallest)} to ${sizeLabel(largest)}`;
  if (smallest.scale === 'mm2') return `${smallest.value}–${sizeLabel(largest)}`;
  return `${sizeLabel(smallest)}–${sizeLabel(largest).replace('AWG ', '')}`;
}
