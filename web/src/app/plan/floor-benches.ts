import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select, type SelectOption } from '../parts/select';
import { emptyBench, type FloorForm } from './floor-form';

/** Benches with what stands at each. */
@Component({
  selector: 'tm-floor-benches',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (bench of floor().controls.benches.controls; track bench; let i = $index) {
      <div class="row" [formGroup]="bench">
        <div class="field">
          <label [for]="'bench-id-' + i">Short name</label
          ><input nz-input [id]="'bench-id-' + i" formControlName="id" />
        </div>
        <div class="field">
          <label [for]="'bench-label-' + i">Name</label
          ><input nz-input [id]="'bench-label-' + i" formControlName="label" />
        </div>
        <div class="field wide">
          <label [for]="'bench-places-' + i">Places of tools that are this bench</label
          ><input nz-input [id]="'bench-places-' + i" formControlName="places" />
        </div>
        <div class="field">
          <label [for]="'bench-stripper-' + i">Stripper</label
          ><tm-select [selectId]="'bench-stripper-' + i" [options]="strippers()" formControlName="stripper" />
        </div>
        <div class="field">
          <label [for]="'bench-warm-' + i">Heater hot after, min</label
          ><input
            nz-input
            [id]="'bench-warm-' + i"
            inputmode="decimal"
            placeholder="no heat"
            formControlName="warmUp"
          />
        </div>
        <div class="field">
          <label [for]="'bench-cold-' + i">and cold after, min</label
          ><input nz-input [id]="'bench-cold-' + i" inputmode="decimal" formControlName="coldAfter" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away bench ' + (i + 1)"
          (click)="floor().controls.benches.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="add()">Another bench</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorBenches {
  readonly floor = input.required<FloorForm>();
  readonly strippers = input.required<readonly SelectOption[]>();

  protected add(): void {
    this.floor().controls.benches.push(emptyBench());
  }
}
