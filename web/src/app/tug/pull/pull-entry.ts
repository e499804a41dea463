import { computed, DestroyRef, effect, inject, Injectable, signal, untracked, type Signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Gauge } from '@tug-mark/contract';
import {
  curveAgrees,
  describeMargin,
  doubtText,
  FAILURE_MODES,
  FORCE_UNITS,
  failureModeName,
  fromNewtons,
  isValidMode,
  judgeReading,
  readForce,
  readTypedLine,
  showNumber,
  unpackTrace,
  type EntryBody,
  type EntryRefusal,
  type FailureMode,
  type ForceRead,
  type ForceUnit,
  type Trace,
  type TraceContext,
  type TraceRead,
  type WatchedPull,
} from '@tug-mark/core';
import { Api } from '../../http/api';
import { timeOrderedId } from '../../http/uuid';
import type { PackedCurve } from '../../outbox/outbox.state';
import { settingsActions, settingsFeature } from '../../settings/settings.state';
import { Keys, type KeyHelp } from '../../shell/keys';
import { StationGauge, type PullKey, type StationPull } from '../gauge/station-gauge';
import { TraceReader } from '../gauge/trace-reader';
import { overlaps, WaitingPulls, type WaitingPull } from './waiting-pulls';

type Reading = Extract<EntryBody, { kind: 'reading' }>;
/** What the entry finds out of a pull; the place it belongs to is its host's affair. */
export type PulledForce = Omit<Reading, 'kind' | 'piece' | 'lot' | 'wire' | 'run'>;

/** A reading that has a value but is not on record yet. */
interface Pending {
  readonly newtons: number;
  readonly typed: string;
  readonly unit: ForceUnit;
  readonly confirmed: readonly string[];
  readonly note: string | null;
  readonly gauge: string | null;
}

interface Question {
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

/** What the pull is judged by, and where its reading goes. */
export interface PullHost {
  /** The combination and lot whose drafts these are; null while nothing is in hand. */
  readonly place: Signal<string | null>;
  /** The piece a pull would be kept for, in words: 'piece 3'. */
  readonly target: Signal<string>;
  /** N */
  readonly limit: Signal<number | null>;
  readonly breaks: Signal<number>;
  /** Lowest valid force so far, N. */
  readonly lowest: Signal<number | null>;
  readonly context: Signal<TraceContext>;
  /** Whether a further reading is expected. */
  readonly isOpen: Signal<boolean>;
  /** Whether nobody has looked at the piece yet, and after the pull nobody can. */
  readonly isUnseen: Signal<boolean>;
  /** Pulls on record here: none of them waits any more. */
  readonly kept: Signal<readonly PullKey[]>;
  keep(force: PulledForce, why: string, curve: PackedCurve | null): EntryRefusal | null;
}

/** What stands open through a reload. */
interface Draft {
  /** The piece the first text was typed for. */
  readonly target: string;
  readonly text: string;
  readonly pasted: readonly string[];
  readonly waiting: readonly Omit<WaitingPull, 'id' | 'made'>[];
  readonly taking: { readonly target: string; readonly since: number } | null;
}

const QUIET_HOST: PullHost = {
  place: signal(null),
  target: signal(''),
  limit: signal(null),
  breaks: signal(0),
  lowest: signal(null),
  context: signal({ breaks: 0, strands: 1, loadingRate: null }),
  isOpen: signal(false),
  isUnseen: signal(false),
  kept: signal([]),
  keep: () => null,
};

/**
 * One pull from its force to its place on record: typed, pasted, sent by a gauge that types, or pulled on the station's
 * gauge with its curve. Asks what is doubtful, then how it failed, then keeps it.
 *
 * A pull belongs to a piece only by a person's act. Taking the piece in hand is the act; the one pull that starts after it
 * is that piece's. Every other pull waits, with its force and time, until somebody says which piece it was.
 */
@Injectable()
export class PullEntry {
  readonly gauge = inject(StationGauge);
  private readonly api = inject(Api);
  private readonly reader = inject(TraceReader);
  private readonly waitingPulls = inject(WaitingPulls);
  private readonly host = signal<PullHost>(QUIET_HOST);

