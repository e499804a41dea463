import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** A contact pushed in its cavity. */
export const retention: Kind<BodyOf<'retention'>> = {
  place: (body) => `retention/${body.piece}/${body.cavity}`,
  reads: () => NOTHING,
  after: 'tool',
  rests: false,
  check(body, { setUp }) {
    if (!setUp.retention) return refuse('no-cavity', '', 'This terminal goes into no cavity.');
    if (!body.cavity.trim()) return refuse('cavity-missing', 'cavity', 'Say which cavity.');
    if (body.force !== null && !(body.force > 0)) {
      return refuse('force-impossible', 'force', 'A push is a force above 0.');
    }
    if (setUp.retention.secondaryLock && body.locked === null) {
      return refuse('lock-missing', 'locked', 'This connector has a secondary lock: say whether it went home.');
    }
    if (!(body.clicked && body.stayed && body.locked !== false) && !isReason(body.note)) {
      return refuse('note-missing', 'note', 'Say what differs.');
    }
    return null;
  },
  sentence: (body) =>
    `Connector ${body.piece}, cavity ${body.cavity}: ${body.clicked ? 'clicked' : 'did not click'}${body.locked === null ? '' : body.locked ? ', locked' : ', not locked'}${body.force === null ? '' : `, pushed with ${body.force} N`}, ${body.stayed ? 'stayed' : 'came out'}${noted(body.note)}`,
  cells: (body) => ({ answer: body.stayed ? 'stayed' : 'came out', force: body.force ?? '' }),
};
