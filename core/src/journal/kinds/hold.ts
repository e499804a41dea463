import { entriesOf } from '../../entry';
import { findHold, plausibleForce } from '../../tug';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { ofWire } from '../pieceSlot';

/** Most wires a barrel takes: each of them may have been pulled. */
const MOST_WIRES = 20;

/** A force held for a time without movement. */
export const hold: Kind<BodyOf<'hold'>> = {
  place: (body) => `hold/${body.piece}`,
  reads: (body) => {
    const pulled = Array.from({ length: MOST_WIRES }, (_, i) => `reading/${body.piece}${ofWire(i + 1)}`);
    return { run: pulled, lot: pulled };
  },
  after: 'tool',
  rests: false,
  check(body, { setUp, own, pull, lot, limit }) {
    if (!(body.force > 0 && body.seconds > 0 && body.moved >= 0)) {
      return refuse('hold-impossible', '', 'A hold has a force and a time above 0, and a movement of 0 or more.');
    }
    if (body.force > plausibleForce(pull.breaks)) {
      return refuse(
        'above-wire',
        'force',
        `${body.force.toFixed(1)} N is more than this wire can bear. Check value and unit.`,
      );
    }
    if (entriesOf(own, 'reading').some((e) => e.body.piece === body.piece)) {
      return refuse('pulled-apart', 'piece', `Piece ${body.piece} was pulled apart already: hold one that is whole.`);
    }
    const asked = lot === null ? setUp.hold : limit && findHold(limit, pull.breaks);
    return asked?.hold
      ? null
      : refuse('hold-not-asked', '', asked?.reason.text ?? 'No limit applies, so there is nothing to judge a hold by.');
  },
  sentence: (body) =>
    `Piece ${body.piece} held ${body.force} N for ${body.seconds} s, moved ${body.moved} mm${noted(body.note)}`,
  cells: (body) => ({ force: body.force }),
};
