import { failureModeName, isValidMode, judgeReading, plausibleForce } from '../../tug';
import { forceUnitOf, readNumber, toNewtons } from '../../units';
import { agreesWithTyped } from '../agreesWithTyped';
import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { ofWire } from '../pieceSlot';

/** What the typed text says, N; null when it is no force. */
function typedForce({ typed, unit }: BodyOf<'reading'>): number | null {
  const read = readNumber(typed);
  if (read.outcome === 'refused') return null;
  const named = read.rest === '' ? unit : forceUnitOf(read.rest);
  return named === undefined ? null : toNewtons(read.value, named);
}

/** Codes a person answers to say why a piece is pulled that nobody has looked at. */
const UNSEEN = ['not-looked-at', 'pulled-already', 'imported'];

/** A destructive pull. */
export const reading: Kind<BodyOf<'reading'>> = {
  place: (body) => `reading/${body.piece}${ofWire(body.wire)}`,
  reads: () => NOTHING,
  after: 'tool',
  rests: false,
  check(body, { setUp, pull }) {
    if (!(Number.isFinite(body.force) && body.force > 0)) {
      return refuse('force-impossible', 'force', 'A force is a number above 0.');
    }
    if (!agreesWithTyped(typedForce(body), body.force, body.typed)) {
      return refuse(
        'typed-differs',
        'typed',
        `'${body.typed}' was typed in ${body.unit}, but ${body.force} N is to be kept. Type it again.`,
      );
    }
    if (body.pull && !(body.pull.start < body.pull.end)) {
      return refuse('pull-backwards', 'pull', 'A pull ends after it begins.');
    }
    if (body.force > plausibleForce(pull.breaks) && !body.confirmed.includes('above-wire')) {
      return refuse(
        'above-wire',
        'force',
        `${body.force.toFixed(1)} N is more than this wire can bear (it breaks near ${pull.breaks.toFixed(0)} N). Check value and unit, then confirm it.`,
      );
    }
    if (!isValidMode(body.mode) && !isReason(body.note)) {
      return refuse('note-missing', 'note', 'A reading that is not valid needs its reason: say what happened.');
    }
    if (body.confirmed.includes('not-looked-at') && !isReason(body.note)) {
      return refuse('note-missing', 'note', 'Say why this piece is pulled before anybody has looked at it.');
    }
    if (body.failedEnd && !setUp.other) {
      return refuse('end-unknown', 'failedEnd', 'This set-up has one end: leave out which one failed.');
    }
    if (setUp.other && !body.failedEnd && isValidMode(body.mode)) {
      return refuse(
        'end-missing',
        'failedEnd',
        'A splice is pulled as one piece and its weaker end decides: say which end failed.',
      );
    }
    return null;
  },
  judge: (body, { limit }) => judgeReading(body.force, limit?.force ?? null, body.mode),
  asks: (body) =>
    UNSEEN.some((code) => body.confirmed.includes(code))
      ? null
      : {
          prefix: `finding/${body.piece}/`,
          refusal: refuse(
            'not-looked-at',
            'piece',
            `Nobody has looked at piece ${body.piece}, and after the pull nobody can. Look at it first, or say why it is pulled all the same.`,
          ),
        },
  sentence: (body) =>
    `Piece ${body.piece}${body.wire ? `, wire ${body.wire}` : ''} pulled: ${body.force} N (typed ${body.typed} ${body.unit}), ${failureModeName(body.mode).toLowerCase()}${body.failedEnd ? ` at end ${body.failedEnd}` : ''}${noted(body.note)}`,
  cells: (body) => ({ force: body.force, mode: failureModeName(body.mode) }),
};
