import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { CATALOGUES, type CatalogueKind } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { count, grouped } from '../parts/count';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TableFaults } from '../parts/table-faults';
import { TypedBack } from '../parts/typed-back';
import { injectTableMemory } from '../parts/table-memory';
import { textOf } from '../parts/text-table';
import { CabinetStore } from './cabinet.store';
import { PartFile } from './part-file';

/** Rows of the file that are shown as they stand. */
const FIRST_ROWS = 3;
const LEFT_OUT = '-';
/** Bytes of a table that the server reads. */
const MOST_TABLE = 32 * 1024 * 1024;
const tooLarge = (name: string): Problem => ({
  ...{ type: 'about:blank', status: 413, code: 'file-too-large', title: `${name} is too large to be read.` },
  detail: `At most ${MOST_TABLE / 1024 / 1024} MB are read, some 60,000 parts: is it the right file?`,
});

/** Parts from a table before they are kept: columns, first rows, faults to be mended, and what they become. */
@Component({
  selector: 'tm-part-file-preview',
  imports: [NzButtonModule, Notice, ProblemNotice, Select, TableFaults, TypedBack],
  providers: [PartFile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
    @if (isOpen()) {
      <section aria-labelledby="part-file">
        <h2 id="part-file" tabindex="-1">{{ work.file() }}</h2>
        <tm-typed-back [edited]="back" />
        <p class="soft">{{ rows() }}. Nothing is kept yet.</p>
        <div class="scroll" tabindex="0" role="region" aria-label="First rows">
          <table>
            <thead>
              <tr>
                @for (heading of work.header(); track $index) {
                  <th scope="col">{{ heading }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of first(); track $index) {
                <tr>
                  @for (cell of row; track $index) {
                    <td>{{ cell }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
        @if (work.headings().length) {
          <h3>Columns</h3>
          @for (heading of work.headings(); track $index) {
            <p class="heading">
              <span class="wrong">{{ heading.text }}</span>
              @if (heading.at >= 0) {
                <label [for]="'head-' + heading.at">Take ‘{{ heading.column }}’ for</label>
                <tm-select
                  [selectId]="'head-' + heading.at"
                  [options]="options()"
                  [value]="''"
                  (valueChange)="head(heading.at, $event)"
                />
              }
            </p>
          }
        }
        <tm-table-faults
          [faults]="work.faults()"
          [total]="work.total()"
          (mended)="work.mend($event.fault, $event.value)"
        />
        @if (work.becomes(); as b) {
          <tm-notice kind="good">
            {{ said(b.parts) }}: {{ grouped(b.fresh) }} new, {{ grouped(b.changed) }} changed as a new revision,
            {{ grouped(b.same) }} as they stand.
          </tm-notice>
        }
        <p class="acts">
          @if (work.becomes(); as b) {
            <button
              nz-button
              nzType="primary"
              class="bench-button"
              type="button"
              [disabled]="busy() || b.fresh + b.changed === 0"
              (click)="keep()"
            >
              {{ busy() ? 'Keeping them ...' : 'Keep ' + said(b.fresh + b.changed) }}
            </button>
          }
          <button nz-button class="bench-button" type="button" (click)="leave()">Leave the file</button>
        </p>
      </section>
    }
  `,
  styles: `
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 10px;
      grid-template-columns: minmax(0, 1fr);
      padding: 16px 20px;
    }
    .scroll {
      overflow-x: auto;
    }
    .scroll th,
    .scroll td {
      border-bottom: 1px solid var(--line);
      font-size: 14px;
      padding: 4px 10px 4px 0;
      text-align: left;
      white-space: nowrap;
    }
    .heading {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
  `,
})
export class PartFilePreview {
  private readonly api = inject(Api);
  private readonly cabinet = inject(CabinetStore);
  protected readonly work = inject(PartFile);
  readonly kind = input.required<CatalogueKind>();
  readonly kept = output<string>();
  private readonly memory = injectTableMemory('part-file', null, {
    read: () =>
      this.work.file() ? { kind: this.work.kind(), file: this.work.file(), cells: this.work.cells() } : null,
    restore: (state) => {
      this.work.restore(state);
    },
  });
  /** Whether a table of this kind is looked at. */
  readonly isOpen = computed(() => this.work.file() !== '' && this.work.kind() === this.kind());
  protected readonly back = {
    memory: signal(this.memory),
    startAgain: () => {
      this.leave();
    },
  };
  protected readonly grouped = grouped;
  protected readonly busy = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly catalogue = computed(() => CATALOGUES[this.work.kind()]);
  protected readonly first = computed(() => this.work.cells().slice(1, 1 + FIRST_ROWS));
  protected readonly rows = computed(() => count(Math.max(0, this.work.cells().length - 1), 'row'));
  protected readonly options = computed(() => [
    { value: '', label: 'not said yet' },
    { value: LEFT_OUT, label: 'nothing that is needed: leave it out' },
    ...this.work.free().map((name) => ({ value: name, label: name })),
  ]);

  /** Takes a table to be looked at. */
  async take(file: File): Promise<void> {
    const isLarge = file.size > MOST_TABLE;
    this.problem.set(isLarge ? tooLarge(file.name) : null);
    if (!isLarge) this.work.take(this.kind(), file.name, textOf(await file.arrayBuffer()));
  }

  protected said(parts: number): string {
    return count(parts, this.catalogue().one, this.catalogue().many);
  }

  protected head(at: number, heading: string | null): void {
    if (heading) this.work.head(at, heading === LEFT_OUT ? null : heading);
  }

  protected leave(): void {
    this.work.leave();
    this.memory.forget();
  }

  protected async keep(): Promise<void> {
    this.busy.set(true);
    try {
      const { parts, changed } = await this.api.importPartTable(this.work.kind(), this.work.csv());
      const said = `${this.work.file()}: ${this.said(parts)} read, ${grouped(changed)} of them new or changed.`;
      await this.cabinet.load();
      this.work.leave();
      this.memory.forget();
      this.kept.emit(said);
    } catch (error) {
      this.problem.set(toProblem(error));
    } finally {
      this.busy.set(false);
    }
  }
}
