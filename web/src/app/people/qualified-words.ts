import type { Person } from '@tug-mark/contract';
import { familyName } from '@tug-mark/core';
import { count } from '../parts/count';
import { showDay } from '../parts/show-time';

/** What somebody is qualified for, in a line, and whether any of it has lapsed. */
export function qualifiedWords(
  { qualifiedUntil, qualifications }: Pick<Person, 'qualifiedUntil' | 'qualifications'>,
  today: string,
): { readonly text: string; readonly lapsed: string } {
  if (!qualifications) {
    if (qualifiedUntil === null) return { text: 'every family, no end', lapsed: '' };
    const has = qualifiedUntil < today;
    return { text: `every family until ${showDay(qualifiedUntil)}`, lapsed: has ? 'lapsed' : '' };
  }
  if (!qualifications.length) return { text: 'none', lapsed: '' };
  const ends = qualifications.flatMap(({ until }) => until ?? []).sort();
  const lapsed = qualifications.filter(({ until }) => until !== null && until < today);
  const next = ends.find((until) => until >= today);
  return {
    text: `${count(qualifications.length, 'family', 'families')}${next ? `, the first until ${showDay(next)}` : ''}`,
    lapsed: lapsed.length ? `lapsed: ${lapsed.map(({ family }) => familyName(family)).join(', ')}` : '',
  };
}
