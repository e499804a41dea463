import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { ReactiveFormsModule, FormControl } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type CombinationLine } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { debounceTime } from 'rxjs';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { BenchCounters } from './bench-counters';
import { BenchTable } from './bench-table';
import { benchHead, footWords, scannedCombination, statesFor } from './bench-words';
import { FirstDayPanel } from '../shop/first-day';
import { BenchStore } from './bench.store';
import { BenchQueue, type PlannedNext } from '../plan/bench-queue';
import { ImportList } from './import-list';
import { ListActs, type ListChanged } from './list-acts';
import { ListShelf } from './list-shelf';
import { Notice } from '../parts/notice';

/** The bench: what comes next, how much stands where, and every combination with its next step. */
@Component({
  selector: 'tm-bench-list',
  imports: [
    ...[Notice, ReactiveFormsModule, RouterLink, NzButtonModule, NzInputModule, ProblemNotice],
    ...[BenchQueue, BenchCounters, BenchTable, FirstDayPanel, ImportList, ListActs, ListShelf],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [BenchStore],
  template: `
    <div class="page">
      <div class="page-head">
        <div class="headline">
          <h1>{{ head().headline }}</h1>
          <p class="soft">{{ head().under }}</p>
        </div>
        <div class="tools">
          <label class="out-of-sight" for="search">Find or scan</label>
          <input
            nz-input
            id="search"
            type="search"
            placeholder="/  find or scan"
            [formControl]="search"
            (keydown.enter)="openFound()"
          />
          @if (mayImport()) {
            <button
              nz-button
              [nzType]="isEmpty() ? 'primary' : 'default'"
              class="bench-button"
              type="button"
              (click)="importing.set(!importing())"
              [attr.aria-expanded]="importing()"
            >
              Bring in a wire list&ngsp;<kbd>I</kbd>
            </button>
          }
          @if (head().begin; as link) {
            <a nz-button nzType="primary" class="bench-button" [routerLink]="link">Begin <kbd>Enter</kbd></a>
          }
        </div>
      </div>
      @defer (on idle) {
        <tm-bench-queue (planned)="planned.set($event)" />
      }
      @if (importing()) {
        <tm-import-list (done)="imported($event)" />
      }
      @if (said()) {
        <tm-notice kind="good">{{ said() }}</tm-notice>
      }
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (isEmpty()) {
        <p class="empty">
          Nothing is set up yet.
          @if (mayImport()) {
            Bring in a wire list: its terminals and wires become combinations with their piece counts.
          } @else {
            A technician or engineer brings in the first wire list.
          }
        </p>
        @defer {
          <tm-first-day wide />
        }
      } @else if (store.totals(); as totals) {
        <tm-bench-counters
          [counts]="totals.states"
          [chosen]="store.filter().state"
          (choose)="show({ state: $event })"
        />
        <div class="shelf-and-table">
          <div class="shelf">
            <tm-list-shelf [lists]="store.lists()" [chosen]="store.filter().list" (choose)="show({ list: $event })" />
            @if (store.list(); as list) {
              <tm-list-acts [list]="list" [mayChange]="mayImport()" (keep)="keepList($event)" />
            }
          </div>
          <div class="lines">
            @if (store.loaded() && !store.entities().length) {
              <p class="empty">Nothing here {{ filtered() ? 'matches: show everything' : '' }}</p>
              @if (filtered()) {
                <button nz-button type="button" (click)="showAll()">Show everything</button>
              }
            } @else {
              <tm-bench-table
                [lines]="store.entities()"
                [total]="total()"
                [sort]="store.filter().sort"
                [withList]="store.answered().list === null"
                [current]="current()"
                (sortBy)="show({ sort: $event })"
                (more)="store.more()"
                (pick)="current.set($event)"
              />
              <p class="soft" role="status">{{ foot() }}</p>
            }
          </div>
        </div>
      } @else {
        <p class="empty" role="status">Opening the bench ...</p>
      }
    </div>
  `,
  styleUrl: './bench-list.less',
})
export class BenchList {
  protected readonly store = inject(BenchStore);
  private readonly router = inject(Router);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly table = viewChild(BenchTable);
  protected readonly search = new FormControl('', { nonNullable: true });
  /** Open at once for whoever comes to bring a list in. */
  protected readonly importing = signal(inject(ActivatedRoute).snapshot.queryParamMap.get('bring') === 'list');
  protected readonly said = signal('');
  /** Line the arrow keys are at. */
  protected readonly current = signal(-1);
  protected readonly mayImport = computed(() => may(this.person()?.roles, 'import-wire-list'));
  protected readonly isEmpty = computed(() => this.store.totals()?.lists.length === 0);
  protected readonly filtered = computed(() => {
    const { list, state, find } = this.store.filter();
    return list !== null || state !== null || find !== '';
  });
  /** Of what is shown; null while it is only known that there are more. */
  protected readonly total = computed(() =>
    this.store.next() === null ? this.store.entities().length : this.filtered() ? null : this.store.count(),
  );
  /** What this person does next: work that waits for them, by the day it is due. */
  protected readonly next = computed<CombinationLine | null>(() => {
    const own = statesFor(this.person()?.roles ?? []);
    return this.store.entities().find(({ state }) => own.includes(state)) ?? null;
  });
  /** What the plan given out says is next here; null where there is none, or it says nothing of this place. */
  protected readonly planned = signal<PlannedNext | null>(null);
  protected readonly head = computed(() =>
    benchHead(
      this.planned(),
      this.next(),
      this.store.loaded() && !this.isEmpty() ? 'Nothing here waits for you.' : 'The bench',
    ),
  );
  protected readonly foot = computed(() =>
    footWords(this.store.shown(), this.store.count(), this.store.filter(), this.filtered()),
  );

  constructor() {
    this.search.valueChanges.pipe(debounceTime(200), takeUntilDestroyed()).subscribe((find) => {
      // Enter has asked already, and the keys are at a line since.
      if (find.trim() !== this.store.filter().find) void this.show({ find: find.trim() });
    });
    inject(Keys).use(
      [
        { key: 'Enter', does: 'begin with what comes next, or with the line you are at' },
        { key: '↑ ↓', does: 'from line to line' },
        { key: '/', does: 'find; a scanned sheet opens its combination' },
        { key: 'I', does: 'bring in a wire list' },
      ],
      { handle: (key) => this.take(key), line: (text) => void this.scanned(text) },
    );
  }

  protected async show(changes: Parameters<typeof this.store.show>[0]): Promise<void> {
    this.current.set(-1);
    await this.store.show(changes);
  }

  protected async showAll(): Promise<void> {
    this.search.setValue('', { emitEvent: false });
    await this.show({ list: null, state: null, find: '' });
  }

  protected async imported(said: string): Promise<void> {
    this.said.set(said);
    this.importing.set(false);
    await this.store.reload();
  }

  protected keepList(changes: ListChanged): void {
    const { id, ...body } = changes;
    void this.store.keepList(id, body);
  }

  /** Enter in the search opens what was found, where it is one line; else the keys go to the first. */
  protected async openFound(): Promise<void> {
    await this.show({ find: this.search.value.trim() });
    const lines = this.store.entities();
    if (lines.length === 1 && lines[0]) this.open(lines[0]);
    else if (lines.length) this.move(0);
  }

  /** A scanned line: a set-up sheet's code opens its combination, anything else is searched for. */
  private async scanned(text: string): Promise<void> {
    const id = scannedCombination(text);
    if (id) {
      await this.router.navigate(['/bench', id]);
      return;
    }
    this.search.setValue(text, { emitEvent: false });
    await this.openFound();
  }

  private take(key: string): boolean {
    const last = this.store.entities().length - 1;
    if (key === '/') document.getElementById('search')?.focus();
    else if (key.toLowerCase() === 'i' && this.mayImport()) this.importing.set(true);
    else if (key === 'ArrowDown') this.move(Math.min(last, this.current() + 1));
    else if (key === 'ArrowUp') this.move(Math.max(0, this.current() - 1));
    else if (key === 'Enter') {
      const line = this.store.entities()[this.current()];
      const { begin: link } = this.head();
      if (line) this.open(line);
      else if (link) void this.router.navigate(link);
    } else return false;
    return true;
  }

  private move(to: number): void {
    this.current.set(to);
    this.table()?.focus(to);
  }

  private open(line: CombinationLine | null): void {
    if (line) void this.router.navigate(['/bench', line.id, line.next.to]);
  }
}
