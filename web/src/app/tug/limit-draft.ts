import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, untracked } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { LimitRecord, Problem } from '@tug-mark/contract';
import {
  documentKey,
  FAMILIES,
  familyName,
  writeLimitRows,
  type DocumentKey,
  type LimitTable,
  type Wire,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DraftHead } from '../documents/draft-head';
import { injectToday } from '../session/shop-day';
import { Api, toProblem } from '../http/api';
import { injectEditedForm } from '../parts/edited-form';
import { FileButton } from '../parts/file-button';
import { saveText } from '../parts/save-text';
import { FormFaults, type FormFault } from '../parts/form-faults';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { TypedBack } from '../parts/typed-back';
import { limitForm, pushForm, readLimits, restoreLimits, rowForm, TABLE_NUMBERS } from './limit-form';
import { LimitRows } from './limit-rows';

/** A draft of a limit table: its head, its numbers and its rows. Kept as a draft; quality releases it. */
@Component({
  selector: 'tm-limit-draft',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, NzInputModule, DraftHead, FileButton, FormFaults, LimitRows, Notice],
    ...[ProblemNotice, Select, Tick, TypedBack],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form()" (ngSubmit)="keep()">
      <h2>{{ title() }}</h2>
      @if (from() === 'new') {
        <tm-notice>
          Copy every number from a controlled document of your customer, standard or maker. No force is proposed here.
          The rows are the sizes of this shop’s own wires.
        </tm-notice>
      }
      <tm-typed-back [edited]="edited" />
      <tm-form-faults [faults]="faults()" [tries]="edited.tries()" />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <tm-draft-head [form]="form().controls.head" />
      <div class="fields">
        @for (number of numbers; track number.key) {
          <div class="field">
            <label [attr.for]="'l-' + number.key">{{ number.title }}</label>
            <input
              nz-input
              inputmode="decimal"
              autocomplete="off"
              [id]="'l-' + number.key"
              [formControl]="form().controls.numbers.controls[number.key]"
            />
          </div>
        }
      </div>
      <tm-tick [formControl]="form().controls.interpolates">a size between two rows may be interpolated</tm-tick>
      <div class="rows-head">
        <h3>Least forces</h3>
        <tm-file-button accept=".csv,text/csv" (file)="readFile($event)">Rows from a CSV file</tm-file-button>
        <button nz-button class="quiet" type="button" (click)="saveTemplate()">Template</button>
      </div>
      <tm-limit-rows [form]="form()" [faults]="faults()" />
      <details [open]="form().controls.pushes.length > 0">
        <summary>Pushes of seated contacts ({{ form().controls.pushes.length }})</summary>
        @for (push of form().controls.pushes.controls; track push; let i = $index) {
          <div class="push">
            <label [attr.for]="'push-' + i + '-size'">contact size, empty for any</label>
            <input nz-input [id]="'push-' + i + '-size'" [formControl]="push.controls.contactSize" />
            <label [attr.for]="'push-' + i + '-family'">family</label>
            <tm-select [selectId]="'push-' + i + '-family'" [options]="families" [formControl]="push.controls.family" />
            <label [attr.for]="'push-' + i + '-force'">N</label>
            <input nz-input inputmode="decimal" [id]="'push-' + i + '-force'" [formControl]="push.controls.force" />
            <button nz-button class="quiet" type="button" (click)="form().controls.pushes.removeAt(i)">take out</button>
          </div>
        }
        <button nz-button type="button" (click)="addPush()">One more push</button>
      </details>
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep the draft</button>
        <button nz-button class="bench-button" type="button" (click)="leave()">Leave it</button>
        <span class="soft">Draft → quality releases it → pulls are judged by it from its first day on.</span>
      </p>
    </form>
  `,
  styleUrls: ['../documents/draft.less', './limit-draft.less'],
})
export class LimitDraft {
  private readonly api = inject(Api);
  readonly from = input.required<LimitTable | 'new'>();
  /** The shop's own wires, whose sizes a new table has rows for. */
  readonly wires = input<readonly Wire[]>([]);
  /** Grade a new table begins with: the shop's first without a table; empty where it names none. */
  readonly grade = input('');
  readonly kept = output<{ readonly records: readonly LimitRecord[]; readonly key: DocumentKey }>();
  readonly closed = output();
  protected readonly numbers = TABLE_NUMBERS;
  protected readonly families = [
    { value: '', label: 'all' },
    ...FAMILIES.map((value) => ({ value: value as string, label: familyName(value) })),
  ];
  private readonly today = injectToday();
  protected readonly title = computed(() => {
    const from = this.from();
    return from === 'new'
      ? 'A new limit table'
      : `Draft from ${from.document} rev ${from.revision}, grade ${from.class}`;
  });
  protected readonly edited = injectEditedForm(() => {
    const from = this.from();
    const form = limitForm(from, untracked(this.wires), untracked(this.today));
    if (from === 'new') form.controls.head.controls.class.setValue(untracked(this.grade));
    const place = from === 'new' ? 'limits/new' : `limits/${from.document}/${from.revision}/${from.class}`;
    return {
      form,
      place,
      restore: (value: never) => {
        restoreLimits(form, value);
      },
    };
  });
  protected readonly form = this.edited.form;
  protected readonly problem = signal<Problem | null>(null);
  private readonly read = computed(() => {
    this.edited.changes();
    return this.edited.tries() ? readLimits(this.form(), this.from()) : null;
  });
  protected readonly faults = computed<readonly FormFault[]>(() => {
    const read = this.read();
    return read && !read.ok ? read.faults : [];
  });

  protected leave(): void {
    this.edited.memory().forget();
    this.closed.emit();
  }

  protected addPush(): void {
    this.form().controls.pushes.push(pushForm(null));
  }

  /** The columns a file of rows has, with the sizes that stand here. */
  protected saveTemplate(): void {
    const sizes = this.form().controls.rows.controls.map((row) => row.controls.size.value);
    const lines = [...writeLimitRows([]), ...sizes.map((size) => [size, '', '', '', '', ''])];
    saveText('limits.csv', 'text/csv', lines.map((cells) => cells.join(',')).join('\r\n') + '\r\n');
  }

  protected async readFile(file: File): Promise<void> {
    try {
      const { rows } = this.form().controls;
      const cells = writeLimitRows(await this.api.readLimitRows(file)).slice(1);
      rows.clear({ emitEvent: false });
      for (const row of cells) rows.push(rowForm(row));
      rows.markAsDirty();
      rows.updateValueAndValidity();
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async keep(): Promise<void> {
    this.form().markAllAsTouched();
    this.edited.tried();
    const read = this.read();
    if (!read?.ok) return;
    try {
      const records = await this.api.draftLimit(read.table);
      this.edited.memory().forget();
      this.kept.emit({ records, key: documentKey(read.table) });
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
