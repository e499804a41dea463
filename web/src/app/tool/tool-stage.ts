import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { findCheckPlace, ownSheet, type EntryBody, type ToolCandidate } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { handActions } from '../hand/hand.state';
import { Reasons } from '../parts/reasons';
import { Keys } from '../shell/keys';
import { ToolCheckGuide } from './tool-check';
import { ToolName } from './tool-name';
import { toolHeadline, toolWhy } from './tool-words';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

/** Which tool, die and nest, and is it fit for use today? */
@Component({
  selector: 'tm-tool-stage',
  imports: [ReactiveFormsModule, Notice, NzButtonModule, NzInputModule, Reasons, ToolCheckGuide, ToolName],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (setUp(); as s) {
      <div class="head">
        <h1>{{ headline() }}</h1>
        <p class="why">{{ why() }}</p>
      </div>
      <ol>
        @for (candidate of s.toolChoice.candidates; track key(candidate)) {
          @let isTaken = key(candidate) === takenKey();
          <li [class.taken]="isTaken">
            <tm-tool-name [candidate]="candidate" />
            <tm-reasons [reasons]="candidate.reasons" />
            <div class="acts">
              @if (isTaken) {
                <strong>Taken.</strong>
              } @else if (candidate.usable && candidate.state.state === 'ready') {
                <button
                  nz-button
                  [nzType]="candidate === s.toolChoice.chosen && !takenKey() ? 'primary' : 'default'"
                  class="bench-button"
                  type="button"
                  (click)="take(candidate)"
                >
                  {{ takenKey() ? 'Change to it' : 'Take it' }}
                </button>
              }
              @if (isMendedByCheck(candidate)) {
                <button nz-button class="bench-button" type="button" (click)="checking.set(placeKey(candidate))">
                  Check it: go and no-go
                </button>
              }
            </div>
            @if (checking() !== null && checking() === placeKey(candidate) && first(candidate)) {
              <tm-tool-check
                class="check"
                [tool]="candidate.tool"
                [place]="place(candidate)"
                (kept)="checked()"
                (dropped)="checking.set(null)"
              />
            }
          </li>
        } @empty {
          <li><tm-reasons [reasons]="s.toolChoice.reasons" /></li>
        }
      </ol>
      @if (changing(); as candidate) {
        <form class="notice" (submit)="change($event, candidate)">
          <label for="why-change">Why is the tool changed? The first choice stays on record.</label>
          <input nz-input id="why-change" [formControl]="reason" maxlength="500" />
          <button nz-button nzType="primary" class="bench-button" type="submit">
            Change to {{ candidate.tool.label }}, nest {{ candidate.nest.label }}
          </button>
        </form>
      }
      @if (refusal()) {
        <tm-notice kind="bad">{{ refusal() }}</tm-notice>
      }
      <div class="foot">
        @if (takenKey()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">Go on to Crimp</button>
        }
        <span class="keys"
          ><kbd>Enter</kbd>
          {{
            takenKey() ? 'go on' : setUp()?.tool?.state?.state === 'ready' ? 'take the first' : 'check the first'
          }}</span
        >
      </div>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    ol {
      display: grid;
      gap: 12px;
    }
    li {
      border: 1px solid var(--line);
      display: grid;
      gap: 10px 24px;
      grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr) 150px;
      padding: 12px 14px;
    }
    li.taken {
      border-color: var(--petrol);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .acts {
      align-self: start;
      display: grid;
      gap: 8px;
    }
    .check {
      grid-column: 1 / -1;
    }
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    @media (max-width: 1100px) {
      li {
        grid-template-columns: 1fr auto;
      }
      tm-reasons {
        grid-column: 1 / -1;
        grid-row: 2;
      }
    }
    @media (max-width: 700px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
      tm-reasons {
        grid-row: auto;
      }
    }
  `,
})
export class ToolStage {
  protected readonly hand = inject(Hand);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly setUp = this.hand.setUp;
  protected readonly checking = signal<string | null>(null);
  protected readonly changing = signal<ToolCandidate | null>(null);
  protected readonly reason = typedText();
  protected readonly refusal = signal('');
  private readonly taken = computed(() => this.hand.of('tool').at(-1));
  protected readonly takenKey = computed(() => {
    const body = this.taken()?.body;
    return body ? [body.tool, body.die, body.nest].join('/') : '';
  });
  protected readonly headline = computed(() => toolHeadline(this.setUp()?.tool ?? null, this.takenKey() !== ''));
  protected readonly why = computed(() => {
    const s = this.setUp();
    return s?.tool ? toolWhy(s.tool, this.takenKey() !== '') : (s?.toolChoice.reasons[0]?.text ?? '');
  });

  constructor() {
    inject(Keys).use(
      [
        { key: 'Enter', does: 'take the first tool, or go on' },
        { key: 'C', does: 'check the first tool that needs it' },
      ],
      (key) => {
        const candidates = this.setUp()?.toolChoice.candidates ?? [];
        if (key.toLowerCase() === 'c') {
          const due = candidates.find((c) => this.isMendedByCheck(c));
          this.checking.set(due ? this.placeKey(due) : null);
          return true;
        }
        if (key !== 'Enter') return false;
        const first = candidates[0];
        if (this.takenKey()) this.next();
        else if (first?.state.state === 'ready') this.take(first);
        else if (first && this.isMendedByCheck(first)) this.checking.set(this.placeKey(first));
        return true;
      },
    );
  }

  /** A check answers for one that ran out, or a die that was mounted; not for one that failed, calibration or worn-out cycles. */
  protected isMendedByCheck(c: ToolCandidate): boolean {
    return c.state.state === 'check-due';
  }

  /** What the check of a candidate is of: its die, or its nest where that has pins of its own. */
  protected placeKey(c: ToolCandidate): string {
    return `${c.tool.part}/${this.place(c)}`;
  }
  protected place(c: ToolCandidate): string {
    return findCheckPlace(c.tool, c.die.id, c.nest.gauge ? c.nest.id : null)?.key ?? c.die.id;
  }

  protected readonly key = (c: ToolCandidate) => [c.tool.part, c.die.id, c.nest.id].join('/');

  /** A check is of a die: it shows once, at the first of its nests. */
  protected first(c: ToolCandidate): boolean {
    const key = this.placeKey(c);
    return this.setUp()?.toolChoice.candidates.find((other) => this.placeKey(other) === key) === c;
  }

  protected take(c: ToolCandidate): void {
    if (this.takenKey()) {
      this.changing.set(c);
      return;
    }
    this.refusal.set(this.hand.put(this.entry(c))?.text ?? '');
  }

  protected change(event: Event, c: ToolCandidate): void {
    event.preventDefault();
    const corrects = this.taken()?.id;
    if (!corrects) return;
    const refusal = this.hand.put(this.entry(c), { corrects, why: this.reason.value });
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.changing.set(null);
    this.reason.setValue('');
  }

  private entry(c: ToolCandidate): EntryBody {
    const sheet = this.hand.setUp()?.lookInEffect;
    const look = sheet && ownSheet(sheet);
    return {
      kind: 'tool',
      tool: c.tool.part,
      die: c.die.id,
      nest: c.nest.id,
      ...(c.setting === null ? {} : { setting: c.setting }),
      ...(c.positioner === null ? {} : { positioner: c.positioner.id }),
      ...(look && { look }),
    };
  }

  protected checked(): void {
    this.checking.set(null);
    this.hand.now.set(new Date().toISOString());
    const id = this.hand.view()?.combination.id;
    if (id) this.store.dispatch(handActions.refresh({ id }));
  }

  protected next(): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'crimp']);
  }
}
