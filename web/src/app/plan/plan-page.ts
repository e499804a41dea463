import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import type { Move } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Notice } from '../parts/notice';
import { Progress } from '../parts/progress';
import { Tick } from '../parts/tick';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { boardDays, boardOf } from './board.layout';
import { GiveOut } from './give-out';
import { JobBoxes } from './job-boxes';
import { JobFiles } from './job-files';
import { PlanBoard } from './plan-board';
import { PlanSearch } from './plan-search';
import { PlanSide } from './plan-side';
import { SEARCH } from './plan-found';
import { planHeadline, planUnder, searchWords } from './plan-words';
import { PlanStore } from './plan.store';
import { SheetFrame } from './sheet-frame';
import { WhatIfPanel } from './what-if';

/** The plan: when all is done, what is late, and the board to see and change it by. */
@Component({
  selector: 'tm-plan-page',
  imports: [
    ...[RouterLink, NzButtonModule, ChoiceButtons, Notice, Progress, Tick],
    ...[GiveOut, JobBoxes, JobFiles, PlanBoard, PlanSide, SheetFrame, WhatIfPanel],
  ],
  providers: [PlanSearch, PlanStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="store.problem()">
      @if (store.plan()?.placed?.length) {
        <div acts class="acts">
          <button
            nz-button
            class="bench-button"
            type="button"
            [attr.aria-expanded]="open() === 'what-if'"
            (click)="turn('what-if')"
          >
            What if ...&ngsp;<kbd>W</kbd>
          </button>
          @if (mayGive()) {
            <button
              nz-button
              nzType="primary"
              class="bench-button"
              type="button"
              [attr.aria-expanded]="open() === 'give'"
              (click)="turn('give')"
            >
              Give out this plan
            </button>
          }
        </div>
      }
      @if (store.readAt(); as at) {
        <tm-notice
          >The server does not answer. This is the plan as it was read at {{ time(at) }}; nothing can be given out
          now.</tm-notice
        >
      }
      @if (store.isBehind()) {
        <tm-notice announced>
          Somebody gave out another plan meanwhile.
          <button nz-button class="quiet" type="button" (click)="store.open()">Show it</button>
        </tm-notice>
      }
      @if (open() === 'what-if') {
        <tm-what-if />
      }
      @if (open() === 'give') {
        <tm-give-out (done)="open.set(null)" />
      }
      @if (store.plan(); as plan) {
        <div class="bar">
          @if (dayOptions().length > 1) {
            <tm-choice-buttons
              label="Day"
              [options]="dayOptions()"
              [value]="shownDay()"
              (valueChange)="day.set($event)"
            />
          }
          @if (store.found(); as found) {
            @if (!found.isLast) {
              <tm-progress label="Search" [done]="100 * found.share" [of]="100" />
              <button nz-button type="button" (click)="store.stop()">Stop here <kbd>S</kbd></button>
            } @else {
              <button nz-button type="button" (click)="more()">Search longer <kbd>S</kbd></button>
            }
            <span class="soft" role="status">{{ words() }}</span>
          } @else {
            <button nz-button type="button" (click)="store.replan()">Plan again <kbd>S</kbd></button>
            <span class="soft" role="status">{{ givenWords() }}</span>
          }
          @if (store.beside()) {
            <tm-tick class="by-due" [value]="store.isByDue()" (valueChange)="store.turnByDue()"
              >By due date alone</tm-tick
            >
          }
        </div>
        @if (board(); as shown) {
          <tm-plan-board
            [board]="shown"
            [chosen]="store.chosen()"
            [mayMove]="mayGive() && store.readAt() === null && !store.isByDue()"
            (choose)="store.choose($event)"
            (weigh)="weigh($event)"
            (put)="store.drop()"
            (letGo)="store.letGo()"
          />
          <p class="weighed" role="status" aria-live="assertive" [class.no]="store.trial()?.plan === null">
            {{ weighed() }}
          </p>
        } @else {
          <p class="empty">{{ emptyWords() }} <a routerLink="/plan/floor">Benches and hours</a></p>
        }
        <tm-job-boxes [mayMove]="mayGive()" />
        <tm-plan-side />
        <tm-job-files />
      } @else if (!store.problem()) {
        <p class="empty" role="status">Gathering what is to be made ...</p>
      }
    </tm-sheet-frame>
  `,
  styleUrl: './plan-page.less',
})
export class PlanPage {
  protected readonly store = inject(PlanStore);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly open = signal<'what-if' | 'give' | null>(null);
  protected readonly day = signal<string | null>(null);
  protected readonly time = showTime;
  protected readonly mayGive = computed(() => may(this.person()?.roles, 'give-out-plan'));
  private readonly days = computed(() => {
    const [plan, work, clock] = [this.store.plan(), this.store.work(), this.store.clock()];
    return plan && work && clock ? boardDays(plan, work, clock) : [];
  });
  protected readonly dayOptions = computed(() =>
    this.days().map(({ day, name }) => ({ value: day, label: `${name} ${Number(day.slice(8))}` })),
  );
  protected readonly shownDay = computed(() => {
    const all = this.days();
    return (all.find(({ day }) => day === this.day()) ?? all[0])?.day ?? null;
  });
  protected readonly board = computed(() => {
    const shown = this.days().find(({ day }) => day === this.shownDay());
    const plan = this.store.isByDue() ? (this.store.beside()?.byDue ?? null) : this.store.plan();
    const [work, clock, source] = [this.store.work(), this.store.clock(), this.store.day()];
    if (!shown || !plan || !work || !clock || !source || !work.benches.length) return null;
    const now = this.store.readAt() === null ? clock.minute(new Date().toISOString()) : null;
    return boardOf(shown, plan, work, source.about, clock, this.store.soon(), source.happened, now);
  });
  protected readonly headline = computed(() => {
    const [plan, work, clock] = [this.store.plan(), this.store.work(), this.store.clock()];
    return plan && work && clock
      ? planHeadline(plan, work, clock, this.store.beside(), this.store.out().length)
      : 'The plan';
  });
  protected readonly under = computed(() => {
    const [plan, work, clock, beside] = [this.store.plan(), this.store.work(), this.store.clock(), this.store.beside()];
    return plan && work && clock && beside ? planUnder(plan, work, clock, beside) : '';
  });
  protected readonly words = computed(() => {
    const found = this.store.found();
    return found ? searchWords(found.share, found.isProven, found.isLast) : '';
  });
  protected readonly givenWords = computed(() => {
    const given = this.store.day()?.given;
    return given ? `Plan ${given.revision}, given out by ${given.by} at ${showTime(given.at)}.` : '';
  });
  protected readonly weighed = computed(() => this.store.trial()?.text ?? this.store.said());
  protected readonly emptyWords = computed(() => {
    const work = this.store.work();
    if (!work?.benches.length) return 'No bench is written down yet, so nothing can be planned.';
    if (!work.people.some(({ shifts }) => shifts.length))
      return 'Nobody has hours in the next days, so nothing can be planned.';
    return 'Nothing is to be made: bring in a wire list at the bench.';
  });

  constructor() {
    // A job that is chosen is shown on its day.
    effect(() => {
      const [chosen, plan, clock] = [this.store.chosen(), this.store.plan(), this.store.clock()];
      const placed = plan?.placed.find(({ job }) => job === chosen);
      if (placed && clock) untracked(() => this.day.set(clock.day(placed.start)));
    });
    inject(Keys).use(
      [
        { key: '← → ↑ ↓', does: 'from job to job; with a job in hand, where it is put' },
        { key: 'M', does: 'take the job you are at in hand, or let it go' },
        { key: 'Enter', does: 'put the job in hand where it is shown' },
        { key: 'F', does: 'fix the chosen job where it is' },
        { key: 'O', does: 'take the chosen job out of the plan' },
        { key: 'W', does: 'what if' },
        { key: 'S', does: 'search, or stop searching' },
        { key: 'Esc', does: 'close what is open' },
      ],
      (key) => this.take(key),
    );
  }

  protected turn(what: 'what-if' | 'give'): void {
    this.open.set(this.open() === what ? null : what);
    if (this.open() !== 'what-if') this.store.dropScenario();
  }

  protected weigh(move: Move): void {
    this.store.weigh(move);
  }

  protected more(): void {
    void this.store.again(3 * SEARCH);
  }

  private take(key: string): boolean {
    const letter = key.toLowerCase();
    if (letter === 'w' && this.store.plan()) this.turn('what-if');
    else if (letter === 's') {
      const found = this.store.found();
      if (!found) void this.store.replan();
      else if (found.isLast) this.more();
      else void this.store.stop();
    } else if (letter === 'f' && this.mayGive()) void this.store.fixChosen();
    else if (letter === 'o' && this.mayGive()) void this.store.takeChosenOut();
    else if (key === 'Escape' && this.open() !== null) this.turn(this.open() ?? 'give');
    else return false;
    return true;
  }
}
