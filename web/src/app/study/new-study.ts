import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { setUpContext, type CombinationLine, type Problem } from '@tug-mark/contract';
import { computeSetUp, entriesOf, POINT_CODES, type Criterion } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { plainNumber } from '../parts/plain-number';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';

/** A study to be begun: its pieces drawn with a key that is computed, and photographs whose answer is known. */
@Component({
  selector: 'tm-new-study',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, ProblemNotice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
    <form (submit)="keep($event)">
      <div class="field">
        <label for="study-name">Name</label>
        <input nz-input id="study-name" maxlength="60" [formControl]="name" />
      </div>
      <div class="field">
        <label for="study-of">Pieces of</label>
        <tm-select selectId="study-of" [options]="offered()" [value]="of()" (valueChange)="choose($event ?? '')" />
      </div>
      <div class="field">
        <label for="study-count">Pieces drawn</label>
        <input nz-input id="study-count" inputmode="numeric" [formControl]="count" />
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
      <button nz-button class="bench-button" type="button" (click)="left.emit()">Leave it</button>
    </form>
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
  `,
})
export class NewStudy {
  readonly left = output();
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly problem = signal<Problem | null>(null);
  private readonly lines = signal<readonly CombinationLine[]>([]);
  protected readonly name = typedText();
  protected readonly of = signal('');
  protected readonly count = typedText('20');
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

  constructor() {
    this.api
      .combinations(0)
      .then(({ lines }) => {
        this.lines.set(lines.filter((line) => line.stages[0] !== 'fail'));
        this.choose(this.lines()[0]?.id ?? '');
      })
      .catch((error: unknown) => {
        this.problem.set(toProblem(error));
      });
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
        name: this.name.value,
        combination: this.of(),
        drawn: plainNumber(this.count.value) ?? NaN,
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
}
