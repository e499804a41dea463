import { isInRange } from '../terminal';
import type { Criterion } from './criteria';
import type { Finding } from './Finding';

/** What a measured number means for its point. A value on an end of the range is in it. */
export function numberFinding(
  value: number,
  number: Pick<NonNullable<Criterion['number']>, 'range' | 'outside' | 'mends'>,
): Finding {
  if (isInRange(value, number.range)) return 'accept';
  return number.mends && isInRange(value, number.mends) ? 'rework' : number.outside;
}
