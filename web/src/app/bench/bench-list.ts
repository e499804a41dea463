import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type CombinationLine, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { ImportList } from './import-list';
import { SheetPile } from './sheet-pile';
import { valueOf } from '../parts/value-of';

/** A line that is being worked out is asked for again after this long. */
const CATCH_UP_MS = 700;

/** Every combination of the shop with its six stages and what holds it back. */
@Component({
  selector: 'tm-bench-list',
  imports: [RouterLink, NzButtonModule, NzInputModule, NzTableModule, Mark, ProblemNotice, ImportList, SheetPile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">A combination is one terminal on one wire. Open one and go up its ladder.</p>
        </div>
        <div class="tools">
          <div class="field">
            <label for="search">Search</label>
            <input
              nz-input
              id="search"
              type="search"
              placeholder="part, wire, list, family"
              [value]="search()"
              (input)="search.set(value($event))"
            />
          </div>
          @if (mayImport()) {
            <button
              nz-button
              [nzType]="lines().length ? 'default' : 'primary'"
              class="bench-button"
              type="button"
              (click)="importing.set(!importing())"
              [attr.aria-expanded]="importing()"
            >
              Import a wire list
            </button>
          }
        </div>
      </div>
      @if (importing()) {
        <tm-import-list (done)="imported($event)" />
      }
      @if (said()) {
        <p class="notice good" role="status">{{ said() }}</p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (loaded() && !lines().length) {
        <p class="empty">
          Nothing is set up yet.
          @if (mayImport()) {
            Import a wire list: its terminals and wires become combinations with their piece counts.
          } @else {
            A technician or engineer imports the first wire list.
          }
        </p>
      } @else {
        <nz-table
          #table
          [nzData]="shown()"
          [nzFrontPagination]="false"
          [nzShowPagination]="false"
          nzSize="small"
          [nzLoading]="!loaded()"
          nzNoResult="Nothing matches the search."
        >
          <thead>
            <tr>
              <th scope="col">Terminal</th>
              <th scope="col">Wire</th>
              <th scope="col">List</th>
              <th scope="col" class="count">Pieces</th>
              <th scope="col" class="stages">
                <span class="wide">Match · Prepare · Tool · Crimp · Look · Tug</span
                ><span class="narrow">Six stages</span>
              </th>
              <th scope="col">Where it stands</th>
            </tr>
          </thead>
          <tbody>
            @for (line of table.data; track line.id) {
              <tr class="ant-table-row">
                <td>
                  <a [routerLink]="['/bench', line.id]"
                    ><strong class="figures">{{ line.terminal }}</strong></a
                  >
                  <span class="under">{{ line.terminalLabel }}</span>
                  @if (line.readIn) {
                    <em class="under">not this shop's own</em>
                  }
                </td>
                <td>
                  <span class="figures">{{ line.wire }}</span>
                  <span class="under">{{ line.wireLabel }}</span>
                </td>
                <td>
                  {{ line.list }}<span class="under">{{ line.place }}, class {{ line.class }}</span>
                </td>
                <td class="count figures">{{ line.pieces }}</td>
                <td class="stages">
                  @for (state of line.stages; track $index) {
                    <tm-mark class="tight" [state]="state" [size]="18" />
                  }
                </td>
                <td
                  [class.wrong]="
                    line.verdict === 'rejected' || line.release === 'lapsed' || line.lot?.verdict === 'held'
                  "
                >
                  @if (line.release === 'lapsed') {
                    Release has lapsed.
                  }
                  @if (line.lot; as lot) {
                    <strong>Lot {{ lot.name }}.</strong> {{ lot.headline }}
                  } @else {
                    {{ line.release === 'released' ? 'Released.' : '' }} {{ line.headline }}
                  }
                  @if (line.behind) {
                    <em class="under">Something new is on record; being worked out.</em>
                  }
                </td>
              </tr>
            }
          </tbody>
        </nz-table>
        @if (next() !== null) {
          <button nz-button class="bench-button" type="button" (click)="load()">Show more</button>
        }
      }
      @if (lists().length) {
        <p class="piles">
          @for (list of lists(); track list) {
            <tm-sheet-pile [list]="list" />
          }
        </p>
      }
    </div>
  `,
  styles: `
    .piles {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      margin-top: 14px;
    }
    .tools {
      align-items: end;
      display: flex;
      gap: 14px;
    }
    .tools input {
      min-height: 46px;
      width: 250px;
    }
    .under {
      color: var(--ink-soft);
      display: block;
      font-size: 14px;
    }
    .stages tm-mark {
      margin-right: 9px;
    }
    .narrow {
      display: none;
    }
    @media (min-width: 1201px) {
      td:nth-child(-n + 3) {
        white-space: nowrap;
      }
    }
    @media (max-width: 1200px) {
      .wide {
        display: none;
      }
      .narrow {
        display: inline;
      }
      .stages tm-mark.tight {
        margin-right: 3px;
      }
    }
    .count {
      text-align: right;
    }
    .stages {
      white-space: nowrap;
    }
    td a {
      display: inline-block;
      padding: 4px 0;
    }
    .empty {
      padding: 40px 0;
    }
  `,
})
export class BenchList {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly lines = signal<readonly CombinationLine[]>([]);
  protected readonly next = signal<number | null>(null);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly search = signal('');
  protected readonly importing = signal(false);
  protected readonly said = signal('');
  protected readonly mayImport = computed(() => may(this.person()?.role ?? 'quality', 'import-wire-list'));

  protected readonly shown = computed(() => {
    const words = this.search().toLowerCase().split(/\s+/).filter(Boolean);
    if (!words.length) return this.lines();
    return this.lines().filter((line) => {
      const text = [
        line.terminal,
        line.terminalLabel,
        line.wire,
        line.wireLabel,
        line.list,
        line.family,
        line.headline,
        line.lot?.name,
      ]
        .join(' ')
        .toLowerCase();
      return words.every((word) => text.includes(word));
    });
  });
  /** Names of the lists the shown combinations come from. */
  protected readonly lists = computed(() => [...new Set(this.shown().map((line) => line.list))].slice(0, 8));
  protected readonly headline = computed(() => {
    const lines = this.lines();
    if (!lines.length) return 'The bench';
    const done = lines.filter((line) => line.verdict === 'accepted' || line.verdict === 'meets-made-up-limits').length;
    const rejected = lines.filter((line) => line.verdict === 'rejected').length;
    const made = lines.filter((line) => line.lot?.verdict === 'running').length;
    const held = lines.filter((line) => line.lot?.verdict === 'held').length;
    const lots = [...(made ? [`${made} lots being made`] : []), ...(held ? [`${held} held`] : [])];
    return `${lots.length ? `${lots.join(', ')} · ` : ''}${lines.length}${this.next() === null ? '' : ' or more'} combinations: ${done} through, ${rejected} rejected, ${lines.length - done - rejected} open`;
  });

  private readonly waiting = new Set<ReturnType<typeof setTimeout>>();

  constructor() {
    void this.load();
    inject(DestroyRef).onDestroy(() => {
      this.waiting.forEach(clearTimeout);
    });
    inject(Keys).use(
      [
        { key: '/', does: 'search' },
        { key: 'I', does: 'import a wire list' },
        { key: 'Tab, Enter', does: 'to a combination, open it' },
      ],
      (key) => {
        if (key === '/') document.getElementById('search')?.focus();
        else if (key.toLowerCase() === 'i' && this.mayImport()) this.importing.set(true);
        else return false;
        return true;
      },
    );
  }

  protected async load(): Promise<void> {
    try {
      const after = this.next() ?? 0;
      const page = await this.api.combinations(after);
      this.lines.update((lines) => [...lines, ...page.lines]);
      this.next.set(page.next);
      this.problem.set(null);
      if (page.lines.some((line) => line.behind)) this.catchUp(after);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
    this.loaded.set(true);
  }

  /** Asks for a page once more, as long as something in it is being worked out. */
  private catchUp(after: number): void {
    const timer = setTimeout(() => {
      this.waiting.delete(timer);
      this.api
        .combinations(after)
        .then((page) => {
          const newer = new Map(page.lines.map((line) => [line.id, line]));
          this.lines.update((lines) => lines.map((line) => newer.get(line.id) ?? line));
          if (page.lines.some((line) => line.behind)) this.catchUp(after);
        })
        // What stands there says itself that it is behind.
        .catch(() => undefined);
    }, CATCH_UP_MS);
    this.waiting.add(timer);
  }

  protected imported(said: string): void {
    this.said.set(said);
    this.importing.set(false);
    this.lines.set([]);
    this.next.set(null);
    void this.load();
  }
}
