import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { Progress } from '../parts/progress';

/** All set-up sheets of one wire list as one PDF, with how far it is; it can be stopped. */
@Component({
  selector: 'tm-sheet-pile',
  imports: [NzButtonModule, ProblemNotice, Progress],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (state(); as s) {
      <span role="status" class="figures">
        {{ s.of ? s.done + ' of ' + s.of + ' sheets' : 'beginning ...' }}
        <tm-progress [label]="'Sheets of ' + list()" [done]="s.done" [of]="s.of" />
      </span>
      <button nz-button type="button" (click)="stop()">Stop</button>
    } @else if (address(); as ready) {
      <a [href]="ready" [download]="list() + ' set-up sheets.pdf'">Take the PDF of {{ list() }}</a>
    } @else {
      <button nz-button type="button" (click)="make()">Set-up sheets of {{ list() }}</button>
    }
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: inline-flex;
      flex-wrap: wrap;
      gap: 10px;
    }
  `,
})
export class SheetPile {
  private readonly api = inject(Api);
  readonly list = input.required<string>();
  /** Sheets in all: one a combination. */
  readonly of = input.required<number>();
  protected readonly state = signal<{ done: number; of: number } | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  private readonly file = signal<string | null>(null);
  protected readonly address = computed(() => this.file());
  private stopper: AbortController | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop();
      const made = this.file();
      if (made) URL.revokeObjectURL(made);
    });
  }

  protected async make(): Promise<void> {
    const stopper = new AbortController();
    this.stopper = stopper;
    this.state.set({ done: 0, of: 0 });
    this.problem.set(null);
    try {
      const pdf = await this.api.sheetPile(this.list(), 'A4', stopper.signal, (done) => {
        this.state.set({ done, of: this.of() });
      });
      this.file.set(URL.createObjectURL(pdf));
    } catch (error) {
      if (!stopper.signal.aborted) this.problem.set(toProblem(error));
    }
    this.state.set(null);
  }

  protected stop(): void {
    this.stopper?.abort();
  }
}
