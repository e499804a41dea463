import { GATES } from '../../crimp';
import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';

/** A step of the crimp, confirmed or not. */
export const gate: Kind<BodyOf<'gate'>> = {
  place: (body) => `gate/${body.gate}`,
  reads: () => ({ run: GATES.map((each) => `gate/${each}`), lot: [] }),
  after: 'tool',
  rests: false,
  check(body, { setUp, own }) {
    const index = setUp.gates.findIndex((g) => g.gate === body.gate);
    if (index < 0) return refuse('gate-unknown', 'gate', 'This set-up has no such step.');
    const answered = new Map(entriesOf(own, 'gate').map((e) => [e.body.gate, e.body.answer]));
    const before = setUp.gates.slice(0, index).find((g) => answered.get(g.gate) !== 'yes');
    if (before) return refuse('gate-order', 'gate', `An earlier step is not confirmed yet: ${before.headline}`);
    if (body.answer === 'no' && !body.note.trim()) return refuse('note-missing', 'note', 'Say what differs.');
    return null;
  },
  sentence: (body) => `Step ${body.gate}: ${body.answer}${noted(body.note)}`,
  cells: (body) => ({ answer: body.answer }),
};