  readonly units = FORCE_UNITS;
  readonly modes = FAILURE_MODES.map((mode, index) => ({ mode, key: String(index + 1), name: failureModeName(mode) }));

  private readonly store = inject(Store);
  readonly unit = this.store.selectSignal(settingsFeature.selectForceUnit);
  readonly text = signal('');
  /** What stands in the field was typed before and is to be typed again. */
  private readonly isOld = signal(false);
  readonly pending = signal<Pending | null>(null);
  readonly question = signal<Question | null>(null);
  readonly mode = signal<FailureMode | null>(null);
  readonly note = signal('');
  readonly message = signal('');
  readonly why = signal('');
  readonly correcting = signal(false);
  /** Values a person has pasted for the pieces from here on, in order; taken one at a time. */
  readonly pasted = signal<readonly string[]>([]);
  /** Pulls that belong to no piece yet. */
  readonly waiting = this.waitingPulls.all;
  /** The piece that was taken in hand, and when, ms since 1970 by this device; null while none is. */
  private readonly taking = signal<{ readonly target: string; readonly since: number } | null>(null);
  /** The pull the pending value is. */
  private readonly pullKey = signal<PullKey | null>(null);
  /** Whether the pending value was pulled before it was said for which piece. */
  private readonly isLate = signal(false);
  readonly curve = signal<PendingCurve | null>(null);
  private readonly keys: Keys;
  /** Counts what was taken up: a curve that comes late must not join another pull. */
  private taken = 0;

  readonly limit = computed(() => this.host().limit());
  readonly isOpen = computed(() => this.host().isOpen());
  readonly target = computed(() => this.host().target());
  /** Whether a reason is asked for, because nobody has looked at this piece. */
  readonly isUnseen = computed(() => this.host().isUnseen() && !this.correcting());
  readonly asksWhyUnseen = computed(() => this.isUnseen() && !this.isLate());
  /** When the piece that is due was taken in hand; null when it was not, or another one was. */
  private readonly inHandSince = computed(() => {
    const taking = this.taking();
    return taking?.target === this.target() ? taking.since : null;
  });
  readonly isInHand = computed(() => this.inHandSince() !== null);
  readonly verdict = computed(() => {
    const pending = this.pending();
    return pending && judgeReading(pending.newtons, this.limit(), this.mode());
  });
  /** The mode the curve suggests. */
  readonly suggestion = computed(() => this.curve()?.read?.suggestion ?? null);

  constructor() {
    let restored: string | null = null;
    effect(() => {
      const place = this.host().place();
      const key = place === null ? null : this.waitingPulls.draftKey(place);
      if (key === null) return;
      if (restored !== key) {
        // Another person's drafts are not this one's: what stands in memory goes too.
        if (restored !== null)
          untracked(() => {
            this.forgetAll();
          });
        restored = key;
        untracked(() => {
          this.restore(key);
        });
      }
      // Values on their way survive a reload: what is typed, what is pasted, what waits.
      const draft: Draft = {
        target: this.target(),
        text: this.pending()?.typed ?? this.text(),
        pasted: this.pasted(),
        waiting: this.waiting().map(({ text, at, from, key: of }) => ({ text, at, from, key: of })),
        taking: this.taking(),
      };
      if (draft.text || draft.pasted.length || draft.waiting.length || draft.taking)
        localStorage.setItem(key, JSON.stringify(draft));
      else localStorage.removeItem(key);
    });
    // A pull that another tab or station has kept is no longer this one's.
    effect(() => {
      const elsewhere = this.waitingPulls.takenElsewhere();
      const kept = [...this.host().kept(), ...(elsewhere ? [elsewhere] : [])];
      untracked(() => {
        for (const key of kept) this.waitingPulls.drop(key);
        const own = this.pullKey();
        if (own && kept.some((key) => overlaps(key, own))) {
          this.clear();
          this.message.set('That pull was kept at another tab or station meanwhile.');
        }
      });
    });
    const pulls = this.gauge.pulls.subscribe((made) => {
      this.hear(made);
    });
    inject(DestroyRef).onDestroy(() => {
      pulls.unsubscribe();
    });
    this.keys = inject(Keys);
    effect(() => {
      if (this.isOpen() && !this.pending() && !this.question()) this.toField();
    });
  }

