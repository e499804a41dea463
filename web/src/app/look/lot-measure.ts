import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  atEnd,
  endOf,
  numberFinding,
  ofEnd,
  readPointNumber,
  showPoint,
  showPoints,
  type EntryBody,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from '../parts/device-field';
import { Mark } from '../parts/mark';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { CaliperBar } from './caliper-bar';
import { StationCaliper } from './station-caliper';
import { Notice } from '../parts/notice';

/** Numbers of one piece of a lot: typed or from the caliper, judged at once; measured before the pull takes the piece. */
@Component({
  selector: 'tm-lot-measure',
  imports: [Notice, ReactiveFormsModule, DeviceField, NzButtonModule, NzInputModule, CaliperBar, Mark, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (chosen(); as c) {
      <form (submit)="keep($event)">
        <label for="lot-what">Measure</label>
        <tm-select selectId="lot-what" [options]="offered()" [value]="c.key" (valueChange)="what.set($event ?? '')" />
        <label for="lot-measured" class="out-of-sight">{{ c.number!.what }}, {{ c.number!.unit }}</label>
        <input
          nz-input
          id="lot-measured"
          tmDevice
          inputmode="decimal"
          autocomplete="off"
          [placeholder]="c.number!.unit + ' (K)'"
          [formControl]="typed"
        />
        <button nz-button class="bench-button" type="submit">Keep</button>
        <tm-caliper-bar />
      </form>
      @for (line of kept(); track line.id) {
        <span class="figures"> <tm-mark [state]="line.good ? 'pass' : 'fail'" [size]="16" /> {{ line.text }} </span>
      }
      @for (title of asked(); track title) {
        <span class="soft">{{ title }} is to be measured.</span>
      }
      @if (refusal()) {
        <tm-notice kind="bad">{{ refusal() }}</tm-notice>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }
    form {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
    }
    input {
      font: 600 16px var(--figures);
      min-height: 44px;
      width: 100px;
    }
  `,
})
export class LotMeasure {
  readonly piece = input.required<number>();
  readonly lot = input.required<number>();
  private readonly hand = inject(Hand);
  private readonly caliper = inject(StationCaliper);
  protected readonly typed = typedText();
  protected readonly refusal = signal('');
  protected readonly numbers = computed(() =>
    (this.hand.setUp()?.lotCriteria.get(this.lot()) ?? []).filter((c) => c.number && c.view !== 'section'),
  );
  protected readonly offered = computed(() =>
    this.numbers().map(({ key, end, number }) => ({
      value: key,
      label: `${number?.what ?? key}${this.hand.setUp()?.other ? `, end ${end}` : ''}`,
    })),
  );
  protected readonly what = linkedSignal(
    () => (this.numbers().find((c) => c.code === 'height') ?? this.numbers()[0])?.key,
  );
  protected readonly chosen = computed(() => this.numbers().find((c) => c.key === this.what()));
  private readonly measures = computed(() =>
    this.hand.ofLot(this.lot(), 'measure').filter((e) => e.body.piece === this.piece()),
  );
  protected readonly kept = computed(() =>
    this.measures().flatMap(({ id, body }) => {
      const criterion = this.numbers().find((c) => c.key === keyOf(body));
      if (!criterion?.number) return [];
      const { range, unit, outside } = criterion.number;
      const good = numberFinding(body.value, criterion.number) === 'accept';
      const text = `${criterion.title} ${showPoint(body.value, unit)}${
        good ? '' : `: ${outside}, ${showPoints(range, unit)} is good`
      }`;
      return [{ id, good, text }];
    }),
  );
  /** Points a number is asked of on each piece, and has not come yet. */
  protected readonly asked = computed(() =>
    this.numbers()
      .filter((c) => c.number?.measured === 'each' && !this.measures().some((e) => keyOf(e.body) === c.key))
      .map((c) => c.title),
  );

  constructor() {
    void this.caliper.open();
    this.caliper.lengths.pipe(takeUntilDestroyed()).subscribe(({ millimetres, caliper }) => {
      if (this.chosen()?.number?.unit === 'mm') this.put(millimetres, 'mm', String(millimetres), caliper);
      else this.refusal.set(`The caliper sent ${millimetres} mm, but this is not measured in mm.`);
    });
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const unit = this.chosen()?.number?.unit;
    const text = this.typed.value.trim();
    if (!unit || !text) return;
    const read = readPointNumber(text, unit);
    if (read.outcome === 'refused') this.refusal.set(read.text);
    else this.put(read.value, read.unit, text, null);
  }

  private put(
    value: number,
    unit: Extract<EntryBody, { kind: 'measure' }>['unit'],
    typed: string,
    from: string | null,
  ): void {
    const chosen = this.chosen();
    if (!chosen) return;
    const standing = this.measures().find((e) => keyOf(e.body) === chosen.key);
    const refusal = this.hand.put(
      {
        kind: 'measure',
        lot: this.lot(),
        piece: this.piece(),
        ...ofEnd(chosen.end),
        what: chosen.code,
        value,
        typed,
        unit,
        note: '',
        ...(from === null ? {} : { from }),
      },
      standing ? { corrects: standing.id, why: 'measured again' } : null,
    );
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.typed.setValue('');
    const field = document.getElementById('lot-measured');
    if (field instanceof HTMLInputElement) {
      field.value = '';
      field.blur();
    }
  }
}

const keyOf = (body: Extract<EntryBody, { kind: 'measure' }>) => atEnd(body.what, endOf(body));
