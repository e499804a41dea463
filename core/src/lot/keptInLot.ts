import { matedPairs, type SetUp } from '../combination';
import { entriesOf, ofLot, type Entry } from '../entry';
import { findHold, judgeHold, judgeMating, judgeRetention, type LimitFound } from '../tug';
import { reason, type Reason } from '../verdict';
import type { Disposed, LotHead } from './LotState';

/** A reel of contacts a lot is made from. */
export interface ReelOfLot {
  readonly reel: string;
  /** Whether a pair with a contact of it is on record and not bad. */
  readonly isMated: boolean;
}

/**
 * Reels of contacts named while the lot was made, where the sheet asks what a pair comes off with: each is checked as it comes in,
 * by a pair of its own.
 */
export function reelsOf(
  { mating }: Pick<SetUp, 'mating'>,
  head: Pick<LotHead, 'steps'>,
  own: readonly Entry[],
): ReelOfLot[] {
  if (!mating || mating.withdrawal === null) return [];
  const pairs = matedPairs(own);
  const reels = head.steps.flatMap(({ change, to }) => (change === 'terminal-reel' && to !== null ? [to.trim()] : []));
  return [...new Set(reels)].map((reel) => ({
    reel,
    isMated: pairs.some((pair) => pair.reel === reel && judgeMating(pair.cycles, mating).verdict !== 'bad'),
  }));
}

/** What was tried of a lot beside looks and pulls. */
export interface KeptInLot {
  /** Pieces that did not hold, with what is told of them. */
  readonly failedHolds: ReadonlyMap<number, string>;
  /** Contacts that do not stay and pairs that do not pass, and nobody decided about the whole lot since. */
  readonly bad: readonly Reason[];
  /** What has still to be done before the lot is finished. */
  readonly open: readonly string[];
}

/**
 * Holds, contacts in their cavities and pairs of a lot. A piece that did not hold is a bad piece and contains the lot like any
 * other; a contact that came out is seated again and judged by what stands last; a pair that fails speaks for its reel, and the
 * lot is held until somebody decides about the whole of it.
 */
export function keptInLot(
  setUp: SetUp,
  journal: readonly Entry[],
  head: LotHead,
  limits: readonly LimitFound[],
  disposed: readonly Disposed[],
): KeptInLot {
  const own = ofLot(journal, head.lot);
  const [limit] = limits;
  const wanted = limit?.limit ? findHold(limit.limit, setUp.breaks).hold : null;
  const failedHolds = new Map<number, string>();
  for (const { body } of entriesOf(own, 'hold')) {
    const { verdict, reason: why } = judgeHold(body, wanted);
    if (verdict === 'below') failedHolds.set(body.piece, why.text);
  }
  const bad: Reason[] = [];
  for (const { body } of entriesOf(own, 'retention')) {
    if (body.connector !== undefined) continue;
    const { verdict, reason: why } = judgeRetention(body, setUp.retention?.force ?? null);
    if (verdict === 'loose') {
      bad.push(reason('cavity-loose', 'bad', `Connector ${body.piece}, cavity ${body.cavity}: ${why.text}`));
    }
  }
  if (setUp.mating) {
    for (const pair of matedPairs(own)) {
      const judged = judgeMating(pair.cycles, setUp.mating);
      const [why] = judged.reasons;
      const at = entriesOf(own, 'mating').findLast(({ body }) => body.piece === pair.piece)?.at ?? '';
      const isDecided = disposed.some((d) => d.from === 1 && d.to >= head.made && d.at >= at);
      if (judged.verdict === 'bad' && why && !isDecided) {
        const reel = pair.reel === null ? '' : ` of reel ${pair.reel}`;
        bad.push(reason('pair-failed', 'bad', `Pair ${pair.piece}${reel}: ${why.text}`, { piece: pair.piece }));
      }
    }
  }
  const open = reelsOf(setUp, head, own)
    .filter(({ isMated }) => !isMated)
    .map(({ reel }) => `Reel ${reel}: its incoming check is open. Put a pair of it together and pull it apart.`);
  return { failedHolds, bad, open };
}
