import { computed, DestroyRef, effect, inject, Injectable, signal, type Signal } from '@angular/core';
import type { Gauge } from '@tug-mark/contract';
import {
  describeMargin,
  doubtText,
  FAILURE_MODES,
  FORCE_UNITS,
  failureModeName,
  fromNewtons,
  isValidMode,
  judgeReading,
  readForce,
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
import { Keys, type KeyHelp } from '../../shell/keys';
import { StationGauge, type StationPull } from '../gauge/station-gauge';
import { TraceReader } from '../gauge/trace-reader';
import { KeyBurst } from '../key-burst';

const UNIT_KEY = 'tug-mark-force-unit';

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
  /** Where open values wait through a reload; null while nothing is in hand. */
  readonly key: Signal<string | null>;
  /** N */
  readonly limit: Signal<number | null>;
  readonly breaks: Signal<number>;
  /** Lowest valid force so far, N. */
  readonly lowest: Signal<number | null>;
  readonly context: Signal<TraceContext>;
  /** Whether a further reading is expected; what a gauge sends otherwise waits. */
  readonly isOpen: Signal<boolean>;
  keep(force: PulledForce, why: string, curve: PackedCurve | null): EntryRefusal | null;
}

interface Queued {
  readonly text: string;
  readonly pull: StationPull | null;
}

const QUIET_HOST: PullHost = {
  key: signal(null),
  limit: signal(null),
  breaks: signal(0),
  lowest: signal(null),
  context: signal({ breaks: 0, strands: 1, loadingRate: null }),
  isOpen: signal(false),
  keep: () => null,
};

/**
 * One pull from its force to its place on record: typed, pasted, sent by a gauge that types, or pulled on the station's
 * gauge with its curve. Asks what is doubtful, then how it let go, then keeps it.
 */
@Injectable()
export class PullEntry {
  readonly gauge = inject(StationGauge);
  private readonly api = inject(Api);
  private readonly reader = inject(TraceReader);
  private readonly host = signal<PullHost>(QUIET_HOST);

  readonly units = FORCE_UNITS;
  readonly modes = FAILURE_MODES.map((mode, index) => ({ mode, key: String(index + 1), name: failureModeName(mode) }));

  readonly unit = signal<ForceUnit>(FORCE_UNITS.find((u) => u === localStorage.getItem(UNIT_KEY)) ?? 'N');
  readonly text = signal('');
  readonly pending = signal<Pending | null>(null);
  readonly question = signal<Question | null>(null);
  readonly mode = signal<FailureMode | null>(null);
  readonly note = signal('');
  readonly message = signal('');
  readonly why = signal('');
  readonly correcting = signal(false);
  /** Values sent or pulled while another was open; taken one at a time. */
  readonly queue = signal<readonly Queued[]>([]);
  readonly curve = signal<PendingCurve | null>(null);
  /** Counts what was taken up: a curve that comes late must not join another pull. */
  private taken = 0;

  readonly limit = computed(() => this.host().limit());
  readonly isOpen = computed(() => this.host().isOpen());
  readonly verdict = computed(() => {
    const pending = this.pending();
    return pending && judgeReading(pending.newtons, this.limit(), this.mode());
  });
  /** The mode the curve suggests. */
  readonly suggestion = computed(() => this.curve()?.read?.suggestion ?? null);

  constructor() {
    let restored: string | null = null;
    effect(() => {
      const key = this.host().key();
      if (key === null) return;
      if (restored !== key) {
        restored = key;
        const kept = JSON.parse(localStorage.getItem(key) ?? '[]') as string[];
        if (kept.length) this.enqueue(kept.map((text) => ({ text, pull: null })));
      }
      // Values on their way survive a reload: what is waiting, and what stands in the field.
      const open = [this.pending()?.typed ?? this.text(), ...this.queue().map((q) => q.text)].filter((t) => t !== '');
      if (open.length) localStorage.setItem(key, JSON.stringify(open));
      else localStorage.removeItem(key);
    });
    const burst = new KeyBurst(
      (key) => {
        this.choose(key);
      },
      (line) => {
        this.enqueue([{ text: line, pull: null }]);
      },
    );
    const pulls = this.gauge.pulls.subscribe((made) => {
      this.enqueue([{ text: made.pull.peak.toFixed(2), pull: made }]);
    });
    inject(DestroyRef).onDestroy(() => {
      burst.stop();
      pulls.unsubscribe();
    });
    this.burst = burst;
    this.keys = inject(Keys);
    effect(() => {
      if (this.isOpen() && !this.pending() && !this.question()) this.toField();
    });
  }

