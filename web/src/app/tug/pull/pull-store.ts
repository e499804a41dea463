import { computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import {
  describeMargin,
  FORCE_UNITS,
  fromNewtons,
  isValidMode,
  judgeReading,
  showNumber,
  type End,
  type FailureMode,
  type ForceUnit,
  type Trace,
  type TraceRead,
} from '@tug-mark/core';
import type { PackedCurve } from '../../outbox/outbox.state';
import { settingsActions, settingsFeature } from '../../settings/settings.state';
import type { PullKey } from '../gauge/station-gauge';
import { leaveForceField, selectForce, toNoteField } from './force-field';
import { decimalsOf, tidy } from './force-text';
import { QUIET_HOST, type PullHost } from './pull-host';
import { injectForceDecimals } from '../../settings/force-decimals';

/** A reading that has a value but is not on record yet. */
export interface Pending {
  readonly newtons: number;
  readonly typed: string;
  readonly unit: ForceUnit;
  readonly confirmed: readonly string[];
  readonly note: string | null;
  readonly gauge: string | null;
}

/** A value that is doubtful: a person says whether it is right. */
export interface PullQuestion {
  readonly codes: readonly string[];
  readonly newtons: number;
  readonly unit: ForceUnit;
  readonly text: string;
  readonly gauge: string | null;
}

/** The curve of the pending pull, read. */
export interface PendingCurve {
  readonly read: TraceRead | null;
  /** Why it could not be read; null when it could. */
  readonly why: string | null;
  readonly trace: Trace;
  readonly packed: PackedCurve;
  readonly digest: string;
}

interface State {
  readonly host: PullHost;
  readonly text: string;
  /** What stands in the field was typed before and is to be typed again. */
  readonly isOld: boolean;
  readonly pending: Pending | null;
  readonly question: PullQuestion | null;
  readonly mode: FailureMode | null;
  /** Of a splice, the end that failed. */
  readonly failedEnd: End | null;
  readonly note: string;
  readonly message: string;
  /** What was wrong with the first entry, when this one corrects it. */
  readonly why: string;
  readonly correcting: boolean;
  /** Values a person has pasted for the pieces from here on, in order; taken one at a time. */
  readonly pasted: readonly string[];
  /** The piece that was taken in hand, and when, ms since 1970 by this device; null while none is. */
  readonly taking: { readonly target: string; readonly since: number } | null;
  /** The pull the pending value is. */
  readonly pullKey: PullKey | null;
  /** Whether the pending value was pulled before it was said for which piece. */
  readonly isLate: boolean;
  readonly curve: PendingCurve | null;
  /** Counts what was taken up: a curve that comes late must not join another pull. */
  readonly taken: number;
}

/** What of it is changed from outside as it is. */
type Free = 'host' | 'message' | 'note' | 'why' | 'pasted' | 'taking' | 'curve' | 'pending' | 'mode';

const NOTHING_OPEN = {
  text: '',
  pending: null,
  question: null,
  mode: null,
  failedEnd: null,
  note: '',
  message: '',
  pullKey: null,
  isLate: false,
  curve: null,
} as const;

const AT_FIRST: State = {
  ...NOTHING_OPEN,
  host: QUIET_HOST,
  isOld: false,
  why: '',
  correcting: false,
  pasted: [],
  taking: null,
  taken: 0,
};

/**
 * One pull from its force to its place on record: typed, pasted, sent by a gauge that types, or pulled on the station's
 * gauge with its curve. What is doubtful is asked, then how it failed, then it is kept.
 */
export const PullStore = signalStore(
  withState(AT_FIRST),
  withComputed((store, global = inject(Store)) => {
    const target = computed(() => store.host().target());
    /** Until somebody has said which end failed, the lower of the two limits. */
    const limit = computed(() => {
      const { ends, limit: lower } = store.host();
      const failed = ends()?.find(({ end }) => end === store.failedEnd());
      return failed ? failed.limit : lower();
    });
    const isUnseen = computed(() => store.host().isUnseen() && !store.correcting());
    const inHandSince = computed(() => {
      const taking = store.taking();
      return taking?.target === target() ? taking.since : null;
    });
    return {
      unit: global.selectSignal(settingsFeature.selectForceUnit),
      keepsByNumber: global.selectSignal(settingsFeature.selectKeepsByNumber),
      limit,
      ends: computed(() => store.host().ends()),
      target,
      isOpen: computed(() => store.host().isOpen()),
      /** Whether a value stands open: its question, or how it failed. */
      isAsking: computed(() => store.pending() !== null || store.question() !== null),
      /** Whether a reason is asked for, because nobody has looked at this piece. */
      isUnseen,
      asksWhyUnseen: computed(() => isUnseen() && !store.isLate()),
      /** When the piece that is due was taken in hand; null when it was not, or another one was. */
      inHandSince,
      isInHand: computed(() => inHandSince() !== null),
      verdict: computed(() => {
        const pending = store.pending();
        return pending && judgeReading(pending.newtons, limit(), store.mode());
      }),
      /** The mode the curve suggests. */
      suggestion: computed(() => store.curve()?.read?.suggestion ?? null),
    };
  }),
  withMethods((store, global = inject(Store), decimals = injectForceDecimals()) => {
    const clear = () => {
      patchState(store, { ...NOTHING_OPEN, taken: store.taken() + 1 });
    };
    return {
      clear,
      /** Changes what nothing else hangs on. */
      set(changes: Partial<Pick<State, Free>>): void {
        patchState(store, changes);
      },
      setUnit(unit: string | null): void {
        const forceUnit = FORCE_UNITS.find((u) => u === unit) ?? 'N';
        global.dispatch(settingsActions.set({ changes: { forceUnit } }));
      },
      setMode(mode: FailureMode): void {
        patchState(store, { mode, message: '' });
        if (!isValidMode(mode)) toNoteField();
      },
      setEnd(failedEnd: End): void {
        patchState(store, { failedEnd, message: '' });
      },
      typed(text: string): void {
        patchState(store, { isOld: false, text, message: '', question: null });
      },
      /** A value to be read, of a pull or of none; what was read before is forgotten. */
      begin(text: string, pullKey: PullKey | null, isLate: boolean): void {
        patchState(store, { text, pullKey, isLate, question: null, curve: null, taken: store.taken() + 1 });
      },
      refuse(message: string, text = store.text()): void {
        patchState(store, { message, text });
        selectForce();
      },
      ask(question: PullQuestion): void {
        patchState(store, { message: '', question });
        leaveForceField();
      },
      accept(found: Omit<Pending, 'typed'>): void {
        const pending = { ...found, newtons: tidy(found.newtons), typed: store.text().trim() };
        patchState(store, { question: null, pending, message: '' });
        leaveForceField();
      },
      /** Back to typing: what was typed is still there and marked, so that the next digit replaces it. */
      again(): void {
        const text = store.pending()?.typed ?? store.text();
        clear();
        patchState(store, { text, isOld: text !== '' });
        selectForce();
      },
      /** The next value kept corrects one on record. */
      correct(): void {
        clear();
        patchState(store, { correcting: true });
      },
      /** What is on record stays as it is. */
      leaveCorrection(): void {
        clear();
        patchState(store, { correcting: false, why: '' });
      },
      /** A force, N, in the shown unit, never rounded onto the limit. */
      shown(newtons: number): string {
        const limit = store.limit();
        const unit = store.unit();
        // As many digits as were typed or measured, two at most beside what the shop wants: what is shown is what is kept.
        const kept = store.pending()?.newtons === newtons && unit === 'N' ? Math.min(2, decimalsOf(newtons)) : 0;
        return showNumber(
          fromNewtons(newtons, unit),
          Math.max(decimals(), kept),
          limit === null ? undefined : fromNewtons(limit, unit),
        );
      },
      /** The margin in words, in the shown unit. */
      margin(newtons: number): string {
        const limit = store.limit();
        return limit === null
          ? 'Kept without a verdict: no limit applies.'
          : describeMargin(newtons, limit, store.mode(), store.unit());
      },
    };
  }),
);
