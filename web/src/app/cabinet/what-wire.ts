import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { readLength, sizeLabel, whatWire, type WireSeen } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';
import { CabinetStore } from './cabinet.store';

/** Fields of a wire's form, as they may be filled from what was counted. */
export type WireCells = Readonly<Record<string, string>>;

const millimetres = (text: string) => {
  const read = readLength(text, 'mm');
  return read.outcome === 'length' ? read.millimetres : null;
};

/** What a wire without a label may be, by counting its strands and measuring one: never one answer where two are within reach. */
@Component({
  selector: 'tm-what-wire',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>What wire is this?</h3>
    <p class="soft">For a wire without a label: count its strands, measure one of them.</p>
    <div class="fields" [formGroup]="form">
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
    </div>
    @if (guess(); as g) {
      <p class="figures">
        {{ g.area.toFixed(3) }} mm² of metal, between {{ g.least.toFixed(3) }} and {{ g.most.toFixed(3) }}.
      </p>
      @for (line of sizes(); track line) {
        <p>{{ line }}</p>
      } @empty {
        <p>No size in use has this metal: count the strands once more, and measure another one.</p>
      }
      @for (found of g.wires; track found.wire.part) {
        <p>
          <strong>{{ found.wire.part }}</strong> {{ found.wire.label }}: {{ found.text }}
        </p>
      }
      <p>
        <button nz-button type="button" (click)="take()">Take count and diameters into the form</button>
      </p>
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
  protected readonly form = new FormGroup({
    strands: typedText(),
    diameter: typedText(),
    uncertainty: typedText('0.01'),
    insulation: typedText(),
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
  protected readonly guess = computed(() => {
    const seen = this.seen();
    return seen && whatWire(seen, this.cabinet.of('wire'));
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
