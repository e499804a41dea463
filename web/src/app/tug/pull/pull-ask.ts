import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  PendingTasks,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { isValidMode } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { PullCurve } from './pull-curve';
import { END_KEYS, MODE_KEYS, PullEntry } from './pull-entry';
import { PullReading } from './pull-reading';
import { PullStore } from './pull-store';

/** What is asked of a pull: whether a doubtful value is right, then how it failed, with what the curve suggests. */
@Component({
  selector: 'tm-pull-ask',
  imports: [FormsModule, NzButtonModule, NzInputModule, PullCurve],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isDrawn()) {
      @if (entry.question(); as q) {
        <div id="pull-question" tabindex="-1" role="alert">
          <h2>Is that right?</h2>
          <p>{{ q.text }}</p>
        </div>
        <div class="acts">
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="reading.yes()">
            <kbd>Y</kbd> Yes, keep {{ entry.shown(q.newtons) }} {{ entry.unit() }}
          </button>
          <button nz-button class="bench-button" type="button" (click)="entry.again()">
            <kbd>Esc</kbd> Type it again
          </button>
        </div>
      } @else if (entry.pending(); as p) {
        <div class="said">
          <h2 id="how" tabindex="-1">How did it fail?</h2>
          @if (p.note) {
            <p class="soft">{{ p.note }}</p>
          }
          <tm-pull-curve />
        </div>
        <div class="choose">
          @if (noteLabel(); as label) {
            <div class="field">
              <label for="reading-note">{{ label }}</label>
              <input
                nz-input
                id="reading-note"
                maxlength="500"
                [ngModel]="entry.note()"
                (ngModelChange)="entry.set({ note: $event })"
                (keydown.enter)="acts.keep()"
              />
            </div>
          }
          <ul aria-labelledby="how">
            @for (m of modes; track m.mode) {
              <li>
                <button
                  type="button"
                  [class.on]="entry.mode() === m.mode"
                  [attr.aria-pressed]="entry.mode() === m.mode"
                  (click)="entry.setMode(m.mode)"
                >
                  <kbd>{{ m.key }}</kbd>
                  <span>
                    {{ m.name }}
                    @if (entry.suggestion()?.mode === m.mode) {
                      <span class="soft">· the curve says so</span>
                    } @else if (entry.suggestion()?.between?.includes(m.mode)) {
                      <span class="soft">· one of the two</span>
                    }
                  </span>
                </button>
              </li>
            }
          </ul>
          @if (entry.ends(); as ends) {
            <p id="which-end">Which end failed? The other one has borne as much.</p>
            <ul aria-labelledby="which-end">
              @for (own of ends; track own.end; let i = $index) {
                <li>
                  <button
                    type="button"
                    [class.on]="entry.failedEnd() === own.end"
                    [attr.aria-pressed]="entry.failedEnd() === own.end"
                    (click)="entry.setEnd(own.end)"
                  >
                    <kbd>{{ endKeys[i]?.key }}</kbd>
                    <span>
                      End {{ own.end }}, {{ own.name }}
                      @if (own.limit !== null) {
                        <span class="soft">≥ {{ entry.shown(own.limit) }} {{ entry.unit() }}</span>
                      }
                    </span>
                  </button>
                </li>
              }
            </ul>
          }
          @if (entry.correcting()) {
            <div class="field">
              <label for="reading-why">What was wrong with the first entry? It stays on record.</label>
              <input
                nz-input
                id="reading-why"
                maxlength="500"
                [ngModel]="entry.why()"
                (ngModelChange)="entry.set({ why: $event })"
                (keydown.enter)="acts.keep()"
              />
            </div>
          }
          <div class="acts">
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="acts.keep()">
              {{ entry.correcting() ? 'Keep reading' : keepText() }}
            </button>
            <button nz-button class="bench-button" type="button" (click)="entry.again()">Type again</button>
          </div>
        </div>
      }
    }
  `,
  styles: `
    :host {
      align-items: start;
      display: grid;
      gap: 10px 28px;
      grid-template-columns: repeat(auto-fit, minmax(400px, 1fr));
    }
    .said,
    .choose {
      display: grid;
      gap: 8px;
    }
    ul {
      display: grid;
      gap: 4px;
      grid-template-columns: 1fr 1fr;
    }
    li button {
      background: var(--paper);
      border: 1px solid transparent;
      color: var(--ink);
      align-items: center;
      cursor: pointer;
      display: flex;
      font: inherit;
      min-height: 44px;
      height: 100%;
      line-height: 1.2;
      padding: 4px 10px;
      text-align: left;
      width: 100%;
    }
    li kbd {
      margin-right: 8px;
    }
    li .soft {
      font-size: 14px;
      font-weight: 400;
    }
    li button.on {
      background: var(--petrol-tint);
      border-color: var(--petrol);
      box-shadow: inset 4px 0 0 var(--petrol);
      font-weight: 600;
    }
    /* In sight whatever stands above it: the answer is kept by it. */
    .acts {
      background: var(--sheet);
      bottom: 0;
      padding: 8px 0;
      position: sticky;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    .acts kbd {
      margin-right: 6px;
    }
  `,
})
export class PullAsk {
  readonly keepText = input('Keep reading, next piece');
  protected readonly entry = inject(PullStore);
  protected readonly acts = inject(PullEntry);
  protected readonly reading = inject(PullReading);
  protected readonly modes = MODE_KEYS;
  protected readonly endKeys = END_KEYS;

  /** A frame later than the verdict: nobody waits for the question to see it. */
  protected readonly isDrawn = signal(false);

  constructor() {
    const drawn = inject(PendingTasks).add();
    requestAnimationFrame(() =>
      setTimeout(() => {
        this.isDrawn.set(true);
        drawn();
      }),
    );
    // The field is gone once a force is typed: the keys, and whoever reads the screen aloud, go on with the question.
    afterRenderEffect(() => {
      if (!this.isDrawn()) return;
      const id = this.entry.question() ? 'pull-question' : this.entry.pending() ? 'how' : '';
      const isFree = () => !document.activeElement || document.activeElement === document.body;
      if (!id || !isFree()) return;
      // Once the verdict stands on the screen: moving the focus asks for the page's measures, and the eye would wait for them.
      requestAnimationFrame(() =>
        setTimeout(() => {
          if (isFree()) document.getElementById(id)?.focus({ preventScroll: true });
        }),
      );
    });
  }

  /** What has to be written down with this pull; empty when nothing has. */
  protected readonly noteLabel = computed(() => {
    const mode = this.entry.mode();
    if (mode !== null && !isValidMode(mode)) return 'What happened? A replacement piece is due.';
    return this.entry.asksWhyUnseen()
      ? `Nobody has looked at ${this.entry.target()}, and now nobody can. Why is it pulled all the same?`
      : '';
  });
}
