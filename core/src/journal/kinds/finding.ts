import { measuresOf } from '../../entry';
import { AS_DRAWN, FAULTS, isGood, numberFinding, POINT_CODES, pointOf } from '../../look';
import { atEnd, endOf } from '../../terminal';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { ofWire } from '../pieceSlot';

/** What was seen at one point of a piece, or that all of it is as drawn. */
export const finding: Kind<BodyOf<'finding'>> = {
  place: (body) => `finding/${body.piece}/${atEnd(body.criterion, endOf(body))}`,
  reads: (body) => {
    const measured = [`measure/${body.criterion}/${body.piece}${ofWire(undefined, endOf(body))}`];
    // Sections stand by their photographs, of whichever piece those are: the journal is read whole for what they answer.
    return body.criterion === 'compression' || body.criterion === 'voids' ? null : { run: measured, lot: measured };
  },
  after: 'tool',
  rests: false,
  check(body, { setUp, own, lot, points }) {
    const wholePiece = setUp.look?.practice.lookRecord === 'whole-piece';
    if (body.criterion === AS_DRAWN) {
      if (lot === null && !wholePiece) {
        return refuse(
          'criterion-unknown',
          'criterion',
          'This shop’s house rules have a set-up piece looked at point by point.',
        );
      }
      return body.finding === 'accept'
        ? null
        : refuse('finding-not-allowed', 'finding', 'Say which point is not as drawn.');
    }
    const criterion = points.find((c) => c.key === atEnd(body.criterion, endOf(body)));
    if (!criterion) return refuse('criterion-unknown', 'criterion', 'This set-up has no such point to look at.');
    if (!criterion.findings.includes(body.finding)) {
      return refuse(
        'finding-not-allowed',
        'finding',
        `'${criterion.title}' cannot be '${body.finding}': it is ${criterion.findings.join(' or ')}.`,
      );
    }
    if (body.finding === 'note' && !isReason(body.note) && !body.fault) {
      return refuse('note-missing', 'note', 'A note says what has moved.');
    }
    if (body.fault && !FAULTS.some((f) => f.code === body.fault && f.point === body.criterion)) {
      return refuse('fault-unknown', 'fault', `'${criterion.title}' has no such fault.`);
    }
    const value =
      measuresOf(own).find(
        (e) => e.body.piece === body.piece && e.body.what === body.criterion && endOf(e.body) === endOf(body),
      )?.body.value ?? null;
    if (value !== null && criterion.number && isGood(body.finding) && !isGood(numberFinding(value, criterion.number))) {
      return refuse(
        'number-says-otherwise',
        'finding',
        `Piece ${body.piece} was measured outside its range there. Correct the number if it is wrong; it cannot be accepted over it.`,
      );
    }
    return null;
  },
  sentence: (body) =>
    `Piece ${body.piece}${body.end ? ', end 2' : ''}, ${body.criterion === AS_DRAWN ? 'every point as drawn' : titleOf(body.criterion)}: ${body.finding}${body.fault ? ` (${faultTitle(body.fault)})` : ''}${noted(body.note)}`,
  cells: (body) => ({ answer: body.finding }),
};

/** A record of a former version may name a point there is no more. */
const titleOf = (criterion: string) => {
  const code = POINT_CODES.find((each) => each === criterion);
  return code === undefined ? criterion : pointOf(code).title.toLowerCase();
};

const faultTitle = (code: string) => FAULTS.find((f) => f.code === code)?.title.toLowerCase() ?? code;
