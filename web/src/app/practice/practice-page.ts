import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type CombinationView, type Problem } from '@tug-mark/contract';
import { CHOICES, type Practice } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzEmptyModule } from 'ng-zorro-antd/empty';
import { CabinetStore } from '../cabinet/cabinet.store';
import { Api, toProblem } from '../http/api';
import { count } from '../parts/count';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { sessionFeature } from '../session/session.state';
import { PracticeChoices } from './practice-choices';
import { PracticeEditor } from './practice-editor';
import { PracticeEffect } from './practice-effect';

/** The shop's house rules, profile by profile, choice by choice, and what another school would change for a combination. */
@Component({
  selector: 'tm-practice-page',
  imports: [NzButtonModule, NzEmptyModule, PracticeChoices, PracticeEditor, PracticeEffect, ProblemNotice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ isEmpty() ? 'House rules' : 'House rules: ' + count(practices().length, 'profile') }}</h1>
          <p class="soft">
            Where practitioners disagree, the shop chooses, and says for whom. The most particular profile that matches
            customer and grade applies to a new list.
          </p>
        </div>
        @if (mayEdit() && !editing() && !isEmpty()) {
          <button nz-button class="bench-button" type="button" (click)="editing.set('new')">New profile</button>
        }
      </div>
      @if (problem() ?? store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (editing(); as what) {
        <tm-practice-editor
          [practice]="what === 'new' ? null : chosen()"
          [others]="practices()"
          (kept)="kept($event)"
          (closed)="editing.set(null)"
        />
      } @else if (isEmpty()) {
        <nz-empty [nzNotFoundContent]="none" nzNotFoundImage="simple" />
        <ng-template #none>
          <p class="none">
            This shop has no house rules yet. Strip lengths, tools and verdicts follow from them: without them no wire
            list can be taken in.
          </p>
          @if (mayEdit()) {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="editing.set('new')">
              Read and keep the usual ones
            </button>
          } @else {
            <p class="soft">An engineer makes them.</p>
          }
        </ng-template>
      } @else {
        <div class="picks">
          <div class="field">
            <label for="profile">Profile</label>
            <tm-select
              selectId="profile"
              [options]="profiles()"
              [value]="chosen()?.part ?? null"
              (valueChange)="pick.set($event ?? '')"
            />
          </div>
          <div class="field">
            <label for="beside-profile">beside</label>
            <tm-select
              selectId="beside-profile"
              [options]="others()"
              [value]="beside()"
              (valueChange)="beside.set($event ?? '')"
            />
          </div>
          @if (mayEdit()) {
            <button nz-button class="bench-button" type="button" (click)="editing.set('this')">
              Change this profile
            </button>
          }
        </div>
        @if (chosen(); as p) {
          <p>
            <strong>{{ p.part }}</strong> for {{ p.customer ?? 'every customer' }},
            {{ p.class ? 'grade ' + p.class : 'every grade' }}{{ p.base ? '; other choices from ' + p.base : '' }}.
          </p>
          @if (view(); as v) {
            <tm-practice-effect [view]="v" [practice]="p" [other]="other()" />
          }
          <tm-practice-choices [practice]="p" [other]="other()" />
        }
      }
    </div>
  `,
  styles: `
    .none {
      max-width: 60ch;
      margin: 0 auto 12px;
    }
    .picks {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
      margin-bottom: 12px;
    }
  `,
})
export class PracticePage {
  protected readonly count = count;
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly store = inject(CabinetStore);
  /** The combination it is compared for, from the address. */
  readonly with = input<string | undefined>();
  protected readonly pick = signal('');
  protected readonly beside = signal('');
  protected readonly editing = signal<'new' | 'this' | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly view = signal<CombinationView | null>(null);
  protected readonly profiles = computed(() => this.practices().map(({ part, label }) => ({ value: part, label })));
  protected readonly others = computed(() => [
    { value: '', label: 'nothing' },
    ...this.profiles().filter(({ value }) => value !== this.chosen()?.part),
    ...this.schools().map(({ key, title }) => ({ value: key, label: `another school: ${title}` })),
  ]);
  protected readonly mayEdit = computed(() => may(this.person()?.roles, 'edit-practice'));
  protected readonly practices = this.store.practices;
  protected readonly isEmpty = computed(() => this.store.loaded() && this.practices().length === 0);
  protected readonly chosen = computed<Practice | null>(() => {
    const wanted = this.pick() || this.view()?.practice.part;
    return this.practices().find((p) => p.part === wanted) ?? this.practices()[0] ?? null;
  });
  /** Every single choice turned to another school, so that its effect alone can be seen. */
  protected readonly schools = computed(() => {
    const p = this.chosen();
    if (!p) return [];
    return CHOICES.flatMap((choice) =>
      choice.schools
        .filter((school) => school.value !== p[choice.key])
        .map((school) => ({
          key: `${choice.key}=${school.value}`,
          title: `${choice.title.toLowerCase()}, ${school.title}`,
          choice,
          school,
        })),
    );
  });
  protected readonly other = computed<Practice | null>(() => {
    const p = this.chosen();
    const school = this.schools().find((s) => s.key === this.beside());
    if (school && p) return { ...p, label: school.school.title, [school.choice.key]: school.school.value };
    return this.practices().find((found) => found.part === this.beside()) ?? null;
  });
  constructor() {
    void this.store.load();
    effect(() => {
      const id = this.with();
      if (!id) return;
      void this.api.combination(id).then(
        (view) => {
          this.view.set(view);
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  protected async kept(part: string): Promise<void> {
    this.editing.set(null);
    this.pick.set(part);
    await this.store.load();
  }
}
