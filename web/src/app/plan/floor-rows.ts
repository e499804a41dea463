import { ChangeDetectionStrategy, Component, input } from '@angular/core';
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

/** Rows of one kind. */
export interface FloorGroup {
  /** What ids of their fields begin with. */
  readonly name: string;
  /** What one row is called, and the button that adds one. */
  readonly called: string;
  readonly another: string;
  readonly rows: FormArray<FormGroup>;
  readonly columns: readonly FloorColumn[];
  readonly add: () => void;
}

/** Rows of the floor, each with its fields: one more can be added, any of them taken away. */
@Component({
  selector: 'tm-floor-rows',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayTicks, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of group().rows.controls; track row; let i = $index) {
      <div class="row" [formGroup]="row">
        @for (column of group().columns; track column.name) {
          @if (column.kind === 'days') {
            <tm-day-ticks
              [label]="column.label + ' of ' + group().called + ' ' + (i + 1)"
              [formControlName]="column.name"
            />
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
          [attr.aria-label]="'Take away ' + group().called + ' ' + (i + 1)"
          (click)="group().rows.removeAt(i)"
        >
          Take away
        </button>
      </div>
    }
    <button nz-button type="button" (click)="group().add()">{{ group().another }}</button>
  `,
  styleUrl: './floor-rows.less',
})
export class FloorRows {
  readonly group = input.required<FloorGroup>();

  protected idOf({ name }: FloorColumn, row: number): string {
    return `${this.group().name}-${name}-${row}`;
  }
}
