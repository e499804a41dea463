import { lotHead } from '../lotHead';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';

/** A lot finished for good. */
export const finish: Kind<BodyOf<'finish'>> = {
  place: () => 'finish',
  reads: () => null,
  after: 'tool',
  rests: true,
  check(body, { journal, rests }) {
    const head = lotHead(journal, body.lot);
    if ('code' in head) return head;
    if (head.made < head.pieces) {
      return refuse(
        'not-all-made',
        '',
        `${head.made} of ${head.pieces} pieces are counted. Count the rest, or correct the quantity.`,
      );
    }
    const [first] = rests?.unfinished ?? ['The server has not answered what is still open.'];
    return first === undefined ? null : refuse('checks-missing', '', first);
  },
  sentence: (body) => `Finished${noted(body.note)}`,
};
