import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { count } from '../../parts/count';
import { showClock } from '../../parts/show-time';
import { StationGauge } from '../gauge/station-gauge';
import { PullStore } from './pull-store';
import { PullsInHand } from './pulls-in-hand';
import { WaitingPulls } from './waiting-pulls';
import { Notice } from '../../parts/notice';

/**
 * What is between a pull and its piece: whether the piece is in hand, values that were pasted, and pulls that wait to be
 * told which piece they were.
 */
@Component({
  selector: 'tm-pulls-waiting',
  imports: [Notice, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (gauge.chosen(); as g) {
      @if (entry.isOpen() && !entry.isAsking()) {
        <p class="hand" role="status">
          @if (entry.isInHand()) {
            <strong>{{ entry.target() }} is in hand.</strong> The next pull on {{ g.label }} is its.
          } @else {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="inHand.take()">
              Take {{ entry.target() }} in hand <kbd>T</kbd>
            </button>
            <span class="soft">Until then a pull on {{ g.label }} belongs to no piece.</span>
          }
        </p>
      }
    }
    @if (entry.pasted().length) {
      <tm-notice announced>
        {{ count(entry.pasted().length, 'more pasted value waits', 'more pasted values wait') }}:
        <span class="figures">{{ entry.pasted().slice(0, 8).join(' · ') }}</span>
        <button nz-button class="quiet" type="button" (click)="inHand.dropPasted()">drop them</button>
      </tm-notice>
    }
    @for (other of left(); track $index) {
      <tm-notice>
        {{ other.by }} left {{ count(other.values, 'value') }} open here. They are kept for {{ other.by }} to take up.
      </tm-notice>
    }
    @if (waiting().length) {
      <section class="notice hold" aria-labelledby="waiting-pulls">
        <h2 id="waiting-pulls" role="status">
          {{ count(waiting().length, 'pull waits', 'pulls wait') }}: for which piece?
        </h2>
        <ul>
          @for (pull of waiting(); track pull.id) {
            <li>
              <strong class="figures">{{ pull.text }}{{ pull.key ? ' N' : '' }}</strong
              >, {{ time(pull.at) }},
              {{ pull.from }}
              @if (entry.isOpen()) {
                <button nz-button type="button" [disabled]="entry.isAsking()" (click)="inHand.assign(pull)">
                  It was {{ entry.target() }}
                </button>
              }
              <button nz-button class="quiet" type="button" (click)="inHand.dismiss(pull)">It was no piece</button>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    :host:empty {
      display: none;
    }
    .hand {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 6px 14px;
      min-height: 44px;
    }
    .hand strong::first-letter {
      text-transform: uppercase;
    }
    h2 {
      font-size: 17px;
    }
    ul {
      display: grid;
      gap: 6px;
    }
    li {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
    }
  `,
})
export class PullsWaiting {
  protected readonly entry = inject(PullStore);
  protected readonly inHand = inject(PullsInHand);
  private readonly drafts = inject(WaitingPulls);
  protected readonly waiting = this.drafts.all;
  protected readonly left = this.drafts.left;
  protected readonly count = count;
  protected readonly gauge = inject(StationGauge);
  protected readonly time = showClock;
}
