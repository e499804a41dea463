import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import {
  CATALOGUES,
  readPart,
  writePart,
  type CatalogueKind,
  type CatalogueParts,
  type Column,
  type PartCells,
  type PartTable,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, ApiProblem, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { Select, type SelectOption } from '../parts/select';
import { scanned } from './scanned';
import { valueOf } from '../parts/value-of';
import { Notice } from '../parts/notice';

/** A part as a form: every field as text, read by the same rules as a file; what is wrong stands at its field. */
@Component({
  selector: 'tm-part-editor',
  imports: [Notice, NzButtonModule, NzInputModule, ProblemNotice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)" [attr.aria-label]="title()">
      <h2>{{ title() }}</h2>
      <div class="fields">
        @for (column of catalogue().columns; track column.path) {
          @let fault = faultAt(column.path, null, null);
          <div class="field" [class.at-fault]="fault">
            <label [attr.for]="'f-' + column.path">{{ column.title }} {{ unit(column) }}</label>
            @if (options(column); as list) {
              <tm-select
                [selectId]="'f-' + column.path"
                [options]="list"
                [value]="cells()[column.path] ?? ''"
                (valueChange)="set(column.path, $event ?? '')"
              />
            } @else {
              <input
                nz-input
                [id]="'f-' + column.path"
                [value]="cells()[column.path] ?? ''"
                [readonly]="column.path === 'part' && part() !== null"
                [attr.placeholder]="column.help ?? null"
                [attr.aria-invalid]="fault ? true : null"
                [attr.aria-describedby]="fault ? 'e-' + column.path : null"
                (input)="set(column.path, value($event))"
              />
            }
            @if (fault) {
              <span class="wrong" [id]="'e-' + column.path">{{ fault }}</span>
            }
          </div>
        }
      </div>
      @for (table of catalogue().tables; track table.path) {
        <h3>{{ table.title }}</h3>
        @if (faultAt(table.path, null, null); as fault) {
          <p class="wrong">{{ fault }}</p>
        }
        <div class="scroll" tabindex="0" role="group" [attr.aria-label]="table.title">
          <table>
            <thead>
              <tr>
                @for (column of table.columns; track column.path) {
                  <th scope="col">{{ column.title }} {{ unit(column) }}</th>
                }
                <th scope="col"><span class="out-of-sight">Take out</span></th>
              </tr>
            </thead>
            <tbody>
              @for (row of rows(table); track $index; let r = $index) {
                <tr>
                  @for (column of table.columns; track column.path) {
                    @let fault = faultAt(column.path, table.path, r);
                    <td>
                      @if (options(column); as list) {
                        <tm-select
                          [selectId]="'t-' + table.path + '-' + r + '-' + column.path"
                          [label]="table.title + ' ' + (r + 1) + ', ' + column.title"
                          [options]="list"
                          [value]="row[column.path] ?? ''"
                          (valueChange)="setIn(table, r, column.path, $event ?? '')"
                        />
                      } @else {
                        <input
                          nz-input
                          [class.at-fault]="fault"
                          [attr.aria-label]="table.title + ' ' + (r + 1) + ', ' + column.title"
                          [attr.aria-invalid]="fault ? true : null"
                          [value]="row[column.path] ?? ''"
                          (input)="setIn(table, r, column.path, value($event))"
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
                      [attr.aria-label]="'Take out ' + table.title + ' ' + (r + 1)"
                      (click)="drop(table, r)"
                    >
                      take out
                    </button>
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <button nz-button type="button" class="one-more" (click)="add(table)">One more {{ table.title }}</button>
      }
      @if (faults().length) {
        <tm-notice kind="bad">
          {{ faults().length }} {{ faults().length === 1 ? 'field is' : 'fields are' }} not right yet. Nothing is kept
          until all are: {{ faults()[0]?.text }}
        </tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
        @if (found.code === 'stale-revision') {
          <button nz-button type="button" (click)="insist()">Keep mine as the next revision all the same</button>
        }
      }
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">
          {{ part() ? 'Keep as a new revision' : 'Keep the new ' + catalogue().one }}
        </button>
        <button nz-button class="bench-button" type="button" (click)="closed.emit()">Leave it as it was</button>
      </p>
    </form>
  `,
  styleUrl: '../parts/form.less',
  styles: `
    .field {
      align-content: start;
    }
    .fields {
      align-items: start;
    }
    .at-fault input,
    input.at-fault {
      border: 2px solid var(--fail);
    }
  `,
})
export class PartEditor {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  readonly kind = input.required<CatalogueKind>();
  /** The part to change; null for a new one. */
  readonly part = input.required<CatalogueParts[CatalogueKind] | null>();
  readonly kept = output<string>();
  readonly closed = output();
  protected readonly cells = signal<Readonly<Record<string, string>>>({});
  protected readonly tables = signal<PartCells['tables']>({});
  protected readonly problem = signal<Problem | null>(null);
  private readonly tried = signal(false);
  private opened = 0;
  protected readonly catalogue = computed(() => CATALOGUES[this.kind()]);
  protected readonly title = computed(() => {
    const part = this.part();
    return part ? `Change ${part.part}` : `A new ${this.catalogue().one}`;
  });
  private readonly read = computed(() => readPart(this.kind(), { cells: this.cells(), tables: this.tables() }));
  protected readonly faults = computed(() => {
    const read = this.read();
    return this.tried() && !read.ok ? read.problems : [];
  });

  constructor() {
    effect(() => {
      const part = this.part();
      const kind = this.kind();
      if (!part) {
        const first = (column: Column) =>
          column.type === 'choice' && !column.optional ? (column.options?.[0] ?? '') : '';
        this.cells.set(Object.fromEntries(CATALOGUES[kind].columns.map((c) => [c.path, first(c)])));
        this.tables.set(Object.fromEntries(CATALOGUES[kind].tables.map((t) => [t.path, []])));
        this.opened = 0;
        return;
      }
      const written = writePart(kind, part as never);
      this.cells.set(written.cells);
      this.tables.set(written.tables);
      void this.api.revisions(kind, part.part).then(
        ([newest]) => {
          this.opened = newest?.revision ?? 0;
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  protected unit(column: Column): string {
    return column.type === 'length' ? 'mm' : (column.unit ?? '');
  }
  /** What a column offers; null where it is typed. */
  protected options(column: Column): readonly SelectOption[] | null {
    if (column.type !== 'flag' && column.type !== 'choice') return null;
    const own = column.type === 'flag' ? (column.optional ? ['yes', 'no'] : ['no', 'yes']) : (column.options ?? []);
    return [...(column.optional ? [''] : []), ...own].map((value) => ({ value, label: value || 'none' }));
  }
  protected rows(table: PartTable): readonly Readonly<Record<string, string>>[] {
    return this.tables()[table.path] ?? [];
  }
  protected faultAt(path: string, table: string | null, row: number | null): string {
    return this.faults().find((f) => f.path === path && f.table === table && f.row === row)?.text ?? '';
  }

  protected set(path: string, text: string): void {
    this.cells.update((cells) => ({ ...cells, [path]: scanned(text) }));
  }
  protected setIn(table: PartTable, row: number, path: string, text: string): void {
    this.change(table, (rows) => rows.map((cells, r) => (r === row ? { ...cells, [path]: scanned(text) } : cells)));
  }
  protected add(table: PartTable): void {
    const first = (c: Column) => (c.type === 'choice' ? (c.options?.[0] ?? '') : c.type === 'flag' ? 'no' : '');
    this.change(table, (rows) => [...rows, Object.fromEntries(table.columns.map((c) => [c.path, first(c)]))]);
  }
  protected drop(table: PartTable, row: number): void {
    this.change(table, (rows) => rows.filter((_, r) => r !== row));
  }
  private change(
    table: PartTable,
    by: (rows: readonly Readonly<Record<string, string>>[]) => readonly Readonly<Record<string, string>>[],
  ): void {
    this.tables.update((all) => ({ ...all, [table.path]: by(all[table.path] ?? []) }));
  }

  /** After a clash: the newest revision is known now, and the person wants theirs on top of it. */
  protected insist(): void {
    const standing = this.problem()?.standing as { revision?: number } | undefined;
    this.opened = standing?.revision ?? this.opened;
    void this.send();
  }

  protected keep(event: Event): void {
    event.preventDefault();
    void this.send();
  }

  private async send(): Promise<void> {
    this.tried.set(true);
    const read = this.read();
    if (!read.ok) return;
    try {
      await this.api.keepPart(this.kind(), this.opened, read.part);
      this.problem.set(null);
      this.kept.emit(read.part.part);
    } catch (error) {
      this.problem.set(error instanceof ApiProblem ? error.problem : toProblem(error));
    }
  }
}
