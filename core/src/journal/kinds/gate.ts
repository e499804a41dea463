import { GATE_KEYS, GATE_NAMES, gateKey, REMEDY_WORDS } from '../../crimp';
import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';
import { LOCATOR_PLACES } from './locator';

const isAgain = ({ answer, remedy }: BodyOf<'gate'>) => answer === 'no' && remedy === 'again';

/** A step of the crimp, confirmed or not. */
export const gate: Kind<BodyOf<'gate'>> = {
  place: (body) => `gate/${gateKey(body)}`,
  reads: () => ({ run: [...GATE_KEYS.map((key) => `gate/${key}`), ...LOCATOR_PLACES], lot: [] }),
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
    if (
      body.remedy === 'again' &&
      entriesOf(own, 'gate').some((e) => isAgain(e.body) && gateKey(e.body) === gateKey(body))
    ) {
      return refuse(
        'stroke-again',
        'remedy',
        'It was closed once more already, and not a third time: the end is cut off.',
      );
    }
    const finds = setUp.gates[index]?.finds ?? [];
    if (body.answer === 'yes' && finds.length ? !body.found || !finds.includes(body.found) : body.found !== undefined) {
      return refuse(
        'found-missing',
        'found',
        'Say of a forming stroke whether the barrel is still or moves; of nothing else.',
      );
    }
    if (body.gate === 'locator' && body.answer === 'yes' && !setUp.locator?.isSet) {
      return refuse('locator-open', 'gate', setUp.locator?.next.text ?? 'The locator is not set yet.');
    }
    return null;
  },
  sentence: (body) =>
    `Step '${GATE_NAMES[body.gate]}'${body.end ? ', end 2' : ''}${body.bite ? `, ${body.gate === 'formed' ? 'stroke' : 'bite'} ${body.bite}` : ''}: ${body.answer}${body.fault ? ` (${body.fault.replaceAll('-', ' ')})` : ''}${body.found ? ` (${body.found === 'still' ? 'still' : 'still moves'})` : ''}${body.remedy ? `, to be ${REMEDY_WORDS[body.remedy].done}` : ''}${noted(body.note)}`,
  cells: (body) => ({ answer: body.answer }),
};
