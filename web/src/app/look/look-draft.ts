import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, untracked } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { LookRecord, Problem } from '@tug-mark/contract';
import { documentKey, familyName, POINT_CODES, pointOf, type DocumentKey, type LookSheet } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { NzTableModule } from 'ng-zorro-antd/table';
import { CabinetStore } from '../cabinet/cabinet.store';
import { DraftHead } from '../documents/draft-head';
import { injectToday } from '../session/shop-day';
import { Api, toProblem } from '../http/api';
import { injectEditedForm } from '../parts/edited-form';
import { FormFaults, type FormFault } from '../parts/form-faults';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TypedBack } from '../parts/typed-back';
import { lookForm, numberWords, readLook, restoreLook, rowFor, titleOf, type LookRowForm } from './look-form';
import { LookRowEditor } from './look-row';

/** A draft of inspection points: its head and one row a point, in full at the side. Kept as a draft; quality releases it. */
@Component({
  selector: 'tm-look-draft',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, NzDrawerModule, NzTableModule, DraftHead, FormFaults, LookRowEditor],
    ...[Notice, ProblemNotice, Select, TypedBack],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form()" (ngSubmit)="keep()">
      <h2>{{ title() }}</h2>
      @if (from() === 'new') {
        <tm-notice>
          It begins with every point there is, numbers as the set-up gives them. Take out what your customer’s or your
          standard’s document does not ask for, put in its ranges; quality releases it.
        </tm-notice>
      }
      <tm-typed-back [edited]="edited" />
      <tm-form-faults [faults]="faults()" [tries]="edited.tries()" />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <tm-draft-head [form]="form().controls.head" />
      <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false" aria-label="Points">
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col">For</th>
            <th scope="col">Findings</th>
            <th scope="col">Number</th>
            <th scope="col">Also seen</th>
            <th scope="col"><span class="out-of-sight">Take out</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row; let i = $index) {
            <tr [class.open]="opened() === row">
              <th scope="row">
                <button class="link" type="button" [id]="'row-' + i" (click)="opened.set(row)">{{ name(row) }}</button>
              </th>
              <td [title]="families(row)">{{ families(row) }}</td>
              <td>{{ row.controls.findings.value.join(', ') }}</td>
              <td class="figures">{{ number(row) }}</td>
              <td [title]="row.controls.text.value">{{ row.controls.text.value }}</td>
              <td>
                <button
                  nz-button
                  class="quiet"
                  type="button"
                  [attr.aria-label]="'Take out ' + name(row)"
                  (click)="form().controls.rows.removeAt(i)"
                >
                  take out
                </button>
              </td>
            </tr>
          }
        </tbody>
      </nz-table>
      <p class="add">
        <label for="add-point">One more row for</label>
        <tm-select selectId="add-point" [options]="points" [value]="adding()" (valueChange)="add($event)" />
      </p>
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep the draft</button>
        <button nz-button class="bench-button" type="button" (click)="leave()">Leave it</button>
        <span class="soft">Draft → quality releases it → pieces are looked at by it from its first day on.</span>
      </p>
    </form>
    @if (opened(); as row) {
      <nz-drawer nzVisible [nzTitle]="name(row)" [nzWidth]="560" [nzContent]="inFull" (nzOnClose)="opened.set(null)" />
      <ng-template #inFull>
        <tm-look-row [row]="row" />
      </ng-template>
    }
  `,
  styleUrls: ['../documents/draft.less', './look-draft.less'],
})
export class LookDraft {
  private readonly api = inject(Api);
  readonly from = input.required<LookSheet | 'new'>();
  readonly kept = output<{ readonly records: readonly LookRecord[]; readonly key: DocumentKey }>();
  readonly closed = output();
  protected readonly name = titleOf;
  protected readonly number = numberWords;
  protected readonly points = [
    { value: '', label: 'a point ...' },
    ...POINT_CODES.map((value) => ({ value: value as string, label: pointOf(value).title })),
  ];
  protected readonly adding = signal('');
  /** The row that is open at the side. */
  protected readonly opened = signal<LookRowForm | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly title = computed(() => {
    const from = this.from();
    return from === 'new'
      ? 'The first inspection points of this shop'
      : `Draft from ${from.document} rev ${from.revision}, grade ${from.class}`;
  });
  private readonly today = injectToday();
  protected readonly edited = injectEditedForm(() => {
    const from = this.from();
    const form = lookForm(from, untracked(this.today));
    const place = from === 'new' ? 'points/new' : `points/${from.document}/${from.revision}/${from.class}`;
    return {
      form,
      place,
      restore: (value: never) => {
        restoreLook(form, value);
      },
    };
  });
  protected readonly form = this.edited.form;
  protected readonly rows = computed(() => {
    this.edited.changes();
    return [...this.form().controls.rows.controls];
  });
  private readonly read = computed(() => {
    this.edited.changes();
    return this.edited.tries() ? readLook(this.form()) : null;
  });
  protected readonly faults = computed<readonly FormFault[]>(() => {
    const read = this.read();
    return read && !read.ok ? read.faults : [];
  });

  constructor() {
    // What a point looks like is drawn on the shop's own parts.
    void inject(CabinetStore).load();
  }

  protected families(row: LookRowForm): string {
    const families = row.controls.families.value;
    return families.length ? families.map(familyName).join(', ') : 'all that have it';
  }

  protected add(point: string | null): void {
    // The list is for the next one again, once it has closed over this.
    this.adding.set(point ?? '');
    setTimeout(() => {
      this.adding.set('');
    });
    const code = POINT_CODES.find((each) => each === point);
    const row = code && rowFor(code);
    if (!row) return;
    this.form().markAsDirty();
    this.form().controls.rows.push(row);
    this.opened.set(row);
  }

  protected leave(): void {
    this.edited.memory().forget();
    this.closed.emit();
  }

  protected async keep(): Promise<void> {
    this.form().markAllAsTouched();
    this.edited.tried();
    const read = this.read();
    if (!read?.ok) return;
    try {
      const records = await this.api.keepLookDraft(read.sheet);
      this.edited.memory().forget();
      this.kept.emit({ records, key: documentKey(read.sheet) });
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
