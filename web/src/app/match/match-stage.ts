import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { metalArea, nominalArea, rangeOf, takesLabel, type Terminal } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import { RangeBar } from '../parts/range-bar';
import { Reasons } from '../parts/reasons';
import { Keys } from '../shell/keys';
import { MatchFacts } from './match-facts';
import { TrialEvidence } from './trial-evidence';
import { Notice } from '../parts/notice';

/** Do this wire and this terminal belong together? */
@Component({
  selector: 'tm-match-stage',
  imports: [Notice, NzButtonModule, MatchFacts, RangeBar, Reasons, TrialEvidence],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (setUp(); as s) {
      @if (hand.view(); as view) {
        <div class="head">
          <h1>{{ headline() }}</h1>
          <p class="why">{{ why() }}</p>
        </div>
        <tm-match-facts [view]="view" />
        <div class="two">
          <section aria-labelledby="why">
            <h2 id="why">Why</h2>
            <tm-reasons [reasons]="reasons()" />
          </section>
          <section aria-labelledby="where">
            <h2 id="where">Where the wire lies</h2>
            @if (conductor(); as c) {
              <p class="soft">metal, in the barrel's range</p>
              <tm-range-bar [value]="c.value" [min]="c.min" [max]="c.max" [band]="view.practice.edgeBand" unit="mm²" />
            }
            @if (view.terminal.insulationRange; as range) {
              <p class="soft">insulation, in the support’s range</p>
              <tm-range-bar
                [value]="view.wire.insulationDiameter"
                [min]="range.min"
                [max]="range.max"
                [band]="view.practice.edgeBand"
                unit="mm"
              />
            }
          </section>
        </div>
        @if (s.fit.verdict === 'edge') {
          <tm-trial-evidence />
        }
        @if (s.fit.verdict === 'no') {
          <section aria-labelledby="nearest">
            <h2 id="nearest">What would fit instead, nearest first</h2>
            @if (s.nearest.length) {
              <ul class="nearest">
                @for (near of s.nearest; track near.terminal.part) {
                  <li>
                    <strong class="figures">{{ near.terminal.part }}</strong> {{ near.terminal.label }}
                    <span class="soft">{{
                      near.fit.verdict === 'edge'
                        ? 'at the edge: trial evidence needed'
                        : 'fits, takes ' + takes(near.terminal)
                    }}</span>
                  </li>
                }
              </ul>
              <p class="soft">Change the wire list and import it again, or ask the engineer.</p>
            } @else {
              <p>Nothing in the cabinet fits this wire in a {{ view.combination.place }} place.</p>
            }
          </section>
        }
        <div class="foot">
          @if (s.fit.verdict === 'no') {
            <tm-notice kind="bad">Nothing can be put on record for this pair.</tm-notice>
          } @else {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">
              Go on to Prepare
            </button>
            <span class="keys"><kbd>Enter</kbd> go on</span>
          }
        </div>
      }
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    .two h2,
    section h2 {
      margin-bottom: 8px;
    }
    .nearest {
      display: grid;
      gap: 6px;
      margin-bottom: 6px;
    }
  `,
})
export class MatchStage {
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly setUp = this.hand.setUp;
  private readonly terminal = computed(() => this.hand.view()?.terminal);

  protected readonly headline = computed(
    () =>
      ({
        fits: 'Wire and terminal fit.',
        edge: this.hand.of('trial').length
          ? 'At the edge, settled by a trial.'
          : 'At the edge: trial evidence is needed.',
        no: 'This pair does not belong together.',
      })[this.setUp()?.fit.verdict ?? 'no'],
  );
  /** As judged with what is on record: a trial settles what is at the edge. */
  protected readonly reasons = computed(
    () =>
      this.hand.judgement()?.stages.find(({ stage }) => stage === 'match')?.reasons ?? this.setUp()?.fit.reasons ?? [],
  );
  protected readonly why = computed(() => {
    const reasons = this.reasons();
    return (
      (reasons.find((r) => r.weight === 'bad') ?? reasons.find((r) => r.weight === 'hold') ?? reasons[0])?.text ?? ''
    );
  });
  protected readonly conductor = computed(() => {
    const view = this.hand.view();
    const terminal = this.terminal();
    const range = terminal && rangeOf(terminal, view?.wire.conductor.size);
    const value = [view?.wire, ...(view?.together ?? [])].reduce((sum, w) => sum + (w ? metalArea(w.conductor) : 0), 0);
    const folded = this.setUp()?.fit.folded ? 2 : 1;
    return (
      view && range && { value: value * folded, min: nominalArea(range.smallest), max: nominalArea(range.largest) }
    );
  });
  protected takes(terminal: Terminal): string {
    return takesLabel(terminal);
  }

  constructor() {
    inject(Keys).use([{ key: 'Enter', does: 'go on to Prepare' }], (key) => {
      if (key !== 'Enter') return false;
      this.next();
      return true;
    });
  }

  protected next(): void {
    if (this.setUp()?.fit.verdict !== 'no')
      void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'prepare']);
  }
}
