import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, setUpContext, type CombinationLine, type Problem, type StudyLine } from '@tug-mark/contract';
import { computeSetUp, entriesOf, POINT_CODES, ROUNDS, type Criterion } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { plainNumber } from '../parts/plain-number';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { showTime } from '../parts/show-time';
import { valueOf } from '../parts/value-of';
import { sessionFeature } from '../session/session.state';

/** Studies of how well inspectors agree, with the key and with each other. */
@Component({
  selector: 'tm-studies-page',
  imports: [RouterLink, NzButtonModule, NzInputModule, ProblemNotice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Do our inspectors agree?</h1>
          <p class="soft">
            Everybody looks at the same pieces blind, twice, in another order each time. Drawn pieces have a key that is
            computed; a study of real pieces needs photographs with a known answer. Misses cost more than false alarms.
          </p>
        </div>
        @if (maySet() && !isNew()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="begin()">Begin a study</button>
        }
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (isNew()) {
        <form (submit)="keep($event)">
          <div class="field">
            <label for="study-name">Name</label>
            <input nz-input id="study-name" maxlength="60" [value]="name()" (input)="name.set(value($event))" />
          </div>
          <div class="field">
            <label for="study-of">Pieces of</label>
            <tm-select selectId="study-of" [options]="offered()" [value]="of()" (valueChange)="choose($event ?? '')" />
          </div>
          <div class="field">
            <label for="study-count">Pieces drawn</label>
            <input nz-input id="study-count" inputmode="numeric" [value]="count()" (input)="count.set(value($event))" />
          </div>
          @for (photo of photos(); track photo.id) {
            <div class="field">
              <label [attr.for]="'photo-' + photo.id">
                <img [src]="photo.small" alt="" width="96" height="72" /> Photograph of piece {{ photo.piece }}
              </label>
              <tm-select
                [selectId]="'photo-' + photo.id"
                [options]="answers()"
                [value]="keys().get(photo.id) ?? ''"
                (valueChange)="keyOf(photo.id, $event ?? '')"
              />
            </div>
          }
          <button nz-button nzType="primary" class="bench-button" type="submit">Begin it</button>
          <button nz-button class="bench-button" type="button" (click)="isNew.set(false)">Leave it</button>
        </form>
      }
      <div class="scroll" tabindex="0" role="region" aria-label="Studies">
        <table>
          <thead>
            <tr>
              <th scope="col">Study</th>
              <th scope="col">Pieces</th>
              <th scope="col">Begun</th>
              <th scope="col">Who has answered</th>
              <th scope="col"></th>
            </tr>
          </thead>
          <tbody>
            @for (study of studies(); track study.id) {
              <tr>
                <th scope="row">
                  {{ study.name }} <span class="soft">{{ study.terminal }} on {{ study.wire }}</span>
                </th>
                <td class="figures">{{ study.items }}</td>
                <td>{{ time(study.at) }}, {{ study.by }}</td>
                <td>
                  @for (who of study.people; track who.person) {
                    <span class="who">{{ who.person }} {{ who.answers }} of {{ rounds * study.items }}</span>
                  } @empty {
                    <span class="soft">nobody yet</span>
                  }
                </td>
                <td class="acts">
                  @if (study.closedAt) {
                    <a class="file-choice" [routerLink]="['/shop/studies', study.id]">Results</a>
                  } @else {
                    <a class="file-choice" [routerLink]="['/shop/studies', study.id]">Look at the pieces</a>
                    @if (maySet()) {
                      <button nz-button class="bench-button" type="button" (click)="close(study)">
                        Close {{ study.name }}
                      </button>
                    }
                  }
                </td>
              </tr>
            } @empty {
              <tr>
                <td colspan="5" class="soft">
                  {{ loaded() ? 'No study yet. Quality or an engineer begins one.' : 'Loading ...' }}
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    </div>
  `,
  styles: `
    form {
      align-items: end;
      background: var(--sheet);
      border: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 12px 16px;
      margin-bottom: 16px;
      padding: 14px 16px;
    }
    .field {
      display: grid;
    }
    tm-select {
      width: min(420px, 100%);
    }
    .field img {
      object-fit: cover;
      vertical-align: middle;
    }
    input {
      min-height: 44px;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      border-bottom: 1px solid var(--line);
      padding: 8px 14px 8px 0;
      text-align: left;
    }
    tbody th span {
      display: block;
      font-weight: 400;
    }
    .who {
      display: block;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      justify-content: end;
    }
  `,
})
export class StudiesPage {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly value = valueOf;
  protected readonly time = showTime;
  protected readonly rounds = ROUNDS;
  protected readonly studies = signal<readonly StudyLine[]>([]);
  protected readonly lines = signal<readonly CombinationLine[]>([]);
  protected readonly loaded = signal(false);
  protected readonly isNew = signal(false);
  protected readonly name = signal('');
  protected readonly of = signal('');
  protected readonly count = signal('20');
  /** Photographs of the combination chosen, and what is known of those taken up. */
  protected readonly photos = signal<readonly { id: string; piece: number; small: string }[]>([]);
  /** Points its pieces can be bad at. */
  protected readonly points = signal<readonly Criterion[]>([]);
  protected readonly keys = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly offered = computed(() =>
    this.lines().map(({ id, terminalLabel, wireLabel, list }) => ({
      value: id,
      label: `${terminalLabel} on ${wireLabel}, ${list}`,
    })),
  );
  protected readonly answers = computed(() => [
    { value: '', label: 'left out' },
    { value: 'accept', label: 'known to be good' },
    ...this.points().map(({ code, title }) => ({ value: code as string, label: `bad: ${title.toLowerCase()}` })),
  ]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly maySet = computed(() => may(this.person()?.role ?? 'technician', 'set-study'));

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      this.studies.set(await this.api.studies());
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async begin(): Promise<void> {
    this.isNew.set(true);
    try {
      const { lines } = await this.api.combinations(0);
      this.lines.set(lines.filter((l) => l.stages[0] !== 'fail'));
      this.choose(this.lines()[0]?.id ?? '');
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** Takes the combination, and offers its photographs. */
  protected choose(id: string): void {
    this.of.set(id);
    this.photos.set([]);
    this.keys.set(new Map());
    this.api
      .combination(id)
      .then((view) => {
        if (this.of() !== id) return;
        const { criteria } = computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
        this.points.set(criteria.filter((c) => c.view !== 'section'));
        this.photos.set(
          entriesOf(view.entries, 'photo')
            .filter(({ body }) => body.shows !== 'section')
            .map(({ body: { photo, piece } }) => ({
              id: photo.id,
              piece,
              small: `/api/combinations/${id}/photos/${photo.id}/small`,
            })),
        );
      })
      .catch((error: unknown) => {
        this.problem.set(toProblem(error));
      });
  }

  protected keyOf(photo: string, key: string): void {
    this.keys.update((keys) => {
      const next = new Map(keys);
      if (key) next.set(photo, key);
      else next.delete(photo);
      return next;
    });
  }

  protected async keep(event: Event): Promise<void> {
    event.preventDefault();
    try {
      const id = timeOrderedId(Date.now());
      await this.api.beginStudy({
        id,
        name: this.name(),
        combination: this.of(),
        drawn: plainNumber(this.count()) ?? NaN,
        photos: [...this.keys()].map(([photo, key]) => ({
          photo,
          key: key === 'accept' ? ('accept' as const) : ('reject' as const),
          point: POINT_CODES.find((code) => code === key) ?? null,
        })),
      });
      await this.router.navigate(['/shop/studies', id]);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async close(study: StudyLine): Promise<void> {
    try {
      await this.api.closeStudy(study.id);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
