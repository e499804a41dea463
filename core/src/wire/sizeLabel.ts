import type { ConductorSize } from './Wire';

/** A conductor size as the trade writes it. @example sizeLabel({ scale: 'awg', value: 0 }) // 'AWG 1/0' */
export function sizeLabel(size: ConductorSize): string {
  if (size.scale === 'mm2') return `${size.value} mm²`;
  return size.value > 0 ? `AWG ${size.value}` : `AWG ${1 - size.value}/0`;
}
