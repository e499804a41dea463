import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, setUpContext, type CombinationView, type Problem } from '@tug-mark/contract';
import { CHOICES, compareSetUps, computeSetUp, strandDamageText, type Practice } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CabinetParts } from '../cabinet/cabinet';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { PracticeEditor } from './practice-editor';
import { valueOf } from '../parts/value-of';
import { Select } from '../parts/select';

/** The shop's house rules, profile by profile, choice by choice, and what another school would change for a combination. */
@Component({
  selector: 'tm-practice-page',
  imports: [Select, RouterLink, NzButtonModule, ProblemNotice, PracticeEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>House rules: {{ practices().length }} {{ practices().length === 1 ? 'profile' : 'profiles' }}</h1>
          <p class="soft">
            Where practitioners disagree, the shop chooses, and says for whom. The most particular profile that matches
            customer and grade applies to a new list.
          </p>
        </div>
        @if (mayEdit() && !editing()) {
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
            <h2>
              What it changes for
              <a [routerLink]="['/bench', v.combination.id]">{{ v.terminal.part }} on {{ v.wire.part }}</a>
            </h2>
            @if (other()) {
              <div class="scroll" tabindex="0" role="region" aria-label="What differs">
                <table>
                  <thead>
                    <tr>
                      <th scope="col"></th>
                      <th scope="col">{{ p.label }}</th>
                      <th scope="col">{{ other()!.label }}</th>
                    </tr>
                  </thead>
                  <tbody>
                    @for (line of compared(); track line.about) {
                      <tr [class.changed]="line.differs">
                        <th scope="row">{{ line.about }}</th>
                        <td>{{ line.a }}</td>
                        <td>{{ line.differs ? line.b : 'the same' }}</td>
                      </tr>
                    }
                  </tbody>
                </table>
              </div>
            } @else {
              <p class="soft">Choose a profile or a school to put beside it.</p>
            }
          }
          <h2>Choices</h2>
          <div class="scroll" tabindex="0" role="region" aria-label="Choices">
            <table>
              <thead>
                <tr>
                  <th scope="col">Choice</th>
                  <th scope="col">{{ p.label }}</th>
                  @if (other()) {
                    <th scope="col">{{ other()!.label }}</th>
                  }
                  <th scope="col">Why practitioners disagree</th>
                </tr>
              </thead>
              <tbody>
                @for (choice of choices; track choice.key) {
                  <tr [class.changed]="other() && other()![choice.key] !== p[choice.key]">
                    <th scope="row">{{ choice.title }}</th>
                    <td>
                      {{ name(choice.key, p) }}<span class="soft effect">{{ effectOf(choice.key, p) }}</span>
                    </td>
                    @if (other(); as o) {
                      <td>
                        {{ name(choice.key, o) }}<span class="soft effect">{{ effectOf(choice.key, o) }}</span>
                      </td>
                    }
                    <td class="soft">{{ choice.why }}</td>
                  </tr>
                }
                @for (line of numbers(); track line.title) {
                  <tr [class.changed]="other() && line.a !== line.b">
                    <th scope="row">{{ line.title }}</th>
                    <td class="figures">{{ line.a }}</td>
                    @if (other()) {
                      <td class="figures">{{ line.b }}</td>
                    }
                    <td></td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      }
    </div>
  `,
  styleUrl: '../parts/compare.less',
  styles: `
    .picks {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
      margin-bottom: 12px;
    }
    .picks select {
      min-height: 46px;
      min-width: 260px;
    }
    h2 {
      margin: 18px 0 8px;
    }
    table {
      border: 1px solid var(--line);
    }
    th,
    td {
      padding: 6px 12px;
    }
    tbody th {
      min-width: 150px;
    }
    .effect {
      display: block;
      font-size: 14px;
    }
  `,
})
export class PracticePage {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly store = inject(CabinetParts);
  /** The combination it is compared for, from the address. */
  readonly with = input<string | undefined>();
  protected readonly choices = CHOICES;
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
  protected readonly mayEdit = computed(() => may(this.person()?.role ?? 'technician', 'edit-practice'));
  protected readonly practices = computed(() =>
    // The shop's own first, those for one customer or class after it.
    [...(this.store.cabinet()?.practices ?? [])].sort((a, b) => Number(a.base !== null) - Number(b.base !== null)),
  );
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
  protected readonly compared = computed(() => {
    const view = this.view();
    const [a, b] = [this.chosen(), this.other()];
    if (!view || !a || !b) return [];
    const context = setUpContext(view);
    const now = new Date().toISOString();
    const of = (practice: Practice) => computeSetUp({ ...context, practice }, [], now);
    return compareSetUps(of(a), of(b));
  });
  protected readonly numbers = computed(() => {
    const a = this.chosen();
    const b = this.other();
    if (!a) return [];
    const of = (p: Practice) => [
      ['fixed brush', `${p.brushFixed} mm`],
      ['insulation edge between grips', `${p.windowShare.min}–${p.windowShare.max} of the window`],
      ['bare wire behind a lug', `up to ${p.lugBare} mm`],
      ['strands that may be hurt', strandDamageText(p.strandDamage)],
      [
        'tensile strength',
        `copper ${p.tensileCopper}, high-strength ${p.tensileHighStrength}, aluminium ${p.tensileAluminium} N/mm²`,
      ],
      ['edge band', `${(p.edgeBand * 100).toFixed(0)} %`],
      ['set-up pieces', `${p.setUpPieces}, ${p.measuredPieces} of them measured`],
      ['group judgement', `${(p.coverage * 100).toFixed(1)} % hold, ${(p.confidence * 100).toFixed(0)} % sure`],
      ['limits released by', p.secondPersonReleases ? 'a second person' : 'anyone of quality'],
    ];
    const second = b ? of(b) : [];
    return of(a).map(([title = '', words = ''], i) => ({ title, a: words, b: second[i]?.[1] ?? '' }));
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

  protected name(key: (typeof CHOICES)[number]['key'], p: Practice): string {
    return this.school(key, p)?.title ?? String(p[key]);
  }
  protected effectOf(key: (typeof CHOICES)[number]['key'], p: Practice): string {
    return this.school(key, p)?.effect ?? '';
  }
  private school(key: (typeof CHOICES)[number]['key'], p: Practice) {
    return CHOICES.find((choice) => choice.key === key)?.schools.find((school) => school.value === p[key]);
  }

  protected async kept(part: string): Promise<void> {
    this.editing.set(null);
    this.pick.set(part);
    await this.store.load();
  }
}
