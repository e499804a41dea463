import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { CHANGES, changeName, lotNumbers, plannedPulls, planRisk, readLot, type LotChange } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { Tick } from '../parts/tick';
import { refuse, typedText } from '../parts/zod-form';
import { Notice } from '../parts/notice';

/** Opens a lot, or changes its quantity and plan: how many pieces, when they are checked, and what those checks cannot tell. */
@Component({
  selector: 'tm-lot-open',
  imports: [Notice, ReactiveFormsModule, NzButtonModule, NzInputModule, Field, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <div class="fields">
        <tm-field for="lot-name" label="Lot number" [control]="form.controls.name">
          <input nz-input id="lot-name" maxlength="40" formControlName="name" autocomplete="off" />
        </tm-field>
        <tm-field for="lot-pieces" label="Pieces to make" [control]="form.controls.pieces">
          <input nz-input id="lot-pieces" inputmode="numeric" formControlName="pieces" autocomplete="off" />
        </tm-field>
        <tm-field for="lot-every" label="Check every ... pieces" [control]="form.controls.every">
          <input nz-input id="lot-every" inputmode="numeric" formControlName="every" autocomplete="off" />
        </tm-field>
        <tm-field for="lot-hours" label="and every ... hours" [control]="form.controls.hours">
          <input
            nz-input
            id="lot-hours"
            inputmode="decimal"
            placeholder="none"
            formControlName="hours"
            autocomplete="off"
          />
        </tm-field>
      </div>
      <div class="ticks" role="group" aria-labelledby="lot-after" [formGroup]="form.controls.after">
        <p id="lot-after">Check the next piece after</p>
        @for (change of changes; track change) {
          <tm-tick [formControlName]="change">{{ nameOf(change) }}</tm-tick>
        }
        <tm-tick [formControl]="form.controls.bothSides">and the last piece before it</tm-tick>
      </div>
      @if (risk(); as r) {
        <section class="risk" aria-label="What this plan can tell">
          <p>
            <strong>{{ r.text }}</strong>
          </p>
          <p class="soft">
            A fault that begins and stays is found by the check after it: at most {{ everyPieces() ?? pieces() }} pieces
            are suspect then. {{ spent() }} of {{ pieces() }} pieces are pulled and spent;
            {{ (pieces() ?? 0) - spent() }} are left to deliver.
          </p>
          <p class="ask">
            A lot with
            <label class="out-of-sight" for="risk-share">Percent bad</label>
            <input nz-input id="risk-share" inputmode="decimal" formControlName="share" />
            % bad may pass
            <label class="out-of-sight" for="risk-times">Times in 100</label>
            <input nz-input id="risk-times" inputmode="decimal" formControlName="times" />
            times in 100: that takes <strong>{{ r.needed }}</strong> pulls.
          </p>
        </section>
      }
      @if (correcting()) {
        <tm-field class="wide" for="lot-why" label="Why is it changed?" hint="The first entry stays on record.">
          <input nz-input id="lot-why" maxlength="500" formControlName="why" />
        </tm-field>
      }
      @if (message()) {
        <tm-notice kind="bad">{{ message() }}</tm-notice>
      }
      <button nz-button nzType="primary" class="bench-button" type="submit">
        {{ correcting() ? 'Keep quantity and plan' : 'Open lot ' + form.value.name }}
      </button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
      justify-items: start;
    }
    .fields {
      display: grid;
      gap: 12px 18px;
      grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
      width: min(780px, 100%);
    }
    .fields input {
      min-height: 44px;
    }
    .ticks {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 20px;
    }
    .ticks p {
      flex-basis: 100%;
      font-weight: 600;
    }
    .risk {
      border-left: 4px solid var(--copper);
      display: grid;
      gap: 4px;
      max-width: 860px;
      padding-left: 14px;
    }
    .ask input {
      display: inline-block;
      margin: 0 4px;
      min-height: 36px;
      text-align: right;
      width: 62px;
    }
    .wide {
      width: min(620px, 100%);
    }
  `,
})
export class LotOpen {
  /** Number of the lot whose quantity or plan is corrected; null opens the next one. */
  readonly correcting = input<number | null>(null);
  readonly done = output();
  protected readonly hand = inject(Hand);
  protected readonly nameOf = changeName;
  protected readonly changes = CHANGES.filter((change) => change !== 'repair');
  protected readonly message = signal('');
  protected readonly form = new FormGroup({
    name: typedText(),
    pieces: typedText(),
    every: typedText('50'),
    hours: typedText(),
    after: new FormGroup(
      Object.fromEntries(
        this.changes.map((change) => [change, new FormControl(change !== 'tool', { nonNullable: true })]),
      ) as Record<LotChange, FormControl<boolean>>,
    ),
    bothSides: new FormControl(false, { nonNullable: true }),
    share: typedText('2'),
    times: typedText('10'),
    why: typedText(),
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly pieces = computed(() => whole(this.typed().pieces));
  protected readonly everyPieces = computed(() => whole(this.typed().every));
  protected readonly spent = computed(() => plannedPulls(this.pieces() ?? 0, { everyPieces: this.everyPieces() }));
  protected readonly risk = computed(() => {
    const pieces = this.pieces();
    const share = plainNumber(this.typed().share ?? '');
    const times = plainNumber(this.typed().times ?? '');
    if (!pieces || share === null || times === null || share <= 0 || share >= 100 || times <= 0 || times >= 100)
      return null;
    return planRisk(pieces, this.spent(), share / 100, times / 100);
  });

  constructor() {
    const fill = effect(() => {
      const view = this.hand.view();
      if (!view) return;
      fill.destroy();
      const lot = this.correcting();
      const head = lot === null ? null : readLot(this.hand.entries(), lot);
      const day = new Date().toISOString().slice(2, 10).replaceAll('-', '');
      if (!head) {
        this.form.patchValue({ name: `L-${day}-${this.next()}`, pieces: String(view.combination.pieces) });
        return;
      }
      const { everyPieces, everyHours, afterChange, bothSides } = head.plan;
      this.form.patchValue({
        name: head.name,
        pieces: String(head.pieces),
        every: everyPieces === null ? '' : String(everyPieces),
        hours: everyHours === null ? '' : String(everyHours),
        after: Object.fromEntries(this.changes.map((change) => [change, afterChange.includes(change)])),
        bothSides,
      });
    });
  }

  private next(): number {
    return (lotNumbers(this.hand.entries()).at(-1) ?? 0) + 1;
  }

  protected keep(): void {
    const { name, every, hours, after, bothSides, why } = this.form.getRawValue();
    const { controls } = this.form;
    const pieces = this.pieces();
    const everyHours = hours.trim() === '' ? null : plainNumber(hours);
    const everyPieces = every.trim() === '' ? null : this.everyPieces();
    if (!pieces) return refuse(controls.pieces, 'Say how many pieces: a whole number.');
    if (every.trim() !== '' && everyPieces === null)
      return refuse(controls.every, 'Check every how many pieces? A whole number, or nothing.');
    if (hours.trim() !== '' && everyHours === null)
      return refuse(controls.hours, 'Check every how many hours? A number, or nothing.');
    const correcting = this.correcting();
    const opened = correcting === null ? null : this.hand.ofLot(correcting, 'lot').at(-1);
    const stands = opened?.body.stands ?? this.hand.stands();
    if (!stands) return this.message.set('The set-up has no tool and limit to stand on yet.');
    const afterChange = this.changes.filter((change) => after[change]);
    const refusal = this.hand.put(
      {
        kind: 'lot',
        lot: correcting ?? this.next(),
        name: name.trim(),
        pieces,
        plan: { everyPieces, everyHours, afterChange, bothSides },
        stands,
        note: '',
      },
      opened ? { corrects: opened.id, why } : null,
    );
    this.message.set(refusal?.text ?? '');
    if (!refusal) this.done.emit();
  }
}

function whole(typed: string | undefined): number | null {
  const value = plainNumber(typed ?? '');
  return value !== null && Number.isInteger(value) && value > 0 ? value : null;
}
