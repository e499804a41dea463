import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { comparePlans, endOfPlan, whatIf } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Field } from '../parts/field';
import { Notice } from '../parts/notice';
import { plainNumber } from '../parts/plain-number';
import { Select } from '../parts/select';
import { refuse, typedText } from '../parts/zod-form';
import { listNames } from './plan-words';
import { PlanStore } from './plan.store';
import { ASKED, editOf, isKeepable, minuteAt, QUESTIONS, whenOf, whichOf, type Question } from './what-if-questions';

/** Hours a question reaches at most: what a plan looks ahead. */
const MOST_HOURS = 120;

/** A question to the plan, answered beside it: what becomes late, what could be done; kept, or thrown away. */
@Component({
  selector: 'tm-what-if',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, ChoiceButtons, Field, Notice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="What if">
      <div class="ask">
        <strong>What if</strong>
        <tm-choice-buttons label="What if" [options]="questions" [value]="question()" (valueChange)="ask($event)" />
      </div>
      <form class="ask" [formGroup]="form" (ngSubmit)="tryOut()" aria-label="What if">
        <div class="field">
          <label for="which">{{ asked().which }}</label>
          <tm-select selectId="which" [options]="options()" [value]="which()" (valueChange)="choose($event ?? '')" />
        </div>
        @if (which() !== '') {
          @if (asked().from; as label) {
            <tm-field class="short" for="what-from" [label]="label" [control]="form.controls.from">
              <input nz-input id="what-from" formControlName="from" />
            </tm-field>
          }
          @if (asked().hours; as label) {
            <tm-field class="short" for="what-hours" [label]="label" [control]="form.controls.hours">
              <input nz-input id="what-hours" inputmode="decimal" formControlName="hours" />
            </tm-field>
          }
        }
        <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="which() === ''">
          Try it out
        </button>
      </form>
      @if (store.scenario(); as scenario) {
        @if (scenario.plan === null) {
          <p role="status">Planning with: {{ scenario.text }} ...</p>
        } @else {
          <tm-notice announced>
            <strong>{{ scenario.text }}.</strong> {{ answer() }}
            @for (remedy of remedies(); track remedy) {
              <p>{{ remedy }}</p>
            }
          </tm-notice>
          <p class="acts">
            @if (keepable()) {
              <button nz-button type="button" (click)="store.keepScenario()">Keep it as the plan</button>
            } @else {
              <span class="soft">To plan it, bring it in as a wire list at the bench.</span>
            }
            <button nz-button type="button" (click)="store.dropScenario()">Throw it away</button>
          </p>
        }
      }
    </section>
  `,
  styles: `
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 12px;
      margin-bottom: 12px;
      padding: 14px 18px;
    }
    .ask {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
    }
    .short {
      width: 130px;
    }
    .ant-input {
      height: 40px;
    }
    .acts {
      align-items: center;
      display: flex;
      gap: 10px;
    }
  `,
})
export class WhatIfPanel {
  protected readonly store = inject(PlanStore);
  protected readonly questions = QUESTIONS;
  protected readonly question = signal<Question>('tool');
  protected readonly which = signal('');
  protected readonly asked = computed(() => ASKED[this.question()]);
  protected readonly form = new FormGroup({ from: typedText(), hours: typedText() });
  protected readonly keepable = computed(() => {
    const scenario = this.store.scenario();
    return scenario !== null && isKeepable(scenario);
  });
  protected readonly options = computed(() => {
    const [work, day, plan] = [this.store.work(), this.store.day(), this.store.plan()];
    return work && day && plan ? whichOf(this.question(), work, day.about, plan) : [];
  });
  /** The work as it would be then: a list that is tried out is known there alone. */
  private readonly changed = computed(() => {
    const [work, scenario] = [this.store.work(), this.store.scenario()];
    return work && scenario && whatIf(work, scenario.change);
  });
  protected readonly answer = computed(() => {
    const [found, plan] = [this.store.scenario()?.plan, this.store.plan()];
    const [work, clock] = [this.changed(), this.store.clock()];
    return found && plan && work && clock ? comparePlans(plan, found, work, clock.at) : '';
  });
  protected readonly remedies = computed(() => {
    const [scenario, work, clock] = [this.store.scenario(), this.changed(), this.store.clock()];
    if (!scenario?.plan || !work || !clock) return [];
    const { plan } = scenario;
    if (plan.score.lateness && !scenario.remedies.length)
      return ['Nothing that was tried (an hour more of somebody, another list that waits) brings less late.'];
    return scenario.remedies.map(({ text, plan: other }) => {
      const { lateLists } = other.score;
      const late = lateLists.length ? `late: ${listNames(lateLists, work)}` : 'nothing is late';
      return `What helps: ${text}. Then ${late}, the end at ${clock.at(endOfPlan(other))}.`;
    });
  });

  protected ask(question: Question | null): void {
    if (question === null) return;
    this.question.set(question);
    this.which.set('');
    this.store.dropScenario();
  }

  /** Says of whom or what, and begins with the time that is likely meant. */
  protected choose(id: string): void {
    this.which.set(id);
    const [work, clock] = [this.store.work(), this.store.clock()];
    if (id === '' || !work || !clock) return;
    const { from, hours } = whenOf(this.question(), id, work);
    this.form.setValue({ from: clock.time(from), hours: String(hours) });
  }

  protected tryOut(): void {
    const [day, clock] = [this.store.day(), this.store.clock()];
    const which = this.options().find(({ value }) => value === this.which());
    if (!day || !clock || !which) return;
    const { controls } = this.form;
    const asked = this.asked();
    const from = asked.from === null ? 0 : minuteAt(controls.from.value, clock);
    if (from === null) {
      refuse(controls.from, 'is no time of day, such as 13:30');
      return;
    }
    const hours = asked.hours === null ? 0 : plainNumber(controls.hours.value);
    if (hours === null || (asked.hours !== null && (hours <= 0 || hours > MOST_HOURS))) {
      refuse(controls.hours, `is no number from 0 to ${MOST_HOURS}`);
      return;
    }
    void this.store.tryOut(editOf(this.question(), which, { from, hours }, day.about, clock));
  }
}
