import { readNumber } from '@tug-mark/core';

/** A number typed without a unit, read as people write it; null where it is none. */
export function plainNumber(text: string): number | null {
  const read = readNumber(text);
  return read.outcome === 'number' && read.rest === '' ? read.value : null;
}
