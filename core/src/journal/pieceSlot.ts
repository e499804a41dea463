/**
 * Behind a piece's place for all but the first end and the first of several wires in a barrel: a splice has two ends, and
 * each end of each piece has places of its own.
 */
export function ofWire(wire: number | undefined, end: 1 | 2 = 1): string {
  return `${end === 1 ? '' : `/end${end}`}${wire === undefined || wire === 1 ? '' : `/wire${wire}`}`;
}
