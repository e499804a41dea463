import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import type { ChartAbout, ChartKind, Problem } from '@tug-mark/contract';
import { transfer, wrap } from 'comlink';
import type { ChartView, ChartWork } from '../../workers/chart.messages';
import type { ChartWorker } from '../../workers/chart.worker';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { glanceOf, type ChartAtAGlance } from './chart-glance';

/** Changes a trend does not run across. */
const BREAKS = ['die', 'setting', 'tool', 'repair', 'run'];
const COLUMNS = 900;
/** ms the hand rests before the finer line is asked for. */
const REST_MS = 120;
/** All of the readings, in percent of their points. */
const WHOLE = { start: 0, end: 100 };

interface State {
  readonly kind: ChartKind;
  readonly value: string;
  readonly about: ChartAbout | null;
  readonly work: ChartWork | null;
  readonly view: ChartView | null;
  /** Drawn until the readings are there. */
  readonly glance: ChartAtAGlance | null;
  readonly problem: Problem | null;
  /** Readings fetched so far. */
  readonly read: number;
  /** Readings a point of the chart is the mean of. */
  readonly subgroup: number;
  /** Part of the points in sight, percent. */
  readonly window: { readonly start: number; readonly end: number };
  /** Too few readings were in sight to freeze. */
  readonly tooFew: boolean;
}

const NOTHING_READ = {
  about: null,
  work: null,
  view: null,
  glance: null,
  read: 0,
  window: WHOLE,
  problem: null,
  tooFew: false,
} as const;
const AT_FIRST: State = { ...NOTHING_READ, kind: 'combination', value: '', subgroup: 1 };

/** The readings of one chart: fetched as they come, computed in a worker, and looked at through a window. */
export const ChartReadings = signalStore(
  withState(AT_FIRST),
  withProps(() => {
    const worker = new Worker(new URL('../../workers/chart.worker', import.meta.url), { type: 'module' });
    return {
      worker,
      remote: wrap<ChartWorker>(worker),
      /** What is under way; `question` counts what was asked of the worker: an older answer is no answer. */
      running: {
        question: 0,
        rest: undefined as ReturnType<typeof setTimeout> | undefined,
        stop: null as AbortController | null,
      },
    };
  }),
  withComputed(({ work, view, glance, subgroup, window }) => {
    const isAll = computed(() => work() !== null);
    const points = computed(() => Math.floor(((work() ?? glance()?.work)?.count ?? 0) / (isAll() ? subgroup() : 1)));
    const seen = computed(() => {
      const last = points() - 1;
      const { start, end } = window();
      return { from: (start / 100) * last, to: (end / 100) * last };
    });
    return {
      isAll,
      points,
      seen,
      seenCount: computed(() => {
        const { from, to } = seen();
        return Math.max(0, Math.floor(to) - Math.ceil(from) + 1) * subgroup();
      }),
      /** What is drawn: the readings where they are there, else what is known at a glance. */
      drawn: computed(() => {
        const own = work();
        const seenOf = view();
        if (own && seenOf) return { work: own, view: seenOf, subgroup: subgroup() };
        const rough = glance();
        return rough && { work: rough.work, view: rough.view, subgroup: 1 };
      }),
    };
  }),
  withMethods((store, api = inject(Api)) => {
    const { remote, running } = store;
    const fail = (error: unknown) => {
      patchState(store, { problem: toProblem(error) });
    };
    const look = async () => {
      const { from, to } = store.seen();
      const own = running.question;
      const view = await remote.view(from, to, COLUMNS);
      if (own === running.question) patchState(store, { view });
    };
    const compute = async () => {
      const about = store.about();
      if (!about) return;
      const own = ++running.question;
      const work = await remote.work({
        subgroup: store.subgroup(),
        baseline: about.baseline?.body ?? null,
        limit: about.limit,
        events: about.events.map((e) => Date.parse(e.at)),
        breaks: about.events.filter((e) => BREAKS.includes(e.kind)).map((e) => Date.parse(e.at)),
      });
      if (own !== running.question) return;
      patchState(store, { work });
      await look();
    };
    return {
      /** Fetches the readings of one combination, tool, nest, person or reel. */
      async load(kind: ChartKind, value: string): Promise<void> {
        running.stop?.abort();
        running.question++;
        const stop = new AbortController();
        running.stop = stop;
        patchState(store, { ...NOTHING_READ, kind, value });
        try {
          const [about, glances] = await Promise.all([api.chartAbout(kind, value), api.chartGlances(kind, value)]);
          if (stop.signal.aborted) return;
          const events = about.events.map((e) => Date.parse(e.at));
          patchState(store, { about, glance: glanceOf(glances, events) });
          void remote.begin();
          await api.chartPoints(kind, value, stop.signal, (bytes, count) => {
            void remote.points(transfer(bytes, [bytes]));
            patchState(store, { read: store.read() + count });
          });
          if (!stop.signal.aborted) await compute();
        } catch (error) {
          if (!stop.signal.aborted) fail(error);
        }
      },
      fail,
      /** Looks at a part of the points, percent of them. */
      move(window: State['window']): void {
        patchState(store, { window });
        // While it moves the drawing stretches what it has; the finer line comes when the hand rests.
        clearTimeout(running.rest);
        running.rest = setTimeout(() => {
          if (store.work()) void look();
        }, REST_MS);
      },
      group(subgroup: number): void {
        patchState(store, { subgroup, window: WHOLE });
        void compute();
      },
      /** Freezes the limits of the readings in sight; of all of them when nothing is cut off. False when it did not. */
      async freeze(note: string): Promise<boolean> {
        const seen = store.seen();
        const { baseline, from, to } = await remote.baseline(store.subgroup(), seen.from, seen.to);
        patchState(store, { tooFew: !baseline });
        if (!baseline) return false;
        try {
          const about = await api.freezeBaseline({
            id: timeOrderedId(),
            kind: store.kind(),
            value: store.value(),
            note,
            body: { ...baseline, from: new Date(from).toISOString(), to: new Date(to).toISOString() },
          });
          patchState(store, { about, problem: null });
          await compute();
          return true;
        } catch (error) {
          fail(error);
          return false;
        }
      },
    };
  }),
  withHooks({
    onDestroy({ running, worker }) {
      running.stop?.abort();
      clearTimeout(running.rest);
      worker.terminate();
    },
  }),
);
