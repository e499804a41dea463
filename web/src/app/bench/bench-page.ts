import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { judgeReading, whyUnqualified } from '@tug-mark/core';
import { filter, map } from 'rxjs';
import { sessionFeature } from '../session/session.state';
import { injectToday } from '../session/shop-day';
import { Hand } from '../hand/hand';
import { handActions } from '../hand/hand.state';
import { Ladder } from '../parts/ladder';
import { LotLine } from '../parts/lot-line';
import type { SamplePiece } from '../parts/lot-line.layout';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';

/** One combination at the bench: the ladder, the stage in hand, the lot line. */
@Component({
  selector: 'tm-bench-page',
  imports: [RouterOutlet, RouterLink, Ladder, LotLine, Notice, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.lot]': 'isLot()' },
  template: `
    @if (hand.view(); as view) {
      @if (!isLot()) {
        <aside>
          <div class="what">
            <h2>{{ view.terminal.part }} {{ view.terminal.label }}</h2>
            <p class="figures">
              on {{ view.wire.label }}
              @for (other of view.together; track $index) {
                and {{ other.label }}
              }
              @for (other of view.opposite; track $index) {
                {{ $first ? 'spliced to' : 'and' }} {{ other.label }}
              }
            </p>
            @if (view.combination.readIn) {
              <p><em>Not this shop's own: it came with a record file.</em></p>
            }
            <p class="soft">{{ limitName() }} · house rules: {{ view.practice.part }}</p>
            <p>
              <a [routerLink]="['/records', view.combination.id]">Record</a> ·
              <a [routerLink]="['/sheets', view.combination.id]">Set-up sheet</a>
              @if (hand.run() > 1) {
                <span class="soft">· run {{ hand.run() }}</span>
              }
            </p>
          </div>
          @if (hand.judgement(); as judgement) {
            <tm-ladder [id]="view.combination.id" [judgement]="judgement" [lot]="hand.lot()" />
          }
        </aside>
      }
      <section class="stage" aria-label="Stage" tabindex="0">
        @if (unqualified(); as why) {
          <tm-notice kind="bad">
            {{ why }} What you enter here is refused until an engineer gives or renews it under People.
          </tm-notice>
        }
        <router-outlet />
      </section>
      <tm-lot-line
        [title]="title()"
        [said]="said()"
        [samples]="samples()"
        [pieces]="view.combination.pieces"
        [ready]="ready()"
        [lot]="hand.lot()"
      />
    } @else if (hand.problem(); as problem) {
      <div class="page">
        <tm-problem [problem]="problem" />
        <p><a routerLink="/bench">Back to the bench</a></p>
      </div>
    } @else {
      <p class="page" role="status">Fetching the combination ...</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 292px 1fr;
      grid-template-rows: minmax(0, 1fr) auto;
      min-height: 0;
    }
    /* What changes in one of them moves nothing in the others, and is not measured there. */
    aside,
    .stage,
    tm-lot-line {
      contain: layout style;
    }
    aside {
      background: var(--paper);
      border-right: 1px solid var(--line);
      overflow-y: auto;
      /* Holds what is out of sight inside, so that it does not lengthen the page. */
      position: relative;
    }
    .what {
      display: grid;
      gap: 2px;
      padding: 14px 16px 10px;
    }
    .what h2 {
      font-size: 18px;
    }
    .what .figures {
      font-size: 17px;
      font-weight: 600;
      line-height: 1.2;
    }
    .what .soft {
      font-size: 14px;
    }
    .stage {
      background: var(--sheet);
      display: flex;
      flex-direction: column;
      min-width: 0;
      overflow-y: auto;
      position: relative;
    }
    .stage:focus-visible {
      outline-offset: -3px;
    }
    .stage ::ng-deep router-outlet + * {
      flex: 1;
    }
    :host(.lot) .stage,
    tm-lot-line {
      grid-column: 1 / -1;
    }
    .page {
      grid-column: 1 / -1;
    }
    @media (max-width: 860px), (max-height: 560px) {
      :host {
        grid-template-columns: 1fr;
        grid-template-rows: auto 1fr auto;
      }
    }
  `,
})
export class BenchPage {
  readonly id = input.required<string>();
  protected readonly hand = inject(Hand);

