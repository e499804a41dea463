import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { BenchListed } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { SheetPile } from './sheet-pile';

/** What is said of a list; what is left out stays. */
export interface ListChanged {
  readonly id: string;
  readonly due: string | null;
  readonly archived: boolean;
  readonly priority?: number;
  readonly cut?: boolean;
}

const PRIORITIES = [
  { value: '1', label: 'as usual' },
  ...[2, 3, 5, 9].map((weight) => ({ value: String(weight), label: `${weight} times as much` })),
];

/** What can be done with one wire list: say when it is due, print its sheets, take it off the bench. */
@Component({
  selector: 'tm-list-acts',
  imports: [ReactiveFormsModule, RouterLink, NzButtonModule, DayField, Field, Select, SheetPile, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (list().id; as id) {
      @if (mayChange()) {
        <tm-field for="list-due" label="Due">
          <tm-day-field fieldId="list-due" [formControl]="due" />
        </tm-field>
        <div class="field">
          <label for="list-priority">Being late weighs</label>
          <tm-select
            selectId="list-priority"
            [options]="priorities"
            [value]="'' + list().priority"
            (valueChange)="weigh(id, $event)"
          />
        </div>
        <tm-tick [value]="list().cut" (valueChange)="change(id, { cut: $event })">Its wires are cut</tm-tick>
        <button nz-button type="button" (click)="change(id, { archived: !list().archived })">
          {{ list().archived ? 'Put it back on the bench' : 'Archive this list' }}
        </button>
      }
    }
    @if (list().id; as id) {
      <a nz-button [routerLink]="['/looms', id]">Both ends of its wires</a>
      <a nz-button [routerLink]="['/looms', id, 'connectors']">Its connectors, cavity by cavity</a>
    }
    <tm-sheet-pile [list]="list().name" [of]="list().combinations" />
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      justify-items: start;
    }
    tm-field {
      width: 100%;
    }
  `,
})
export class ListActs {
  readonly list = input.required<BenchListed>();
  readonly mayChange = input.required<boolean>();
  readonly keep = output<ListChanged>();
  protected readonly priorities = PRIORITIES;
  protected readonly due = new FormControl<string | null>(null);

  constructor() {
    effect(() => {
      this.due.setValue(this.list().due, { emitEvent: false });
    });
    this.due.valueChanges.subscribe((due) => {
      const { id } = this.list();
      if (id) this.change(id, { due });
    });
  }

  protected weigh(id: string, priority: string | null): void {
    const weight = Number(priority);
    if (weight && weight !== this.list().priority) this.change(id, { priority: weight });
  }

  /** What is not said stays. */
  protected change(id: string, changes: Partial<ListChanged>): void {
    const { due, archived } = this.list();
    this.keep.emit({ id, due, archived, ...changes });
  }
}
