import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Hand } from '../hand/hand';

/** Goes to the first stage that has not passed, where the work goes on. */
@Component({
  selector: 'tm-first-open-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
})
export class FirstOpenStage {
  constructor() {
    const hand = inject(Hand);
    const router = inject(Router);
    const go = effect(() => {
      const view = hand.view();
      const judgement = hand.judgement();
      if (!view || !judgement) return;
      const isNew = view.entries.length === 0;
      const lot = hand.lot();
      const isMade = lot !== null && lot.head.state !== 'finished' && judgement.release.state === 'released';
      const stage = isNew
        ? 'match'
        : isMade
          ? 'lot'
          : (judgement.stages.find((s) => s.state !== 'pass')?.stage ?? 'tug');
      go.destroy();
      void router.navigate(['/bench', view.combination.id, stage], { replaceUrl: true });
    });
  }
}
