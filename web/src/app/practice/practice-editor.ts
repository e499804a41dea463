import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import type { Problem } from '@tug-mark/contract';
import { draftOf, resolvePractice, STARTER_RULES, type Practice, type PracticeDraft } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { switchMap } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { Field } from '../parts/field';
import { injectEditedForm } from '../parts/edited-form';
import { FormFaults } from '../parts/form-faults';
import { GradeField } from '../parts/grade-field';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TypedBack } from '../parts/typed-back';
import { RuleChoices } from './rule-choices';
import { RuleNumbers } from './rule-numbers';
import { draftFrom, faultsOf, RULE_HEADS, rulesForm } from './rules-form';

/**
 * A profile of house rules as a form: each choice made here, or left to the profile it is based on. The first profile of a
 * shop begins with what shops usually choose, to be read and kept.
 */
@Component({
  selector: 'tm-practice-editor',
  imports: [
    ...[
      ReactiveFormsModule,
      NzButtonModule,
      NzInputModule,
      Field,
      FormFaults,
      GradeField,
      Notice,
      ProblemNotice,
      RuleChoices,
    ],
    ...[RuleNumbers, Select, TypedBack],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form()" (ngSubmit)="keep()">
      <h2>{{ title() }}</h2>
      @if (isFirst()) {
        <tm-notice>
          This is what shops usually begin with. Read each line: where your customer’s specification or the maker’s
          sheet says otherwise, that one counts.
        </tm-notice>
      }
      <tm-typed-back [edited]="edited" />
      <tm-form-faults [faults]="faults()" [tries]="edited.tries()" />
      @if (refusal(); as text) {
        <tm-notice kind="bad">{{ text }}</tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="heads">
        @for (field of heads; track field.key) {
          @let control = form().controls.head.controls[field.key];
          <tm-field [for]="'p-' + field.key" [label]="field.title" [control]="control">
            @if (field.key === 'class') {
              <tm-grade-field fieldId="p-class" none="every grade" [control]="control" />
            } @else {
              <input
                nz-input
                autocomplete="off"
                [id]="'p-' + field.key"
                [readonly]="field.key === 'part' && practice() !== null"
                [formControl]="control"
                [attr.aria-required]="field.isNeeded"
              />
            }
          </tm-field>
        }
        @if (bases().length > 1) {
          <tm-field for="p-base" label="Based on">
            <tm-select selectId="p-base" [options]="bases()" [formControl]="form().controls.head.controls.base" />
          </tm-field>
        }
      </div>
      <h3>Choices</h3>
      <tm-rule-choices [form]="form()" [base]="base()" />
      <h3>Numbers</h3>
      <tm-rule-numbers [form]="form()" [base]="base()" />
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">
          {{ practice() ? 'Keep as a new revision' : 'Keep these house rules' }}
        </button>
        <button nz-button class="bench-button" type="button" (click)="leave()">
          {{ practice() ? 'Leave it as it was' : 'Leave it' }}
        </button>
      </p>
    </form>
  `,
  styleUrl: '../documents/draft.less',
  styles: `
    .heads {
      display: grid;
      gap: 14px 20px;
      grid-template-columns: repeat(auto-fill, minmax(min(230px, 100%), 1fr));
    }
    tm-select {
      width: 100%;
    }
  `,
})
export class PracticeEditor {
  private readonly api = inject(Api);
  readonly practice = input.required<Practice | null>();
  readonly others = input.required<readonly Practice[]>();
  readonly kept = output<string>();
  readonly closed = output();
  protected readonly heads = RULE_HEADS;
  protected readonly isFirst = computed(() => this.practice() === null && this.others().length === 0);
  protected readonly title = computed(() => {
    const practice = this.practice();
    if (practice) return `Change ${practice.label}`;
    return this.isFirst() ? 'The first house rules of this shop' : 'A new profile of house rules';
  });

  /** What the form begins with: the profile itself, the starter of a shop without any, or one based on the shop's own. */
  private readonly start = computed<PracticeDraft>(() => {
    const practice = this.practice();
    if (practice) return draftOf(practice);
    const whose = { customer: null, class: null };
    const own = untracked(this.others).find((other) => other.base === null);
    return own
      ? { ...whose, part: '', label: '', base: own.part, choices: {} }
      : { ...whose, part: 'house', label: 'House rules', base: null, choices: STARTER_RULES };
  });
  protected readonly edited = injectEditedForm(() => {
    const form = rulesForm(this.start());
    const place = `practice/${this.practice()?.part ?? 'new'}`;
    return { form, place, over: this.practice() && this.start() };
  });
  protected readonly form = this.edited.form;
  protected readonly base = computed(() => {
    this.edited.changes();
    const part = this.form().controls.head.controls.base.value;
    return this.others().find((other) => other.part === part) ?? null;
  });
  protected readonly bases = computed(() => [
    { value: '', label: 'nothing: it makes every choice itself' },
    ...this.others()
      .filter(({ part }) => part !== this.practice()?.part)
      .map(({ part, label }) => ({ value: part, label })),
  ]);
  protected readonly faults = computed(() => {
    this.edited.changes();
    return this.edited.tries() ? faultsOf(this.form()) : [];
  });
  protected readonly refusal = signal('');
  protected readonly problem = signal<Problem | null>(null);
  /** Revision the profile had when it was opened. */
  private readonly opened = toSignal(
    toObservable(this.practice).pipe(switchMap(async (practice) => (practice ? this.revisionOf(practice) : 0))),
    { initialValue: 0 },
  );

  private async revisionOf({ part }: Practice): Promise<number> {
    try {
      return (await this.api.revisions('practice', part))[0]?.revision ?? 0;
    } catch (error) {
      this.problem.set(toProblem(error));
      return 0;
    }
  }

  protected leave(): void {
    this.edited.memory().forget();
    this.closed.emit();
  }

  protected async keep(): Promise<void> {
    this.form().markAllAsTouched();
    this.edited.tried();
    if (this.faults().length) return;
    const draft = draftFrom(this.form());
    const resolved = resolvePractice(draft, this.others());
    this.refusal.set(resolved.ok ? '' : resolved.text);
    if (!resolved.ok) return;
    try {
      await this.api.keepPractice(this.opened(), draft);
      this.edited.memory().forget();
      this.kept.emit(draft.part);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