  private restore(key: string): void {
    const text = localStorage.getItem(key);
    if (text === null) return;
    const draft = JSON.parse(text) as Draft;
    this.taking.set(draft.taking);
    for (const pull of draft.waiting) this.waitingPulls.add({ ...pull, made: null });
    if (!draft.text) this.pasted.set(draft.pasted);
    else if (draft.target === this.target()) {
      this.pasted.set([draft.text, ...draft.pasted]);
    } else {
      // Another piece is due now: whose it was, a person has to say.
      this.pasted.set(draft.pasted);
      const at = new Date().toISOString();
      this.waitingPulls.add({ text: draft.text, at, from: `typed for ${draft.target}`, key: null, made: null });
    }
    this.takeNext();
  }

  private forgetAll(): void {
    this.clear();
    this.why.set('');
    this.pasted.set([]);
    this.waitingPulls.all.set([]);
    this.taking.set(null);
  }

  private more: ((key: string) => boolean) | null = null;

  /**
   * Takes up its host; called once, in the constructor of the component that provides it.
   * @param more further keys of the screen, tried first while no pull is pending
   */
  serve(host: PullHost, more: { help: readonly KeyHelp[]; handle: (key: string) => boolean } | null = null): void {
    this.host.set(host);
    this.more = more?.handle ?? null;
    void this.gauge.open();
    this.keys.use(
      [
        ...(more?.help ?? []),
        { key: '0–9 . Enter', does: 'type the peak force' },
        { key: '1–7', does: 'how it failed' },
        { key: 'Enter', does: 'keep the reading' },
        { key: 'Y', does: 'yes to a question' },
        { key: 'T', does: 'take the piece in hand: the gauge’s next pull is its' },
        { key: 'Esc', does: 'type the value again' },
      ],
      {
        handle: (key) => this.command(key) || this.handle(key),
        line: (text) => {
          this.hearLine(text);
        },
      },
    );
  }

  /** A letter pressed while the force's field is empty: it is a key of the screen. */
  screenKey(key: string): void {
    if (!this.command(key)) this.handle(key);
  }

  /** Offers a key to the host; false when it is none of its own or a pull is pending. */
  private command(key: string): boolean {
    return !this.pending() && !this.question() && (this.more?.(key) ?? false);
  }

  private field(): HTMLInputElement | null {
    return document.querySelector<HTMLInputElement>('#force');
  }

  private toField(): void {
    setTimeout(() => this.field()?.focus());
  }

  private handle(key: string): boolean {
    if (!this.isOpen()) return false;
    if (key === 'Escape') {
      this.again();
      return true;
    }
    const isDigit = /^[0-9.,]$/.test(key);
    if (this.question()) {
      if (key.toLowerCase() === 'y') this.yes();
      // A new value instead of an answer: it replaces the doubtful one.
      else if (isDigit) this.typeOn('', key);
      else return false;
      return true;
    }
    if (!this.pending()) {
      // The field takes its own keys; a key from elsewhere on the page goes to it.
      if (isDigit) this.typeOn(this.isOld() ? '' : this.text(), key);
      else if (key.toLowerCase() === 't') this.takeInHand();
      else return false;
      return true;
    }
    if (isDigit) this.choose(key);
    else if (key === 'Enter') this.keep();
    else return false;
    return true;
  }

  private typeOn(text: string, key: string): void {
    this.typed(text + key);
    this.toField();
  }

  /** The act by which the next pull becomes this piece's. */
  takeInHand(): void {
    if (!this.isOpen()) return;
    this.taking.set({ target: this.target(), since: Date.now() });
    this.message.set('');
    this.toField();
  }

