import { DISPOSITION_WORDS, entriesOf } from '../../entry';
import { reterminationBudget } from '../../prepare';
import { lotHead } from '../lotHead';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** What becomes of pieces no check has cleared. */
export const disposition: Kind<BodyOf<'disposition'>> = {
  place: (body) => `disposition/${body.step}`,
  reads: () => null,
  after: 'tool',
  rests: true,
  check(body, { setUp, journal, own }) {
    const head = lotHead(journal, body.lot);
    if ('code' in head) return head;
    if (body.from > body.to || body.from < 1 || body.to > head.pieces) {
      return refuse('range-wrong', 'from', `Pieces run from 1 to ${head.pieces}, the first no higher than the last.`);
    }
    if (body.to > head.made) return refuse('not-made', 'to', `Only ${head.made} pieces are made.`);
    if (!isReason(body.note)) return refuse('note-missing', 'note', 'A disposition needs its reason.');
    if (body.what === 'accept') {
      const reworked = entriesOf(own, 'disposition').some(
        (e) => e.body.what === 'rework' && e.body.from <= body.from && e.body.to >= body.to,
      );
      if (!reworked) {
        return refuse(
          'not-reworked',
          'what',
          'Only reworked pieces are accepted. Pieces that stay as they are, are used as is, or scrapped.',
        );
      }
    }
    if (body.what === 'rework') {
      const { lost } = setUp;
      if (!body.budget || !lost) {
        return refuse(
          'budget-missing',
          'budget',
          'Rework cuts the end off: say how long the wires were cut and the least they may be.',
        );
      }
      const { cut, shortest, trim } = body.budget;
      const { attempts, perAttempt, text } = reterminationBudget({ cut, shortest }, { ...lost, trim });
      const times = entriesOf(own, 'disposition').filter(
        (e) => e.body.what === 'rework' && e.body.from <= body.to && e.body.to >= body.from,
      ).length;
      if (attempts < times + 1) {
        return refuse(
          'no-length-left',
          'budget',
          times
            ? `These were reworked ${times === 1 ? 'once' : `${times} times`}, and the wire allows it no more often: each attempt uses ${perAttempt.toFixed(1)} mm of ${(cut - shortest).toFixed(1)} mm to spare. Scrap them.`
            : `${text} Scrap them.`,
        );
      }
    }
    return null;
  },
  sentence: (body) => `Pieces ${body.from} to ${body.to}: ${DISPOSITION_WORDS[body.what].done}${noted(body.note)}`,
  cells: (body) => ({ answer: body.what }),
};
