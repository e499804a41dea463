import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { gateKey, REMEDY_WORDS, type EndState } from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { count } from '../parts/count';
import { EndView } from '../parts/end-view';
import { Mark } from '../parts/mark';
import { focusMeasure, Measures } from '../parts/measures';
import { SideViewDrawing } from '../parts/side-view';
import { Keys } from '../shell/keys';
import { EndPoints } from './end-points';
import { GateAnswer } from './gate-answer';
import { LocatorTrials } from './locator-trial';
import { Notice } from '../parts/notice';

/** Which way round, how many bites, in what order: one step at a time, each confirmed before the next shows. */
@Component({
  selector: 'tm-crimp-stage',
  imports: [Notice, NzButtonModule, EndPoints, EndView, GateAnswer, LocatorTrials, Mark, Measures, SideViewDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hand.view(); as view) {
      @let s = setUp();
      @if (s?.tool && s?.orientation && s?.preparation) {
        <div class="head">
          <h1>{{ headline() }}</h1>
          <p class="why">{{ why() }}</p>
          @if (step()?.caution; as caution) {
            <p class="caution">{{ caution }}</p>
          }
        </div>
        <div class="drawings">
          <tm-side-view
            [terminal]="view.terminal"
            [wire]="view.wire"
            [strip]="s!.preparation!.strip"
            [bites]="s!.bites"
            [nest]="s!.tool!.nest"
            [seamAngle]="s!.orientation!.angle"
            [other]="s!.other"
            [width]="660"
          />
          @if (step()?.points?.length && end(); as e) {
            <tm-end-points [points]="step()!.points" [wire]="e.wire" />
          } @else if (end(); as e) {
            <div class="ends">
              @for (state of states(); track state) {
                <tm-end-view
                  [terminal]="view.terminal"
                  [wire]="e.wire"
                  [profile]="s!.tool!.nest.profile"
                  [orientation]="e.lies"
                  [state]="state"
                />
              }
            </div>
          }
        </div>
        @if (step()?.points?.length) {
          <tm-measures />
        } @else if (step()?.gate === 'locator') {
          <tm-locator-trial />
        } @else if (end()?.lies; as lies) {
          <p class="lies">
            <strong>{{ lies.headline }}</strong> {{ lies.critical ? 'Critical. ' : ''
            }}<span class="soft">{{ bites() }}</span>
            @if (lies.wrong; as wrong) {
              <span class="wrong-way">Not like this: {{ wrong.text }}</span>
            }
          </p>
        }
        <ol aria-label="Steps">
          @for (gate of s!.gates; track gate.key; let i = $index) {
            @let given = answers().get(gate.key);
            <li [class.here]="gate === step()" [attr.aria-current]="gate === step() ? 'step' : null">
              <tm-mark [state]="given ? (given.body.answer === 'yes' ? 'pass' : 'fail') : 'missing'" [size]="18" />
              <span>{{ i + 1 }} {{ gate.end === 2 ? 'End 2: ' : '' }}{{ gate.confirm }}</span>
            </li>
          }
        </ol>
        @if (s!.after.length) {
          <details>
            <summary>Afterwards, for the pieces that are not pulled</summary>
            <ul class="after">
              @for (line of s!.after; track line) {
                <li>{{ line }}</li>
              }
            </ul>
          </details>
        }
        <div class="foot">
          @if (!taken()) {
            <tm-notice>Take a tool first: the mark and the bite depend on it.</tm-notice>
            <button nz-button class="bench-button" type="button" (click)="to('tool')">To Tool</button>
          } @else if (step(); as gate) {
            <tm-gate-answer [gate]="gate" [given]="given()" />
          } @else {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="to('look')">
              Go on to Look
            </button>
            <span class="keys"><kbd>Enter</kbd> go on</span>
          }
        </div>
      } @else {
        <h1>The crimp waits for a tool.</h1>
        <p class="why">Orientation, bites and mark depend on the nest.</p>
        <div class="foot">
          <button nz-button class="bench-button" type="button" (click)="to('tool')">To Tool</button>
        </div>
      }
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    .drawings {
      align-items: start;
      display: grid;
      gap: 14px 28px;
      grid-template-columns: minmax(0, 520fr) minmax(0, 470fr);
    }
    .ends {
      display: flex;
    }
    .ends > * {
      flex-basis: 0;
      min-width: 0;
    }
    .wrong-way {
      color: var(--fail);
      display: block;
    }
    .lies {
      font-size: 16px;
    }
    .lies strong {
      font: 600 18px/1.25 var(--figures);
    }
    ol {
      display: grid;
      gap: 4px;
      grid-template-columns: repeat(auto-fit, minmax(176px, 1fr));
    }
    ol > li {
      align-items: center;
      background: var(--paper);
      display: grid;
      gap: 10px;
      grid-template-columns: 18px 1fr;
      line-height: 1.25;
      min-height: 42px;
      padding: 4px 10px;
    }
    ol > li.here {
      background: var(--petrol-tint);
      box-shadow: inset 4px 0 0 var(--petrol);
      font-weight: 600;
    }
  `,
})
export class CrimpStage {
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly setUp = this.hand.setUp;
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly answers = computed(
    () => new Map(this.hand.of('gate').map((entry) => [gateKey(entry.body), entry])),
  );
  /** The first step without a yes. */
  protected readonly step = computed(
    () => this.setUp()?.gates.find((g) => this.answers().get(g.key)?.body.answer !== 'yes') ?? null,
  );
  /** How the step was answered before; null where it was not. */
  protected readonly given = computed(() => {
    const step = this.step();
    return (step && this.answers().get(step.key)) ?? null;
  });
  private readonly answer = viewChild(GateAnswer);
  private readonly trials = viewChild(LocatorTrials);
  protected readonly headline = computed(
    () =>
      (this.step() && `${this.step()?.end === 2 ? 'End 2. ' : ''}${this.step()?.headline}`) ??
      `Make ${this.hand.view()?.practice.setUpPieces} sample pieces just like this.`,
  );
  protected readonly why = computed(() => {
    const step = this.step();
    if (!step) return 'Every step is confirmed. The samples are looked at first, then pulled: a pull destroys them.';
    const given = this.answers().get(step.key);
    if (given?.body.answer !== 'no') return step.why;
    const { note, fault, remedy = 'mend' } = given.body;
    const faults = step.points.flatMap((point) => point.faults);
    const what = [faults.find(({ code }) => code === fault)?.title, note].filter(Boolean).join(', ');
    return `Answered ‘not like this’: ${what.replace(/\.?$/, '.')} ${REMEDY_WORDS[remedy].toDo}, then confirm the step.${remedy === 'cut-off' ? ` ${this.lost()}` : ''}`;
  });
  /** What the ends cut off so far have cost. */
  private readonly lost = computed(() => {
    return `It is never pressed again. ${this.setUp()?.cutOffs.text ?? ''}`.trim();
  });
  /** The end in hand: the second one of a splice while its steps are made. */
  protected readonly end = computed(() => {
    const [setUp, view] = [this.setUp(), this.hand.view()];
    const second = this.step()?.end === 2 ? setUp?.other : null;
    const lies = second ? second.orientation : setUp?.orientation;
    const wire = second?.wire ?? view?.wire;
    return lies && wire ? { lies, wire } : null;
  });
  protected readonly states = computed<readonly EndState[]>(() =>
    this.end()?.lies.wrong ? ['before', 'wrong', 'after'] : ['before', 'after'],
  );
  protected readonly bites = computed(() => {
    const bites = this.setUp()?.bites ?? [];
    const width = this.setUp()?.tool?.nest.width;
    const where = bites.map((b) => b.centre.toFixed(1)).join(' and ');
    const notes = (this.setUp()?.biteNotes ?? []).map((note) => ` ${note.text}`).join('');
    return `${count(bites.length, 'bite')}, centred ${where} mm from the ${this.setUp()?.other ? 'wire end of each barrel' : 'barrel’s wire end'}, die ${width} mm wide, square.${notes}`;
  });

  constructor() {
    inject(Keys).use(
      [
        { key: 'Enter', does: 'confirm the step, or go on' },
        { key: 'N', does: 'not like this: say what differs' },
        { key: 'V', does: 'after a forming stroke: it still moves' },
        { key: 'M', does: 'type the measured length of the next piece or trial' },
      ],
      (key) => {
        if (this.answer()?.handle(key)) return true;
        const trials = this.trials();
        if (key.toLowerCase() === 'm' && trials) trials.focus();
        else if (key.toLowerCase() === 'm') focusMeasure();
        else if (key === 'Enter' && this.taken()) this.to('look');
        else return false;
        return true;
      },
    );
  }

  protected to(stage: string): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, stage]);
  }
}
