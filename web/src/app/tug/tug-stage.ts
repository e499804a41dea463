import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import {
  describeMargin,
  FAILURE_MODES,
  FORCE_UNITS,
  failureModeName,
  fromNewtons,
  isValidMode,
  judgeReading,
  readForce,
  showNumber,
  type FailureMode,
  type ForceRead,
  type ForceUnit,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { showTime } from '../parts/show-time';
import { TugLine } from '../parts/tug-line';
import type { TugFlag } from '../parts/tug-line.layout';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { KeyBurst } from './key-burst';
import { pastedReadings } from './pasted-readings';
import { valueOf } from '../parts/value-of';

const UNIT_KEY = 'tug-mark-force-unit';

/** A reading that has a value but is not on record yet. */
interface Pending {
  readonly newtons: number;
  readonly typed: string;
  readonly unit: ForceUnit;
  readonly confirmed: readonly string[];
  readonly note: string | null;
}

/** Does it hold? Readings typed or sent by a keyboard-like gauge, judged at once. */
@Component({
  selector: 'tm-tug-stage',
  imports: [RouterLink, NzButtonModule, NzInputModule, TugLine, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tug-stage.html',
  styleUrls: ['../parts/stage.less', './tug-stage.less'],
})
export class TugStage {
  protected readonly value = valueOf;
  protected readonly hand = inject(Hand);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');

  protected readonly units = FORCE_UNITS;
  protected readonly modes = FAILURE_MODES.map((mode, index) => ({
    mode,
    key: String(index + 1),
    name: failureModeName(mode),
  }));
  protected readonly modeName = failureModeName;
  protected readonly time = showTime;

  protected readonly unit = signal<ForceUnit>(FORCE_UNITS.find((u) => u === localStorage.getItem(UNIT_KEY)) ?? 'N');
  protected readonly text = signal('');
  protected readonly pending = signal<Pending | null>(null);
  protected readonly question = signal<Extract<ForceRead, { outcome: 'question' }> | null>(null);
  protected readonly mode = signal<FailureMode | null>(null);
  protected readonly note = signal('');
  protected readonly message = signal('');
  /** Entry being corrected; the next reading kept corrects it. */
  protected readonly correcting = signal<{ id: string; piece: number } | null>(null);
  protected readonly why = signal('');
  /** Values pasted or sent while another was open; taken one at a time. */
  protected readonly queue = signal<readonly string[]>([]);

  protected readonly setUp = this.hand.setUp;
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly limit = computed(() => this.setUp()?.limit.limit?.force ?? null);
  protected readonly breaks = computed(() => this.setUp()?.breaks ?? 0);
  protected readonly group = computed(() => this.hand.judgement()?.group ?? null);
  protected readonly wanted = computed(() => this.hand.view()?.practice.setUpPieces ?? 0);
  protected readonly mayRule = computed(() => may(this.person()?.role ?? 'technician', 'rule'));

  /** Readings in force with their verdict, by piece. */
  protected readonly readings = computed(() => {
    const standing = this.setUp()?.standing.limit?.force ?? null;
    const rulings = new Map(this.hand.of('ruling').map((e) => [e.body.piece, e]));
    const unsent = this.hand.unsent();
    return this.hand
      .of('reading')
      .map((entry) => ({
        entry,
        piece: entry.body.piece,
        verdict: judgeReading(entry.body.force, standing, entry.body.mode),
        ruling: rulings.get(entry.body.piece),
        unsent: unsent.has(entry.id),
      }))
      .sort((a, b) => a.piece - b.piece);
  });

  /** The next piece without a reading; an invalid one is replaced by a further piece. */
  protected readonly piece = computed(
    () => this.correcting()?.piece ?? Math.max(0, ...this.readings().map((r) => r.piece)) + 1,
  );
  protected readonly validCount = computed(() => this.group()?.summary?.n ?? 0);
  protected readonly enough = computed(() => this.validCount() >= this.wanted());

  protected readonly flags = computed<TugFlag[]>(() => {
    const correcting = this.correcting()?.piece;
    const flags: TugFlag[] = this.readings()
      .filter((r) => r.piece !== correcting || !this.pending())
      .map((r) => ({ piece: r.piece, force: r.entry.body.force, verdict: r.verdict.verdict, current: false }));
    const pending = this.pending();
    const verdict = this.verdict();
    if (pending && verdict)
      flags.push({ piece: this.piece(), force: pending.newtons, verdict: verdict.verdict, current: true });
    return flags;
  });

  protected readonly verdict = computed(() => {
    const pending = this.pending();
    return pending && judgeReading(pending.newtons, this.limit(), this.mode());
  });

  protected readonly headline = computed(() => {
    const correcting = this.correcting();
    if (correcting) return `Correct piece ${correcting.piece}`;
    if (this.enough() && !this.pending()) return `${this.validCount()} of ${this.wanted()} pulled`;
    const extra =
      this.piece() > this.wanted()
        ? `Piece ${this.piece()}, a replacement`
        : `Piece ${this.piece()} of ${this.wanted()}`;
    return extra;
  });
  protected readonly how = computed(() => {
    const view = this.hand.view();
    const speed = this.setUp()?.limit.limit?.table.speed;
    const grip =
      view?.practice.pullEvidence === 'grip-open' && (view.terminal.barrel.supportLength ?? 0) > 0
        ? 'Insulation grip open, '
        : '';
    return `${grip}${speed ? `${speed.min}–${speed.max} mm/min, ` : ''}straight pull, eyes covered: wire ends whip.`;
  });

  /** The group's numbers in the shown unit. */
  protected readonly summary = computed(() => {
    const group = this.group();
    const limit = this.setUp()?.standing.limit?.force;
    if (!group?.summary || limit === undefined) return null;
    const { n, min, mean, s } = group.summary;
    const show = (newtons: number) => showNumber(fromNewtons(newtons, this.unit()), 1, fromNewtons(limit, this.unit()));
    return {
      n,
      min: show(min),
      mean: show(mean),
      s: s === null ? 'needs 2' : showNumber(fromNewtons(s, this.unit()), 1),
      cpl: group.cpl === null ? (s === null ? 'needs 2' : 'no spread') : group.cpl.toFixed(2),
      bound: group.lowerBound === null ? 'needs 2' : show(group.lowerBound),
      sentences: group.reasons,
    };
  });

  constructor() {
    const storeKey = () => `tug-mark-queue-${this.hand.view()?.combination.id}`;
    const restore = effect(() => {
      if (!this.hand.view()) return;
      restore.destroy();
      const kept = JSON.parse(localStorage.getItem(storeKey()) ?? '[]') as string[];
      if (kept.length) this.enqueue(kept);
    });
    // Values on their way survive a reload: what is waiting, and what stands in the field.
    effect(() => {
      if (!this.hand.view()) return;
      const open = [this.pending()?.typed ?? this.text(), ...this.queue()].filter((t) => t !== '');
      if (open.length) localStorage.setItem(storeKey(), JSON.stringify(open));
      else localStorage.removeItem(storeKey());
    });
    const burst = new KeyBurst(
      (key) => {
        this.choose(key);
      },
      (line) => {
        this.enqueue([line]);
      },
    );
    inject(DestroyRef).onDestroy(() => {
      burst.stop();
    });
    inject(Keys).use(
      [
        { key: '0–9 . Enter', does: 'type the peak force' },
        { key: '1–7', does: 'how it let go' },
        { key: 'Enter', does: 'keep the reading' },
        { key: 'Y', does: 'yes to a question' },
        { key: 'Esc', does: 'type the value again' },
      ],
      (key) => this.handle(key, burst),
    );
    effect(() => {
      if (!this.pending() && !this.question()) setTimeout(() => this.field()?.nativeElement.focus());
    });
  }

  private handle(key: string, burst: KeyBurst): boolean {
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
      if (/^[0-9.,]$/.test(key)) this.field()?.nativeElement.select();
      return false;
    }
    if (!this.pending()) {
      // The field takes its own keys; a key from elsewhere on the page goes to it.
      if (/^[0-9.,]$/.test(key)) this.field()?.nativeElement.focus();
      return false;
    }
    if (/^[0-9.,]$/.test(key)) return burst.take(key);
    if (key === 'Enter') {
      if (!burst.take('Enter')) this.keep();
      return true;
    }
    return false;
  }

  private choose(key: string): void {
    const found = this.modes.find((m) => m.key === key);
    if (found && this.pending()) this.setMode(found.mode);
  }

  protected setMode(mode: FailureMode): void {
    this.mode.set(mode);
    this.message.set('');
    if (!isValidMode(mode)) setTimeout(() => document.getElementById('reading-note')?.focus());
  }

  protected setUnit(event: Event): void {
    const unit = FORCE_UNITS.find((u) => u === (event.target as HTMLSelectElement).value) ?? 'N';
    this.unit.set(unit);
    localStorage.setItem(UNIT_KEY, unit);
  }

  protected typed(event: Event): void {
    this.text.set((event.target as HTMLInputElement).value);
    this.message.set('');
    this.question.set(null);
  }

  protected paste(event: ClipboardEvent): void {
    const values = pastedReadings(event.clipboardData?.getData('text') ?? '');
    if (values.length < 2) return;
    event.preventDefault();
    this.enqueue(values);
    this.message.set(`${values.length} values pasted. They are taken one at a time: each needs how it let go.`);
  }

  private enqueue(values: readonly string[]): void {
    this.queue.update((queue) => [...queue, ...values]);
    this.takeNext();
  }

  protected dropQueue(): void {
    this.queue.set([]);
  }

  private takeNext(): void {
    const [next, ...rest] = this.queue();
    if (next === undefined || this.pending() || this.question() || this.text() !== '') return;
    this.queue.set(rest);
    this.text.set(next);
    this.read();
  }

  protected submit(event: Event): void {
    event.preventDefault();
    // The field may hold more than the signal when a gauge types faster than a frame.
    this.text.set(this.field()?.nativeElement.value ?? this.text());
    this.read();
  }

  private read(): void {
    const lowest = this.group()?.summary?.min ?? null;
    const read = readForce(this.text(), this.unit(), this.breaks(), lowest);
    this.question.set(null);
    if (read.outcome === 'refused') this.message.set(read.text);
    else if (read.outcome === 'question') {
      this.message.set('');
      this.question.set(read);
      // Out of the field, so that Y and Esc answer the question.
      this.field()?.nativeElement.blur();
    } else this.accept(read.newtons, read.unit, [], read.note);
  }

  protected yes(): void {
    const question = this.question();
    if (!question) return;
    this.question.set(null);
    this.accept(question.newtons, question.unit, [question.code], null);
  }

  private accept(newtons: number, unit: ForceUnit, confirmed: readonly string[], note: string | null): void {
    this.pending.set({ newtons, typed: this.text().trim(), unit, confirmed, note });
    this.message.set('');
    this.field()?.nativeElement.blur();
  }

  /** Back to typing, with what was typed still there. */
  protected again(): void {
    const typed = this.pending()?.typed ?? this.text();
    this.pending.set(null);
    this.question.set(null);
    this.mode.set(null);
    this.message.set('');
    this.text.set(typed);
  }

  protected keep(): void {
    const pending = this.pending();
    const mode = this.mode();
    const correcting = this.correcting();
    if (!pending) return;
    if (!mode) {
      this.message.set('Say first how it let go: 1 to 7.');
      return;
    }
    const refusal = this.hand.put(
      {
        kind: 'reading',
        piece: this.piece(),
        force: pending.newtons,
        typed: pending.typed,
        unit: pending.unit,
        mode,
        note: this.note().trim(),
        confirmed: pending.confirmed,
      },
      correcting && { corrects: correcting.id, why: this.why() },
    );
    if (refusal) {
      this.message.set(refusal.text);
      return;
    }
    this.pending.set(null);
    this.mode.set(null);
    this.note.set('');
    this.why.set('');
    this.text.set('');
    this.message.set('');
    this.correcting.set(null);
    this.takeNext();
  }

  protected correct(id: string, piece: number): void {
    this.again();
    this.text.set('');
    this.correcting.set({ id, piece });
  }

  protected leave(): void {
    this.correcting.set(null);
    this.why.set('');
    this.again();
    this.text.set('');
  }

  protected rule(piece: number, ruling: 'counts' | 'invalid', note: string): void {
    this.message.set(this.hand.put({ kind: 'ruling', piece, ruling, note })?.text ?? '');
  }

  protected shown(newtons: number): string {
    const limit = this.setUp()?.standing.limit?.force;
    return showNumber(
      fromNewtons(newtons, this.unit()),
      1,
      limit === undefined ? undefined : fromNewtons(limit, this.unit()),
    );
  }

  /** The margin in words, in the shown unit. */
  protected margin(newtons: number, mode: FailureMode | null): string {
    const limit = this.limit();
    return limit === null
      ? 'Kept without a verdict: no limit applies.'
      : describeMargin(newtons, limit, mode, this.unit());
  }
}
