import { plausibleForce } from '../../tug';
import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';

/** A force held for a time without movement. */
export const hold: Kind<BodyOf<'hold'>> = {
  place: (body) => `hold/${body.piece}`,
  reads: () => NOTHING,
  after: 'tool',
  rests: false,
  check(body, { setUp, wire }) {
    if (!(body.force > 0 && body.seconds > 0 && body.moved >= 0)) {
      return refuse('hold-impossible', '', 'A hold has a force and a time above 0, and a movement of 0 or more.');
    }
    if (body.force > plausibleForce(wire.breaks)) {
      return refuse(
        'above-wire',
        'force',
        `${body.force.toFixed(1)} N is more than this wire can bear. Check value and unit.`,
      );
    }
    return setUp.limit.limit?.table.hold
      ? null
      : refuse(
          'hold-not-asked',
          '',
          'The limit table names no force and time to hold, so there is nothing to judge a hold by.',
        );
  },
  sentence: (body) =>
    `Piece ${body.piece} held ${body.force} N for ${body.seconds} s, moved ${body.moved} mm${noted(body.note)}`,
  cells: (body) => ({ force: body.force }),
};
