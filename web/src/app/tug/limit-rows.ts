import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { CONDUCTOR_MATERIALS, FAMILIES, familyName, type Family } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import type { FormFault } from '../parts/form-faults';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { FURTHER, layInto, LIMIT_COLUMNS, pastedCells, rowForm, type LimitForm, type LimitKey } from './limit-form';

const named = (families: string) =>
  families
    .split(/[;|]/)
    .map((family) => family.trim())
    .filter(Boolean)
    .map((family) => (FAMILIES.includes(family as Family) ? familyName(family as Family) : family))
    .join(', ');

/** The rows of a limit table, edited in place: typed, or pasted from a spreadsheet. */
@Component({
  selector: 'tm-limit-rows',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, NzTableModule, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft">
      A cell takes what is copied in a spreadsheet, with or without its head. Rows without a force are left out.
      @if (said()) {
        <strong role="status">{{ said() }}</strong>
      }
    </p>
    <tm-tick [value]="isWide()" (valueChange)="wide.set($event)">by family or material, with holds</tm-tick>
    <nz-table nzTemplateMode nzSize="small" class="figures" [nzShowPagination]="false" aria-label="Rows">
      <thead>
        <tr>
          @for (column of shown(); track column.key) {
            <th scope="col">{{ column.title }}</th>
          }
          <th scope="col"><span class="out-of-sight">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of form().controls.rows.controls; track row; let r = $index) {
          <tr>
            @for (column of shown(); track column.key) {
              @let id = 'l-' + r + '-' + column.key;
              @let fault = faultAt(id);
              <td [class.at-fault]="fault">
                @if (column.key === 'families' || column.key === 'material') {
                  <tm-select
                    [selectId]="id"
                    [label]="column.title + ', row ' + (r + 1)"
                    [options]="column.key === 'material' ? materials : familiesOf(row.controls.families.value)"
                    [formControl]="row.controls[column.key]"
                  />
                } @else {
                  <input
                    nz-input
                    autocomplete="off"
                    [id]="id"
                    [attr.inputmode]="column.key === 'size' ? null : 'decimal'"
                    [attr.aria-label]="column.title + ', row ' + (r + 1)"
                    [attr.aria-invalid]="fault ? true : null"
                    [formControl]="row.controls[column.key]"
                    (paste)="paste($event, r, column.key)"
                    (keydown.enter)="down($event, r, column.key)"
                  />
                }
                @if (fault) {
                  <span class="wrong">{{ fault }}</span>
                }
              </td>
            }
            <td>
              <button
                nz-button
                class="quiet"
                type="button"
                [attr.aria-label]="'Take out row ' + (r + 1)"
                (click)="form().controls.rows.removeAt(r)"
              >
                take out
              </button>
            </td>
          </tr>
        }
      </tbody>
    </nz-table>
    <button nz-button type="button" id="l-add" (click)="add()">One more row</button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      grid-template-columns: minmax(0, 1fr);
      justify-items: start;
    }
    nz-table {
      max-width: 100%;
      overflow-x: auto;
    }
    td {
      vertical-align: top;
    }
    th,
    td {
      padding-inline: 4px;
    }
    input {
      min-width: 76px;
    }
    tm-select {
      min-width: 108px;
    }
    .at-fault input {
      border: 2px solid var(--fail);
    }
    .wrong {
      display: block;
      font-size: 14px;
      max-width: 260px;
    }
  `,
})
export class LimitRows {
  readonly form = input.required<LimitForm>();
  readonly faults = input.required<readonly FormFault[]>();
  protected readonly said = signal('');
  protected readonly wide = signal<boolean | null>(null);
  protected readonly materials = [
    { value: '', label: 'any' },
    ...CONDUCTOR_MATERIALS.map((value) => ({ value: value as string, label: value.replace(/-/g, ' ') })),
  ];
  /** Further columns show where something stands in them, or somebody asks for them. */
  protected readonly isWide = computed(
    () =>
      this.wide() ??
      this.form().controls.rows.controls.some((row) => FURTHER.some((key) => row.controls[key].value !== '')),
  );
  protected readonly shown = computed(() => LIMIT_COLUMNS.filter(({ key }) => this.isWide() || !FURTHER.includes(key)));
  private readonly byField = computed(() => new Map(this.faults().map(({ field, text }) => [field, text])));

  protected faultAt(field: string): string {
    return this.byField().get(field) ?? '';
  }

  protected familiesOf(chosen: string) {
    const own = FAMILIES.map((value) => ({ value: value as string, label: familyName(value) }));
    const isOther = chosen !== '' && !own.some(({ value }) => value === chosen);
    return [{ value: '', label: 'all' }, ...own, ...(isOther ? [{ value: chosen, label: named(chosen) }] : [])];
  }

  protected add(): void {
    const { rows } = this.form().controls;
    rows.push(rowForm([]));
    setTimeout(() => document.getElementById(`l-${rows.length - 1}-size`)?.focus());
  }

  protected paste(event: ClipboardEvent, row: number, key: LimitKey): void {
    const cells = pastedCells(event.clipboardData?.getData('text') ?? '');
    if (!cells) return;
    event.preventDefault();
    const { rows } = this.form().controls;
    const keys = this.shown().map((column) => column.key);
    this.said.set(layInto(rows, cells, { row, key }, keys));
    rows.markAsDirty();
    rows.updateValueAndValidity();
  }

  /** Enter goes down the column, as in a spreadsheet; on the last row the form is tried. */
  protected down(event: Event, row: number, key: LimitKey): void {
    const next = document.getElementById(`l-${row + 1}-${key}`);
    if (!next) return;
    event.preventDefault();
    next.focus();
    if (next instanceof HTMLInputElement) next.select();
  }
}