  /** A pull made on the station's gauge, or read from a file. */
  private hear(made: StationPull): void {
    const since = this.inHandSince();
    const isFree = !this.pending() && !this.question() && this.text() === '';
    // A file is chosen by a person, for this piece.
    const isOwn = made.gauge === null || (since !== null && made.startedAt >= since);
    if (this.isOpen() && isFree && isOwn) {
      this.taking.set(null);
      this.text.set(asMeasured(made.pull.peak));
      this.takePull(made);
      return;
    }
    this.waitingPulls.add({
      text: asMeasured(made.pull.peak),
      at: made.key?.end ?? new Date().toISOString(),
      from: made.gauge ? `on ${made.gauge.label}` : 'from a file',
      key: made.key,
      made,
    });
  }

  /** A line that a gauge has typed outside the field. */
  private hearLine(text: string): void {
    if (this.isOpen() && !this.pending() && !this.question() && this.text() === '') this.submit(text);
    else {
      const at = new Date().toISOString();
      this.waitingPulls.add({ text, at, from: 'typed by a device', key: null, made: null });
    }
  }

  /** A person says that a pull that waited was this piece's. */
  assign(pull: WaitingPull): void {
    if (!this.isOpen() || this.pending() || this.question()) return;
    this.waitingPulls.remove(pull.id);
    this.text.set(pull.text);
    this.isLate.set(true);
    if (pull.made) this.takePull(pull.made, true);
    else this.read(pull.key);
  }

  /** A person says that it was no pull of any piece. */
  dismiss(pull: WaitingPull): void {
    this.waitingPulls.remove(pull.id);
  }

  private choose(key: string): void {
    const found = this.modes.find((m) => m.key === key);
    if (found && this.pending()) this.setMode(found.mode);
  }

  setMode(mode: FailureMode): void {
    this.mode.set(mode);
    this.message.set('');
    if (!isValidMode(mode)) setTimeout(() => document.getElementById('reading-note')?.focus());
  }

  setUnit(unit: ForceUnit): void {
    this.store.dispatch(settingsActions.set({ changes: { forceUnit: unit } }));
  }

  typed(text: string): void {
    this.isOld.set(false);
    this.text.set(text);
    this.message.set('');
    this.question.set(null);
  }

  paste(values: readonly string[]): void {
    this.pasted.update((pasted) => [...pasted, ...values]);
    this.takeNext();
    this.message.set(`${values.length} values pasted. They are taken one at a time: each needs how it failed.`);
  }

  dropPasted(): void {
    this.pasted.set([]);
  }

  /** Takes the next pasted value, when nothing is open; the host calls it when it becomes ready for one. */
  takeNext(): void {
    const [next, ...rest] = this.pasted();
    if (next === undefined || !this.isOpen() || this.pending() || this.question() || this.text() !== '') return;
    this.pasted.set(rest);
    this.text.set(next);
    this.isLate.set(true);
    this.read();
  }

  submit(text: string): void {
    this.text.set(text);
    this.read();
  }

  private read(key: PullKey | null = null): void {
    const host = this.host();
    this.forgetCurve();
    this.pullKey.set(key);
    this.text.set(readTypedLine(this.text(), this.gauge.chosen()));
    const read = readForce(this.text(), this.unit(), host.breaks(), host.lowest());
    this.question.set(null);
    if (read.outcome === 'refused') {
      this.message.set(read.text);
      // The next value replaces it, typed by hand or by a gauge, and is not glued to it.
      setTimeout(() => this.field()?.select());
    } else if (read.outcome === 'question') this.ask(asQuestion(read));
    else this.accept({ newtons: read.newtons, unit: read.unit, confirmed: [], note: read.note, gauge: null });
  }

  private forgetCurve(): void {
    this.taken += 1;
    this.curve.set(null);
  }

