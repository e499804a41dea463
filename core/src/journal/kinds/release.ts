import { lapseReasons, sameStanding } from '../../combination';
import type { Entry, EntryKind } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';

/** What a release rests on, and whose maker may not be who releases where the house wants two. */
const EVIDENCE: readonly EntryKind[] = [
  'gate',
  'finding',
  'measure',
  'marks',
  'section',
  'reading',
  'hold',
  'retention',
];
const isEvidence = ({ body }: Entry) => EVIDENCE.includes(body.kind);

/** A set-up released by quality. */
export const release: Kind<BodyOf<'release'>> = {
  place: () => 'release',
  reads: () => null,
  after: 'tool',
  rests: true,
  check(body, { setUp, own, by, rests }) {
    if (!rests?.stands || (rests.verdict !== 'accepted' && rests.verdict !== 'meets-made-up-limits')) {
      return refuse('not-proven', '', 'A set-up is released when every stage has passed. See what holds it back.');
    }
    if (!sameStanding(body.stands, rests.stands)) {
      return refuse(
        'stands-stale',
        'stands',
        'Tool, limits or revisions have changed since this page was read. Look again.',
      );
    }
    if (setUp.releasedBy === 'second-person' && own.some((each) => each.by === by && isEvidence(each))) {
      return refuse(
        'second-person',
        '',
        `${by} put pulls, looks or measures of this set-up on record. By the house rules somebody else of quality releases it.`,
      );
    }
    const [lapse] = lapseReasons(setUp, body.stands, rests.stands, rests.newest);
    return lapse
      ? refuse('would-lapse', 'stands', `A release would lapse at once. ${lapse.text} Begin the set-up again.`)
      : null;
  },
  sentence: (body) =>
    `Set-up released against ${body.stands.limit.document} rev ${body.stands.limit.revision}${noted(body.note)}`,
};
