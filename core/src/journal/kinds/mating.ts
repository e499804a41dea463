import { entriesOf } from '../../entry';
import { counted } from '../../text';
import { MATING_CYCLES, MOST_CYCLES, MOST_MATING } from '../../tug';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';

const place = (piece: number, cycle: number) => `mating/${piece}/${cycle}`;

/** A pair put together and pulled apart once. */
export const mating: Kind<BodyOf<'mating'>> = {
  place: ({ piece, cycle }) => place(piece, cycle),
  reads: ({ piece }) => {
    const cycles = Array.from({ length: MOST_CYCLES }, (_, i) => place(piece, i + 1));
    return { run: cycles, lot: cycles };
  },
  after: 'tool',
  rests: false,
  check({ piece, cycle, insertion, withdrawal }, { setUp, own, isCorrection }) {
    if (!setUp.mating) {
      return refuse('not-mated', '', 'The sheet of this terminal names no counterpart: add it in the cabinet first.');
    }
    for (const [field, force] of Object.entries({ insertion, withdrawal })) {
      if (force !== null && !(force > 0 && force <= MOST_MATING)) {
        return refuse(
          'force-implausible',
          field,
          `A pair goes on and comes off with more than 0 and at most ${MOST_MATING} N. Check value and unit.`,
        );
      }
    }
    const before = entriesOf(own, 'mating').filter((e) => e.body.piece === piece);
    const last = Math.max(0, ...before.map((e) => e.body.cycle));
    if (!isCorrection && cycle <= last) {
      return refuse(
        'cycle-over',
        'cycle',
        `Pair ${piece} has gone through ${counted(last, 'cycle')}: an earlier one can only be corrected.`,
      );
    }
    return !isCorrection && last === 0 && cycle !== MATING_CYCLES[0]
      ? refuse(
          'first-cycle',
          'cycle',
          'The loss is told from cycle 1: measure that one first, on a pair that was never together.',
        )
      : null;
  },
  sentence: ({ piece, cycle, insertion, withdrawal, reel, note }) =>
    `Pair ${piece}, cycle ${cycle}: ${insertion === null ? '' : `on with ${insertion} N, `}off with ${withdrawal} N${reel ? `, reel ${reel}` : ''}${noted(note)}`,
  cells: ({ withdrawal }) => ({ force: withdrawal }),
};
