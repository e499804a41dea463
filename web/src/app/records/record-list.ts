import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type ChainReport, type CombinationLine, type ForeignLine, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { FileButton } from '../parts/file-button';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { Notice } from '../parts/notice';
import { grouped } from '../parts/count';

const STATES = { accepted: 'pass', 'meets-made-up-limits': 'hold', rejected: 'fail', open: 'missing' } as const;

/** Records of everything something was put on record for, latest first. */
@Component({
  selector: 'tm-record-list',
  imports: [Notice, RouterLink, NzButtonModule, NzTableModule, FileButton, Mark, ProblemNotice],
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
          <tm-file-button accept=".json,application/json" (file)="read($event)">
            Read in a record of another shop (JSON)
          </tm-file-button>
        }
      </div>
      <p class="chain">
        <button nz-button class="bench-button" type="button" (click)="checkChains()">
          {{ checking() ? 'Stop checking' : 'Check every chain' }}
        </button>
        <span role="status">{{ checked() }}</span>
      </p>
      @for (found of breaks(); track $index) {
        <tm-notice kind="bad">
          @if (combinationOf(found.chain); as id) {
            <a [routerLink]="['/records', id]">{{ found.name }}</a>: {{ found.text }}
          } @else {
            <strong>{{ found.name }}</strong>: {{ found.text }}
          }
        </tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="scroll" tabindex="0" role="region" aria-label="Records">
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
                  @if (line.readIn) {
                    <em>not this shop's own</em>
                  }
                </td>
                <td>{{ line.list }}</td>
                <td><tm-mark [state]="states[line.verdict]" /> {{ line.headline }}</td>
                <td>{{ line.touchedAt ? time(line.touchedAt) : '' }}</td>
              </tr>
            }
          </tbody>
        </nz-table>
      </div>
      @if (foreign().length) {
        <section aria-labelledby="elsewhere">
          <h2 id="elsewhere">From elsewhere</h2>
          <p class="soft">Records of other shops, kept apart: nothing in them counts here.</p>
          <nz-table #others [nzData]="foreign()" nzSize="small" [nzFrontPagination]="false" [nzShowPagination]="false">
            <thead>
              <tr>
                <th scope="col">Combination</th>
                <th scope="col">Shop, as the file says</th>
                <th scope="col">Read in</th>
                <th scope="col">File</th>
              </tr>
            </thead>
            <tbody>
              @for (line of others.data; track line.id) {
                <tr class="ant-table-row">
                  <td>
                    <a [routerLink]="['/records/elsewhere', line.id]"
                      ><strong class="figures">{{ line.label }}</strong></a
                    >, {{ line.entries }} entries
                  </td>
                  <td>{{ line.shop }}</td>
                  <td>by {{ line.by }}, {{ time(line.at) }}</td>
                  <td>{{ line.fileName }}</td>
                </tr>
              }
            </tbody>
          </nz-table>
        </section>
      }
    </div>
  `,
  styles: `
    #elsewhere {
      margin-top: 28px;
    }
    .chain {
      align-items: center;
      display: flex;
      gap: 14px;
      margin-bottom: 10px;
    }
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
  protected readonly foreign = signal<readonly ForeignLine[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly checking = signal(false);
  protected readonly checked = signal('');
  protected readonly breaks = signal<ChainReport['breaks']>([]);
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly mayImport = computed(() => may(this.person()?.roles, 'import-record'));
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
      this.foreign.set(await this.api.foreignRecords());
      for (let next: number | null = 0; next !== null;) {
        const page = await this.api.combinations(next);
        this.all.update((lines) => [...lines, ...page.lines]);
        next = page.next;
      }
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** Asks the server for one portion of chains after the other, until all are checked or it is stopped. */
  protected async checkChains(): Promise<void> {
    if (this.checking()) {
      this.checking.set(false);
      return;
    }
    this.checking.set(true);
    this.breaks.set([]);
    let chains = 0;
    let entries = 0;
    try {
      let next: number | null = 0;
      while (next !== null && this.checking()) {
        const report: ChainReport = await this.api.chains(next);
        chains += report.chains;
        entries += report.entries;
        this.breaks.update((breaks) => [...breaks, ...report.breaks]);
        next = report.next;
        const so = next === null ? '' : this.checking() ? ' so far' : ', then stopped';
        const bad = this.breaks().length;
        this.checked.set(
          `${grouped(entries)} entries in ${chains} chains${so}: ${bad ? `${bad} changed behind the application` : 'every chain is whole'}${report.unsealed ? `; ${report.unsealed} are not sealed yet` : ''}.`,
        );
      }
    } catch (error) {
      this.problem.set(toProblem(error));
    }
    this.checking.set(false);
  }

  /** The combination whose journal a chain is; null for the shop's other chains. */
  protected combinationOf(chain: string): string | null {
    return chain.startsWith('journal/') ? chain.slice('journal/'.length) : null;
  }

  protected async read(file: File): Promise<void> {
    try {
      const { id } = await this.api.readInRecord(file);
      await this.router.navigate(['/records/elsewhere', id]);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
