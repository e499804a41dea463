import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Problem } from '@tug-mark/contract';
import { Hand } from '../hand/hand';
import { handActions } from '../hand/hand.state';
import { Api, toProblem } from '../http/api';
import { FileDrop } from '../parts/file-drop';
import { ProblemNotice } from '../parts/problem-notice';
import { count } from '../parts/count';
import { LotWork } from './lot-work';

/** Pulls made elsewhere, taken from a file whole or not at all. */
@Component({
  selector: 'tm-pulls-from-file',
  imports: [FileDrop, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
    <tm-file-drop label="Pulls as CSV" accept=".csv,text/csv" (file)="take($event)" />
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
  `,
})
export class PullsFromFile {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly hand = inject(Hand);
  private readonly work = inject(LotWork);
  protected readonly problem = signal<Problem | null>(null);

  protected async take(file: File): Promise<void> {
    const head = this.work.head();
    const id = this.hand.view()?.combination.id;
    if (!head || id === undefined) return;
    try {
      const { readings } = await this.api.importReadings(id, head.lot, file);
      this.problem.set(null);
      this.store.dispatch(handActions.refresh({ id }));
      this.work.open('none');
      this.work.say(
        `${count(readings, 'pull is', 'pulls are')} on record. Each of those pieces has still to be looked at.`,
      );
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
