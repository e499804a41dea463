import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { LotLine, Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { debounceTime } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { Keys } from '../shell/keys';

const STATES = [
  { value: 'all', label: 'all' },
  { value: 'running', label: 'being made' },
  { value: 'paused', label: 'paused' },
  { value: 'held', label: 'held' },
  { value: 'finished', label: 'finished' },
] as const;
const MARKS = { running: 'missing', paused: 'hold', held: 'fail', finished: 'pass' } as const;

/** Every lot of the shop, the newest first: found by its number, part, list or person, and by how it stands. */
@Component({
  selector: 'tm-lots-page',
  imports: [
    ...[ReactiveFormsModule, RouterLink, NzButtonModule, NzInputModule, NzTableModule],
    ...[ChoiceButtons, Mark, ProblemNotice],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">A lot is what is made with one released set-up, from its first piece to its last.</p>
        </div>
        <div>
          <label class="out-of-sight" for="lot-search">Find</label>
          <input
            nz-input
            id="lot-search"
            type="search"
            placeholder="/  number, part, list, person"
            [formControl]="search"
            (keydown.enter)="show()"
          />
        </div>
      </div>
      <tm-choice-buttons label="How it stands" [options]="states" [value]="state()" (valueChange)="choose($event)" />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <nz-table
        #table
        [nzData]="lines()"
        [nzFrontPagination]="false"
        [nzShowPagination]="false"
        nzSize="small"
        [nzLoading]="!loaded()"
        [nzNoResult]="none()"
      >
        <thead>
          <tr>
            <th scope="col">Lot</th>
            <th scope="col">Made of</th>
            <th scope="col" class="list">List</th>
            <th scope="col" class="count">Made</th>
            <th scope="col">How it stands</th>
            <th scope="col" class="opened">Opened</th>
          </tr>
        </thead>
        <tbody>
          @for (line of table.data; track line.id + line.lot) {
            <tr>
              <td>
                <a [routerLink]="['/bench', line.id, 'lot']" class="figures">{{ line.name }}</a>
              </td>
              <td class="figures">{{ line.terminal }} on {{ line.wire }}</td>
              <td class="list" [title]="line.list">{{ line.list }}</td>
              <td class="count figures">{{ line.made ?? '?' }} of {{ line.pieces }}</td>
              <td>
                <span class="said" [class.wrong]="line.state === 'held'" [title]="line.headline">
                  <tm-mark [state]="marks[line.state]" [size]="18" /> {{ line.headline }}
                </span>
              </td>
              <td class="opened">{{ time(line.openedAt) }}, {{ line.openedBy }}</td>
            </tr>
          }
        </tbody>
      </nz-table>
      @if (next() !== null) {
        <button nz-button class="bench-button" type="button" (click)="more()">Show more</button>
      }
    </div>
  `,
  styles: `
    .page {
      display: grid;
      gap: 12px;
    }
    .page-head {
      margin: 0;
    }
    input {
      min-height: 46px;
      width: min(280px, 80vw);
    }
    .count {
      text-align: right;
      white-space: nowrap;
    }
    td a {
      display: inline-block;
      padding: 4px 0;
    }
    .said {
      display: -webkit-box;
      overflow: hidden;
      -webkit-box-orient: vertical;
      -webkit-line-clamp: 2;
    }
    .list {
      max-width: 180px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    @media (max-width: 900px) {
      .list,
      .opened {
        display: none;
      }
    }
  `,
})
export class LotsPage {
  private readonly api = inject(Api);
  protected readonly states = STATES;
  protected readonly marks = MARKS;
  protected readonly time = showTime;
  protected readonly search = new FormControl('', { nonNullable: true });
  protected readonly state = signal<(typeof STATES)[number]['value']>('all');
  protected readonly lines = signal<readonly LotLine[]>([]);
  protected readonly next = signal<string | null>(null);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly none = computed(() =>
    this.state() === 'all' && !this.search.value
      ? 'No lot is opened yet: a released set-up opens the first.'
      : 'No lot like this.',
  );
  protected readonly headline = computed(() => {
    const { length } = this.lines();
    return `Lots: ${length}${this.next() === null ? '' : ' or more'}`;
  });
  /** An answer to a question that has changed since is dropped. */
  private asked = 0;

  constructor() {
    void this.show();
    this.search.valueChanges.pipe(debounceTime(200), takeUntilDestroyed()).subscribe(() => void this.show());
    inject(Keys).use([{ key: '/', does: 'find a lot' }], {
      handle: (key) => {
        if (key !== '/') return false;
        document.getElementById('lot-search')?.focus();
        return true;
      },
      line: (text) => {
        this.search.setValue(text);
      },
    });
  }

  protected choose(state: (typeof STATES)[number]['value'] | null): void {
    this.state.set(state ?? 'all');
    void this.show();
  }

  protected async show(): Promise<void> {
    await this.load('');
  }

  protected async more(): Promise<void> {
    await this.load(this.next() ?? '');
  }

  private async load(after: string): Promise<void> {
    const own = ++this.asked;
    const state = this.state();
    try {
      const page = await this.api.lots({ ...(state !== 'all' && { state }), find: this.search.value.trim(), after });
      if (own !== this.asked) return;
      this.lines.update((lines) => [...(after === '' ? [] : lines), ...page.lines]);
      this.next.set(page.next);
      this.problem.set(null);
    } catch (error) {
      if (own === this.asked) this.problem.set(toProblem(error));
    }
    this.loaded.set(true);
  }
}
