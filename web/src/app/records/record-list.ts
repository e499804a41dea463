import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type CombinationLine, type Problem } from '@tug-mark/contract';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { readJsonFile } from '../http/read-json-file';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';

const STATES = { accepted: 'pass', 'meets-made-up-limits': 'hold', rejected: 'fail', open: 'missing' } as const;

/** Records of everything something was put on record for, latest first. */
@Component({
  selector: 'tm-record-list',
  imports: [RouterLink, NzTableModule, Mark, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ lines().length }} {{ lines().length === 1 ? 'record' : 'records' }}</h1>
          <p class="soft">
            Every combination something was put on record for. Nothing in a record is ever changed or deleted.
          </p>
        </div>
        @if (mayImport()) {
          <div class="field">
            <label for="record-file">Read a record back (JSON)</label>
            <input id="record-file" type="file" accept=".json,application/json" (change)="read($event)" />
          </div>
        }
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <nz-table
        #table
        [nzData]="lines()"
        nzSize="small"
        [nzFrontPagination]="false"
        [nzShowPagination]="false"
        nzNoResult="Nothing is on record yet."
      >
        <thead>
          <tr>
            <th scope="col">Combination</th>
            <th scope="col">List</th>
            <th scope="col">Judgement</th>
            <th scope="col">Last entry</th>
          </tr>
        </thead>
        <tbody>
          @for (line of table.data; track line.id) {
            <tr class="ant-table-row">
              <td>
                <a [routerLink]="['/records', line.id]"
                  ><strong class="figures">{{ line.terminal }} on {{ line.wire }}</strong></a
                >
              </td>
              <td>{{ line.list }}</td>
              <td><tm-mark [state]="states[line.verdict]" /> {{ line.headline }}</td>
              <td>{{ line.touchedAt ? time(line.touchedAt) : '' }}</td>
            </tr>
          }
        </tbody>
      </nz-table>
    </div>
  `,
  styles: `
    td tm-mark {
      margin-right: 6px;
    }
    td a {
      display: inline-block;
      padding: 5px 0;
    }
  `,
})
export class RecordList {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly all = signal<readonly CombinationLine[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly mayImport = computed(() => may(this.person()?.role ?? 'technician', 'import-record'));
  protected readonly lines = computed(() =>
    this.all()
      .filter((line) => line.touchedAt !== null)
      .sort((a, b) => (b.touchedAt ?? '').localeCompare(a.touchedAt ?? '')),
  );

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      for (let next: number | null = 0; next !== null;) {
        const page = await this.api.combinations(next);
        this.all.update((lines) => [...lines, ...page.lines]);
        next = page.next;
      }
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async read(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    if (!file) return;
    try {
      const { id } = await this.api.importRecord(await readJsonFile(file));
      await this.router.navigate(['/records', id]);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
    field.value = '';
  }
}
