import type { Criterion } from '../criteria';
import { showPoints } from '../judgeLook';
import { numberFinding } from '../numberFinding';
import { measureMark, type PhotoMark, type PhotoScale } from './measureMark';

export interface MarkVerdict {
  readonly good: boolean;
  /** Nearer to an end of the range than the picture can tell. */
  readonly isNear: boolean;
  readonly text: string;
}

/**
 * What a mark says of the point it answers.
 * @returns null where it answers none, or nothing is measured yet
 */
export function judgeMark(
  mark: PhotoMark,
  scale: PhotoScale | null,
  criteria: readonly Criterion[],
): MarkVerdict | null {
  const number = criteria.find((c) => c.code === mark.point)?.number;
  const found = measureMark(mark, scale);
  if (!number || !found) return null;
  const { min, max } = number.range;
  const good = numberFinding(found.value, number) === 'accept';
  const isNear = Math.min(Math.abs(found.value - min), Math.abs(found.value - max)) < found.within;
  const range = `${showPoints(number.range, number.unit)} is good`;
  return {
    good,
    isNear,
    text: `${good ? 'In range' : `Out of range: ${number.outside}`}; ${range}.${
      isNear ? ' Nearer to the end of the range than this picture tells: measure it with the caliper.' : ''
    }`,
  };
}
