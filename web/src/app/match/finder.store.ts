import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { choosePractice, FAMILIES, PLACES, readNumber, type Wire } from '@tug-mark/core';
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

/** What is asked beside the wires, as it is typed or chosen. */
export type FinderAsked = Readonly<
  Record<'stud' | 'place' | 'family' | 'className' | 'customer' | (typeof FINDER_NUMBERS)[number]['key'], string>
>;
export const NOTHING_ASKED: FinderAsked = {
  ...{ stud: '', place: 'dry', temperature: '', current: '', voltage: '' },
  ...{ family: '', className: '', customer: '' },
};

interface State {
  readonly wires: readonly Wire[];
  readonly asked: FinderAsked;
  readonly answer: FinderAnswer | null;
}

const AT_FIRST: State = { wires: [], asked: NOTHING_ASKED, answer: null };
/** The worker gives no more than these. */
const MOST = 50;

/** What is asked of the cabinet, and what can be made of it, found by a worker as the question changes. */
export const FinderStore = signalStore(
  withState(AT_FIRST),
  withProps(() => {
    const worker = new Worker(new URL('../../workers/finder.worker', import.meta.url), { type: 'module' });
    return { worker, remote: wrap<FinderWork>(worker), asking: { last: 0 } };
  }),
  withComputed(({ wires, asked }, cabinet = inject(CabinetStore)) => ({
    /** House rules that apply, by customer and grade. */
    rules: computed(() => {
      const { customer, className } = asked();
      return choosePractice(cabinet.practices(), customer.trim() || null, className.trim());
    }),
    query: computed(() => {
      const { stud, place, temperature, current, voltage, family } = asked();
      return {
        wires: wires(),
        use: {
          place: PLACES.find((each) => each === place) ?? 'dry',
          stud: stud.trim() || null,
          temperature: asNumber(temperature),
          current: asNumber(current),
          voltage: asNumber(voltage),
        },
        families: FAMILIES.filter((each) => each === family),
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
    ask(asked: FinderAsked): void {
      patchState(store, { asked });
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
      const own = ++store.asking.last;
      if (!query.wires.length || !cabinet.loaded()) {
        patchState(store, { answer: null });
        return;
      }
      const answer = await store.remote.find(query);
      if (own === store.asking.last) patchState(store, { answer });
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
