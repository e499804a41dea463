import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { newStockMoveSchema } from '@tug-mark/contract';
import { showAmount, type StockDeed, type StockKind } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { ChoiceButtons } from '../parts/choice-buttons';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { Select, type SelectOption } from '../parts/select';
import { refuse, typedText } from '../parts/zod-form';
import { DEED_WORDS } from './stock-words';
import { SuppliesStore } from './supplies.store';

const DEEDS = (['counted', 'received', 'drawn', 'expected'] as const).map((value) => ({
  value,
  label: DEED_WORDS[value],
}));
const KINDS: readonly { readonly value: StockKind; readonly label: string }[] = [
  { value: 'terminal', label: 'terminal' },
  { value: 'wire', label: 'wire' },
  { value: 'covering', label: 'seal, sleeve, tube' },
];
/** When a delivery is taken to arrive on its day. */
const ARRIVES = '08:00';

/** Puts on record what was counted, received or drawn, or is on its way. */
@Component({
  selector: 'tm-stock-form',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, ChoiceButtons, DayField, Field, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()" aria-label="Stock">
      <tm-choice-buttons
        label="What was done"
        [options]="deeds"
        [value]="what()"
        (valueChange)="what.set($event ?? 'counted')"
      />
      <div class="fields">
        <div class="field">
          <label for="kind">Kind</label>
          <tm-select selectId="kind" [options]="kinds" formControlName="kind" />
        </div>
        <tm-field for="part" label="Part" [control]="form.controls.part">
          <tm-select selectId="part" [options]="parts()" formControlName="part" />
        </tm-field>
        <tm-field for="amount" [label]="unit()" [control]="form.controls.amount">
          <input nz-input id="amount" inputmode="decimal" formControlName="amount" />
        </tm-field>
        <tm-field
          for="reel"
          label="Reel, bag or drawer"
          hint="Empty where there is but one."
          [control]="form.controls.reel"
        >
          <input nz-input id="reel" formControlName="reel" />
        </tm-field>
        @if (what() === 'expected') {
          <tm-field for="arrives" label="Arrives on" [control]="form.controls.arrives">
            <tm-day-field fieldId="arrives" formControlName="arrives" />
          </tm-field>
        }
        @if (what() === 'received' && coming().length > 1) {
          <div class="field">
            <label for="settles">It is</label>
            <tm-select selectId="settles" [options]="coming()" formControlName="settles" />
          </div>
        }
      </div>
      <button nz-button nzType="primary" class="bench-button" type="submit">Put on record</button>
    </form>
  `,
  styleUrls: ['../parts/form.less', './floor-rows.less'],
  styles: `
    .fields {
      align-items: start;
    }
    form {
      margin-bottom: 16px;
    }
  `,
})
export class StockForm {
  private readonly store = inject(SuppliesStore);
  protected readonly deeds = DEEDS;
  protected readonly kinds = KINDS;
  protected readonly what = signal<StockDeed>('counted');
  private readonly cabinet = signal<Readonly<Record<StockKind, readonly SelectOption[]>> | null>(null);
  protected readonly form = new FormGroup({
    kind: new FormControl<StockKind>('terminal', { nonNullable: true }),
    part: typedText(),
    amount: typedText(),
    reel: typedText(),
    arrives: new FormControl<string | null>(null),
    settles: typedText(),
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly parts = computed(() => this.cabinet()?.[this.typed().kind ?? 'terminal'] ?? []);
  protected readonly unit = computed(() => (this.typed().kind === 'wire' ? 'Metres' : 'Pieces'));
  protected readonly coming = computed((): SelectOption[] => {
    const { kind, part } = this.typed();
    const found = this.store.parts().find((one) => one.kind === kind && one.part === part);
    return [
      { value: '', label: 'nothing that was expected' },
      ...(found?.expected ?? []).map(({ id, arrives, amount }) => ({
        value: id,
        label: `${showAmount(found?.kind ?? 'terminal', amount)} of ${arrives.slice(0, 10)}`,
      })),
    ];
  });

  constructor() {
    const { controls } = this.form;
    // A part is of one kind: another kind has others.
    controls.kind.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      controls.part.setValue('');
    });
    inject(Api)
      .cabinet()
      .then(({ terminals, wires, coverings }) => {
        const of = (all: readonly { readonly part: string; readonly label: string }[]) =>
          all.map(({ part, label }) => ({ value: part, label: `${part} ${label}` }));
        this.cabinet.set({ terminal: of(terminals), wire: of(wires), covering: of(coverings) });
      })
      // Without the cabinet there is nothing to choose from; the page says itself that the server does not answer.
      .catch(() => undefined);
  }

  protected async keep(): Promise<void> {
    const { kind, part, amount, reel, arrives, settles } = this.form.getRawValue();
    const { controls } = this.form;
    const what = this.what();
    const number = plainNumber(amount);
    if (part === '') return refuse(controls.part, 'Choose the part.');
    if (number === null || number < 0) return refuse(controls.amount, 'is no number of 0 or more');
    if (what === 'expected' && !arrives) return refuse(controls.arrives, 'Say when it arrives.');
    const move = newStockMoveSchema.parse({
      ...{ id: timeOrderedId(), kind, part, what, reel: reel.trim() || null },
      amount: Math.round(kind === 'wire' ? number * 1000 : number),
      arrives: what === 'expected' ? `${arrives}T${ARRIVES}` : null,
      settles: what === 'received' && settles !== '' ? settles : null,
    });
    const said = `On record: ${DEED_WORDS[what]} ${showAmount(kind, move.amount)} of ${part}.`;
    if (await this.store.move([move], said)) this.form.patchValue({ amount: '', reel: '', arrives: null, settles: '' });
  }
}
