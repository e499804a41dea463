import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { wireListHead, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { count } from '../parts/count';
import { DayField } from '../parts/day-field';
import { Field } from '../parts/field';
import { FileDrop } from '../parts/file-drop';
import { ProblemNotice } from '../parts/problem-notice';
import { valid } from '../parts/zod-form';
import { sessionFeature } from '../session/session.state';

/** What the server takes; larger files are refused here already, before a minute of sending. */
const MOST_BYTES = 16 * 1024 * 1024;
const { name, class: className, customer, due } = wireListHead.shape;

/** Takes a wire list from a file, whole or not at all, and shows what is wrong by row and column. */
@Component({
  selector: 'tm-import-list',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, DayField, Field, FileDrop, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="send()">
      <h2>A wire list from a CSV file</h2>
      <p class="soft">
        Columns by their headers, in any order: wire id, wire part, length (mm, or in), terminal a, terminal b,
        quantity; if you have them, place (dry or wet), stud a, stud b, place temperature, current, voltage, and joint
        a, joint b where wires share a barrel. Write - where an end gets no terminal.
      </p>
      <tm-file-drop label="Wire list, CSV" accept=".csv,.txt,text/csv" [chosen]="chosen()" (file)="take($event)" />
      <div class="fields">
        <tm-field for="list-name" label="Name of the list" [control]="form.controls.name">
          <input nz-input id="list-name" formControlName="name" />
        </tm-field>
        <tm-field
          for="list-class"
          label="Grade of work"
          [hint]="grades().length > 1 ? 'as in the limits: ' + grades().join(', ') : ''"
          [control]="form.controls.class"
        >
          <input nz-input id="list-class" formControlName="class" />
        </tm-field>
        <tm-field for="list-customer" label="Customer, if any" [control]="form.controls.customer">
          <input nz-input id="list-customer" formControlName="customer" />
        </tm-field>
        <tm-field for="new-list-due" label="Due, if on a day" [control]="form.controls.due">
          <tm-day-field fieldId="new-list-due" formControlName="due" />
        </tm-field>
      </div>
      <div class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="busy()">
          {{ busy() ? 'Reading ...' : 'Bring it in' }}
        </button>
        @if (isDemo()) {
          <button nz-button class="bench-button" type="button" (click)="useDemo()">Take the demo's sprayer loom</button>
        }
      </div>
      @if (hint()) {
        <p class="wrong" role="alert">{{ hint() }}</p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
    </form>
  `,
  styles: `
    form {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 12px;
      padding: 16px 18px;
    }
    .fields {
      display: grid;
      gap: 14px;
      grid-template-columns: 2fr 1.2fr 1.4fr 170px;
    }
    .fields .ant-input {
      min-height: 46px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
    }
    @media (max-width: 900px) {
      .fields {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ImportList {
  private readonly api = inject(Api);
  private readonly shop = inject(Store).selectSignal(sessionFeature.selectShop);
  readonly done = output<string>();
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: valid(name) }),
    class: new FormControl('standard', { nonNullable: true, validators: valid(className) }),
    customer: new FormControl('', { nonNullable: true, validators: valid(customer) }),
    due: new FormControl<string | null>(null, { validators: valid(due) }),
  });
  protected readonly isDemo = () => this.shop()?.isDemo ?? false;
  private readonly file = signal<File | null>(null);
  protected readonly chosen = () => {
    const file = this.file();
    return file ? `${file.name}, ${size(file.size)}` : '';
  };
  protected readonly busy = signal(false);
  protected readonly hint = signal('');
  protected readonly problem = signal<Problem | null>(null);
  /** Grades the shop has limits for. */
  protected readonly grades = signal<readonly string[]>([]);
  /** One id per choice of file, so that a second press keeps it once. */
  private id = timeOrderedId();

  constructor() {
    void this.api.limits().then(
      (records) => {
        const released = records.filter(({ table }) => table.status === 'released');
        this.grades.set([...new Set(released.map(({ table }) => table.class))]);
        const { class: grade } = this.form.controls;
        const [first] = this.grades();
        if (first && !this.grades().includes(grade.value) && grade.pristine) grade.setValue(first);
      },
      // Without them a grade is typed: the list itself needs none.
      () => undefined,
    );
  }

  protected async useDemo(): Promise<void> {
    try {
      this.take(new File([await this.api.demoWireList()], 'sprayer-loom.csv'));
      this.form.controls.name.setValue('Sprayer loom');
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected take(file: File): void {
    this.file.set(file);
    this.id = timeOrderedId();
    this.hint.set('');
    this.problem.set(null);
    const { name: field } = this.form.controls;
    if (!field.value) field.setValue(file.name.replace(/\.[^.]*$/, ''));
  }

  protected async send(): Promise<void> {
    this.form.markAllAsTouched();
    const file = this.file();
    this.problem.set(null);
    this.hint.set(
      !file
        ? 'Choose a file first.'
        : file.size > MOST_BYTES
          ? `${file.name} has ${size(file.size)}; at most ${size(MOST_BYTES)} are read. A wire list of 20,000 wires is about 2 MB: is it the right file?`
          : '',
    );
    if (!file || this.hint() || this.form.invalid) return;
    const head = this.form.getRawValue();
    this.busy.set(true);
    try {
      const kept = await this.api.importWireList({ id: this.id, ...head }, file);
      this.done.emit(
        `${kept.name}: ${count(kept.wires, 'wire')} became ${count(kept.combinations, 'combination')} with ${count(kept.pieces, 'piece')}.`,
      );
    } catch (error) {
      this.problem.set(toProblem(error));
      this.id = timeOrderedId();
    }
    this.busy.set(false);
  }
}

function size(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
}
