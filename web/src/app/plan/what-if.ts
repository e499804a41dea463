import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { comparePlans, endOfPlan } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Notice } from '../parts/notice';
import { Select } from '../parts/select';
import { PlanStore } from './plan.store';
import { editOf, QUESTIONS, WHICH, whichOf, type Question } from './what-if-questions';

/** A question to the plan, answered beside it: what becomes late, what could be done; kept, or thrown away. */
@Component({
  selector: 'tm-what-if',
  imports: [NzButtonModule, ChoiceButtons, Notice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="What if">
      <div class="ask">
        <strong>What if</strong>
        <tm-choice-buttons label="What if" [options]="questions" [value]="question()" (valueChange)="ask($event)" />
      </div>
      <div class="ask">
        <div class="field">
          <label for="which">{{ whichLabel() }}</label>
          <tm-select selectId="which" [options]="options()" [value]="which()" (valueChange)="which.set($event ?? '')" />
        </div>
        <button
          nz-button
          nzType="primary"
          class="bench-button"
          type="button"
          [disabled]="which() === ''"
          (click)="tryOut()"
        >
          Try it out
        </button>
      </div>
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
            <button nz-button type="button" (click)="store.keepScenario()">Keep it as the plan</button>
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
    .acts {
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
  protected readonly whichLabel = computed(() => WHICH[this.question()]);
  protected readonly options = computed(() => {
    const [work, day, plan] = [this.store.work(), this.store.day(), this.store.plan()];
    return work && day && plan ? whichOf(this.question(), work, day.about, plan) : [];
  });
  protected readonly answer = computed(() => {
    const [scenario, plan, work, clock] = [
      this.store.scenario(),
      this.store.plan(),
      this.store.work(),
      this.store.clock(),
    ];
    return scenario?.plan && plan && work && clock ? comparePlans(plan, scenario.plan, work, clock.at) : '';
  });
  protected readonly remedies = computed(() => {
    const [scenario, clock] = [this.store.scenario(), this.store.clock()];
    if (!scenario?.plan || !clock) return [];
    const { plan } = scenario;
    if (plan.score.lateness && !scenario.remedies.length)
      return ['Nothing that was tried (an hour more of somebody, another list that waits) brings less late.'];
    return scenario.remedies.map(({ text, plan: other }) => {
      const late = other.score.lateLists.length;
      return `What helps: ${text}. Then ${late ? `late: ${other.score.lateLists.join(', ')}` : 'nothing is late'}, the end at ${clock.at(endOfPlan(other))}.`;
    });
  });

  protected ask(question: Question | null): void {
    if (question === null) return;
    this.question.set(question);
    this.which.set('');
    this.store.dropScenario();
  }

  protected tryOut(): void {
    const [work, day] = [this.store.work(), this.store.day()];
    const which = this.options().find(({ value }) => value === this.which());
    if (work && day && which) void this.store.tryOut(editOf(this.question(), which, work, day.about));
  }
}
