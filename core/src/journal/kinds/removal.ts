import { seatOf } from '../../connector';
import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { cavityPlaces, isOneCavity, outPlace } from './retention';

/** A contact taken out of its cavity again. */
export const removal: Kind<BodyOf<'removal'>> = {
  place: (body) => outPlace(body, body.seat),
  reads: (body) => ({ run: cavityPlaces(body), lot: [] }),
  after: 'nothing',
  rests: false,
  check(body, { setUp, own }) {
    const contact = setUp.retention;
    if (!contact) return refuse('no-cavity', '', 'This terminal goes into no cavity.');
    const isIn = entriesOf(own, 'retention').some((e) => isOneCavity(e.body, body) && seatOf(e.body) === body.seat);
    if (!isIn)
      return refuse('not-seated', 'seat', `Nothing is on record in cavity ${body.cavity} as seat ${body.seat}.`);
    if (body.technique !== contact.release) {
      return refuse(
        'release-side',
        'technique',
        `Its sheet releases it from the ${contact.release}: from the other side it tears.`,
      );
    }
    if (contact.removalTool && body.tool !== contact.removalTool) {
      return refuse('removal-tool', 'tool', `Its sheet asks for ${contact.removalTool}.`);
    }
    const isHurt = body.lance === 'hurt' || body.grip === 'hurt';
    return (isHurt || body.reason === 'other') && !isReason(body.note)
      ? refuse('note-missing', 'note', isHurt ? 'Say how it was hurt.' : 'Say why it was taken out.')
      : null;
  },
  sentence: (body) =>
    `Loom ${body.piece}, ${body.connector}, cavity ${body.cavity}: taken out from the ${body.technique}${body.tool ? ` with ${body.tool}` : ''} (${body.reason}), lance ${body.lance}, grip ${body.grip}${noted(body.note)}`,
  cells: (body) => ({ answer: 'taken out', mode: body.reason }),
};
