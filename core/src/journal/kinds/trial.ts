import { isReason } from '../isReason';
import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';

/** Evidence from a trial, put on record by quality, that settles a match at the edge. */
export const trial: Kind<BodyOf<'trial'>> = {
  place: () => 'trial',
  reads: () => NOTHING,
  after: 'pair',
  rests: false,
  check: ({ evidence }, { setUp }) => {
    if (setUp.fit.verdict !== 'edge')
      return refuse('nothing-to-settle', '', 'This pair fits without a trial: nothing is left to settle.');
    return isReason(evidence)
      ? null
      : refuse('note-missing', 'evidence', 'Name the report, section or sample that settles it.');
  },
  sentence: ({ evidence, note }) => `Trial evidence: ${evidence}${noted(note)}`,
  cells: ({ evidence }) => ({ answer: evidence }),
};
