import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { choosePractice, readNumber, type Family, type Place, type Wire } from '@tug-mark/core';
import { wrap } from 'comlink';
import type { FinderAnswer } from '../../workers/finder.messages';
import type { FinderWork } from '../../workers/finder.worker';
import { CabinetStore } from '../cabinet/cabinet.store';
import { count } from '../parts/count';
import { injectShopTime } from '../session/shop-day';

/** Numbers of the place of use, as they are typed. */
export const FINDER_NUMBERS = [
  { key: 'temperature', title: 'Place reaches, °C' },
  { key: 'current', title: 'Current, A' },
  { key: 'voltage', title: 'Voltage, V' },
] as const;
export type FinderNumber = (typeof FINDER_NUMBERS)[number]['key'];

interface State {
  readonly wires: readonly Wire[];
  readonly stud: string;
  readonly place: Place;
  readonly numbers: Readonly<Record<FinderNumber, string>>;
  readonly family: Family | '';
  readonly className: string;
  readonly customer: string;
  readonly answer: FinderAnswer | null;
}

const AT_FIRST: State = {
  wires: [],
  stud: '',
  place: 'dry',
  numbers: { temperature: '', current: '', voltage: '' },
  family: '',
  className: '',
  customer: '',
  answer: null,
};
/** The worker gives no more than these. */
const MOST = 50;

/** What is asked of the cabinet, and what can be made of it, found by a worker as the question changes. */
export const FinderStore = signalStore(
  withState(AT_FIRST),
  withProps(() => {
    const worker = new Worker(new URL('../../workers/finder.worker', import.meta.url), { type: 'module' });
    return { worker, remote: wrap<FinderWork>(worker), asked: { last: 0 } };
  }),
  withComputed(({ wires, stud, place, numbers, family, className, customer }, cabinet = inject(CabinetStore)) => ({
    /** House rules that apply, by customer and grade. */
    rules: computed(() => choosePractice(cabinet.practices(), customer().trim() || null, className().trim())),
    query: computed(() => {
      const { temperature, current, voltage } = numbers();
      const own = family();
      return {
        wires: wires(),
        use: {
          place: place(),
          stud: stud().trim() || null,
          temperature: asNumber(temperature),
          current: asNumber(current),
          voltage: asNumber(voltage),
        },
        families: own === '' ? [] : [own],
      };
    }),
  })),
  withComputed(({ wires, answer, rules }) => ({
    headline: computed(() => {
      const makes = answer()?.makes;
      if (!wires().length) return 'What can these wires be made up with?';
      if (!makes) return 'Searching ...';
      if (!makes.length) return 'Nothing can be made, see what stops it.';
      return makes.length === MOST
        ? `${MOST} or more terminals can be made, best first.`
        : `${count(makes.length, 'terminal')} can be made, best first.`;
    }),
    rests: computed(() => {
      const found = answer();
      const { terminals = 0, nests = 0 } = found?.looked ?? {};
      const looked = found
        ? ` ${count(terminals, 'terminal')} and ${count(nests, 'nest')} looked at in ${found.took.toFixed(0)} ms.`
        : '';
      return `House rules: ${rules().text}${looked}`;
    }),
  })),
  withMethods((store, cabinet = inject(CabinetStore), shopTime = injectShopTime()) => ({
    set(changes: Partial<Omit<State, 'answer' | 'wires' | 'numbers'>>): void {
      patchState(store, changes);
    },
    setNumber(key: FinderNumber, text: string): void {
      patchState(store, { numbers: { ...store.numbers(), [key]: text } });
    },
    add(wire: Wire): void {
      patchState(store, { wires: [...store.wires(), wire] });
    },
    drop(index: number): void {
      patchState(store, { wires: store.wires().filter((_, i) => i !== index) });
    },
    /** Gives the worker the cabinet it searches. */
    async fill(): Promise<void> {
      const { practice } = store.rules();
      if (!cabinet.loaded() || !practice) return;
      const parts = { terminals: cabinet.of('terminal'), tools: cabinet.of('tool') };
      await store.remote.open({
        ...parts,
        ...cabinet.records(),
        ...{ practice, now: new Date().toISOString() },
        ...shopTime(),
      });
    },
    async find(): Promise<void> {
      const query = store.query();
      // What was asked before is no answer to what is asked now.
      const own = ++store.asked.last;
      if (!query.wires.length || !cabinet.loaded()) {
        patchState(store, { answer: null });
        return;
      }
      const answer = await store.remote.find(query);
      if (own === store.asked.last) patchState(store, { answer });
    },
  })),
  withHooks({
    onDestroy({ worker }) {
      worker.terminate();
    },
  }),
);

function asNumber(text: string): number | null {
  const read = readNumber(text);
  return read.outcome === 'number' && read.value > 0 ? read.value : null;
}

/** What is wrong with a number that is typed; empty where it is right, or left out. */
export function numberFault(text: string): string {
  if (text.trim() === '') return '';
  const read = readNumber(text.trim());
  if (read.outcome === 'refused') return read.text;
  return read.rest === '' && read.value > 0 ? '' : 'Type a number above 0 alone.';
}
