import type { SetUpContext } from '@tug-mark/core';
import type { CombinationView } from './bench';

/** What a set-up is computed from, out of a combination as it crosses the wire or stands in a record. */
export function setUpContext<V extends Omit<CombinationView, 'cabinet' | 'newest' | 'coverings' | 'lot' | 'loom'>>(
  view: V,
): V & Pick<SetUpContext, 'use' | 'class'> {
  const { demand, place, class: className } = view.combination;
  return { ...view, use: { ...demand, place }, class: className };
}
