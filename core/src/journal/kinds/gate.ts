import { GATE_KEYS, GATE_NAMES, gateKey, REMEDY_WORDS } from '../../crimp';
import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** A step of the crimp, confirmed or not. */
export const gate: Kind<BodyOf<'gate'>> = {
  place: (body) => `gate/${gateKey(body)}`,
  reads: () => ({ run: GATE_KEYS.map((key) => `gate/${key}`), lot: [] }),
  after: 'tool',
  rests: false,
  check(body, { setUp, own }) {
    const index = setUp.gates.findIndex((g) => g.key === gateKey(body));
    if (index < 0) return refuse('gate-unknown', 'gate', 'This set-up has no such step.');
    const answered = new Map(entriesOf(own, 'gate').map((e) => [gateKey(e.body), e.body.answer]));
    const before = setUp.gates.slice(0, index).find((g) => answered.get(g.key) !== 'yes');
    if (before) return refuse('gate-order', 'gate', `An earlier step is not confirmed yet: ${before.headline}`);
    const faults = setUp.gates[index]?.points.flatMap((point) => point.faults) ?? [];
    if (body.fault && (body.answer === 'yes' || !faults.some(({ code }) => code === body.fault))) {
      return refuse('fault-unknown', 'fault', 'This step has no such fault.');
    }
    if (body.answer === 'no' && !body.fault && !isReason(body.note))
      return refuse('note-missing', 'note', 'Say what differs.');
    if (body.remedy && (body.answer === 'yes' || !setUp.gates[index]?.remedies.includes(body.remedy))) {
      return refuse('remedy-unknown', 'remedy', `At this step that does not help: ${REMEDY_WORDS[body.remedy].toDo}.`);
    }
    return null;
  },
  sentence: (body) =>
    `Step '${GATE_NAMES[body.gate]}'${body.end ? ', end 2' : ''}${body.bite ? `, bite ${body.bite}` : ''}: ${body.answer}${body.fault ? ` (${body.fault.replaceAll('-', ' ')})` : ''}${body.remedy ? `, to be ${REMEDY_WORDS[body.remedy].done}` : ''}${noted(body.note)}`,
  cells: (body) => ({ answer: body.answer }),
};
