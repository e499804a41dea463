import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { capital } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Field } from '../parts/field';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Reasons } from '../parts/reasons';
import { typedText } from '../parts/zod-form';
import { CavityGrid } from './cavity-grid';
import { CavityWork } from './cavity-work';
import { ConnectorsStore } from './connectors.store';

const LOCKS = {
  none: '',
  waits: 'waits until every contact is home',
  due: 'every contact is home: close it now',
  closed: 'is closed',
  wrong: 'is closed, and a contact is not home: open it',
} as const;

/** The connectors of a list, filled cavity by cavity, loom by loom: which contact goes where, how, and when the lock closes. */
@Component({
  selector: 'tm-connectors-page',
  imports: [
    ...[CavityGrid, CavityWork, ChoiceButtons, Field, Notice, NzButtonModule, NzInputModule, ProblemNotice, Reasons],
    ...[ReactiveFormsModule, RouterLink],
  ],
  providers: [ConnectorsStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <h1>{{ headline() }}</h1>
        <a routerLink="/bench">Back to the bench</a>
      </div>
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (store.list(); as list) {
        @if (!list.connectors.length) {
          <tm-notice>
            This list names no connectors. Import it with the columns ‘connector a’, ‘connector part a’ and ‘cavity a’,
            and the same for end B.
          </tm-notice>
        } @else if (store.map()) {
          <div class="which">
            <tm-choice-buttons
              label="Connector"
              [options]="names()"
              [value]="store.connector()?.name ?? null"
              (valueChange)="turnTo($event)"
            />
            <form (submit)="go($event)">
              <tm-field for="loom" [label]="'Loom, of ' + (store.connector()?.looms ?? 1)">
                <input nz-input id="loom" inputmode="numeric" autocomplete="off" [formControl]="loom" />
              </tm-field>
              <button nz-button class="bench-button" type="submit">Show this loom</button>
              <button nz-button class="bench-button" type="button" (click)="nextLoom()">Next loom</button>
            </form>
          </div>
          <tm-reasons [reasons]="store.map()!.problems" />
          <div class="work">
            <div>
              <p class="soft">{{ seen() }}</p>
              <tm-cavity-grid
                [cavities]="store.map()!.cavities"
                [chosen]="store.cavity()?.id ?? null"
                [label]="'Cavities of ' + (store.connector()?.name ?? '')"
                (pick)="store.pick($event)"
              />
              @if (store.map()!.lock !== 'none') {
                <p class="lock">
                  <strong>{{ lockName() }}</strong> {{ locks[store.map()!.lock] }}.
                </p>
                @if (store.map()!.lock === 'due') {
                  <button nz-button nzType="primary" class="bench-button" type="button" (click)="lock(true)">
                    The lock is closed
                  </button>
                } @else if (store.map()!.lock !== 'waits') {
                  <form class="open" (submit)="open($event)">
                    <tm-field for="lock-why" label="Why is it opened?">
                      <input nz-input id="lock-why" maxlength="500" autocomplete="off" [formControl]="why" />
                    </tm-field>
                    <button nz-button class="bench-button" type="submit">The lock is open again</button>
                  </form>
                }
              }
            </div>
            <tm-cavity-work />
          </div>
        }
      } @else if (!store.problem()) {
        <p class="soft" role="status">Reading the list ...</p>
      }
      <p class="soft">
        What is kept here needs the server: another station may be filling the same connector. The connector maker’s own
        instruction decides where it differs.
      </p>
    </div>
  `,
  styles: `
    .which,
    form {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 16px;
    }
    #loom {
      min-height: 46px;
      width: 110px;
    }
    .work {
      display: grid;
      gap: 20px 32px;
      grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
      margin: 14px 0;
    }
    .lock {
      margin: 12px 0 6px;
    }
    @media (max-width: 860px) {
      .work {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ConnectorsPage {
  readonly id = input.required<string>();
  protected readonly store = inject(ConnectorsStore);
  protected readonly loom = typedText('1');
  protected readonly why = typedText();
  protected readonly locks = LOCKS;
  protected readonly lockName = computed(() => capital(this.store.connector()?.part?.lock ?? ''));
  protected readonly names = computed(() =>
    (this.store.list()?.connectors ?? []).map(({ name, part }) => ({
      value: name,
      label: part ? `${name} · ${part.part}` : name,
    })),
  );
  protected readonly headline = computed(() => {
    const [list, map, own] = [this.store.list(), this.store.map(), this.store.connector()];
    if (!list || !map || !own) return 'Connectors';
    const used = map.cavities.filter(({ wire }) => wire !== null);
    const home = used.filter(({ state }) => state === 'home').length;
    if (map.lock === 'due') return `${own.name}: all ${home} contacts are home. Close the lock.`;
    return map.next === null
      ? `${own.name} of loom ${this.store.loom()} is filled.`
      : `${own.name}: cavity ${map.next} comes next; ${home} of ${used.length} are home.`;
  });
  protected readonly seen = computed(() =>
    this.store.connector()?.part
      ? 'Seen from the side the wires go in.'
      : 'The list names no part for it: its cavities stand in a row, not as they lie.',
  );

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => void this.store.load(id));
    });
  }

  protected turnTo(name: string | null): void {
    if (name === null) return;
    this.store.turnTo(name);
    this.loom.setValue('1');
  }

  protected go(event: Event): void {
    event.preventDefault();
    this.show(Number(this.loom.value));
  }

  protected nextLoom(): void {
    this.show(this.store.loom() + 1);
  }

  private show(loom: number): void {
    const own = this.store.connector();
    if (!own || !Number.isInteger(loom) || loom < 1 || loom > own.looms) {
      this.loom.setValue(String(this.store.loom()));
      return;
    }
    this.loom.setValue(String(loom));
    this.store.turnTo(own.name, loom);
  }

  protected open(event: Event): void {
    event.preventDefault();
    this.lock(false, this.why.value.trim());
  }

  protected lock(closed: boolean, note = ''): void {
    const [map, combination] = [this.store.map(), this.store.lockOn()];
    if (!map || !combination) return;
    void this.store
      .put(combination, { kind: 'lock', ...this.store.at(), count: map.lockCount + 1, closed, note })
      .then((isKept) => {
        if (isKept) this.why.setValue('');
      });
  }
}
