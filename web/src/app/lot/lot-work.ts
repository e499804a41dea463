import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import {
  AS_DRAWN,
  isCaliperOnly,
  lotTask,
  ofEnd,
  pullLimit,
  type Criterion,
  type End,
  type EntryBody,
  type EntryRefusal,
  type LotChange,
} from '@tug-mark/core';
import { Hand } from '../hand/hand';
import type { PackedCurve } from '../outbox/outbox.state';
import type { PulledForce } from '../tug/pull/pull-host';
import { pulledEnds } from '../tug/pull/target-name';

/** What of the lot is open instead of the task in hand, behind a named link or key. */
export type LotPanel = 'none' | 'change' | 'decide' | 'plan' | 'differs' | 'another' | 'measure' | 'file' | 'kept';

interface State {
  /** A piece the person named; null follows what is due. */
  readonly named: number | null;
  /** A pull being corrected; the next one kept corrects it. */
  readonly correcting: { readonly id: string; readonly piece: number; readonly wire: number } | null;
  /** A piece that is to be pulled though nobody has looked at it. */
  readonly unlooked: number | null;
  readonly panel: LotPanel;
  /** What was last refused, or is to be known. */
  readonly message: string;
}

type Progress = Extract<EntryBody, { kind: 'progress' }>;
type Step = Pick<Progress, 'what' | 'made' | 'note'> & { change?: LotChange; to?: string };

