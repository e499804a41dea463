import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import {
  caliperedWire,
  PACKINGS,
  printedWire,
  readJacket,
  readLength,
  sizeLabel,
  whatWire,
  type Packing,
  type Wire,
  type WireGuess,
  type WireSeen,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { CabinetStore } from './cabinet.store';

/** Fields of a wire's form, as they may be filled from what was counted. */
export type WireCells = Readonly<Record<string, string>>;

const millimetres = (text: string) => {
  const read = readLength(text, 'mm');
  return read.outcome === 'length' ? read.millimetres : null;
};

type Way = 'counted' | 'caliper' | 'jacket';
const WAYS: readonly { readonly value: Way; readonly label: string }[] = [
  { value: 'counted', label: 'strands counted' },
  { value: 'caliper', label: 'caliper' },
  { value: 'jacket', label: 'jacket' },
];

/** What a wire without a label may be, by its strands, a caliper over them, or the words on its jacket: never one answer where two are within reach. */
@Component({
  selector: 'tm-what-wire',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, ChoiceButtons, Field, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>What wire is this?</h3>
    <p class="soft">
      For a wire without a label: count its strands and measure one, put a caliper over all of them, or type what its
      jacket says.
    </p>
    <tm-choice-buttons label="Told by" [options]="ways" [value]="way()" (valueChange)="turnTo($event)" />
    <div class="fields" [formGroup]="form">
      @switch (way()) {
        @case ('counted') {
          <tm-field for="w-strands" label="Strands counted">
            <input nz-input id="w-strands" inputmode="numeric" autocomplete="off" formControlName="strands" />
          </tm-field>
          <tm-field for="w-diameter" label="One strand, mm">
            <input nz-input id="w-diameter" inputmode="decimal" autocomplete="off" formControlName="diameter" />
          </tm-field>
          <tm-field for="w-uncertainty" label="Read to, ± mm">
            <input nz-input id="w-uncertainty" inputmode="decimal" autocomplete="off" formControlName="uncertainty" />
          </tm-field>
          <tm-field for="w-insulation" label="Over the insulation, mm">
            <input nz-input id="w-insulation" inputmode="decimal" autocomplete="off" formControlName="insulation" />
          </tm-field>
        }
        @case ('caliper') {
          <tm-field for="w-over" label="Over the bare strands, mm">
            <input nz-input id="w-over" inputmode="decimal" autocomplete="off" formControlName="over" />
          </tm-field>
          <tm-field for="w-within" label="Read to, ± mm">
            <input nz-input id="w-within" inputmode="decimal" autocomplete="off" formControlName="within" />
          </tm-field>
          <tm-field for="w-packing" label="How the strands lie">
            <tm-select selectId="w-packing" [options]="packings" formControlName="packing" />
          </tm-field>
        }
        @case ('jacket') {
          <tm-field
            for="w-jacket"
            label="Words on the jacket"
            hint="as they are printed: 0.75 mm², AWG 18 16/30, 3G1.5"
          >
            <input nz-input id="w-jacket" maxlength="120" autocomplete="off" formControlName="jacket" />
          </tm-field>
        }
      }
    </div>
    @if (jacket(); as read) {
      <p role="status">{{ read.text }}</p>
    }
    @if (guess(); as g) {
      <p class="figures">
        {{ g.area.toFixed(3) }} mm² of metal, between {{ g.least.toFixed(3) }} and {{ g.most.toFixed(3) }}.
      </p>
      @for (line of sizes(); track line) {
        <p>{{ line }}</p>
      } @empty {
        <p>No size in use has this metal: measure once more.</p>
      }
      @for (found of g.wires; track found.wire.part) {
        <p>
          <strong>{{ found.wire.part }}</strong> {{ found.wire.label }}: {{ found.text }}
          @if (isInHand()) {
            <button nz-button type="button" (click)="picked.emit(found.wire)">It is {{ found.wire.part }}</button>
          }
        </p>
      }
      @if (!isInHand() && way() === 'counted') {
        <p>
          <button nz-button type="button" (click)="take()">Take count and diameters into the form</button>
        </p>
      }
      <p class="soft">A reel’s label or a released drawing decides; this only narrows it down.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .fields {
      display: grid;
      gap: 10px 14px;
      grid-template-columns: repeat(2, minmax(0, 1fr));
    }
    h3 {
      font-size: 16px;
    }
  `,
})
export class WhatWire {
  private readonly cabinet = inject(CabinetStore);
  readonly taken = output<WireCells>();
  /** Beside the finder: a wire of the shop is taken in the hand, and no form is filled. */
  readonly isInHand = input(false);
  readonly picked = output<Wire>();
  protected readonly ways = WAYS;
  protected readonly packings = PACKINGS.map((value) => ({ value, label: value }));
  protected readonly way = signal<Way>('counted');
  protected readonly form = new FormGroup({
    strands: typedText(),
    diameter: typedText(),
    uncertainty: typedText('0.01'),
    insulation: typedText(),
    over: typedText(),
    within: typedText('0.05'),
    packing: new FormControl<Packing>('bunched', { nonNullable: true }),
    jacket: typedText(),
  });
  private readonly typed = toSignal(this.form.valueChanges);
  private readonly seen = computed<WireSeen | null>(() => {
    this.typed();
    const { strands, diameter, uncertainty, insulation } = this.form.getRawValue();
    const count = plainNumber(strands);
    const strandDiameter = millimetres(diameter);
    const off = plainNumber(uncertainty);
    if (count === null || !Number.isInteger(count) || count < 1 || strandDiameter === null) return null;
    return {
      ...{ strands: count, strandDiameter, insulationDiameter: millimetres(insulation) },
      uncertainty: off === null || off < 0 ? 0.01 : off,
    };
  });
  protected readonly jacket = computed(() => {
    this.typed();
    const { jacket } = this.form.getRawValue();
    return this.way() === 'jacket' && jacket.trim() ? readJacket(jacket) : null;
  });
  protected readonly guess = computed<WireGuess | null>(() => {
    this.typed();
    const wires = this.cabinet.of('wire');
    if (this.way() === 'counted') {
      const seen = this.seen();
      return seen && whatWire(seen, wires);
    }
    if (this.way() === 'caliper') {
      const { over, within, packing } = this.form.getRawValue();
      const diameter = millimetres(over);
      const off = plainNumber(within);
      const uncertainty = off === null || off < 0 ? 0.05 : off;
      return diameter === null || diameter <= 0 ? null : caliperedWire({ diameter, uncertainty, packing }, wires);
    }
    const read = this.jacket();
    return read && printedWire(read, wires);
  });
  protected readonly sizes = computed(() => {
    const sizes = this.guess()?.sizes ?? [];
    return (['mm2', 'awg'] as const).flatMap((scale) => {
      const own = sizes.filter(({ size }) => size.scale === scale);
      if (!own.length) return [];
      const each = own.map(({ size, offPercent }) => `${sizeLabel(size)} (${far(offPercent)})`);
      return [`It may be ${each.join(' or ')}.`];
    });
  });

  protected turnTo(way: Way | null): void {
    if (way) this.way.set(way);
  }

  protected take(): void {
    const { strands, diameter, insulation } = this.form.getRawValue();
    const [nearest] = this.guess()?.sizes ?? [];
    this.taken.emit({
      ...{ 'conductor.strands': strands.trim(), 'conductor.strandDiameter': diameter.trim() },
      ...(insulation.trim() && { insulationDiameter: insulation.trim() }),
      ...(nearest && { 'conductor.size': sizeLabel(nearest.size).replace('mm²', 'mm2') }),
    });
  }
}

const far = (percent: number) =>
  Math.abs(percent) < 0.5 ? 'its metal' : `${Math.abs(percent).toFixed(0)} % ${percent < 0 ? 'less' : 'more'} metal`;