  private takePull({ pull, gauge, key }: StationPull, isLate = false): void {
    const host = this.host();
    this.forgetCurve();
    this.pullKey.set(key);
    this.isLate.set(isLate);
    const id = gauge?.id ?? null;
    const read = readForce(asMeasured(pull.peak), 'N', host.breaks(), host.lowest());
    if (read.outcome === 'refused') {
      this.message.set(read.text);
      this.text.set('');
      return;
    }
    const asked = [
      ...pull.doubts.map((doubt) => ({ code: doubt as string, text: doubtText(doubt) })),
      ...(read.outcome === 'question' ? [{ code: read.code as string, text: read.text }] : []),
    ];
    void this.readCurve(pull, gauge);
    if (asked.length) {
      this.ask({
        codes: asked.map((a) => a.code),
        newtons: pull.peak,
        unit: 'N',
        text: asked.map((a) => a.text).join(' '),
        gauge: id,
      });
    } else this.accept({ newtons: pull.peak, unit: 'N', confirmed: [], note: null, gauge: id });
  }

  /** First the curve as it came in, then the gauge's own of ten times the rate, where it keeps one. */
  private async readCurve(pull: WatchedPull, gauge: Gauge | null): Promise<void> {
    const own = this.taken;
    const isStill = () => own === this.taken;
    if (pull.forces.length) await this.showCurve({ rate: pull.rate, forces: pull.forces }, isStill);
    if (!gauge?.traceCommand || !isStill()) return;
    const bytes = await this.api.gaugeCurve(gauge.id).catch(() => null);
    const fine = bytes && unpackTrace(bytes);
    if (!fine || !isStill()) return;
    // The gauge may have been pulled again meanwhile, or begun again: its curve has to be of this pull.
    const peak = peakOf(fine) - pull.zero;
    const isLost = pull.doubts.includes('gauge-lost');
    // A pull that was not heard throughout may have gone higher than what was seen of it.
    if (!curveAgrees(peak, isLost ? Math.max(peak, pull.peak) : pull.peak)) return;
    if (isLost) this.recover(gauge.id);
    await this.showCurve(fine, isStill);
  }

  /** What was missed while the gauge was not heard, its own curve has: nothing is left to ask. */
  private recover(gauge: string): void {
    const question = this.question();
    if (question?.codes.length !== 1 || question.codes[0] !== 'gauge-lost') return;
    this.question.set(null);
    this.accept({
      newtons: question.newtons,
      unit: 'N',
      confirmed: question.codes,
      note: 'It was not heard throughout; the peak is from the gauge’s own curve.',
      gauge,
    });
  }

  private async showCurve(trace: Trace, isStill: () => boolean): Promise<void> {
    const { reading, bytes, digest } = await this.reader.read(trace, this.host().context());
    if (!isStill()) return;
    this.curve.set({
      read: reading.ok ? reading.read : null,
      why: reading.ok ? null : reading.reason.text,
      trace,
      packed: { id: timeOrderedId(), bytes: new Blob([bytes], { type: 'application/octet-stream' }) },
      digest,
    });
    this.goByCurve();
  }

  /** The peak of the curve is the reading, and its suggestion stands until the person says otherwise. */
  private goByCurve(): void {
    const read = this.curve()?.read;
    const pending = this.pending();
    if (!read || !pending) return;
    // What somebody has seen and answered does not change under the hand: a finer peak comes too late then.
    const { force } = read.peak;
    // What was not heard throughout may have gone higher: the gauge's own curve knows.
    const wasLost = pending.confirmed.includes('gauge-lost') && force >= pending.newtons;
    if (this.mode() === null && (wasLost || curveAgrees(force, pending.newtons))) {
      const typed = asMeasured(force);
      const note =
        pending.note ??
        (typed === pending.typed
          ? null
          : `The peak is from its curve: ${showNumber(force, 2, this.limit() ?? undefined)} N.`);
      this.pending.set({ ...pending, newtons: Number(typed), typed, unit: 'N', note });
    }
    if (this.mode() === null) this.mode.set(read.suggestion.mode);
  }

  private ask(question: Question): void {
    this.message.set('');
    this.question.set(question);
    // Out of the field, so that Y and Esc answer the question.
    this.field()?.blur();
  }

  yes(): void {
    const question = this.question();
    if (!question) return;
    this.question.set(null);
    const { newtons, unit, codes, gauge } = question;
    this.accept({ newtons, unit, confirmed: codes, note: null, gauge });
    this.goByCurve();
  }

  private accept(found: Omit<Pending, 'typed'>): void {
    this.pending.set({ ...found, newtons: tidy(found.newtons), typed: this.text().trim() });
    this.message.set('');
    this.field()?.blur();
  }