  private readonly router = inject(Router);
  private readonly at = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(() => this.router.url),
    ),
    { initialValue: this.router.url },
  );
  /** A lot that is being made has a column of its own; the set-up's stages are behind it, a link away. */
  protected readonly isLot = computed(() => {
    const head = this.hand.lot()?.head;
    return /\/lot(\?|#|$)/.test(this.at()) && head !== undefined && head.state !== 'finished';
  });

  constructor() {
    const store = inject(Store);
    effect(() => {
      store.dispatch(handActions.take({ id: this.id() }));
    });
  }

  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly today = injectToday();
  /** Why nothing this person enters here would be kept, though they record elsewhere. */
  protected readonly unqualified = computed(() => {
    const person = this.person();
    const setUp = this.hand.setUp();
    return person && setUp && may(person.roles, 'record') ? whyUnqualified(person, setUp.family, this.today()) : null;
  });

  protected readonly limitName = computed(() => {
    const table = this.hand.setUp()?.standing.limit?.table;
    return table
      ? `${table.document} rev ${table.revision}, grade ${table.class}${table.origin === 'made-up' ? ' (made up)' : ''}`
      : 'no limit in effect';
  });

  protected readonly samples = computed<SamplePiece[]>(() => {
    const view = this.hand.view();
    const judgement = this.hand.judgement();
    if (!view || !judgement) return [];
    const limit = this.hand.setUp()?.standing.limit?.force ?? null;
    const readings = new Map(
      this.hand.of('reading').map(({ body }) => [body.piece, judgeReading(body.force, limit, body.mode).verdict]),
    );
    // Those the practice asks for, and whatever else was looked at or pulled: a number left out is no piece.
    const pieces = new Set(Array.from({ length: view.practice.setUpPieces }, (_, i) => i + 1));
    for (const piece of readings.keys()) pieces.add(piece);
    judgement.look.pieces.forEach((look, i) => {
      if (look !== 'open') pieces.add(i + 1);
    });
    return [...pieces]
      .sort((a, b) => a - b)
      .map((piece) => {
        const verdict = readings.get(piece);
        return {
          piece,
          look: judgement.look.pieces[piece - 1] ?? 'open',
          tug: verdict === undefined ? 'open' : verdict === 'holds' || verdict === 'below' ? verdict : 'invalid',
        };
      });
  });

  protected readonly ready = computed(() => {
    const verdict = this.hand.judgement()?.verdict;
    return verdict === 'accepted' || verdict === 'meets-made-up-limits';
  });

  protected readonly title = computed(() => {
    const head = this.hand.lot()?.head;
    const combination = this.hand.view()?.combination;
    return head
      ? `Lot ${head.name} · ${head.made} of ${head.pieces} made`
      : `${combination?.list} · ${combination?.pieces} pieces`;
  });

  /** The next check, counting down, while a lot is made. */
  protected readonly said = computed(() => {
    const lot = this.hand.lot();
    if (lot) {
      const first = lot.due.find(({ code }) => code !== 'contain');
      if (lot.head.state === 'finished' || !first) return lot.headline;
      const more = lot.verdict === 'held' ? ` · ${lot.counts.suspect} pieces held back` : '';
      if (first.inPieces <= 0) return `Check piece ${first.piece} now${first.overdue ? ', it is overdue' : ''}${more}`;
      const time = first.inMinutes === null ? '' : ` or ${first.inMinutes} min`;
      return `Next check: piece ${first.piece}, in ${first.inPieces} ${first.inPieces === 1 ? 'piece' : 'pieces'}${time}${more}`;
    }
    const verdict = this.hand.judgement()?.verdict;
    const samples = this.hand.view()?.practice.setUpPieces ?? 0;
    return this.ready()
      ? `set-up proved on ${samples} samples${verdict === 'meets-made-up-limits' ? ' by made-up limits only' : ''} · open a lot to make pieces`
      : verdict === 'rejected'
        ? 'no piece may be made: the set-up is rejected'
        : `left half: look, right half: tug · the pieces wait for ${samples} good samples`;
  });
}
