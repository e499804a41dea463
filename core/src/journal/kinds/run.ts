import { sameRevisions } from '../../combination';
import { lotNumbers, readLot } from '../../lot';
import { refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** A set-up begun again. */
export const run: Kind<BodyOf<'run'>> = {
  place: (body) => `run/${body.run}`,
  reads: () => null,
  after: 'nothing',
  rests: true,
  check(body, { journal, run: current, rests }) {
    if (body.run !== current + 1) {
      return refuse('run-order', 'run', `The set-up is in its run ${current}; the next one is ${current + 1}.`);
    }
    if (!isReason(body.cause)) return refuse('note-missing', 'cause', 'Say why the set-up begins again.');
    const open = lotNumbers(journal)
      .map((lot) => readLot(journal, lot))
      // One whose tool was changed waits for just this.
      .find((lot) => lot?.state !== 'finished' && lot?.awaitsSetUp === null);
    if (open) {
      return refuse(
        'lot-open',
        'run',
        `Lot ${open.name} is still being made with this set-up. Correct its quantity to what is made and finish it first.`,
      );
    }
    return rests && sameRevisions(body.revisions, rests.newest)
      ? null
      : refuse('revisions-stale', 'revisions', 'The cabinet has other revisions now. Look again, then begin.');
  },
  effect: ({ revisions }) => ({ revisions }),
  sentence: (body) => `Set-up begun again (run ${body.run}): ${body.cause}`,
};
