import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { REMEDY_WORDS, type EndState, type Remedy } from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { EndView } from '../parts/end-view';
import { Mark } from '../parts/mark';
import { focusMeasure, Measures } from '../parts/measures';
import { SideViewDrawing } from '../parts/side-view';
import { Keys } from '../shell/keys';

/** Which way round, how many bites, in what order: one step at a time, each confirmed before the next shows. */
@Component({
  selector: 'tm-crimp-stage',
  imports: [NzButtonModule, NzInputModule, SideViewDrawing, EndView, Mark, Measures],
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
            [width]="660"
          />
          <div class="ends">
            @for (state of ends(); track state) {
              <tm-end-view
                [terminal]="view.terminal"
                [wire]="view.wire"
                [profile]="s!.tool!.nest.profile"
                [orientation]="s!.orientation!"
                [state]="state"
              />
            }
          </div>
        </div>
        <p class="lies">
          <strong>{{ s!.orientation!.headline }}</strong> {{ s!.orientation!.critical ? 'Critical. ' : ''
          }}<span class="soft">{{ bites() }}</span>
          @if (s!.orientation!.wrong; as wrong) {
            <span class="wrong-way">Not like this: {{ wrong.text }}</span>
          }
        </p>
        @if (step()?.gate === 'strip-looked-at') {
          <tm-measures />
        }
        <ol aria-label="Steps">
          @for (gate of s!.gates; track gate.gate; let i = $index) {
            @let given = answers().get(gate.gate);
            <li [class.here]="gate === step()" [attr.aria-current]="gate === step() ? 'step' : null">
              <tm-mark [state]="given ? (given.body.answer === 'yes' ? 'pass' : 'fail') : 'missing'" [size]="18" />
              <span>{{ i + 1 }} {{ gate.confirm }}</span>
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
            <p class="notice">Take a tool first: the mark and the bite depend on it.</p>
            <button nz-button class="bench-button" type="button" (click)="to('tool')">To Tool</button>
          } @else if (step(); as gate) {
            @if (asking()) {
              <form class="notice" (submit)="confirm($event, note.value)">
                <label for="gate-note">{{
                  asking() === 'no' ? 'What differs?' : 'What was done about it? The first answer stays on record.'
                }}</label>
                <input nz-input id="gate-note" #note maxlength="500" [value]="asking() === 'no' ? '' : done()" />
                @if (asking() === 'no') {
                  @for (remedy of gate.remedies; track remedy; let isFirst = $first) {
                    <button
                      nz-button
                      [nzType]="isFirst ? 'primary' : 'default'"
                      class="bench-button"
                      [type]="isFirst ? 'submit' : 'button'"
                      (click)="isFirst || refuse(remedy, note.value)"
                    >
                      {{ words[remedy].toDo }}
                    </button>
                  }
                } @else {
                  <button nz-button nzType="primary" class="bench-button" type="submit">{{ gate.confirm }}</button>
                }
                <button nz-button class="bench-button" type="button" (click)="asking.set(null)">Back</button>
              </form>
            } @else {
              <button nz-button nzType="primary" class="bench-button" type="button" (click)="yes()">
                {{ gate.confirm }}
              </button>
              @if (!isRefused()) {
                <button nz-button class="bench-button" type="button" (click)="ask('no')">Not like this</button>
              }
              <span class="keys"><kbd>Enter</kbd> confirm <kbd>N</kbd> say what differs</span>
            }
          } @else {
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="to('look')">
              Go on to Look
            </button>
            <span class="keys"><kbd>Enter</kbd> go on</span>
          }
          @if (refusal()) {
            <p class="notice bad" role="alert">{{ refusal() }}</p>
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
    form {
      align-items: center;
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
      min-height: 46px;
      min-width: 200px;
    }
  `,
})
export class CrimpStage {
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly setUp = this.hand.setUp;
  protected readonly asking = signal<'no' | 'mended' | null>(null);
  protected readonly refusal = signal('');
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly answers = computed(() => new Map(this.hand.of('gate').map((entry) => [entry.body.gate, entry])));
  /** The first step without a yes. */
  protected readonly step = computed(
    () => this.setUp()?.gates.find((g) => this.answers().get(g.gate)?.body.answer !== 'yes') ?? null,
  );
  protected readonly isRefused = computed(() => {
    const step = this.step();
    return step !== null && this.answers().get(step.gate)?.body.answer === 'no';
  });
  protected readonly headline = computed(
    () => this.step()?.headline ?? `Make ${this.hand.view()?.practice.setUpPieces} sample pieces just like this.`,
  );
  protected readonly why = computed(() => {
    const step = this.step();
    if (!step) return 'Every step is confirmed. The samples are looked at first, then pulled: a pull destroys them.';
    const given = this.answers().get(step.gate);
    if (given?.body.answer !== 'no') return step.why;
    const { note, remedy = 'mend' } = given.body;
    return `Answered ‘not like this’: ${note.replace(/\.?$/, '.')} ${REMEDY_WORDS[remedy].toDo}, then confirm the step.${remedy === 'cut-off' ? ` ${this.lost()}` : ''}`;
  });
  /** What the ends cut off so far have cost. */
  private readonly lost = computed(() => {
    const setUp = this.setUp();
    const many = setUp?.cutOff ?? 0;
    const each = setUp?.lost
      ? ` ${(setUp.lost.strip + setUp.lost.crimp).toFixed(1)} mm and the fresh cut`
      : ' its length';
    return `It is never pressed again. ${many === 1 ? 'One end is' : `${many} ends are`} cut off so far; each costs the wire${each}.`;
  });
  /** What was done, as the answer before says it. */
  protected readonly done = computed(() => {
    const step = this.step();
    const remedy = step && this.answers().get(step.gate)?.body.remedy;
    return remedy ? REMEDY_WORDS[remedy].done : '';
  });
  protected readonly words = REMEDY_WORDS;
  protected readonly ends = computed<readonly EndState[]>(() =>
    this.setUp()?.orientation?.wrong ? ['before', 'wrong', 'after'] : ['before', 'after'],
  );
  protected readonly bites = computed(() => {
    const bites = this.setUp()?.bites ?? [];
    const width = this.setUp()?.tool?.nest.width;
    const where = bites.map((b) => b.centre.toFixed(1)).join(' and ');
    const notes = (this.setUp()?.biteNotes ?? []).map((note) => ` ${note.text}`).join('');
    return `${bites.length === 1 ? 'One bite' : `${bites.length} bites`}, centred ${where} mm from the barrel’s wire end, die ${width} mm wide, square.${notes}`;
  });

  constructor() {
    inject(Keys).use(
      [
        { key: 'Enter', does: 'confirm the step, or go on' },
        { key: 'N', does: 'not like this: say what differs' },
        { key: 'M', does: 'type the measured strip length of the next piece' },
      ],
      (key) => {
        if (key.toLowerCase() === 'n' && this.step() && !this.isRefused()) this.ask('no');
        else if (key.toLowerCase() === 'm') focusMeasure();
        else if (key === 'Enter' && this.step()) this.yes();
        else if (key === 'Enter' && this.taken()) this.to('look');
        else return false;
        return true;
      },
    );
  }

  protected yes(): void {
    if (this.isRefused()) this.ask('mended');
    else this.answer('yes', '', null);
  }

  protected ask(what: 'no' | 'mended'): void {
    this.asking.set(what);
    setTimeout(() => document.getElementById('gate-note')?.focus());
  }

  protected confirm(event: Event, text: string): void {
    event.preventDefault();
    const step = this.step();
    const given = step && this.answers().get(step.gate);
    const [remedy] = step?.remedies ?? [];
    if (this.asking() === 'no' && remedy) this.refuse(remedy, text);
    else if (given) this.answer('yes', '', { corrects: given.id, why: text });
  }

  protected refuse(remedy: Remedy, note: string): void {
    this.answer('no', note, null, remedy);
  }

  private answer(
    answer: 'yes' | 'no',
    note: string,
    correction: { corrects: string; why: string } | null,
    remedy?: Remedy,
  ): void {
    const step = this.step();
    if (!step) return;
    const refusal = this.hand.put(
      { kind: 'gate', gate: step.gate, answer, ...(remedy && { remedy }), note },
      correction,
    );
    this.refusal.set(refusal?.text ?? '');
    if (!refusal) this.asking.set(null);
  }

  protected to(stage: string): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, stage]);
  }
}
