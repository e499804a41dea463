import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { capital, CATALOGUES, FIELD_GROUPS, type CatalogueKind, type StampReading } from '@tug-mark/core';
import type { FormFault } from '../parts/form-faults';
import { goToField } from './go-to-field';
import { NotchStrip } from './notch-strip';
import { PartFields } from './part-fields';
import { concerns, fieldId, type PartForm } from './part-form';
import { PartRows } from './part-rows';
import { StampFill } from './stamp-fill';

/** The fields of a part in the groups they are filled in by, those of its family alone; rare ones folded away. */
@Component({
  selector: 'tm-part-groups',
  imports: [NotchStrip, PartFields, PartRows, StampFill],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (group of groups(); track group.title) {
      <details [open]="!group.isRare || group.isOpen">
        <summary>{{ group.title }}</summary>
        @if (group.columns.length) {
          <tm-part-fields
            [columns]="group.columns"
            [cells]="form().controls.cells"
            [faults]="faults()"
            [fixed]="isKept() ? 'part' : null"
          />
        }
        @if (group.hasStamp) {
          <tm-stamp-fill [stamp]="stamp()" (taken)="fillFrom($event)" />
        }
        @for (table of group.tables; track table.path) {
          <h3>{{ many(table.title) }}</h3>
          @if (table.path === 'notches') {
            <tm-notch-strip [notches]="notches()" (touched)="goToNotch($event)" />
          }
          <tm-part-rows [table]="table" [rows]="form().controls.tables.controls[table.path]!" [faults]="faults()" />
        }
      </details>
    }
  `,
  styleUrl: './part-groups.less',
})
export class PartGroups {
  readonly kind = input.required<CatalogueKind>();
  readonly form = input.required<PartForm>();
  /** Changes with each change of a value. */
  readonly changes = input.required<unknown>();
  readonly faults = input.required<readonly FormFault[]>();
  /** Its number cannot be changed any more. */
  readonly isKept = input.required<boolean>();
  /** Values that a stamp's reading gives. */
  readonly filled = output<Readonly<Record<string, string>>>();
  protected readonly many = (title: string) => `${capital(title)}${/(ch|s|x)$/.test(title) ? 'es' : 's'}`;

  protected readonly notches = computed(() => {
    this.changes();
    const rows = this.form().controls.tables.controls['notches']?.getRawValue() ?? [];
    return rows.map(({ label = '', bore = '' }) => ({ label, bore }));
  });
  protected readonly stamp = computed(() => {
    this.changes();
    return this.form().controls.cells.controls['stamp']?.value ?? '';
  });
  /** The groups of this kind, with the fields that concern the part as it is. */
  protected readonly groups = computed(() => {
    this.changes();
    const [kind, form, { columns, tables }] = [this.kind(), this.form(), CATALOGUES[this.kind()]];
    const first = (path: string) => FIELD_GROUPS[kind].find(({ takes }) => takes(path));
    const wrong = new Set(this.faults().map(({ field }) => field.replace(/^[ft]-/, '').split('-')[0]));
    return FIELD_GROUPS[kind]
      .map((group) => {
        const own = columns.filter(({ path }) => first(path) === group && concerns(kind, form, path));
        const lists = tables.filter(({ path }) => first(path) === group);
        return {
          ...{ title: group.title, isRare: group.isRare === true, columns: own, tables: lists },
          hasStamp: own.some(({ path }) => path === 'stamp'),
          // What is wrong is never folded away, nor what somebody has filled in.
          isOpen:
            lists.some(({ path }) => (form.controls.tables.controls[path]?.length ?? 0) > 0 || wrong.has(path)) ||
            own.some(({ path }) => wrong.has(path.split('.')[0] ?? '')),
        };
      })
      .filter((group) => group.columns.length || group.tables.length);
  });

  protected goToNotch(row: number): void {
    goToField(fieldId('bore', 'notches', row));
  }

  /** The range and the stud as a reading of the stamp gives them. */
  protected fillFrom({ wire, area, stud }: StampReading): void {
    const gauge = /AWG ([\d/]+)\D([\d/]+)$/.exec(wire);
    this.filled.emit({
      'conductorRange.smallest': gauge ? `AWG ${gauge[1]}` : `${area.min} mm2`,
      'conductorRange.largest': gauge ? `AWG ${gauge[2]}` : `${area.max} mm2`,
      ...(stud && { stud }),
    });
  }
}
