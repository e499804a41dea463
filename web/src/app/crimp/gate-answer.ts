import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { ofEnd, REMEDY_WORDS, type EntryBody, type Remedy, type SetUp } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

type Gate = SetUp['gates'][number];

/** The answer to one step of the crimp: it is so, or it is not, with what differs and what is done about it. */
@Component({
  selector: 'tm-gate-answer',
  imports: [ReactiveFormsModule, Notice, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <form class="notice" (submit)="confirm($event)">
        <label for="gate-note">{{
          asking() === 'no' ? 'What differs?' : 'What was done about it? The first answer stays on record.'
        }}</label>
        <input nz-input id="gate-note" maxlength="500" [formControl]="note" />
        @if (asking() === 'no') {
          @for (remedy of gate().remedies; track remedy; let isFirst = $first) {
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
      @if (!isRefused()) {
        <button nz-button class="bench-button" type="button" (click)="ask('no')">Not like this</button>
      }
      <span class="keys"><kbd>Enter</kbd> confirm <kbd>N</kbd> say what differs</span>
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
export class GateAnswer {
  readonly gate = input.required<Gate>();
  /** How it was answered before; null where it was not. */
  readonly given = input<ReturnType<typeof Hand.prototype.of<'gate'>>[number] | null>(null);
  private readonly hand = inject(Hand);
  protected readonly words = REMEDY_WORDS;
  protected readonly asking = signal<'no' | 'mended' | null>(null);
  protected readonly note = typedText();
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
    else if (key === 'Enter') this.yes();
    else return false;
    return true;
  }

  protected yes(): void {
    if (this.isRefused()) this.ask('mended');
    else this.answer('yes', '', null);
  }

  protected ask(what: 'no' | 'mended'): void {
    this.asking.set(what);
    this.note.setValue(what === 'no' ? '' : this.done());
    setTimeout(() => document.getElementById('gate-note')?.focus());
  }

  protected confirm(event: Event): void {
    event.preventDefault();
    const given = this.given();
    const [remedy] = this.gate().remedies;
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
  ): void {
    const { gate, end } = this.gate();
    const refusal = this.hand.put(
      { kind: 'gate', gate, ...ofEnd(end), answer, ...(remedy && { remedy }), note },
      correction,
    );
    this.refusal.set(refusal?.text ?? '');
    if (!refusal) this.asking.set(null);
  }
}
