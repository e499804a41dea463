import { MOST_TRIALS } from '../../crimp';
import { entriesOf } from '../../entry';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { isReason } from '../isReason';

const place = (trial: number) => `locator/${trial}`;

/** Places of every trial of a locator. */
export const LOCATOR_PLACES: readonly string[] = Array.from({ length: MOST_TRIALS }, (_, i) => place(i + 1));

/** A trial crimp that a locator is set by. */
export const locator: Kind<BodyOf<'locator'>> = {
  place: ({ trial }) => place(trial),
  reads: () => ({ run: LOCATOR_PLACES, lot: [] }),
  after: 'tool',
  rests: false,
  check({ trial, measured, note }, { setUp, own, isCorrection }) {
    if (!setUp.locator) return refuse('locator-not-asked', '', 'Nothing of this set-up is set by trial crimps.');
    const made = entriesOf(own, 'locator').length;
    if (!isCorrection && trial !== made + 1) {
      return refuse('trial-order', 'trial', `Trial ${made + 1} comes next: they are judged in their order.`);
    }
    const length = setUp.look?.terminal.barrel.length ?? Infinity;
    if (!(measured > 0) || measured > length) {
      return refuse('measure-impossible', 'measured', `An indent lies on the barrel: above 0, at most ${length} mm.`);
    }
    if (!isCorrection && setUp.locator.isSet && !isReason(note)) {
      return refuse('note-missing', 'note', 'The locator is set: say why another trial is made.');
    }
    return null;
  },
  sentence: ({ trial, measured, note }) =>
    `Trial ${trial} of the locator: indent centred ${measured.toFixed(2)} mm from the wire end${noted(note)}`,
  cells: ({ measured }) => ({ measured, unit: 'mm' }),
};
