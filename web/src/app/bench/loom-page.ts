import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { LoomWire, Problem } from '@tug-mark/contract';
import { Api, toProblem } from '../http/api';
import { LoomWires } from '../parts/loom-wires';
import { ProblemNotice } from '../parts/problem-notice';

/** Both ends of every wire of a list: what goes on first, which end is made first, and what passes over what. */
@Component({
  selector: 'tm-loom-page',
  imports: [LoomWires, ProblemNotice, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <h1>Both ends of its wires{{ loom() ? ': ' + loom()!.name : '' }}</h1>
        <a routerLink="/bench">Back to the bench</a>
      </div>
      <p>
        What is slid on for one end and passes neither terminal has to be on before the second end is pressed. Bores are
        compared with the newest sheets of the cabinet; where a sheet gives no widest place, nothing is trusted to pass.
      </p>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (loom(); as found) {
        <tm-loom-wires [wires]="found.wires" />
      } @else if (!problem()) {
        <p class="soft" role="status">Reading the list ...</p>
      }
    </div>
  `,
})
export class LoomPage {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  protected readonly loom = signal<{ readonly name: string; readonly wires: readonly LoomWire[] } | null>(null);
  protected readonly problem = signal<Problem | null>(null);

  constructor() {
    effect(() => {
      this.api.loom(this.id()).then(
        (loom) => {
          this.loom.set(loom);
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }
}
