import type { TraceRead } from './readTrace';

/** A raw value of the gauge as a force above zero, N; as it is where the curve was not read. */
export function shownForce(raw: number, read: Pick<TraceRead, 'zero' | 'isTurned'> | null): number {
  return read ? (read.isTurned ? -raw : raw) - read.zero : raw;
}
