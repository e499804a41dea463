import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { pickList } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { PlanStore } from './plan.store';

/** Of the chosen job: why it is here, what it takes, and how to keep or move it. */
@Component({
  selector: 'tm-job-boxes',
  imports: [RouterLink, NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.about(); as job) {
      <section aria-labelledby="why">
        <h2 id="why">Why here: {{ job.label }}</h2>
        @if (store.why(); as why) {
          <p>{{ why.waits }} {{ why.mounted }}</p>
          @if (why.earlier) {
            <p>{{ why.earlier }}</p>
          }
        }
      </section>
      <section aria-labelledby="takes">
        <h2 id="takes">What it takes</h2>
        <p>{{ takes() }}</p>
        @for (need of needs(); track need.part) {
          <p>
            {{ need.total }} of {{ need.part }}:
            @if (need.have === null) {
              <span class="soft">nobody has counted them.</span>
            } @else if (need.short > 0) {
              <strong class="wrong">{{ need.short }} short</strong
              >{{ need.arrives ? ', here ' + at(need.arrives) : '; none on their way' }}.
            } @else {
              {{ need.have }} in the drawer.
            }
          </p>
        }
        @if (job.combination) {
          <p><a [routerLink]="['/bench', job.combination]">To its combination</a></p>
        }
      </section>
      <section aria-labelledby="keep">
        <h2 id="keep">Keep it there</h2>
        @if (mayMove()) {
          <p>
            Drag it, or press <kbd>M</kbd> and the arrow keys: what the move comes to is said before it is dropped. A
            move holds until the plan is searched again, unless the job is fixed.
          </p>
          <p class="acts">
            @if (store.isFixed()) {
              <span>It is fixed.</span>
            } @else {
              <button nz-button type="button" (click)="store.fixChosen()">Fix it in place <kbd>F</kbd></button>
            }
            <button nz-button type="button" (click)="store.takeChosenOut()">Take it out <kbd>O</kbd></button>
          </p>
        } @else {
          <p class="soft">An engineer moves jobs and gives out the plan.</p>
        }
      </section>
    } @else {
      <p class="soft">
        Choose a job on the board to see why it is there, what it takes, and what moving it would come to.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 16px;
      grid-template-columns: repeat(auto-fit, minmax(min(280px, 100%), 1fr));
      margin: 8px 0 18px;
    }
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 8px;
      align-content: start;
      padding: 14px 18px;
    }
    h2 {
      margin: 0;
    }
    button kbd {
      margin-left: 8px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class JobBoxes {
  protected readonly store = inject(PlanStore);
  readonly mayMove = input(false);
  protected readonly takes = computed(() => {
    const job = this.store.about();
    if (!job) return '';
    if (job.does === 'cut') return `${job.pieces} wires to cut.`;
    if (job.does === 'insert') return `${job.pieces} contacts to put in.`;
    const more = [
      ...(job.samples ? [`${job.samples} samples`] : []),
      ...(job.checks ? [`${job.checks} to be pulled`] : []),
      ...(job.rework ? [`${job.rework} expected to be made again`] : []),
    ];
    const part = job.parts > 1 ? ` (part ${job.part} of ${job.parts})` : '';
    const from = job.learnedFrom ? `learned from ${job.learnedFrom} pieces` : 'the shop’s own number';
    return `${job.pieces} pieces of ${job.list}${part} on ${job.wireLabel}${more.length ? `, and ${more.join(', ')}` : ''}. ${Math.round(job.seconds)} s a piece, ${from}.`;
  });
  protected readonly needs = computed(() => {
    const [job, day] = [this.store.about(), this.store.day()];
    return job && day ? pickList([job], day.stock) : [];
  });

  protected at(moment: string): string {
    return moment.replace('T', ' at ');
  }
}
