import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { Problem, Suspect } from '@tug-mark/contract';
import { checkPlaces, readNumber, type Tool } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { ChoiceButtons } from '../parts/choice-buttons';
import { ProblemNotice } from '../parts/problem-notice';
import { type PinAnswer, PinQuestion } from './pin-question';
import { SuspectLots } from './suspect-lots';
import { typedText } from '../parts/zod-form';
import { Notice } from '../parts/notice';

/** The go/no-go check of one tool, step by step: the gauge's setting first, then go, then no-go, then the counter. */
@Component({
  selector: 'tm-tool-check',
  imports: [
    ReactiveFormsModule,
    Notice,
    ChoiceButtons,
    NzButtonModule,
    NzInputModule,
    PinQuestion,
    ProblemNotice,
    SuspectLots,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="check" role="group" [attr.aria-label]="'Check of ' + tool().label">
      @if (failed()) {
        <tm-notice kind="bad">
          {{ tool().label }} failed and is out of use from now on, with all its dies. What it made since its last good
          check is suspect. Quality puts it back into use once somebody has said what was done to it.
        </tm-notice>
        @if (suspect(); as found) {
          <tm-suspect-lots [suspect]="found" />
        }
        <button nz-button class="bench-button" type="button" (click)="kept.emit()">I have read it</button>
      } @else {
        @if (places().length > 1 && !place()) {
          <p class="all"><strong>Mounted and checked:</strong> a check says nothing of another die.</p>
          <tm-choice-buttons
            class="all"
            label="Mounted and checked"
            [options]="options()"
            [value]="at()?.key ?? null"
            (valueChange)="mount($event)"
          />
        } @else if (places().length > 1) {
          <p class="all">
            <strong>Mounted and checked: {{ at()?.label }}.</strong> A check of another die says nothing of it.
          </p>
        }
        @if (gauge()?.setting; as setting) {
          <p>
            <strong>Selector:</strong> set it to <strong class="figures">{{ setting }}</strong>, the setting the gauge
            is for.
          </p>
          <button
            nz-button
            class="bench-button wide"
            type="button"
            [class.on]="isSet()"
            [attr.aria-pressed]="isSet()"
            (click)="isSet.set(!isSet())"
          >
            It stands at {{ setting }}
          </button>
        }
        <tm-pin-question class="all" pin="go" [size]="gauge()?.go" [waits]="!ready()" [(given)]="go" />
        <tm-pin-question class="all" pin="noGo" [size]="gauge()?.noGo" [waits]="!ready()" [(given)]="noGo" />
        <label [attr.for]="'cycles-' + tool().part">Counter, if the tool has one</label>
        <input nz-input class="wide" inputmode="numeric" [id]="'cycles-' + tool().part" [formControl]="cycles" />
        @if (hint()) {
          <p class="wrong all" role="alert">{{ hint() }}</p>
        }
        @if (problem(); as found) {
          <tm-problem class="all" [problem]="found" />
        }
        <span></span>
        <button nz-button nzType="primary" class="bench-button" type="button" [disabled]="!answers()" (click)="keep()">
          Keep this check
        </button>
        <button nz-button class="bench-button" type="button" (click)="dropped.emit()">Not now</button>
      }
    </div>
  `,
  styles: `
    .check {
      align-items: center;
      background: var(--paper);
      display: grid;
      gap: 8px 12px;
      grid-template-columns: 1fr auto auto;
      padding: 10px 14px;
    }
    .wide {
      grid-column: 2 / -1;
      min-height: 44px;
      width: 100%;
    }
    .all,
    tm-notice,
    tm-suspect-lots {
      grid-column: 1 / -1;
    }
    .on.ant-btn {
      background: var(--petrol);
      color: var(--on-petrol);
    }
  `,
})
export class ToolCheckGuide {
  private readonly api = inject(Api);
  readonly tool = input.required<Tool>();
  /** What is mounted now, where it is known. */
  readonly mounted = input<string | null>(null);
  /** The one that is to be checked, as {@link checkPlaces} names it; null asks. */
  readonly place = input<string | null>(null);
  /** The check is on record. */
  readonly kept = output();
  readonly dropped = output();
  protected readonly places = computed(() => checkPlaces(this.tool()));
  protected readonly options = computed(() => this.places().map(({ key, label }) => ({ value: key, label })));
  protected readonly key = signal<string | null>(null);
  protected readonly at = computed(() => {
    const key = this.place() ?? this.key() ?? this.mounted();
    return this.places().find((one) => one.key === key || one.die.id === key) ?? this.places()[0];
  });
  protected readonly gauge = computed(() => this.at()?.gauge ?? null);
  protected readonly isSet = signal(false);
  protected readonly go = signal<PinAnswer>(null);
  protected readonly noGo = signal<PinAnswer>(null);
  /** What both pins said, once neither is open or drags. */
  protected readonly answers = computed(() => {
    const [goPassed, noGoStopped] = [this.go(), this.noGo()];
    return typeof goPassed === 'boolean' && typeof noGoStopped === 'boolean' ? { goPassed, noGoStopped } : null;
  });
  protected readonly cycles = typedText();
  protected readonly hint = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly failed = signal(false);
  protected readonly suspect = signal<Suspect | null>(null);
  protected readonly ready = computed(() => this.isSet() || this.gauge()?.setting == null);
  private readonly id = timeOrderedId();

  constructor() {
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    // Opened by a key or a click: the next key answers the first question.
    afterNextRender(() => {
      nativeElement.querySelector<HTMLButtonElement>('button:not([disabled])')?.focus();
    });
  }

  /** Another die has pins of its own: what was said of the one before is asked again. */
  protected mount(key: string | null): void {
    this.key.set(key);
    this.isSet.set(false);
    this.go.set(null);
    this.noGo.set(null);
  }

  protected async keep(): Promise<void> {
    const answers = this.answers();
    const at = this.at();
    if (!answers || !at) return;
    const typed = this.cycles.value.trim();
    const read = readNumber(typed);
    if (typed !== '' && (read.outcome !== 'number' || !Number.isInteger(read.value) || read.value < 0)) {
      this.hint.set('A counter shows a whole number; leave it empty if the tool has none.');
      return;
    }
    this.hint.set('');
    try {
      await this.api.checkTool({
        id: this.id,
        tool: this.tool().part,
        die: at.die.id,
        nest: at.nest?.id ?? null,
        ...answers,
        setting: this.gauge()?.setting ?? null,
        cycles: typed !== '' && read.outcome === 'number' ? read.value : null,
      });
      this.problem.set(null);
      if (answers.goPassed && answers.noGoStopped) this.kept.emit();
      else {
        this.failed.set(true);
        this.suspect.set(await this.api.suspect(this.tool().part));
      }
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
