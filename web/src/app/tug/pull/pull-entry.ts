import { effect, inject, Injectable, type Provider } from '@angular/core';
import { FAILURE_MODES, failureModeName, isValidMode } from '@tug-mark/core';
import { Keys, type KeyHelp } from '../../shell/keys';
import { StationGauge } from '../gauge/station-gauge';
import { toForceField, toNoteField } from './force-field';
import { PullDrafts } from './pull-drafts';
import type { PullHost } from './pull-host';
import { PullReading } from './pull-reading';
import { PullStore } from './pull-store';
import { PullsInHand } from './pulls-in-hand';
import { WaitingPulls } from './waiting-pulls';

/** The ways a joint fails, each with the key that says it. */
export const MODE_KEYS = FAILURE_MODES.map((mode, index) => ({
  mode,
  key: String(index + 1),
  name: failureModeName(mode),
}));

/** The ends of a splice, each with the key that says it failed. */
export const END_KEYS = [
  { end: 1, key: '8' },
  { end: 2, key: '9' },
] as const;

/** Further keys of a host's screen, tried first while no pull is pending. */
interface HostKeys {
  readonly help: readonly KeyHelp[];
  readonly handle: (key: string) => boolean;
}

/** Keeps a pull for its host's piece, and hears the keys of the screen where pulls are made. */
@Injectable()
export class PullEntry {
  private readonly store = inject(PullStore);
  private readonly reading = inject(PullReading);
  private readonly inHand = inject(PullsInHand);
  private readonly waiting = inject(WaitingPulls);
  private readonly gauge = inject(StationGauge);
  private readonly keys = inject(Keys);
  private more: HostKeys['handle'] | null = null;

  constructor() {
    inject(PullDrafts);
    effect(() => {
      if (this.store.isOpen() && !this.store.isAsking()) toForceField();
    });
  }

  /** Takes up its host; called once, in the constructor of the component that provides it. */
  serve(host: PullHost, more: HostKeys | null = null): void {
    this.store.set({ host });
    this.more = more?.handle ?? null;
    void this.gauge.open();
    this.keys.use(
      [
        ...(more?.help ?? []),
        { key: '0–9 . Enter', does: 'type the peak force' },
        { key: '1–7', does: 'how it failed' },
        { key: '8 9', does: 'which end of a splice failed' },
        { key: 'Enter', does: 'keep the reading' },
        { key: 'Y', does: 'yes to a question' },
        { key: 'T', does: 'take the piece in hand: the gauge’s next pull is its' },
        { key: 'Esc', does: 'type the value again' },
      ],
      {
        handle: (key) => this.key(key),
        line: (text) => {
          this.inHand.hearLine(text);
        },
      },
    );
  }

  /** A key pressed outside a field, or a letter while the force's field is empty. */
  key(key: string): boolean {
    return (!this.store.isAsking() && (this.more?.(key) ?? false)) || this.ownKey(key);
  }

  private ownKey(key: string): boolean {
    const { store } = this;
    if (!store.isOpen()) return false;
    const isDigit = /^[0-9.,]$/.test(key);
    const low = key.toLowerCase();
    if (key === 'Escape') store.again();
    else if (store.question()) {
      if (low === 'y') this.reading.yes();
      // A new value instead of an answer: it replaces the doubtful one.
      else if (isDigit) typeOn(store, key);
      else return false;
    } else if (store.pending()) {
      if (isDigit) this.choose(key);
      else if (key === 'Enter') this.keep();
      else return false;
    }
    // The field takes its own keys; a key from elsewhere on the page goes to it.
    else if (isDigit) typeOn(store, (store.isOld() ? '' : store.text()) + key);
    else if (low === 't') this.inHand.take();
    else return false;
    return true;
  }

  private choose(key: string): void {
    const { store } = this;
    const found = MODE_KEYS.find((m) => m.key === key);
    const end = store.ends() && END_KEYS.find((e) => e.key === key);
    if (found) store.setMode(found.mode);
    else if (end) store.setEnd(end.end);
    else return;
    const mode = store.mode();
    const asksMore = !mode || !isValidMode(mode) || this.asksEnd() || store.asksWhyUnseen() || store.correcting();
    if (store.keepsByNumber() && !asksMore) this.keep();
  }

  /** Whether it is still to be said which end of a splice failed; of what was no test neither did. */
  private asksEnd(): boolean {
    const mode = this.store.mode();
    return this.store.ends() !== null && this.store.failedEnd() === null && (mode === null || isValidMode(mode));
  }

  /** Keeps the pending value, or says what it lacks. */
  keep(): void {
    const { store } = this;
    const pending = store.pending();
    const mode = store.mode();
    if (!pending) return;
    if (!mode) {
      store.set({ message: 'Say first how it failed: 1 to 7.' });
      return;
    }
    if (this.asksEnd()) {
      store.set({ message: 'Say which end failed: 8 for end 1, 9 for end 2.' });
      return;
    }
    const failedEnd = isValidMode(mode) ? store.failedEnd() : null;
    const note = store.note().trim();
    if (store.asksWhyUnseen() && !note) {
      store.set({ message: `Say why ${store.target()} is pulled before anybody has looked at it.` });
      toNoteField();
      return;
    }
    const { newtons: force, typed, unit, gauge } = pending;
    const curve = store.curve();
    const key = store.pullKey();
    const unseen = !store.isUnseen() ? [] : [store.isLate() ? 'pulled-already' : 'not-looked-at'];
    const confirmed = [...pending.confirmed, ...(store.isLate() && key ? ['assigned-later'] : []), ...unseen];
    const refusal = store.host().keep(
      {
        ...{ force, typed, unit, mode, note, confirmed },
        ...(failedEnd && { failedEnd }),
        ...(key && { pull: { start: key.start, end: key.end } }),
        ...(gauge !== null && { gauge }),
        ...(curve && { trace: { id: curve.packed.id, digest: curve.digest } }),
      },
      store.why(),
      curve?.packed ?? null,
    );
    if (refusal) {
      store.set({ message: refusal.text });
      return;
    }
    if (key) this.waiting.taken(key);
    store.leaveCorrection();
    // Keeping one is taking the next in hand.
    this.inHand.take();
    this.inHand.takeNext();
  }
}

function typeOn(store: InstanceType<typeof PullStore>, text: string): void {
  store.typed(text);
  toForceField();
}

/** All of a pull's entry, for the component that hosts it. */
export const PULL_ENTRY: Provider[] = [...[PullStore, WaitingPulls, PullReading, PullsInHand, PullDrafts, PullEntry]];
