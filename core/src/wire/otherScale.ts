import { awgArea } from './awgArea';
import { nominalArea } from './nominalArea';
import { sizeLabel } from './sizeLabel';
import { AWG_SIZES, METRIC_SIZES } from './sizes';
import type { ConductorSize } from './Wire';

/** A size's neighbour on the other scale. */
export interface OtherScale {
  /** null beyond the ends of that scale. */
  readonly size: ConductorSize | null;
  /** How far its area is off, in percent of the given size's area: positive, the other one is bigger. */
  readonly offPercent: number | null;
  /** E.g. 'nearest AWG 18, 9 % bigger' or 'larger than AWG 4/0'. */
  readonly text: string;
}

/**
 * The nearest standard size on the other scale, by the ratio of their areas. Never a statement that the two are equal.
 * A size farther beyond an end of that scale than half of its last step has none there.
 * @example otherScale({ scale: 'awg', value: 18 }) // 0.75 mm2, -8.9 %
 * @example otherScale({ scale: 'mm2', value: 240 }).text // 'larger than AWG 4/0'
 */
export function otherScale(size: ConductorSize): OtherScale {
  const area = nominalArea(size);
  const steps: readonly { readonly size: ConductorSize; readonly area: number }[] =
    size.scale === 'awg'
      ? METRIC_SIZES.map((value) => ({ size: { scale: 'mm2', value }, area: value }))
      : AWG_SIZES.map((value) => ({ size: { scale: 'awg', value }, area: awgArea(value) }));
  const [least, second] = steps;
  const [secondLast, most] = steps.slice(-2);
  if (!least || !second || !secondLast || !most) return { size: null, offPercent: null, text: '' };
  const beyond = (end: number, before: number) => end * Math.sqrt(end / before);
  if (!(area >= beyond(least.area, second.area))) return none(`smaller than ${sizeLabel(least.size)}`);
  if (area > beyond(most.area, secondLast.area)) return none(`larger than ${sizeLabel(most.size)}`);
  const off = (step: { readonly area: number }) => Math.abs(Math.log(step.area / area));
  const nearest = steps.reduce((best, next) => (off(next) < off(best) ? next : best));
  const offPercent = (nearest.area / area - 1) * 100;
  const far = Math.abs(offPercent).toFixed(0);
  const how = far === '0' ? 'less than 1 % off' : `${far} % ${offPercent < 0 ? 'smaller' : 'bigger'}`;
  return { size: nearest.size, offPercent, text: `nearest ${sizeLabel(nearest.size)}, ${how}` };
}

const none = (text: string): OtherScale => ({ size: null, offPercent: null, text });
