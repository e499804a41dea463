import type { Practice } from './Practice';

export type PracticeChosen =
  { readonly practice: Practice; readonly text: string } | { readonly practice: null; readonly text: string };

/**
 * The profile that applies to a customer and class: one for both before one for the customer, before one for the
 * class, before the shop's own. Two that apply alike are a contradiction and give none.
 */
export function choosePractice(
  profiles: readonly Practice[],
  customer: string | null,
  className: string,
): PracticeChosen {
  const applies = profiles
    .filter((p) => (p.customer === null || p.customer === customer) && (p.class === null || p.class === className))
    .map((practice) => ({ practice, rank: (practice.customer !== null ? 2 : 0) + (practice.class !== null ? 1 : 0) }));
  const best = Math.max(-1, ...applies.map((a) => a.rank));
  const [first, second] = applies.filter((a) => a.rank === best);
  if (!first) {
    return { practice: null, text: 'The shop has no practice profile for everyone. An engineer has to add one.' };
  }
  if (second) {
    return {
      practice: null,
      text: `Two practice profiles both apply: '${first.practice.part}' and '${second.practice.part}'. An engineer has to narrow one of them.`,
    };
  }
  const { practice } = first;
  const whom = [practice.customer, practice.class === null ? null : `grade ${practice.class}`]
    .filter(Boolean)
    .join(', ');
  return { practice, text: whom ? `${practice.label}, for ${whom}.` : `${practice.label}, for everyone.` };
}