/** The lot in hand as it is worked on at this station: the one task core names, the piece it is about, and what is said of it. */
export const LotWork = signalStore(
  withState<State>({ named: null, correcting: null, unlooked: null, panel: 'none', message: '' }),
  withComputed(({ named, correcting, unlooked }, hand = inject(Hand)) => {
    const lot = hand.lot;
    const head = computed(() => lot()?.head ?? null);
    const task = computed(() => {
      const verdict = lot();
      return verdict && lotTask(verdict, correcting()?.piece ?? named());
    });
    const piece = computed(() => task()?.piece ?? null);
    const check = computed(() => lot()?.checks.find((c) => c.piece === piece()) ?? null);
    const isPulled = computed(() => (check()?.tug ?? 'open') !== 'open');
    const pulls = computed(() => hand.setUp()?.pulls ?? []);
    /** Which pull of the piece in hand comes next: each wire of a barrel is one. */
    const wire = computed(() => {
      const again = correcting();
      const number = head()?.lot;
      const own = piece();
      if (again) return again.wire;
      if (number === undefined || own === null) return 1;
      const readings = hand.ofLot(number, 'reading').filter((e) => e.body.piece === own);
      const pulled = new Set(readings.map((e) => e.body.wire ?? 1));
      return pulls().findIndex((_, i) => !pulled.has(i + 1)) + 1 || 1;
    });
    return {
      lot,
      head,
      task,
      piece,
      check,
      isPulled,
      pulls,
      wire,
      isRunning: computed(() => head() !== null && head()?.state !== 'finished'),
      step: computed(() => {
        if (correcting()) return 'tug';
        const step = task()?.step ?? null;
        return step === 'look' && unlooked() === piece() && !isPulled() ? 'tug' : step;
      }),
      /** N */
      limit: computed(() => {
        const number = head()?.lot;
        const pull = pulls()[wire() - 1];
        const found = number === undefined ? undefined : hand.setUp()?.lots.get(number);
        return (pull && found && pullLimit(pull, found))?.limit?.force ?? null;
      }),
      /** N */
      breaks: computed(() => pulls()[wire() - 1]?.breaks ?? 0),
      /** The ends of a splice, each with its own limit; null for parts with one. */
      ends: computed(() => {
        const [setUp, number] = [hand.setUp(), head()?.lot];
        if (!setUp || number === undefined) return null;
        const limits = (setUp.lots.get(number) ?? []).map((found) => found.limit?.force ?? null);
        return pulledEnds(setUp, wire(), limits);
      }),
      /** Points the eye answers. */
      criteria: computed(() => {
        const number = head()?.lot;
        const own = number === undefined ? undefined : hand.setUp()?.lotCriteria.get(number);
        return (own ?? []).filter((c) => !isCaliperOnly(c));
      }),
      suspects: computed(() => lot()?.spans.filter((s) => s.state === 'suspect' || s.state === 'rework') ?? []),
    };
  }),
  withMethods((store, hand = inject(Hand)) => {
    const tell = (refusal: EntryRefusal | null): boolean => {
      patchState(store, { message: refusal?.text ?? '' });
      return refusal === null;
    };
    /** The piece is done with once it is looked at and pulled: back to what is due. */
    const settle = () => {
      if (store.check()?.outcome !== 'open') patchState(store, { named: null, unlooked: null });
    };
    const step = (said: Step): boolean => {
      const head = store.head();
      if (!head) return false;
      return tell(hand.put({ kind: 'progress', lot: head.lot, step: head.steps.length + 1, ...said }));
    };
    const find = (
      criterion: string,
      end: End,
      finding: 'accept' | 'reject',
      note: string,
      fault: string | null,
    ): boolean => {
      const head = store.head();
      const piece = store.piece();
      if (!head || piece === null) return false;
      const isKept = tell(
        hand.put({
          ...{ kind: 'finding', lot: head.lot, piece, ...ofEnd(end), criterion, finding },
          ...(fault && { fault }),
          note,
        }),
      );
      if (isKept) {
        patchState(store, { panel: 'none' });
        settle();
      }
      return isKept;
    };
    return {
      open: (panel: LotPanel) => {
        patchState(store, { panel: store.panel() === panel ? 'none' : panel, message: '' });
      },
      say: (message: string) => {
        patchState(store, { message });
      },
      /** Counts what is made: the number of the last piece. */
      count: (made: number) => step({ what: 'made', made, note: '' }),
      /** The last count was wrong: it is corrected, not counted back. */
      recount: (made: number, why: string): boolean => {
        const head = store.head();
        const last = head && hand.ofLot(head.lot, 'progress').findLast((e) => e.body.step === head.steps.length);
        return last ? tell(hand.put({ ...last.body, made }, { corrects: last.id, why })) : false;
      },
      pause: () => {
        const head = store.head();
        if (head) step({ what: head.state === 'paused' ? 'resume' : 'pause', made: head.made, note: '' });
      },
      change: (change: LotChange, to: string, note: string): boolean => {
        const head = store.head();
        if (!head) return false;
        const isKept = step({ what: 'change', made: head.made, change, ...(to && { to }), note });
        if (isKept) patchState(store, { panel: 'none' });
        return isKept;
      },
      finish: () => {
        const head = store.head();
        if (head) tell(hand.put({ kind: 'finish', lot: head.lot, note: '' }));
      },
      asDrawn: () => {
        if (store.piece() === null || (store.check()?.look ?? 'open') !== 'open') return;
        if (store.check()?.isSeen)
          patchState(store, { message: 'It is as drawn already; a number is still to be measured.' });
        else find(AS_DRAWN, 1, 'accept', '', null);
      },
      differs: ({ code, end }: Pick<Criterion, 'code' | 'end'>, fault: string | null, note: string) =>
        find(code, end, 'reject', note, fault),
      name: (piece: number) => {
        patchState(store, { named: piece, panel: 'none', message: '' });
      },
      pullUnseen: () => {
        patchState(store, { unlooked: store.piece() });
      },
      /** The newest pull of a piece, to be read again; the first entry stays on record. */
      correct: (piece: number): boolean => {
        const head = store.head();
        const reading = head && hand.ofLot(head.lot, 'reading').findLast((e) => e.body.piece === piece);
        if (!reading) return false;
        const correcting = { id: reading.id, piece, wire: reading.body.wire ?? 1 };
        patchState(store, { correcting, panel: 'none', message: '' });
        return true;
      },
      leaveCorrection: () => {
        patchState(store, { correcting: null });
      },
      rule: (piece: number, ruling: 'counts' | 'invalid', note: string) => {
        const head = store.head();
        if (head) tell(hand.put({ kind: 'ruling', lot: head.lot, piece, ruling, note }));
      },
      /** Keeps a pull of the piece in hand. */
      keep: (force: PulledForce, why: string, curve: PackedCurve | null): EntryRefusal | null => {
        const head = store.head();
        const piece = store.piece();
        if (!head || piece === null) return { code: 'not-ready', field: '', text: 'Say first which piece this is.' };
        const wire = store.wire();
        const again = store.correcting();
        const refusal = hand.put(
          { kind: 'reading', lot: head.lot, piece, ...(wire > 1 && { wire }), ...force },
          again && { corrects: again.id, why },
          curve ? { curve } : {},
        );
        if (!refusal) {
          patchState(store, { correcting: null });
          settle();
        }
        return refusal;
      },
    };
  }),
);
export type LotWork = InstanceType<typeof LotWork>;
