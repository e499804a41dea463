import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { LimitRecord, Problem } from '@tug-mark/contract';
import { readLimitRows, writeLimitRows, type LimitTable } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DraftHead, draftOf, headFrom, isHeadWrong } from '../documents/draft-head';
import { injectToday } from '../session/shop-day';
import { Api, toProblem } from '../http/api';
import { FileButton } from '../parts/file-button';
import { ProblemNotice } from '../parts/problem-notice';
import { Tick } from '../parts/tick';
import { valueOf } from '../parts/value-of';

/** A draft of a limit table: its head, and its rows typed or read from a CSV file. Kept as a draft; quality releases it. */
@Component({
  selector: 'tm-limit-draft',
  imports: [NzButtonModule, NzInputModule, DraftHead, FileButton, ProblemNotice, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)">
      <h2>Draft from {{ from().document }} rev {{ from().revision }}, grade {{ from().class }}</h2>
      <tm-draft-head [(head)]="head" [tried]="tried()">
        <tm-tick [(value)]="interpolates">interpolation between rows allowed</tm-tick>
      </tm-draft-head>
      <p class="acts">
        <tm-file-button accept=".csv,text/csv" (file)="readFile($event)">Rows from a CSV file</tm-file-button>
        <span class="soft">size, force N or percent of breaking load, families, material, hold N</span>
      </p>
      <table class="figures">
        <thead>
          <tr>
            @for (title of titles; track title) {
              <th scope="col">{{ title }}</th>
            }
            <th scope="col"><span class="out-of-sight">Take out</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of cells(); track $index; let r = $index) {
            <tr [class.bad]="faults().has(r + 2)">
              @for (title of titles; track title; let c = $index) {
                <td>
                  <input
                    nz-input
                    [attr.aria-label]="title + ', row ' + (r + 1)"
                    [value]="row[c] ?? ''"
                    (input)="type(r, c, value($event))"
                  />
                </td>
              }
              <td>
                <button
                  nz-button
                  class="quiet"
                  type="button"
                  [attr.aria-label]="'Take out row ' + (r + 1)"
                  (click)="drop(r)"
                >
                  take out
                </button>
              </td>
            </tr>
            @if (faults().get(r + 2); as text) {
              <tr class="bad">
                <td colspan="7" class="wrong">Row {{ r + 1 }}: {{ text }}</td>
              </tr>
            }
          }
        </tbody>
      </table>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <p class="acts">
        <button nz-button type="button" (click)="add()">One more row</button>
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep the draft</button>
        <button nz-button class="bench-button" type="button" (click)="closed.emit()">Leave it</button>
      </p>
    </form>
  `,
  styleUrl: '../parts/form.less',
  styles: `
    .bad td {
      background: var(--fail-tint);
    }
  `,
})
export class LimitDraft {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  readonly from = input.required<LimitTable>();
  readonly kept = output<LimitRecord[]>();
  readonly closed = output();
  protected readonly titles = ['size', 'force N', 'percent of breaking load', 'families', 'material', 'hold N'];
  private readonly today = injectToday();
  protected readonly head = linkedSignal(() => headFrom(this.from(), this.today()));
  protected readonly interpolates = linkedSignal(() => this.from().interpolates);
  protected readonly cells = linkedSignal<readonly (readonly string[])[]>(() =>
    writeLimitRows(this.from().rows).slice(1),
  );
  protected readonly problem = signal<Problem | null>(null);
  protected readonly tried = signal(false);
  private readonly read = computed(() => readLimitRows([this.titles, ...this.cells()]));
  /** What is wrong, by the row of the table with its header as row 1. */
  protected readonly faults = computed(() => {
    const read = this.read();
    return new Map(!this.tried() || read.ok ? [] : read.problems.map((p) => [p.row, `${p.column}: ${p.text}`]));
  });

  protected type(row: number, column: number, text: string): void {
    this.cells.update((rows) =>
      rows.map((cells, r) => (r === row ? this.titles.map((_, c) => (c === column ? text : (cells[c] ?? ''))) : cells)),
    );
  }
  protected add(): void {
    this.cells.update((rows) => [...rows, this.titles.map(() => '')]);
  }
  protected drop(row: number): void {
    this.cells.update((rows) => rows.filter((_, r) => r !== row));
  }

  protected async readFile(file: File): Promise<void> {
    try {
      this.cells.set(writeLimitRows(await this.api.readLimitRows(file)).slice(1));
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async keep(event: Event): Promise<void> {
    event.preventDefault();
    this.tried.set(true);
    const read = this.read();
    if (!read.ok || isHeadWrong(this.head())) return;
    const table: LimitTable = {
      ...this.from(),
      ...draftOf(this.head()),
      interpolates: this.interpolates(),
      rows: read.rows,
    };
    try {
      this.kept.emit(await this.api.draftLimit(table));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
