import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Problem } from '@tug-mark/contract';
import { DONE_TO_TOOLS, RETURN_WORDS, type Tool } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { ChoiceButtons } from '../parts/choice-buttons';
import { ProblemNotice } from '../parts/problem-notice';

/** Quality puts a tool that failed its check back into use: what was done to it, and by whom. */
@Component({
  selector: 'tm-tool-return',
  imports: [ChoiceButtons, FormsModule, NzButtonModule, NzInputModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (ngSubmit)="keep()" [attr.aria-label]="'Back into use: ' + tool().label">
      <p><strong>What was done to it?</strong> It is checked again before the first piece.</p>
      <tm-choice-buttons label="What was done" [options]="options" [(value)]="done" />
      <label [attr.for]="'note-' + tool().part">What exactly, and by whom</label>
      <input
        nz-input
        name="note"
        maxlength="500"
        [id]="'note-' + tool().part"
        [ngModel]="note()"
        (ngModelChange)="note.set($event)"
      />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="!isSaid()">
          Put it back into use
        </button>
        <button nz-button class="bench-button" type="button" (click)="dropped.emit()">Not now</button>
      </p>
    </form>
  `,
  styles: `
    form {
      background: var(--paper);
      display: grid;
      gap: 8px;
      justify-items: start;
      padding: 10px 14px;
    }
    input,
    tm-problem {
      max-width: 640px;
      width: 100%;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class ToolReturnForm {
  private readonly api = inject(Api);
  readonly tool = input.required<Tool>();
  readonly kept = output();
  readonly dropped = output();
  protected readonly options = DONE_TO_TOOLS.map((value) => ({ value, label: RETURN_WORDS[value] }));
  protected readonly done = signal<(typeof DONE_TO_TOOLS)[number] | null>(null);
  protected readonly note = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly isSaid = computed(() => this.done() !== null && this.note().trim().length > 2);
  private readonly id = timeOrderedId();

  protected async keep(): Promise<void> {
    const done = this.done();
    if (done === null || !this.isSaid()) return;
    try {
      await this.api.returnTool({ id: this.id, tool: this.tool().part, done, note: this.note().trim() });
      this.problem.set(null);
      this.kept.emit();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
