import { lapseReasons, missingSheets, sameStanding } from '../../combination';
import type { Entry, EntryKind, ReleaseSheets } from '../../entry';
import { sheetName } from '../../part';
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
  'mating',
  'locator',
];
const isEvidence = ({ body }: Entry) => EVIDENCE.includes(body.kind);

const papers = (sheets: ReleaseSheets = {}): string =>
  (['terminal', 'tool'] as const).map((of) => (sheets[of] ? `, ${of} by ${sheetName(sheets[of])}` : '')).join('');

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
    const [paper] = missingSheets(setUp, body.sheets);
    if (paper) {
      return refuse(
        'document-missing',
        `sheets.${paper}`,
        `No sheet is named for the ${paper}: number and revision of what it is made by. Name it with the release, or in the cabinet.`,
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
    `Set-up released against ${body.stands.limit.document} rev ${body.stands.limit.revision}${papers(body.sheets)}${noted(body.note)}`,
};
