import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

/** Asks why a set-up begins again, and begins its next run. */
@Component({
  selector: 'tm-begin-again',
  imports: [Notice, NzButtonModule, NzInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <form class="notice" (submit)="begin($event)">
        <label for="run-cause"
          >Why does the set-up begin again? Everything made so far stays on record as run {{ hand.run() }}.</label
        >
        <input nz-input id="run-cause" maxlength="500" [formControl]="cause" />
        <button nz-button nzType="primary" class="bench-button" type="submit">Begin run {{ hand.run() + 1 }}</button>
        <button nz-button class="bench-button" type="button" (click)="asking.set(false)">Not now</button>
      </form>
    }
    @if (refusal()) {
      <tm-notice kind="bad">{{ refusal() }}</tm-notice>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    input {
      min-height: 46px;
      min-width: 300px;
    }
  `,
})
export class BeginAgain {
  protected readonly hand = inject(Hand);
  /** Set where somebody comes from a failure: it asks at once. */
  readonly again = input<unknown>();
  readonly asking = signal(false);
  protected readonly cause = typedText();
  protected readonly refusal = signal('');

  constructor() {
    const begin = effect(() => {
      if (!this.again() || !this.hand.of('tool').length) return;
      begin.destroy();
      untracked(() => {
        this.ask();
      });
    });
  }

  ask(): void {
    this.asking.set(true);
    const judgement = this.hand.judgement();
    const failed = judgement?.verdict === 'rejected' ? judgement.holding[0]?.text : undefined;
    this.cause.setValue(
      judgement?.release.reasons.find((r) => r.weight === 'hold')?.text ?? failed ?? this.changedTool(),
    );
    setTimeout(() => document.getElementById('run-cause')?.focus());
  }

  /** Why a lot in the middle needs it again; empty where none does. */
  private changedTool(): string {
    const head = this.hand.lot()?.head;
    return head && head.awaitsSetUp !== null ? `Tool changed in lot ${head.name} after piece ${head.awaitsSetUp}` : '';
  }

  protected begin(event: Event): void {
    event.preventDefault();
    const view = this.hand.view();
    if (!view) return;
    const refusal = this.hand.put({
      kind: 'run',
      run: this.hand.run() + 1,
      cause: this.cause.value,
      revisions: view.newest,
    });
    this.refusal.set(refusal?.text ?? '');
    if (!refusal) this.asking.set(false);
  }
}
