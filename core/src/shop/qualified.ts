import { familyName, type Family } from '../terminal';
import { showDay } from '../time';

/** What somebody may make: given by whom and when, to the end of a day or without an end. */
export interface Qualification {
  readonly family: Family;
  /** Last day; null: no end. */
  readonly until: string | null;
  /** Who gave it; whoever gave the one date it was carried over from stays unnamed. */
  readonly by: string;
  /** ISO instant */
  readonly at: string;
}

/** How a person's qualifications are kept: one date for everything, or family by family. */
export interface Qualified {
  /** One last day for every family; null: none needed. Counts while `qualifications` is null. */
  readonly qualifiedUntil: string | null;
  /** Family by family; one that is not named is not given. Null: the one date counts. */
  readonly qualifications: readonly Qualification[] | null;
}

/**
 * Why somebody is not qualified today; null where they are.
 * @param family what is made; null for work that belongs to no family, for which any qualification that holds is enough
 * @param day ISO date, the shop's
 */
export function whyUnqualified(person: Qualified, family: Family | null, day: string): string | null {
  const { qualifications, qualifiedUntil } = person;
  if (!qualifications) {
    return qualifiedUntil !== null && qualifiedUntil < day
      ? `Your qualification lapsed on ${showDay(qualifiedUntil)}.`
      : null;
  }
  const holds = qualifications.filter(({ until }) => until === null || until >= day);
  if (family === null) return holds.length ? null : 'You hold no qualification that lasts to this day.';
  if (holds.some((each) => each.family === family)) return null;
  const lapsed = qualifications.find((each) => each.family === family)?.until;
  return lapsed
    ? `Your qualification for ${familyName(family)} lapsed on ${showDay(lapsed)}.`
    : `You are not qualified for ${familyName(family)}.`;
}
