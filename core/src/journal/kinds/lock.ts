import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { inLoom } from './retention';

/** Times one lock may be told of. */
export const MOST_LOCKS = 40;

const place = ({ piece, connector, count }: Pick<BodyOf<'lock'>, 'piece' | 'connector' | 'count'>) =>
  inLoom(piece, `${connector}/lock${count}`);

/** The lock of a connector, closed or opened again. */
export const lock: Kind<BodyOf<'lock'>> = {
  place,
  reads: (body) => ({ run: Array.from({ length: MOST_LOCKS }, (_, i) => place({ ...body, count: i + 1 })), lot: [] }),
  after: 'nothing',
  rests: false,
  check(body, { own, isCorrection }) {
    const told = entriesOf(own, 'lock').filter(
      (e) => e.body.piece === body.piece && e.body.connector === body.connector,
    );
    if (!isCorrection && body.count !== told.length + 1) {
      return refuse('lock-order', 'count', `What was done to this lock is counted: ${told.length + 1} comes next.`);
    }
    const before = told.find((e) => e.body.count === body.count - 1)?.body.closed ?? false;
    if (body.closed === before) {
      return refuse('lock-same', 'closed', body.closed ? 'It is closed already.' : 'It is open already.');
    }
    return body.closed || isReason(body.note) ? null : refuse('note-missing', 'note', 'Say why it was opened.');
  },
  sentence: (body) =>
    `Loom ${body.piece}, ${body.connector}: lock ${body.closed ? 'closed' : 'opened'}${noted(body.note)}`,
  cells: (body) => ({ answer: body.closed ? 'closed' : 'opened' }),
};
