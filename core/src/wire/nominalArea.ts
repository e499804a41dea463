import { awgArea } from './awgArea';
import type { ConductorSize } from './Wire';

/** Area in mm2 that a printed size stands for: the number itself, or the solid area of the AWG number. */
export function nominalArea(size: ConductorSize): number {
  return size.scale === 'awg' ? awgArea(size.value) : size.value;
}
