import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { type Criterion, type Finding } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { focusMeasure, Measures } from '../parts/measures';
import { Keys } from '../shell/keys';
import { valueOf } from '../parts/value-of';

const ANSWERS: readonly { finding: Finding; key: string; word: string }[] = [
  { finding: 'accept', key: '1', word: 'Accept' },
  { finding: 'rework', key: '2', word: 'Rework' },
  { finding: 'reject', key: '3', word: 'Reject' },
];
const STATE = { accept: 'pass', rework: 'hold', reject: 'fail' } as const;
const PIECE_STATE = { accepted: 'pass', rework: 'hold', rejected: 'fail', open: 'missing' } as const;

/** Is the finished crimp right to the eye? Piece by piece, point by point, by keys. */
@Component({
  selector: 'tm-look-stage',
  imports: [RouterLink, NzButtonModule, NzInputModule, Mark, Measures],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (criteria().length) {
      <div class="head">
        <h1>{{ headline() }}</h1>
        <p class="why">{{ why() }}</p>
      </div>
      @if (!taken()) {
        <p class="notice">
          No tool is taken yet, so nothing can be kept: the pieces have to be made first.
          <a [routerLink]="['/bench', hand.view()?.combination?.id, 'tool']">To Tool</a>
        </p>
      }
      <tm-measures what="height" />
      <div class="pieces" role="tablist" aria-label="Sample pieces">
        @for (state of pieces(); track $index) {
          <button
            type="button"
            role="tab"
            [attr.aria-selected]="piece() === $index + 1"
            aria-controls="points"
            [class.here]="piece() === $index + 1"
            (click)="go($index + 1, 0)"
          >
            <tm-mark [state]="pieceState[state]" /> Piece {{ $index + 1 }}
          </button>
        }
      </div>
      <div id="points" role="tabpanel" [attr.aria-label]="'Points of piece ' + piece()">
        <ol>
          @for (criterion of criteria(); track criterion.code; let i = $index) {
            @let given = findings().get(piece() + '/' + criterion.code);
            <li [class.here]="i === point()" [attr.aria-current]="i === point() ? 'step' : null">
              <button type="button" class="row" (click)="point.set(i)">
                <tm-mark [state]="given ? state[given.body.finding] : 'missing'" [size]="18" />
                <span class="title">{{ criterion.title }}</span>
                <span>{{ criterion.accept }}</span>
                <span class="soft">{{
                  given ? given.body.finding + (given.body.note ? ': ' + given.body.note : '') : criterion.view
                }}</span>
              </button>
            </li>
          }
        </ol>
      </div>
      <div class="foot">
        @if (change(); as wanted) {
          <form class="notice" (submit)="correct($event, why.value)">
            <label for="why-finding">
              It is on record as {{ wanted.standing }}. Why is it {{ wanted.finding }} now? The first finding stays on
              record.
            </label>
            <input nz-input id="why-finding" #why maxlength="500" />
            <button nz-button nzType="primary" class="bench-button" type="submit">Correct it</button>
            <button nz-button class="bench-button" type="button" (click)="change.set(null)">Leave it</button>
          </form>
        } @else if (current(); as criterion) {
          @for (answer of answers; track answer.key) {
            @if (criterion.findings.includes(answer.finding)) {
              <button
                nz-button
                [nzType]="answer.finding === 'accept' ? 'primary' : 'default'"
                class="bench-button"
                type="button"
                (click)="find(answer.finding)"
              >
                <kbd>{{ answer.key }}</kbd> {{ answer.word }}
              </button>
            }
          }
          <div class="field note">
            <label for="look-note" class="out-of-sight">Note for this point</label>
            <input
              nz-input
              id="look-note"
              maxlength="500"
              placeholder="note for this point (N)"
              [value]="note()"
              (input)="note.set(value($event))"
              (keydown.enter)="leaveNote($event)"
            />
          </div>
          <span class="keys"><kbd>↑</kbd> <kbd>↓</kbd> points <kbd>←</kbd> <kbd>→</kbd> pieces</span>
        }
        @if (done()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">Go on to Tug</button>
        }
        @if (refusal()) {
          <p class="notice bad" role="alert">{{ refusal() }}</p>
        }
      </div>
    } @else {
      <h1>Look waits for the set-up.</h1>
      <p class="why">The points and their numbers follow from the tool and the strip length.</p>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    .pieces {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    .pieces button {
      align-items: center;
      background: var(--paper);
      border: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      display: flex;
      font: 600 16px var(--figures);
      gap: 8px;
      min-height: 46px;
      padding: 0 16px;
    }
    .pieces .here {
      background: var(--petrol-tint);
      border-color: var(--petrol);
    }
    .row {
      align-items: center;
      background: none;
      border: 0;
      border-bottom: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      gap: 12px;
      grid-template-columns: 20px 150px 1fr minmax(110px, auto);
      line-height: 1.3;
      min-height: 44px;
      padding: 6px 10px;
      text-align: left;
      width: 100%;
    }
    li {
      scroll-margin-bottom: 90px;
    }
    .title {
      font: 600 16px/1.25 var(--figures);
    }
    li.here .row {
      background: var(--petrol-tint);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .note {
      flex: 1;
      min-width: 180px;
    }
    .note input,
    form input {
      min-height: 46px;
    }
    form {
      display: flex;
      flex: 1;
      flex-wrap: wrap;
      gap: 10px;
    }
    form label {
      flex-basis: 100%;
    }
    form input {
      flex: 1;
      min-width: 220px;
    }
    .bench-button kbd {
      margin-right: 6px;
    }
    @media (max-width: 1100px) {
      .row {
        grid-template-columns: 20px 120px 1fr;
        row-gap: 1px;
      }
      .row .soft {
        grid-column: 3;
      }
    }
  `,
})
export class LookStage {
  protected readonly value = valueOf;
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly answers = ANSWERS;
  protected readonly state = STATE;
  protected readonly pieceState = PIECE_STATE;
  protected readonly piece = signal(1);
  protected readonly point = signal(0);
  protected readonly note = signal('');
  protected readonly refusal = signal('');
  protected readonly change = signal<{ finding: Finding; standing: Finding; corrects: string } | null>(null);

  protected readonly criteria = computed<readonly Criterion[]>(() => this.hand.setUp()?.criteria ?? []);
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly current = computed(() => this.criteria()[this.point()]);
  protected readonly pieces = computed(() => this.hand.judgement()?.look.pieces ?? []);
  protected readonly findings = computed(
    () => new Map(this.hand.of('finding').map((e) => [`${e.body.piece}/${e.body.criterion}`, e])),
  );
  protected readonly done = computed(() => this.pieces().length > 0 && !this.pieces().includes('open'));
  protected readonly headline = computed(() => {
    const rejected = this.pieces().filter((p) => p === 'rejected').length;
    if (rejected) return `${rejected} of ${this.pieces().length} pieces rejected: the set-up is not good.`;
    if (this.done()) return `All ${this.pieces().length} pieces are looked at.`;
    return `Piece ${this.piece()} of ${this.pieces().length}: ${this.current()?.title.toLowerCase() ?? ''}, ${this.current()?.view ?? ''}.`;
  });
  protected readonly why = computed(() => {
    const bad = this.hand.judgement()?.look.reasons.find((r) => r.weight === 'bad');
    return bad ? `${bad.text} A pull that holds does not change that.` : (this.current()?.accept ?? '');
  });

  constructor() {
    // Go to the first open point once the journal is there.
    const start = effect(() => {
      const open = this.firstOpen(1);
      if (!this.criteria().length) return;
      start.destroy();
      const at = open ?? this.firstRejected();
      if (at) this.go(at.piece, at.point);
    });
    // The point in hand stays in sight above the buttons.
    effect(() => {
      this.piece();
      this.point();
      setTimeout(() => document.querySelector('#points .here')?.scrollIntoView({ block: 'nearest' }));
    });
    inject(Keys).use(
      [
        { key: '1', does: 'accept' },
        { key: '2', does: 'rework, where the fault can be reworked' },
        { key: '3', does: 'reject' },
        { key: '↑ ↓', does: 'point' },
        { key: '← →', does: 'piece' },
        { key: 'N', does: 'write a note for the point' },
        { key: 'M', does: 'type the crimp height of the next piece' },
        { key: 'Enter', does: 'go on to Tug when all is looked at' },
      ],
      (key) => this.handle(key),
    );
  }

  private handle(key: string): boolean {
    const answer = ANSWERS.find((a) => a.key === key);
    const points = this.criteria().length;
    if (answer) {
      if (this.current()?.findings.includes(answer.finding)) this.find(answer.finding);
      else this.refusal.set(`'${this.current()?.title}' cannot be reworked: accept (1) or reject (3).`);
    } else if (key === 'ArrowDown') this.point.update((p) => Math.min(points - 1, p + 1));
    else if (key === 'ArrowUp') this.point.update((p) => Math.max(0, p - 1));
    else if (key === 'ArrowRight') this.go(Math.min(this.pieces().length, this.piece() + 1), this.point());
    else if (key === 'ArrowLeft') this.go(Math.max(1, this.piece() - 1), this.point());
    else if (key.toLowerCase() === 'm') focusMeasure('height');
    else if (key.toLowerCase() === 'n') document.getElementById('look-note')?.focus();
    else if (key === 'Enter' && this.done()) this.next();
    else return false;
    return true;
  }

  private firstOpen(from: number): { piece: number; point: number } | null {
    const count = this.pieces().length;
    for (let i = 0; i < count; i++) {
      const piece = ((from - 1 + i) % count) + 1;
      const point = this.criteria().findIndex((c) => !this.findings().has(`${piece}/${c.code}`));
      if (point >= 0) return { piece, point };
    }
    return null;
  }

  private firstRejected(): { piece: number; point: number } | null {
    const bad = this.hand.of('finding').find((e) => e.body.finding === 'reject')?.body;
    return bad ? { piece: bad.piece, point: this.criteria().findIndex((c) => c.code === bad.criterion) } : null;
  }

  protected go(piece: number, point: number): void {
    this.piece.set(piece);
    this.point.set(point);
    this.change.set(null);
  }

  protected find(finding: Finding): void {
    const criterion = this.current();
    if (!criterion) return;
    const standing = this.findings().get(`${this.piece()}/${criterion.code}`);
    if (standing) {
      if (standing.body.finding === finding) this.advance();
      else {
        this.change.set({ finding, standing: standing.body.finding, corrects: standing.id });
        setTimeout(() => document.getElementById('why-finding')?.focus());
      }
      return;
    }
    this.keep(finding, criterion.code, null);
  }

  protected correct(event: Event, why: string): void {
    event.preventDefault();
    const wanted = this.change();
    const criterion = this.current();
    if (wanted && criterion) this.keep(wanted.finding, criterion.code, { corrects: wanted.corrects, why });
  }

  private keep(finding: Finding, criterion: string, correction: { corrects: string; why: string } | null): void {
    const body = { kind: 'finding', piece: this.piece(), criterion, finding, note: this.note() } as const;
    const refusal = this.hand.put(body, correction);
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.note.set('');
    this.change.set(null);
    if (!correction) this.advance();
  }

  private advance(): void {
    if (this.point() < this.criteria().length - 1) this.point.update((p) => p + 1);
    else {
      const open = this.firstOpen(this.piece());
      if (open) this.go(open.piece, open.point);
    }
  }

  protected leaveNote(event: Event): void {
    event.preventDefault();
    (event.target as HTMLElement).blur();
  }

  protected next(): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'tug']);
  }
}
