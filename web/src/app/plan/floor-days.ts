import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select, type SelectOption } from '../parts/select';
import { emptyAway, emptyClosed, emptyExtra, type FloorForm } from './floor-form';

/** Days that are not as every week has them: absences, single days, closed ones. */
@Component({
  selector: 'tm-floor-days',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (away of floor().controls.away.controls; track away; let i = $index) {
      <div class="row" [formGroup]="away">
        <div class="field">
          <label [for]="'away-person-' + i">Person</label
          ><tm-select [selectId]="'away-person-' + i" [options]="people()" formControlName="person" />
        </div>
        <div class="field">
          <label [for]="'away-from-' + i">From</label
          ><input nz-input [id]="'away-from-' + i" placeholder="2027-01-31 06:00" formControlName="from" />
        </div>
        <div class="field">
          <label [for]="'away-to-' + i">To</label
          ><input nz-input [id]="'away-to-' + i" placeholder="2027-01-31 14:30" formControlName="to" />
        </div>
        <div class="field">
          <label [for]="'away-why-' + i">Why</label><input nz-input [id]="'away-why-' + i" formControlName="why" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away absence ' + (i + 1)"
          (click)="floor().controls.away.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="addAway()">Somebody is away</button>
    @for (extra of floor().controls.extra.controls; track extra; let i = $index) {
      <div class="row" [formGroup]="extra">
        <div class="field">
          <label [for]="'extra-person-' + i">In beside the week</label
          ><tm-select [selectId]="'extra-person-' + i" [options]="people()" formControlName="person" />
        </div>
        <div class="field">
          <label [for]="'extra-day-' + i">On</label
          ><input nz-input [id]="'extra-day-' + i" placeholder="2027-01-31" formControlName="day" />
        </div>
        <div class="field short">
          <label [for]="'extra-from-' + i">From</label
          ><input nz-input [id]="'extra-from-' + i" formControlName="from" />
        </div>
        <div class="field short">
          <label [for]="'extra-to-' + i">To</label><input nz-input [id]="'extra-to-' + i" formControlName="to" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away single day ' + (i + 1)"
          (click)="floor().controls.extra.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="addExtra()">An extra shift</button>
    @for (closed of floor().controls.closed.controls; track closed; let i = $index) {
      <div class="row" [formGroup]="closed">
        <div class="field">
          <label [for]="'closed-day-' + i">Closed on</label
          ><input nz-input [id]="'closed-day-' + i" placeholder="2027-01-31" formControlName="day" />
        </div>
        <div class="field">
          <label [for]="'closed-why-' + i">Why</label><input nz-input [id]="'closed-why-' + i" formControlName="why" />
        </div>
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away closed day ' + (i + 1)"
          (click)="floor().controls.closed.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="addClosed()">A day is closed</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorDays {
  readonly floor = input.required<FloorForm>();
  readonly people = input.required<readonly SelectOption[]>();
  readonly today = input.required<string>();

  protected addAway(): void {
    this.floor().controls.away.push(emptyAway(this.today()));
  }

  protected addExtra(): void {
    this.floor().controls.extra.push(emptyExtra(this.today()));
  }

  protected addClosed(): void {
    this.floor().controls.closed.push(emptyClosed(this.today()));
  }
}