  /** Back to typing: what was typed is still there and marked, so that the next digit replaces it. */
  again(): void {
    const typed = this.pending()?.typed ?? this.text();
    this.clear();
    this.text.set(typed);
    this.isOld.set(typed !== '');
    setTimeout(() => {
      this.field()?.focus();
      this.field()?.select();
    });
  }

  /** Nothing typed, nothing pending. */
  clear(): void {
    this.pending.set(null);
    this.question.set(null);
    this.mode.set(null);
    this.forgetCurve();
    this.pullKey.set(null);
    this.isLate.set(false);
    this.message.set('');
    this.note.set('');
    this.text.set('');
  }

  keep(): void {
    const pending = this.pending();
    const mode = this.mode();
    if (!pending) return;
    if (!mode) {
      this.message.set('Say first how it failed: 1 to 7.');
      return;
    }
    if (this.asksWhyUnseen() && !this.note().trim()) {
      this.message.set(`Say why ${this.target()} is pulled before anybody has looked at it.`);
      setTimeout(() => document.getElementById('reading-note')?.focus());
      return;
    }
    const curve = this.curve();
    const key = this.pullKey();
    const unseen = !this.isUnseen() ? [] : [this.isLate() ? 'pulled-already' : 'not-looked-at'];
    const refusal = this.host().keep(
      {
        force: pending.newtons,
        typed: pending.typed,
        unit: pending.unit,
        mode,
        note: this.note().trim(),
        confirmed: [...pending.confirmed, ...(this.isLate() && key ? ['assigned-later'] : []), ...unseen],
        ...(key && { pull: { start: key.start, end: key.end } }),
        ...(pending.gauge !== null && { gauge: pending.gauge }),
        ...(curve && { trace: { id: curve.packed.id, digest: curve.digest } }),
      },
      this.why(),
      curve?.packed ?? null,
    );
    if (refusal) {
      this.message.set(refusal.text);
      return;
    }
    if (key) this.waitingPulls.taken(key);
    this.clear();
    this.why.set('');
    this.correcting.set(false);
    // Keeping one is taking the next in hand.
    this.takeInHand();
    this.takeNext();
  }

  /** A force, N, in the shown unit, never rounded onto the limit. */
  shown(newtons: number): string {
    const limit = this.limit();
    // As many digits as were typed or measured, two at most: what is shown is what is kept.
    const kept = this.pending()?.newtons === newtons && this.unit() === 'N' ? decimalsOf(newtons) : 1;
    return showNumber(
      fromNewtons(newtons, this.unit()),
      Math.min(2, Math.max(1, kept)),
      limit === null ? undefined : fromNewtons(limit, this.unit()),
    );
  }

  /** The margin in words, in the shown unit. */
  margin(newtons: number): string {
    const limit = this.limit();
    return limit === null
      ? 'Kept without a verdict: no limit applies.'
      : describeMargin(newtons, limit, this.mode(), this.unit());
  }
}

/** A measured force with every digit it came with, and two at the least: 89.996 N must not be kept as 90.00. */
function asMeasured(newtons: number): string {
  for (let places = 2; places < 6; places++) {
    const text = newtons.toFixed(places);
    // Curves hold single precision: digits beyond it were never measured.
    if (Math.fround(Number(text)) === Math.fround(newtons)) return text;
  }
  return newtons.toFixed(6);
}

/** What a gauge of hundredths cannot have said is left off. */
const tidy = (newtons: number) => Number(newtons.toFixed(6));

const asQuestion = (read: Extract<ForceRead, { outcome: 'question' }>): Question => ({
  codes: [read.code],
  newtons: read.newtons,
  unit: read.unit,
  text: read.text,
  gauge: null,
});

const decimalsOf = (value: number) => String(value).split('.')[1]?.length ?? 0;

function peakOf({ forces }: Trace): number {
  let peak = -Infinity;
  for (let i = 0, n = forces.length; i < n; i++) peak = Math.max(peak, forces[i] as number);
  return peak;
}
