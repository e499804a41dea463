import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import {
  drawStrippedEnd,
  gateAbout,
  REMEDY_WORDS,
  type EntryBody,
  type Remedy,
  type SetUp,
  type StrokeFind,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DrawnChoice, type DrawnOption } from '../parts/drawn-choice';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

type Gate = SetUp['gates'][number];

/** The answer to one step of the crimp: it is so, or it is not, with what differs and what is done about it. */
@Component({
  selector: 'tm-gate-answer',
  imports: [ReactiveFormsModule, DrawnChoice, Notice, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <form class="notice" (submit)="confirm($event)">
        @if (asking() === 'no' && faults().length) {
          <tm-drawn-choice
            fieldId="gate-fault"
            label="Which fault?"
            [options]="faults()"
            [size]="118"
            [ratio]="0.36"
            [formControl]="fault"
          />
        }
        <label for="gate-note">{{
          asking() === 'no' ? 'What differs?' : 'What was done about it? The first answer stays on record.'
        }}</label>
        <input nz-input id="gate-note" maxlength="500" [formControl]="note" />
        @if (asking() === 'no') {
          @for (remedy of remedies(); track remedy; let isFirst = $first) {
            <button
              nz-button
              [nzType]="isFirst ? 'primary' : 'default'"
              class="bench-button"
              [type]="isFirst ? 'submit' : 'button'"
              (click)="isFirst || refuse(remedy)"
            >
              {{ words[remedy].toDo }}
            </button>
          }
        } @else {
          <button nz-button nzType="primary" class="bench-button" type="submit">{{ gate().confirm }}</button>
        }
        <button nz-button class="bench-button" type="button" (click)="asking.set(null)">Back</button>
      </form>
    } @else {
      <button nz-button nzType="primary" class="bench-button" type="button" (click)="yes()">
        {{ gate().confirm }}
      </button>
      @if (finds()) {
        <button nz-button class="bench-button" type="button" (click)="moves()">It still moves: next nest</button>
      }
      @if (!isRefused()) {
        <button nz-button class="bench-button" type="button" (click)="ask('no')">Not like this</button>
      }
      <span class="keys">
        <kbd>Enter</kbd> confirm
        @if (finds()) {
          <kbd>V</kbd> it still moves
        }
        <kbd>N</kbd> say what differs
      </span>
    }
    @if (refusal()) {
      <tm-notice kind="bad">{{ refusal() }}</tm-notice>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    :host {
      display: contents;
    }
    form {
      align-items: center;
      display: flex;
      flex: 1;
      flex-wrap: wrap;
      gap: 10px;
    }
    form > label,
    tm-drawn-choice {
      flex-basis: 100%;
    }
    form input {
      flex: 1;
      min-height: 46px;
      min-width: 200px;
    }
  `,
})
export class GateAnswer {
  readonly gate = input.required<Gate>();
  /** How it was answered before; null where it was not. */
  readonly given = input<ReturnType<typeof Hand.prototype.of<'gate'>>[number] | null>(null);
  private readonly hand = inject(Hand);
  protected readonly words = REMEDY_WORDS;
  protected readonly asking = signal<'no' | 'mended' | null>(null);
  protected readonly note = typedText();
  protected readonly fault = typedText();
  /** The faults of the step as they look, where it is looked at point by point. */
  protected readonly faults = computed<readonly DrawnOption[]>(() => {
    const view = this.hand.view();
    const wire = this.gate().end === 2 ? view?.opposite[0] : view?.wire;
    return this.known().map(({ code, title }) => ({
      value: code,
      label: title,
      drawing: wire ? drawStrippedEnd(wire, code) : { shapes: [], box: { x: 0, y: 0, width: 1, height: 1 }, scale: 1 },
    }));
  });
  private readonly known = computed(() => this.gate().points.flatMap((point) => point.faults));
  private readonly chosen = toSignal(this.fault.valueChanges, { initialValue: '' });
  /** What helps first: what the fault that is named takes. */
  protected readonly remedies = computed<readonly Remedy[]>(() => {
    const { remedies } = this.gate();
    const own = this.known().find(({ code }) => code === this.chosen())?.remedy;
    return own ? [own, ...remedies.filter((each) => each !== own)] : remedies;
  });
  /** Whether the step asks if the barrel is still or moves. */
  protected readonly finds = computed(() => this.gate().finds.length > 0);
  protected readonly refusal = signal('');
  protected readonly isRefused = computed(() => this.given()?.body.answer === 'no');
  /** What was done, as the answer before says it. */
  private readonly done = computed(() => {
    const remedy = this.given()?.body.remedy;
    return remedy ? REMEDY_WORDS[remedy].done : '';
  });

  /** A key of the stage that answers; false when it is none. */
  handle(key: string): boolean {
    if (key.toLowerCase() === 'n' && !this.isRefused()) this.ask('no');
    else if (key.toLowerCase() === 'v' && this.finds()) this.moves();
    else if (key === 'Enter') this.yes();
    else return false;
    return true;
  }

  protected yes(): void {
    if (this.isRefused()) this.ask('mended');
    else this.answer('yes', '', null);
  }

  /** A forming stroke after which the next nest would still move the barrel. */
  protected moves(): void {
    const given = this.isRefused() ? this.given() : null;
    this.answer('yes', '', given && { corrects: given.id, why: this.done() || 'closed again' }, undefined, 'moves');
  }

  protected ask(what: 'no' | 'mended'): void {
    this.asking.set(what);
    this.note.setValue(what === 'no' ? '' : this.done());
    this.fault.setValue('');
    setTimeout(() => document.getElementById('gate-note')?.focus());
  }

  protected confirm(event: Event): void {
    event.preventDefault();
    const given = this.given();
    const [remedy] = this.remedies();
    if (this.asking() === 'no' && remedy) this.refuse(remedy);
    else if (given) this.answer('yes', '', { corrects: given.id, why: this.note.value });
  }

  protected refuse(remedy: Remedy): void {
    this.answer('no', this.note.value, null, remedy);
  }

  private answer(
    answer: Extract<EntryBody, { kind: 'gate' }>['answer'],
    note: string,
    correction: { readonly corrects: string; readonly why: string } | null,
    remedy?: Remedy,
    found: StrokeFind = 'still',
  ): void {
    const fault = this.known().find(({ code }) => code === this.fault.value)?.code;
    const refusal = this.hand.put(
      {
        ...{ kind: 'gate', ...gateAbout(this.gate()), answer },
        ...(answer === 'no' && fault && { fault }),
        ...(remedy && { remedy }),
        ...(answer === 'yes' && this.finds() && { found }),
        note,
      },
      correction,
    );
    this.refusal.set(refusal?.text ?? '');
    if (!refusal) this.asking.set(null);
  }
}
