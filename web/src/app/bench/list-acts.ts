import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { BenchListed } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { SheetPile } from './sheet-pile';

/** What can be done with one wire list: say when it is due, print its sheets, take it off the bench. */
@Component({
  selector: 'tm-list-acts',
  imports: [ReactiveFormsModule, RouterLink, NzButtonModule, DayField, Field, SheetPile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (list().id; as id) {
      @if (mayChange()) {
        <tm-field for="list-due" label="Due">
          <tm-day-field fieldId="list-due" [formControl]="due" />
        </tm-field>
        <button nz-button type="button" (click)="keep.emit({ id, due: list().due, archived: !list().archived })">
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
  readonly keep = output<{ readonly id: string; readonly due: string | null; readonly archived: boolean }>();
  protected readonly due = new FormControl<string | null>(null);

  constructor() {
    effect(() => {
      this.due.setValue(this.list().due, { emitEvent: false });
    });
    this.due.valueChanges.subscribe((due) => {
      const { id, archived } = this.list();
      if (id) this.keep.emit({ id, due, archived });
    });
  }
}
