import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type Problem } from '@tug-mark/contract';
import { counted } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { addressOf } from '../http/client';
import { readJsonFile } from '../http/read-json-file';
import { FileButton } from '../parts/file-button';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { PlanStore } from './plan.store';

/** Jobs to and from other programs: lists with their days come in, what is to be made goes out. */
@Component({
  selector: 'tm-job-files',
  imports: [NzButtonModule, FileButton, Notice, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="Jobs in and out">
      <h2>Jobs in and out</h2>
      <p class="acts">
        <a nz-button [href]="table" download="jobs.csv">Jobs as CSV</a>
        <a nz-button [href]="lists" download="jobs.json">Lists as JSON</a>
        @if (mayBring()) {
          <tm-file-button accept=".json" (file)="bring($event)">Lists from JSON</tm-file-button>
          <tm-file-button accept=".csv" (file)="takeDays($event)">Days and priorities from CSV</tm-file-button>
        }
      </p>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (said()) {
        <tm-notice kind="good">{{ said() }}</tm-notice>
      }
    </section>
  `,
  styles: `
    section {
      margin-top: 16px;
    }
    h2 {
      margin: 0 0 6px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class JobFiles {
  private readonly api = inject(Api);
  private readonly store = inject(PlanStore);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly mayBring = computed(() => may(this.person()?.roles, 'import-wire-list'));
  protected readonly table = addressOf('writeJobs', { query: { days: 5 } });
  protected readonly lists = addressOf('writeJobsFile', {});
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');

  protected bring(file: File): Promise<void> {
    return this.take(async () => {
      const { lists, made } = await this.api.readJobsFile(await readJsonFile(file));
      const known = lists - made;
      return `${counted(made, 'list')} brought in${known ? `, the days of ${counted(known, 'list')} taken over` : ''}.`;
    });
  }

  protected takeDays(file: Blob): Promise<void> {
    return this.take(async () => `The days of ${counted((await this.api.readDues(file)).lists, 'list')} taken over.`);
  }

  /** What came in is planned at once. */
  private async take(work: () => Promise<string>): Promise<void> {
    try {
      const said = await work();
      this.problem.set(null);
      this.said.set(said);
    } catch (error) {
      this.said.set('');
      this.problem.set(toProblem(error));
      return;
    }
    await this.store.open();
  }
}
