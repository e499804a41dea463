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
      const stage = hand.step()?.to ?? 'match';
      go.destroy();
      void router.navigate(['/bench', view.combination.id, stage], { replaceUrl: true });
    });
  }
}
