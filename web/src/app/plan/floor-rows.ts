import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule, type FormArray, type FormGroup } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select, type SelectOption } from '../parts/select';
import { DayTicks } from './day-ticks';

/** One field of every row: a line of text or a number as typed, one of some options, or days of the week. */
export interface FloorColumn {
  /** Its control in the form of a row. */
  readonly name: string;
  readonly label: string;
  readonly kind?: 'number' | 'options' | 'days';
  readonly options?: readonly SelectOption[];
  readonly width?: 'wide' | 'short';
  readonly hint?: string;
}

/** Rows of the floor, each with its fields: one more can be added, any of them taken away. */
@Component({
  selector: 'tm-floor-rows',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayTicks, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of rows().controls; track row; let i = $index) {
      <div class="row" [formGroup]="row">
        @for (column of columns(); track column.name) {
          @if (column.kind === 'days') {
            <tm-day-ticks [label]="column.label + ' of ' + called() + ' ' + (i + 1)" [formControlName]="column.name" />
          } @else {
            <div class="field" [class.wide]="column.width === 'wide'" [class.short]="column.width === 'short'">
              <label [for]="idOf(column, i)">{{ column.label }}</label>
              @if (column.kind === 'options') {
                <tm-select
                  [selectId]="idOf(column, i)"
                  [options]="column.options ?? []"
                  [formControlName]="column.name"
                />
              } @else {
                <input
                  nz-input
                  [id]="idOf(column, i)"
                  [attr.inputmode]="column.kind === 'number' ? 'decimal' : null"
                  [placeholder]="column.hint ?? ''"
                  [formControlName]="column.name"
                />
              }
            </div>
          }
        }
        <button
          nz-button
          class="quiet"
          type="button"
          [attr.aria-label]="'Take away ' + called() + ' ' + (i + 1)"
          (click)="rows().removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="add.emit()">{{ another() }}</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorRows {
  readonly rows = input.required<FormArray<FormGroup>>();
  readonly columns = input.required<readonly FloorColumn[]>();
  /** What ids of its fields begin with. */
  readonly name = input.required<string>();
  /** What one row is called, and the button that adds one. */
  readonly called = input.required<string>();
  readonly another = input.required<string>();
  readonly add = output();

  protected idOf({ name }: FloorColumn, row: number): string {
    return `${this.name()}-${name}-${row}`;
  }
}
