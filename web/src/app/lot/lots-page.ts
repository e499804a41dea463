import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { debounceTime } from 'rxjs';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { Keys } from '../shell/keys';
import { LotsStore } from './lots.store';

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
  providers: [LotsStore],
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
            (keydown.enter)="find()"
          />
        </div>
      </div>
      <tm-choice-buttons
        label="How it stands"
        [options]="states"
        [value]="store.filter().state"
        (valueChange)="store.show({ state: $event ?? 'all' })"
      />
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <nz-table
        #table
        [nzData]="store.entities()"
        [nzFrontPagination]="false"
        [nzShowPagination]="false"
        nzSize="small"
        [nzLoading]="!store.loaded()"
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
      @if (store.next() !== null) {
        <button nz-button class="bench-button" type="button" (click)="store.more()">Show more</button>
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
  protected readonly store = inject(LotsStore);
  protected readonly states = STATES;
  protected readonly marks = MARKS;
  protected readonly time = showTime;
  protected readonly search = new FormControl('', { nonNullable: true });
  protected readonly none = computed(() => {
    const { state, find } = this.store.filter();
    return state === 'all' && !find ? 'No lot is opened yet: a released set-up opens the first.' : 'No lot like this.';
  });
  protected readonly headline = computed(
    () => `Lots: ${this.store.entities().length}${this.store.next() === null ? '' : ' or more'}`,
  );

  constructor() {
    this.search.valueChanges.pipe(debounceTime(200), takeUntilDestroyed()).subscribe(() => {
      this.find();
    });
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

  protected find(): void {
    void this.store.show({ find: this.search.value.trim() });
  }
}
