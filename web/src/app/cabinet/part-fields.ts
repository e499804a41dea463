import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { capital, drawNest, NEST_PROFILES, type Column } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DayField } from '../parts/day-field';
import type { FormFault } from '../parts/form-faults';
import { DrawnChoice } from '../parts/drawn-choice';
import { Select } from '../parts/select';
import { PartsPicker } from './parts-picker';
import { fieldId, optionsOf, unitOf, type Cells } from './part-form';

/** Shapes a nest presses, each as its dies look. */
const PROFILES = NEST_PROFILES.map((value) => ({ value, label: value.replace(/-/g, ' '), drawing: drawNest(value) }));

/** Fields of a part or of one of its rows, each with its unit behind it and what is wrong under it. */
@Component({
  selector: 'tm-part-fields',
  imports: [ReactiveFormsModule, NzInputModule, DayField, DrawnChoice, PartsPicker, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (field of fields(); track field.column.path) {
      @let column = field.column;
      @if (cells().controls[column.path]; as control) {
        <div
          class="field"
          [class.at-fault]="field.fault"
          [class.wide]="column.type === 'list' || column.path === 'profile'"
        >
          <label [attr.for]="field.id">
            {{ capital(column.title) }}
            @if (!column.optional) {
              <span class="needed" aria-hidden="true">*</span>
            }
          </label>
          <div class="line">
            @if (column.path === 'profile') {
              <tm-drawn-choice
                [fieldId]="field.id"
                [label]="label() + capital(column.title)"
                [options]="profiles"
                [formControl]="control"
              />
            } @else if (column.path === 'terminals') {
              <tm-parts-picker [fieldId]="field.id" [label]="label() + capital(column.title)" [formControl]="control" />
            } @else if (field.options; as list) {
              <tm-select
                [selectId]="field.id"
                [label]="label() + capital(column.title)"
                [options]="list"
                [formControl]="control"
              />
            } @else if (column.type === 'date') {
              <tm-day-field [fieldId]="field.id" [formControl]="control" />
            } @else {
              <input
                nz-input
                autocomplete="off"
                [id]="field.id"
                [readonly]="column.path === fixed()"
                [attr.inputmode]="typed(column) ? 'decimal' : null"
                [attr.aria-label]="label() ? label() + capital(column.title) : null"
                [attr.aria-required]="!column.optional"
                [attr.aria-invalid]="field.fault ? true : null"
                [attr.aria-describedby]="field.fault ? field.id + '-fault' : column.help ? field.id + '-help' : null"
                [formControl]="control"
              />
            }
            @if (field.unit) {
              <span class="unit">{{ field.unit }}</span>
            }
          </div>
          @if (field.fault) {
            <span class="wrong" [id]="field.id + '-fault'">{{ field.fault }}</span>
          } @else if (column.help) {
            <span class="soft" [id]="field.id + '-help'">{{ column.help }}</span>
          }
        </div>
      }
    }
  `,
  styles: `
    :host {
      align-items: start;
      display: grid;
      gap: 10px 18px;
      grid-template-columns: repeat(auto-fill, minmax(min(200px, 100%), 1fr));
    }
    .field {
      align-content: start;
      display: grid;
      gap: 3px;
      min-width: 0;
    }
    .wide {
      grid-column: 1 / -1;
    }
    .line {
      align-items: center;
      display: flex;
      gap: 6px;
    }
    .line > :first-child {
      flex: 1;
      min-width: 0;
    }
    .unit,
    .soft {
      color: var(--ink-soft);
      font-size: 14px;
    }
    .needed {
      color: var(--copper);
      font-weight: 700;
    }
    .at-fault input {
      border: 2px solid var(--fail);
    }
    .wrong {
      font-size: 14px;
    }
  `,
})
export class PartFields {
  readonly columns = input.required<readonly Column[]>();
  readonly cells = input.required<Cells>();
  readonly faults = input.required<readonly FormFault[]>();
  /** The list and the row these fields are of; null for the part's own. */
  readonly table = input<string | null>(null);
  readonly row = input<number | null>(null);
  /** What stands before each title for whoever hears the screen, where several rows have the same. */
  readonly label = input('');
  /** A field that cannot be changed any more. */
  readonly fixed = input<string | null>(null);
  protected readonly capital = capital;
  protected readonly profiles = PROFILES;
  protected readonly fields = computed(() => {
    const faults = new Map(this.faults().map(({ field, text }) => [field, text]));
    return this.columns().map((column) => {
      const id = fieldId(column.path, this.table(), this.row());
      return { column, id, options: optionsOf(column), unit: unitOf(column), fault: faults.get(id) ?? '' };
    });
  });

  protected typed({ type }: Column): boolean {
    return type === 'length' || type === 'number' || type === 'integer' || type === 'share';
  }
}
