import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select, type SelectOption } from '../parts/select';
import { DayTicks } from './day-ticks';
import { emptyHours, type FloorForm } from './floor-form';

/** Who is in on which days of every week. */
@Component({
  selector: 'tm-floor-hours',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayTicks, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (hours of floor().controls.hours.controls; track hours; let i = $index) {
      <div class="row" [formGroup]="hours">
        <div class="field">
          <label [for]="'hours-person-' + i">Person</label
          ><tm-select [selectId]="'hours-person-' + i" [options]="people()" formControlName="person" />
        </div>
        <tm-day-ticks [label]="'Days of shift ' + (i + 1)" formControlName="days" />
        <div class="field short">
          <label [for]="'hours-from-' + i">From</label
          ><input nz-input [id]="'hours-from-' + i" formControlName="from" />
        </div>
        <div class="field short">
          <label [for]="'hours-to-' + i">To</label><input nz-input [id]="'hours-to-' + i" formControlName="to" />
        </div>
        <div class="field">
          <label [for]="'hours-breaks-' + i">Breaks</label
          ><input nz-input [id]="'hours-breaks-' + i" placeholder="09:00-09:15" formControlName="breaks" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away shift ' + (i + 1)"
          (click)="floor().controls.hours.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="add()">Another shift</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorHours {
  readonly floor = input.required<FloorForm>();
  readonly people = input.required<readonly SelectOption[]>();

  protected add(): void {
    this.floor().controls.hours.push(emptyHours());
  }
}
