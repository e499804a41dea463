import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { FormArray } from '@angular/forms';
import { capital, type PartTable } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { FormFault } from '../parts/form-faults';
import { PartFields } from './part-fields';
import { newRow, type Cells } from './part-form';

/** A list inside a part, a card for each of its rows: a nest, a notch, a crimp height. */
@Component({
  selector: 'tm-part-rows',
  imports: [NzButtonModule, PartFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of rows().controls; track row; let r = $index) {
      <section [attr.aria-label]="name(r)">
        <p class="head">
          <strong>{{ name(r) }}</strong>
          <button nz-button class="quiet" type="button" (click)="copy(r)">one more like it</button>
          <button nz-button class="quiet" type="button" [attr.aria-label]="'Take out ' + name(r)" (click)="drop(r)">
            take out
          </button>
        </p>
        <tm-part-fields
          [columns]="table().columns"
          [cells]="row"
          [faults]="faults()"
          [table]="table().path"
          [row]="r"
          [label]="name(r) + ', '"
        />
      </section>
    }
    <button nz-button type="button" [id]="'f-' + table().path" (click)="add()">
      {{ rows().length ? 'One more' : 'Add a' }} {{ table().title }}
    </button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      justify-items: start;
    }
    section {
      border: 1px solid var(--line);
      padding: 8px 14px 12px;
      width: 100%;
    }
    .head {
      align-items: center;
      display: flex;
      gap: 10px;
    }
    .head strong {
      flex: 1;
    }
  `,
})
export class PartRows {
  readonly table = input.required<PartTable>();
  readonly rows = input.required<FormArray<Cells>>();
  readonly faults = input.required<readonly FormFault[]>();

  protected name(row: number): string {
    return `${capital(this.table().title)} ${row + 1}`;
  }

  protected add(): void {
    this.rows().push(newRow(this.table()));
    this.tell();
  }
  protected copy(row: number): void {
    const made = newRow(this.table());
    made.setValue(this.rows().at(row).getRawValue());
    this.rows().insert(row + 1, made);
    this.tell();
  }
  protected drop(row: number): void {
    this.rows().removeAt(row);
    this.tell();
  }
  private tell(): void {
    this.rows().markAsDirty();
    this.rows().updateValueAndValidity();
  }
}
