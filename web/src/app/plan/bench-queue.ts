import { ChangeDetectionStrategy, Component, computed, effect, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { sessionFeature } from '../session/session.state';
import { settingsFeature } from '../settings/settings.state';
import { queueWords } from './queue-lines';
import { QueueStore } from './queue.store';

/** What the plan says is next for whoever stands here. */
export interface PlannedNext {
  readonly headline: string;
  readonly under: string;
  readonly combination: string | null;
}

/**
 * Asks the plan what is next at this device's bench, or where nobody has said which that is for the person who is here. It shows
 * nothing itself: the bench makes it its headline.
 */
@Component({
  selector: 'tm-bench-queue',
  providers: [QueueStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
})
export class BenchQueue {
  private readonly store = inject(QueueStore);
  private readonly bench = inject(Store).selectSignal(settingsFeature.selectBench);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  readonly planned = output<PlannedNext | null>();
  private readonly line = computed(() => {
    const lines = this.store.lines();
    return (
      lines.find(({ bench }) => bench === this.bench()) ??
      lines
        .filter(({ next }) => next?.person === this.person()?.name)
        .sort((a, b) => (a.next?.state === 'running' ? -1 : b.next?.state === 'running' ? 1 : 0))[0]
    );
  });

  constructor() {
    effect(() => {
      const line = this.line();
      this.planned.emit(line?.next ? { ...queueWords(line), combination: line.next.combination } : null);
    });
  }
}
