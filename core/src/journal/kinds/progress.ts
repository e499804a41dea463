import { changeName } from '../../lot';
import { lotHead } from '../lotHead';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** How far a lot is, and what changed on the way. */
export const progress: Kind<BodyOf<'progress'>> = {
  place: (body) => `step/${body.step}`,
  reads: () => null,
  after: 'tool',
  rests: false,
  check(body, { journal }) {
    const head = lotHead(journal, body.lot);
    if ('code' in head) return head;
    if (head.state === 'finished') return refuse('lot-finished', 'lot', `Lot ${head.name} is finished.`);
    if (body.step > head.steps.length + 1) {
      return refuse('step-order', 'step', `Lot ${head.name} is at its step ${head.steps.length}. Look again.`);
    }
    const others = head.steps.filter((s) => s.step !== body.step);
    const before = Math.max(0, ...others.filter((s) => s.step < body.step).map((s) => s.made));
    const after = Math.min(head.pieces, ...others.filter((s) => s.step > body.step).map((s) => s.made));
    if (body.made < before) {
      return refuse(
        'made-less',
        'made',
        `${before} pieces were counted before; a count does not go back. If that was wrong, correct it with its reason.`,
      );
    }
    if (body.made > after) {
      return refuse(
        'made-more',
        'made',
        `Lot ${head.name} has ${head.pieces} pieces. If more are made, correct its quantity first.`,
      );
    }
    if (head.awaitsSetUp !== null && body.made > Math.max(before, head.awaitsSetUp)) {
      return refuse(
        'set-up-first',
        'made',
        `The tool of lot ${head.name} was changed after piece ${head.awaitsSetUp}: begin the set-up again, prove it, and have it released. Then the lot goes on.`,
      );
    }
    if (body.what === 'change' && !body.change) return refuse('change-missing', 'change', 'Say what was changed.');
    if (body.what === 'change' && body.change === 'repair' && !isReason(body.note)) {
      return refuse('note-missing', 'note', 'Say what was wrong and what was done about it.');
    }
    return null;
  },
  sentence: (body) =>
    body.what === 'change'
      ? `At piece ${body.made} ${changeName(body.change ?? '')}${body.to ? ` to ${body.to}` : ''}${noted(body.note)}`
      : `${body.what === 'made' ? `${body.made} pieces counted` : body.what === 'pause' ? `Paused at piece ${body.made}` : `Resumed at piece ${body.made}`}${noted(body.note)}`,
  cells: (body) => ({ answer: body.what }),
};
