import { areaToAwg } from './areaToAwg';
import { awgArea } from './awgArea';
import { nominalArea } from './nominalArea';
import type { ConductorSize } from './Wire';

/** IEC-style preferred metric conductor sizes, mm2. */
const METRIC = [0.05, 0.08, 0.14, 0.22, 0.25, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];

/**
 * The nearest size on the other scale and how far its area is off, in percent of the given size's area
 * (positive: the other one is bigger). Never a statement that the two are equal.
 * @example otherScale({ scale: 'awg', value: 18 }) // { size: 0.75 mm2, offPercent: -8.9 }
 */
export function otherScale(size: ConductorSize): { size: ConductorSize; offPercent: number } {
  const area = nominalArea(size);
  let other: ConductorSize;
  if (size.scale === 'awg') {
    const value = METRIC.reduce((best, next) =>
      Math.abs(Math.log(next / area)) < Math.abs(Math.log(best / area)) ? next : best,
    );
    other = { scale: 'mm2', value };
  } else {
    const exact = areaToAwg(area);
    // AWG sizes of stranded wire are even below 10 or so; odd ones exist as magnet wire only.
    const value = exact > 1 ? 2 * Math.round(exact / 2) : Math.round(exact);
    other = { scale: 'awg', value };
  }
  const otherArea = other.scale === 'awg' ? awgArea(other.value) : other.value;
  return { size: other, offPercent: (otherArea / area - 1) * 100 };
}
