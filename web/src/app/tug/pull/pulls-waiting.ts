import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { showClock } from '../../parts/show-time';
import { StationGauge } from '../gauge/station-gauge';
import { PullEntry } from './pull-entry';

/**
 * What is between a pull and its piece: whether the piece is in hand, values that were pasted, and pulls that wait to be
 * told which piece they were.
 */
@Component({
  selector: 'tm-pulls-waiting',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (gauge.chosen(); as g) {
      @if (entry.isOpen() && !entry.pending() && !entry.question()) {
        <p class="hand" role="status">
          @if (entry.isInHand()) {
            <strong>{{ entry.target() }} is in hand.</strong> The next pull on {{ g.label }} is its.
          } @else {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="entry.takeInHand()">
              Take {{ entry.target() }} in hand <kbd>T</kbd>
            </button>
            <span class="soft">Until then a pull on {{ g.label }} belongs to no piece.</span>
          }
        </p>
      }
    }
    @if (entry.pasted().length) {
      <p class="notice" role="status">
        {{ entry.pasted().length }} more pasted {{ entry.pasted().length === 1 ? 'value waits' : 'values wait' }}:
        <span class="figures">{{ entry.pasted().slice(0, 8).join(' · ') }}</span>
        <button nz-button class="quiet" type="button" (click)="entry.dropPasted()">drop them</button>
      </p>
    }
    @if (entry.waiting().length) {
      <section class="notice hold" aria-labelledby="waiting-pulls">
        <h2 id="waiting-pulls" role="status">
          {{ entry.waiting().length === 1 ? 'A pull waits' : entry.waiting().length + ' pulls wait' }}: for which piece?
        </h2>
        <ul>
          @for (pull of entry.waiting(); track pull.id) {
            <li>
              <strong class="figures">{{ pull.text }}{{ pull.key ? ' N' : '' }}</strong
              >, {{ time(pull.at) }},
              {{ pull.from }}
              <button
                nz-button
                type="button"
                [disabled]="!entry.isOpen() || entry.pending() !== null || entry.question() !== null"
                (click)="entry.assign(pull)"
              >
                It was {{ entry.target() }}
              </button>
              <button nz-button class="quiet" type="button" (click)="entry.dismiss(pull)">It was no piece</button>
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
  protected readonly entry = inject(PullEntry);
  protected readonly gauge = inject(StationGauge);
  protected readonly time = showClock;
}
