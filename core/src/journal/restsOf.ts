import type { Rests } from './Kind';
import { type SetUp, type SetUpContext, judgeCombination, standingOf } from '../combination';
import { type Entry, ofCurrentRun } from '../entry';
import { judgeLot } from '../lot';

/**
 * What a release, a new run or a step of a lot rests on, worked out from the whole journal.
 * @param lot the lot in question; null where it is about none
 * @param now ISO instant
 */
export function restsOf(
  setUp: SetUp,
  journal: readonly Entry[],
  context: SetUpContext,
  lot: number | null,
  now: string,
): Rests {
  const judgement = judgeCombination(setUp, journal, context, now);
  return {
    verdict: judgement.verdict,
    stands: standingOf(setUp, ofCurrentRun(journal), context.revisions),
    newest: context.newest,
    isReleased: judgement.release.state === 'released',
    unfinished: (lot === null ? null : judgeLot(setUp, journal, context, lot, now))?.unfinished ?? [],
  };
}
