import quickselect from 'quickselect';

/**
 * The value that k others are no greater than, without sorting the whole list; the list comes out in another order.
 * @returns undefined where there is none
 */
export function kthSmallest(values: Float64Array, k: number): number | undefined {
  // It takes any list with places; its types know plain ones alone.
  quickselect(values as unknown as number[], k);
  return values[k];
}

/** The median of a list in any order; 0 of none. */
export function median(values: ArrayLike<number>): number {
  const own = new Float64Array(values);
  const half = own.length >> 1;
  const upper = kthSmallest(own, half) ?? 0;
  if (own.length % 2) return upper;
  let lower = -Infinity;
  for (const value of own.subarray(0, half)) if (value > lower) lower = value;
  return half ? (lower + upper) / 2 : 0;
}
