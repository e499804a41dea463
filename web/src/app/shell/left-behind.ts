import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { settleUnsentSchema, type Problem, type Unsent } from '@tug-mark/contract';
import { describeEntry } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { outboxActions, outboxFeature, type OutboxItem } from '../outbox/outbox.state';
import { Field } from '../parts/field';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { typedText } from '../parts/zod-form';
import { sessionFeature } from '../session/session.state';

/**
 * Entries that wait on this device for somebody who does not come back: whoever is here puts them on record as their own, or
 * drops them, and why is on record either way.
 */
@Component({
  selector: 'tm-left-behind',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="Entries left on this device">
      <ul>
        @for (item of left(); track item.entry.id) {
          <li>
            {{ describe(item) }} <span class="soft">{{ item.personName }}, {{ time(item.madeAt) }}</span>
          </li>
        }
      </ul>
      <tm-field for="left-why" label="Why does somebody else settle them? It stays on record." [control]="why">
        <input nz-input id="left-why" maxlength="500" [formControl]="why" autocomplete="off" />
      </tm-field>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="acts">
        <button nz-button class="bench-button" type="button" [disabled]="busy()" (click)="settle('handed-over')">
          Put on record as mine
        </button>
        <button nz-button class="bench-button" type="button" [disabled]="busy()" (click)="settle('dropped')">
          Drop {{ left().length === 1 ? 'it' : 'them' }}
        </button>
      </div>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      padding: 10px 20px 16px;
    }
    ul {
      max-height: 30vh;
      overflow-y: auto;
    }
    tm-field {
      width: min(620px, 100%);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
  `,
})
export class LeftBehind {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  private readonly waiting = this.store.selectSignal(outboxFeature.selectWaiting);
  protected readonly left = computed(() => this.waiting().filter((item) => item.person !== this.person()?.id));
  protected readonly why = typedText('', settleUnsentSchema.shape.why);
  protected readonly busy = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly time = showTime;

  protected describe({ entry }: OutboxItem): string {
    return describeEntry(entry.body);
  }

  /** One after the other; what was settled when one fails stays settled. */
  protected async settle(act: Unsent['act']): Promise<void> {
    this.why.markAsTouched();
    this.why.updateValueAndValidity();
    const person = this.person();
    if (this.why.invalid || !person) return;
    this.busy.set(true);
    this.problem.set(null);
    try {
      for (const { entry, combination, personName, madeAt } of this.left()) {
        const said = { id: entry.id, body: entry.body, madeBy: personName, madeAt, act, why: this.why.value };
        try {
          await this.api.settleUnsent(combination, said);
        } catch (error) {
          if (toProblem(error).code !== 'not-found') throw error;
          this.store.dispatch(outboxActions.foundElsewhere({ id: entry.id }));
          continue;
        }
        this.store.dispatch(
          act === 'dropped'
            ? outboxActions.dropped({ id: entry.id })
            : outboxActions.handedOver({ id: entry.id, person: person.id, personName: person.name }),
        );
      }
      this.why.reset();
    } catch (error) {
      this.problem.set(toProblem(error));
    } finally {
      this.busy.set(false);
    }
  }
}
