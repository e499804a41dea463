import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { FAMILIES, familyName, MEANS } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select } from '../parts/select';
import { emptySeconds, type FloorForm } from './floor-form';

/** What a piece takes by the shop’s own knowledge, until it is learned. */
@Component({
  selector: 'tm-floor-seconds',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft">Where none stands here a number to begin with is used; what was learned below goes before both.</p>
    @for (seconds of floor().controls.pieceSeconds.controls; track seconds; let i = $index) {
      <div class="row" [formGroup]="seconds">
        <div class="field wide">
          <label [for]="'seconds-family-' + i">Family</label
          ><tm-select [selectId]="'seconds-family-' + i" [options]="families" formControlName="family" />
        </div>
        <div class="field">
          <label [for]="'seconds-means-' + i">By</label
          ><tm-select [selectId]="'seconds-means-' + i" [options]="means" formControlName="means" />
        </div>
        <div class="field short">
          <label [for]="'seconds-of-' + i">Seconds</label
          ><input nz-input [id]="'seconds-of-' + i" inputmode="decimal" formControlName="seconds" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away time ' + (i + 1)"
          (click)="floor().controls.pieceSeconds.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="add()">A time of our own</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorSeconds {
  readonly floor = input.required<FloorForm>();
  protected readonly families = FAMILIES.map((family) => ({ value: family, label: familyName(family) }));
  protected readonly means = MEANS.map((one) => ({ value: one, label: one }));

  protected add(): void {
    this.floor().controls.pieceSeconds.push(emptySeconds());
  }
}
