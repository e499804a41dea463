import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { count, fileSize } from '../parts/count';
import { injectTableMemory } from '../parts/table-memory';
import { TypedBack } from '../parts/typed-back';
import { TableFaults } from '../parts/table-faults';
import { FileDrop } from '../parts/file-drop';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { saveText } from '../parts/save-text';
import { CabinetStore } from '../cabinet/cabinet.store';
import { sessionFeature } from '../session/session.state';
import { ListColumns } from './list/list-columns';
import { ListHead, listHead } from './list/list-head';
import { ListImport } from './list/list-import';
import { textOf } from '../parts/text-table';
import { csvOf, TEMPLATE } from './list/list-source';

/** What the server takes; larger files are refused here already, before a minute of sending. */
const MOST_BYTES = 16 * 1024 * 1024;

/** Takes a wire list from a file, whole or not at all, and shows what is wrong by row and column. */
@Component({
  selector: 'tm-import-list',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, NzInputModule, FileDrop, ListColumns, ListHead, Notice, ProblemNotice],
    ...[TableFaults, TypedBack],
  ],
  providers: [ListImport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="send()">
      <h2>A wire list</h2>
      <p class="soft">
        One row a wire: its name, its part, its length, the terminal at each end (- for none), how many. Columns may
        stand in any order and be called anything; what they say is proposed below.
        <button class="link" type="button" (click)="template()">Template</button>
      </p>
      <tm-typed-back [edited]="back" />
      <div class="sources">
        <tm-file-drop
          label="Wire list as CSV or text"
          accept=".csv,.txt,.tsv,text/csv"
          [chosen]="work.source()"
          (file)="take($event)"
        />
        <textarea
          nz-input
          rows="3"
          aria-label="Or paste it from a spreadsheet"
          placeholder="or paste it here, copied from a spreadsheet with its headings"
          (paste)="paste($event)"
          (change)="typedIn($event)"
        ></textarea>
      </div>
      @if (work.cells().length) {
        <tm-list-columns />
        <tm-table-faults
          [faults]="work.faults()"
          [total]="work.total()"
          (mended)="work.mend($event.fault, $event.value)"
        />
        @if (work.becomes(); as b) {
          <tm-notice kind="good">
            {{ said(b.wires, 'wire') }} would become {{ said(b.combinations, 'combination') }} with
            {{ said(b.pieces, 'piece') }} to make.
          </tm-notice>
        }
      }
      <tm-list-head [form]="form" [grades]="grades()" />
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
    .sources {
      display: grid;
      gap: 14px;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
    }
    @media (max-width: 900px) {
      .sources {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ImportList {
  private readonly api = inject(Api);
  private readonly shop = inject(Store).selectSignal(sessionFeature.selectShop);
  readonly done = output<string>();
  protected readonly form = listHead();
  protected readonly isDemo = () => this.shop()?.isDemo ?? false;
  protected readonly work = inject(ListImport);
  protected readonly said = count;
  protected readonly busy = signal(false);
  protected readonly hint = signal('');
  protected readonly problem = signal<Problem | null>(null);
  /** Grades the shop has limits for. */
  protected readonly grades = signal<readonly string[]>([]);
  /** The list as it stands, remembered until it is brought in. */
  private readonly memory = injectTableMemory('wire-list', this.form, {
    read: () => {
      const [source, cells] = [this.work.source(), this.work.cells()];
      return cells.length
        ? { source, cells, meanings: this.work.meanings(), isNumbered: this.work.isNumbered() }
        : null;
    },
    restore: (state) => {
      this.work.restore(state);
    },
  });
  protected readonly back = {
    memory: signal(this.memory),
    startAgain: () => {
      this.memory.forget();
      this.work.leave();
      this.form.reset();
    },
  };
  /** What columns of earlier lists were taken for; without them all is proposed as for a first one. */
  private readonly sources = this.api.listColumns().catch(() => []);
  /** One id per choice of file, so that a second press keeps it once. */
  private id = timeOrderedId();

  constructor() {
    void inject(CabinetStore).load();
    void this.api.limits().then(
      (records) => {
        const released = records.filter(({ table }) => table.status === 'released');
        this.grades.set([...new Set(released.map(({ table }) => table.class))]);
        const { class: grade } = this.form.controls;
        // A grade with limits before one without; one the shop names before any other.
        const named = this.shop()?.settings.grades ?? [];
        const first = named.find((each) => this.grades().includes(each)) ?? this.grades()[0] ?? named[0];
        const stands = this.grades().includes(grade.value) && (!named.length || named.includes(grade.value));
        if (first && !stands && grade.pristine) grade.setValue(first);
      },
      // Without them a grade is typed: the list itself needs none.
      () => undefined,
    );
  }

  protected async useDemo(): Promise<void> {
    try {
      await this.take(new File([await this.api.demoWireList()], 'sprayer-loom.csv'));
      this.form.controls.name.setValue('Sprayer loom');
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async take(file: File): Promise<void> {
    this.problem.set(null);
    this.hint.set(
      file.size > MOST_BYTES
        ? `${file.name} has ${fileSize(file.size)}; at most ${fileSize(MOST_BYTES)} are read. A wire list of 20,000 wires is about 2 MB: is it the right file?`
        : '',
    );
    if (this.hint()) return;
    await this.begin(`${file.name}, ${fileSize(file.size)}`, textOf(await file.arrayBuffer()));
    const { name } = this.form.controls;
    if (!name.value) name.setValue(file.name.replace(/\.[^.]*$/, ''));
  }

  protected paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text') ?? '';
    event.preventDefault();
    if (text.trim()) void this.begin('pasted', text);
  }

  /** Typed rather than pasted: taken when the field is left. */
  protected typedIn({ target }: Event): void {
    const { value } = target as HTMLTextAreaElement;
    if (value.trim()) void this.begin('typed', value);
  }

  private async begin(source: string, text: string): Promise<void> {
    this.work.take(source, text, await this.sources);
    this.id = timeOrderedId();
  }

  /** The headings a list has, as a file to fill in. */
  protected template(): void {
    saveText('wire-list.csv', 'text/csv', csvOf([TEMPLATE]));
  }

  /** Why nothing can be brought in yet. */
  private missing(): string {
    if (!this.work.cells().length) return 'Choose a file or paste a list first.';
    const [first] = this.work.faults();
    return first
      ? `Nothing is brought in until all is right: ${first.text}`
      : 'Say first which column holds what: one that is needed is missing.';
  }

  protected async send(): Promise<void> {
    this.form.markAllAsTouched();
    this.problem.set(null);
    const isRead = this.work.becomes() !== null;
    this.hint.set(isRead ? '' : this.missing());
    if (!isRead || this.form.invalid) return;
    this.busy.set(true);
    try {
      // As it stands here: columns under their own headings, cells as they were mended.
      const file = new Blob([csvOf(this.work.table())], { type: 'text/csv' });
      const kept = await this.api.importWireList({ id: this.id, ...this.form.getRawValue() }, file);
      // The list is in; how its file was read is known next time, or said once more.
      void this.api.keepListColumns(this.id, this.work.columns()).catch(() => undefined);
      this.memory.forget();
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
