import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { setUpContext, type Problem, type StudyResults, type StudyTurn } from '@tug-mark/contract';
import { computeSetUp, isCaliperOnly, type Piece, type PointCode } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { PieceView } from '../look/piece-view';
import { ProblemNotice } from '../parts/problem-notice';
import { Keys } from '../shell/keys';
import { StudyResultsTable } from './study-results';
import { Notice } from '../parts/notice';

/** Keys of the points a bad piece can be bad at: digits first, then letters. */
const POINT_KEYS = '123456789bcdefghij';

/** A study: the pieces to be looked at blind while it is open, what it showed once it is closed. */
@Component({
  selector: 'tm-study-page',
  imports: [Notice, RouterLink, NzButtonModule, PieceView, ProblemNotice, StudyResultsTable],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">{{ why() }} <a routerLink="/shop/studies">All studies</a></p>
        </div>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (turn(); as t) {
        @if (t.shows; as shows) {
          <div class="piece">
            @if (shows.kind === 'photo') {
              <img
                [src]="'/api/combinations/' + shows.combination + '/photos/' + shows.photo"
                alt="The piece to be judged"
              />
            } @else if (look(); as l) {
              <tm-piece-view
                [look]="l"
                [piece]="piece()"
                view="from the side"
                point="blind"
                said="The piece to be judged, from the side"
              />
              <tm-piece-view
                [look]="l"
                [piece]="piece()"
                view="end on"
                point="blind"
                said="The piece to be judged, end on"
              />
            }
          </div>
          @if (wanted(); as list) {
            <p class="soft">As it should be: {{ list }}</p>
          }
          <div class="acts">
            @if (!isBad()) {
              <button nz-button nzType="primary" class="bench-button" type="button" (click)="answer(null)">
                <kbd>1</kbd> Good
              </button>
              <button nz-button class="bench-button" type="button" (click)="isBad.set(true)">
                <kbd>2</kbd> Not good
              </button>
            } @else {
              <strong>At which point?</strong>
              @for (c of criteria(); track c.code; let i = $index) {
                <button nz-button class="bench-button" type="button" (click)="answer(c.code)">
                  <kbd>{{ pointKeys[i] }}</kbd> {{ c.title }}
                </button>
              }
              <button nz-button class="bench-button" type="button" (click)="isBad.set(false)">
                <kbd>Esc</kbd> Back
              </button>
            }
          </div>
        } @else if (t.line.closedAt === null) {
          <tm-notice>You have answered everything. The result shows once quality closes the study.</tm-notice>
        }
      }
      @if (results(); as r) {
        <tm-study-results [results]="r.result" />
      }
    </div>
  `,
  styles: `
    .piece {
      align-items: center;
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 24px;
      grid-template-columns: minmax(0, 5fr) minmax(0, 2fr);
      padding: 20px;
    }
    .piece img {
      grid-column: 1 / -1;
      max-height: 52vh;
      max-width: 100%;
    }
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 16px 0;
    }
    .acts kbd {
      margin-right: 6px;
    }
  `,
})
export class StudyPage {
  private readonly api = inject(Api);
  readonly id = input.required<string>();
  protected readonly pointKeys = POINT_KEYS;
  protected readonly turn = signal<StudyTurn | null>(null);
  protected readonly results = signal<StudyResults | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly isBad = signal(false);
  private readonly sending = signal(false);
  private readonly setUp = computed(() => {
    const turn = this.turn();
    if (!turn) return null;
    const { setUp, line } = turn;
    const context = setUpContext({ ...setUp, newest: setUp.revisions });
    return computeSetUp({ ...context, cabinet: [], newest: setUp.revisions }, [], line.at);
  });
  protected readonly look = computed(() => this.setUp()?.look ?? null);
  protected readonly criteria = computed(() => (this.setUp()?.criteria ?? []).filter((c) => !isCaliperOnly(c)));
  protected readonly piece = computed(() => {
    const shows = this.turn()?.shows;
    return (shows?.kind === 'drawn' ? shows.piece : {}) as unknown as Piece;
  });
  /** The numbers an inspector would have beside the piece. */
  protected readonly wanted = computed(() =>
    this.criteria()
      .filter((c) => ['brush', 'gap', 'seam', 'mark', 'bellmouth'].includes(c.code))
      .map((c) => c.accept)
      .join(' '),
  );
  protected readonly headline = computed(() => {
    const [turn, results] = [this.turn(), this.results()];
    if (results) {
      const misses = results.result.inspectors.reduce((sum, i) => sum + i.misses, 0);
      const bad = results.result.inspectors.reduce((sum, i) => sum + i.bad, 0);
      return `${results.line.name}: ${misses} of ${bad} bad pieces were called good.`;
    }
    if (!turn) return 'Loading the study ...';
    if (turn.round === null) return `${turn.line.name}: you are done.`;
    return `Round ${turn.round}: is this piece good?`;
  });
  protected readonly why = computed(() => {
    const turn = this.turn();
    if (!turn || this.results()) return '';
    const all = 2 * turn.line.items;
    return `${turn.answered} of ${all} answered. Nobody sees the answers before the study is closed.`;
  });

  constructor() {
    effect(() => {
      void this.load(this.id());
    });
    inject(Keys).use(
      [
        { key: '1', does: 'good' },
        { key: '2', does: 'not good; then the point it is bad at' },
        { key: 'Esc', does: 'back' },
      ],
      (key) => this.handle(key),
    );
  }

  private handle(key: string): boolean {
    if (!this.turn()?.shows) return false;
    if (!this.isBad()) {
      if (key === '1') void this.answer(null);
      else if (key === '2') this.isBad.set(true);
      else return false;
      return true;
    }
    const criterion = this.criteria()[POINT_KEYS.indexOf(key.toLowerCase())];
    if (key === 'Escape') this.isBad.set(false);
    else if (criterion && key.length === 1) void this.answer(criterion.code);
    else return false;
    return true;
  }

  private async load(id: string): Promise<void> {
    try {
      const turn = await this.api.studyTurn(id);
      this.turn.set(turn);
      if (turn.line.closedAt !== null) this.results.set(await this.api.studyResults(id));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** @param point the point it is bad at; null: it is good */
  protected async answer(point: PointCode | null): Promise<void> {
    const turn = this.turn();
    if (turn?.round == null || turn.item == null || this.sending()) return;
    this.sending.set(true);
    try {
      const answer = {
        id: timeOrderedId(Date.now()),
        round: turn.round,
        item: turn.item,
        answer: point === null ? ('accept' as const) : ('reject' as const),
        point,
      };
      this.turn.set(await this.api.answerStudy(turn.line.id, answer));
      this.isBad.set(false);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    } finally {
      this.sending.set(false);
    }
  }
}
