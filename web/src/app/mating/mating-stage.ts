import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { judgeMating, matedPairs, ofCurrentRun, ofLot, readLot, reelsOf, type MatedPair } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ChartCanvas } from '../charts/chart-canvas';
import { inks } from '../charts/chart-ink';
import { Hand } from '../hand/hand';
import { Field } from '../parts/field';
import { Mark } from '../parts/mark';
import { Notice } from '../parts/notice';
import { plainNumber } from '../parts/plain-number';
import { Reasons } from '../parts/reasons';
import { typedText } from '../parts/zod-form';
import { Keys } from '../shell/keys';
import { matingOver } from './mating-options';

const STATES = { good: 'pass', bad: 'fail', open: 'missing' } as const;

/** Pairs put together and pulled apart, over their cycles: one line asked for at a time, each judged as it is kept. */
@Component({
  selector: 'tm-mating-stage',
  imports: [ChartCanvas, Field, Mark, Notice, NzButtonModule, NzInputModule, ReactiveFormsModule, Reasons, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asked(); as sheet) {
      <div class="head">
        <h1>{{ headline() }}</h1>
        <p class="why">{{ why() }}</p>
        @if (sheet.grease) {
          <p class="caution">Its sheet asks for contact grease: before the first cycle, and no other than it names.</p>
        }
      </div>
      <form (submit)="keep($event)" novalidate>
        <tm-field for="mating-on" label="On with, N" hint="may be left out">
          <input nz-input id="mating-on" inputmode="decimal" autocomplete="off" [formControl]="on" />
        </tm-field>
        <tm-field for="mating-off" label="Off with, N">
          <input nz-input id="mating-off" inputmode="decimal" autocomplete="off" [formControl]="off" />
        </tm-field>
        @if (pair().cycles.length === 0) {
          <tm-field for="mating-reel" label="Reel of the contact" hint="as its incoming check">
            <input nz-input id="mating-reel" maxlength="40" autocomplete="off" [formControl]="reel" />
          </tm-field>
        }
        <tm-field for="mating-note" label="Note">
          <input nz-input id="mating-note" maxlength="500" autocomplete="off" [formControl]="note" />
        </tm-field>
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep cycle {{ cycle() }}</button>
      </form>
      @if (message()) {
        <tm-notice kind="bad">{{ message() }}</tm-notice>
      }
      @for (left of reelsLeft(); track left) {
        <tm-notice>Reel {{ left }} of this lot has no pair on record yet: its incoming check is open.</tm-notice>
      }
      @if (options(); as o) {
        <div class="canvas"><tm-chart-canvas [options]="o" [label]="said()" /></div>
      }
      <ul class="pairs" aria-label="Pairs">
        @for (each of pairs(); track each.piece) {
          <li>
            <button
              nz-button
              type="button"
              [class.on]="each.piece === pair().piece"
              [attr.aria-pressed]="each.piece === pair().piece"
              (click)="pick(each.piece)"
            >
              <tm-mark [state]="states[each.verdict.verdict]" [size]="18" />
              pair {{ each.piece }}{{ each.reel ? ', reel ' + each.reel : '' }}
            </button>
          </li>
        }
        <li>
          <button nz-button type="button" (click)="pick(next())">Another pair <kbd>A</kbd></button>
        </li>
      </ul>
      <tm-reasons [reasons]="verdict().reasons" />
      <p><a [routerLink]="['/bench', hand.view()?.combination?.id, lot() ? 'lot' : 'tug']">Back</a></p>
    } @else if (hand.view()) {
      <h1>This terminal is not mated here.</h1>
      <p class="why">
        Its sheet in the cabinet names no counterpart. Add what it mates with, and the least force it comes off with, to
        keep pairs on record.
      </p>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    form {
      align-items: start;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
    }
    input {
      min-height: 46px;
      width: 150px;
    }
    form button {
      margin-top: 26px;
    }
    .canvas {
      border: 1px solid var(--line);
      height: 270px;
    }
    .pairs {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .pairs button {
      align-items: center;
      display: flex;
      gap: 8px;
      min-height: 44px;
    }
    .on {
      background: var(--petrol-tint);
      color: var(--ink);
      font-weight: 600;
    }
  `,
})
export class MatingStage {
  protected readonly hand = inject(Hand);
  /** The lot the pairs are of; absent: samples of the set-up. */
  readonly lot = input<string>();
  protected readonly states = STATES;
  protected readonly on = typedText();
  protected readonly off = typedText();
  protected readonly reel = typedText();
  protected readonly note = typedText();
  protected readonly message = signal('');
  private readonly picked = signal<number | null>(null);
  protected readonly asked = computed(() => this.hand.setUp()?.mating ?? null);
  private readonly number = computed(() => (this.lot() ? Number(this.lot()) : null));
  private readonly entries = computed(() => {
    const [lot, entries] = [this.number(), this.hand.entries()];
    return lot === null ? ofCurrentRun(entries).filter(({ body }) => !('lot' in body)) : ofLot(entries, lot);
  });
  protected readonly pairs = computed(() => {
    const asked = this.asked();
    return asked
      ? matedPairs(this.entries()).map((pair) => ({ ...pair, verdict: judgeMating(pair.cycles, asked) }))
      : [];
  });
  protected readonly next = computed(() => Math.max(0, ...this.pairs().map(({ piece }) => piece)) + 1);
  /** The pair in hand: the one picked, else the first that is open, else a new one. */
  protected readonly pair = computed<MatedPair>(() => {
    const piece = this.picked() ?? this.pairs().find(({ verdict }) => verdict.verdict === 'open')?.piece ?? this.next();
    return this.pairs().find((each) => each.piece === piece) ?? { piece, cycles: [], reel: null };
  });
  protected readonly verdict = computed(() =>
    judgeMating(this.pair().cycles, this.asked() ?? { insertion: null, withdrawal: null }),
  );
  protected readonly cycle = computed(() => this.verdict().next ?? (this.pair().cycles.at(-1)?.cycle ?? 0) + 1);
  protected readonly headline = computed(() => {
    const { piece, cycles } = this.pair();
    const { next, verdict } = this.verdict();
    if (verdict === 'bad') return `Pair ${piece} does not pass.`;
    if (next === null) return `Pair ${piece} passes over ${cycles.at(-1)?.cycle ?? 0} cycles.`;
    const between = next - (cycles.at(-1)?.cycle ?? 0) - 1;
    const by = between > 0 ? `${between} more without the gauge, then on and off by it` : 'on, and off by the gauge';
    return `Pair ${piece}, cycle ${next}: ${by}.`;
  });
  protected readonly why = computed(() => {
    const asked = this.asked();
    if (!asked) return '';
    const least = asked.withdrawal === null ? '' : ` It comes off with ${asked.withdrawal} N or more`;
    const most = asked.insertion === null ? '' : `${least ? ', and' : ' It'} goes on with ${asked.insertion} N at most`;
    return `On ${asked.counterpart}, straight, never rocked.${least}${most}${least || most ? '.' : ''} No more than 30 % lost since cycle 1.`;
  });
  protected readonly said = computed(
    () =>
      `Force each pair comes off with over its cycles. ${this.pairs()
        .map(({ piece, cycles }) => `Pair ${piece}: ${cycles.map((c) => `${c.cycle}: ${c.withdrawal} N`).join(', ')}`)
        .join('. ')}`,
  );
  protected readonly options = computed(() => {
    const pairs = this.pairs();
    if (!pairs.length) return null;
    const first = this.pair().cycles.find(({ cycle }) => cycle === 1);
    const least = this.asked()?.withdrawal ?? null;
    const levels = [
      ...(least === null ? [] : [{ force: least, label: `least ${least} N` }]),
      ...(first
        ? [{ force: 0.7 * first.withdrawal, label: `30 % lost, ${(0.7 * first.withdrawal).toFixed(1)} N` }]
        : []),
    ];
    return matingOver(pairs, this.pair().piece, levels, inks());
  });
  protected readonly reelsLeft = computed(() => {
    const [lot, setUp] = [this.number(), this.hand.setUp()];
    const head = lot === null ? null : readLot(this.hand.entries(), lot);
    return head && setUp
      ? reelsOf(setUp, head, this.entries())
          .filter((reel) => !reel.isMated)
          .map(({ reel }) => reel)
      : [];
  });

  constructor() {
    inject(Keys).use([{ key: 'A', does: 'another pair' }], (key) => {
      if (key.toLowerCase() !== 'a') return false;
      this.pick(this.next());
      return true;
    });
  }

  protected pick(piece: number): void {
    this.picked.set(piece);
    this.message.set('');
    setTimeout(() => document.getElementById('mating-on')?.focus());
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const on = this.on.value.trim() === '' ? null : plainNumber(this.on.value);
    const off = plainNumber(this.off.value);
    if (off === null || (on === null && this.on.value.trim() !== '')) {
      this.message.set('A force is a number in N; only the one it goes on with may be left out.');
      return;
    }
    const { piece, cycles } = this.pair();
    const [lot, reel] = [this.number(), this.reel.value.trim()];
    const refusal = this.hand.put({
      ...{ kind: 'mating', piece, cycle: this.cycle(), insertion: on, withdrawal: off, note: this.note.value.trim() },
      ...(lot !== null && { lot }),
      ...(reel && !cycles.length && { reel }),
    });
    this.message.set(refusal?.text ?? '');
    if (refusal) return;
    this.picked.set(piece);
    for (const field of [this.on, this.off, this.reel, this.note]) field.setValue('');
    // A pair that is through leaves the field, so that the next key is a command.
    const isOpen = this.verdict().verdict === 'open';
    setTimeout(() => {
      const field = document.getElementById('mating-on');
      if (isOpen) field?.focus();
      else if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    });
  }
}
