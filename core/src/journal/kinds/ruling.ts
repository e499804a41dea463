import { pullLimit } from '../../combination';
import { entriesOf } from '../../entry';
import { judgeReading } from '../../tug';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { ofWire } from '../pieceSlot';

/** What quality rules on a low reading somebody called not valid. */
export const ruling: Kind<BodyOf<'ruling'>> = {
  place: (body) => `ruling/${body.piece}${ofWire(body.wire)}`,
  reads: (body) => {
    const pulled = [`reading/${body.piece}${ofWire(body.wire)}`];
    return { run: pulled, lot: pulled };
  },
  after: 'tool',
  rests: false,
  check(body, { own, lot, pull, setUp }) {
    const reading = entriesOf(own, 'reading').find(
      (e) => e.body.piece === body.piece && (e.body.wire ?? 1) === (body.wire ?? 1),
    );
    const found = lot === null ? setUp.wires.map((each) => each.standing) : (setUp.lots.get(lot) ?? []);
    const judgedBy = pullLimit(pull, found, reading?.body.failedEnd ?? null)?.limit;
    if (
      !reading ||
      judgeReading(reading.body.force, judgedBy?.force ?? null, reading.body.mode).verdict !== 'quality'
    ) {
      return refuse(
        'nothing-to-rule',
        'piece',
        `Piece ${body.piece} has no low reading called not valid, so there is nothing to rule on.`,
      );
    }
    if (!isReason(body.note)) return refuse('note-missing', 'note', 'A ruling needs its reason.');
    return null;
  },
  sentence: (body) =>
    `Piece ${body.piece}, quality rules that it ${body.ruling === 'counts' ? 'counts' : 'was no test'}${noted(body.note)}`,
  cells: (body) => ({ answer: body.ruling }),
};