  private more: ((key: string) => boolean) | null = null;
  private readonly burst: KeyBurst;
  private readonly keys: Keys;

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
        { key: '1–7', does: 'how it let go' },
        { key: 'Enter', does: 'keep the reading' },
        { key: 'Y', does: 'yes to a question' },
        { key: 'Esc', does: 'type the value again' },
      ],
      (key) => this.command(key) || this.handle(key),
    );
  }

  /** Offers a key to the host; false when it is none of its own or a pull is pending. */
  command(key: string): boolean {
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
    if (this.question()) {
      if (key.toLowerCase() === 'y') {
        this.yes();
        return true;
      }
      // A new value instead of an answer: it replaces the doubtful one.
      if (/^[0-9.,]$/.test(key)) this.field()?.select();
      return false;
    }
    if (!this.pending()) {
      // The field takes its own keys; a key from elsewhere on the page goes to it.
      if (/^[0-9.,]$/.test(key)) this.field()?.focus();
      return false;
    }
    if (/^[0-9.,]$/.test(key)) return this.burst.take(key);
    if (key === 'Enter') {
      if (!this.burst.take('Enter')) this.keep();
      return true;
    }
    return false;
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
    this.unit.set(unit);
    localStorage.setItem(UNIT_KEY, unit);
  }

  typed(text: string): void {
    this.text.set(text);
    this.message.set('');
    this.question.set(null);
  }

  paste(values: readonly string[]): void {
    this.enqueue(values.map((text) => ({ text, pull: null })));
    this.message.set(`${values.length} values pasted. They are taken one at a time: each needs how it let go.`);
  }

  private enqueue(values: readonly Queued[]): void {
    this.queue.update((queue) => [...queue, ...values]);
    this.takeNext();
  }

  dropQueue(): void {
    this.queue.set([]);
  }

  /** Takes the next value that waits, when nothing is open; the host calls it when it becomes ready for one. */
  takeNext(): void {
    const [next, ...rest] = this.queue();
    if (next === undefined || !this.isOpen() || this.pending() || this.question() || this.text() !== '') return;
    this.queue.set(rest);
    this.text.set(next.text);
    if (next.pull) this.takePull(next.pull);
    else this.read();
  }

  submit(text: string): void {
    this.text.set(text);
    this.read();
  }

  private read(): void {
    const host = this.host();
    this.forgetCurve();
    const read = readForce(this.text(), this.unit(), host.breaks(), host.lowest());
    this.question.set(null);
    if (read.outcome === 'refused') this.message.set(read.text);
    else if (read.outcome === 'question') this.ask(asQuestion(read));
    else this.accept({ newtons: read.newtons, unit: read.unit, confirmed: [], note: read.note, gauge: null });
  }

  private forgetCurve(): void {
    this.taken += 1;
    this.curve.set(null);
  }

  /** A pull made on the station's gauge, or read from a file. */
  private takePull({ pull, gauge }: StationPull): void {
    const host = this.host();
    this.forgetCurve();
    const id = gauge?.id ?? null;
    const read = readForce(pull.peak.toFixed(2), 'N', host.breaks(), host.lowest());
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
    // The gauge may have been pulled again meanwhile, or begun anew: its curve has to be of this pull.
    const more = peakOf(fine) - pull.peak - pull.zero;
    const near = 0.02 * pull.peak + 1;
    const isLost = pull.doubts.includes('gauge-lost');
    if (isLost ? more < -near : Math.abs(more) > near) return;
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
    this.pending.set({ ...pending, newtons: tidy(read.peak.force), typed: read.peak.force.toFixed(2) });
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

  /** Back to typing, with what was typed still there. */
  again(): void {
    const typed = this.pending()?.typed ?? this.text();
    this.clear();
    this.text.set(typed);
  }

  /** Nothing typed, nothing pending. */
  clear(): void {
    this.pending.set(null);
    this.question.set(null);
    this.mode.set(null);
    this.forgetCurve();
    this.message.set('');
    this.note.set('');
    this.text.set('');
  }

  keep(): void {
    const pending = this.pending();
    const mode = this.mode();
    if (!pending) return;
    if (!mode) {
      this.message.set('Say first how it let go: 1 to 7.');
      return;
    }
    const curve = this.curve();
    const refusal = this.host().keep(
      {
        force: pending.newtons,
        typed: pending.typed,
        unit: pending.unit,
        mode,
        note: this.note().trim(),
        confirmed: pending.confirmed,
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
    this.clear();
    this.why.set('');
    this.correcting.set(false);
    this.takeNext();
  }

  /** A force, N, in the shown unit, never rounded onto the limit. */
  shown(newtons: number): string {
    const limit = this.limit();
    return showNumber(
      fromNewtons(newtons, this.unit()),
      1,
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

/** What a gauge of hundredths cannot have said is left off. */
const tidy = (newtons: number) => Number(newtons.toFixed(6));

const asQuestion = (read: Extract<ForceRead, { outcome: 'question' }>): Question => ({
  codes: [read.code],
  newtons: read.newtons,
  unit: read.unit,
  text: read.text,
  gauge: null,
});

function peakOf({ forces }: Trace): number {
  let peak = -Infinity;
  for (let i = 0, n = forces.length; i < n; i++) peak = Math.max(peak, forces[i] as number);
  return peak;
}
