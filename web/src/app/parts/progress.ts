import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NzProgressModule } from 'ng-zorro-antd/progress';

/** How far long work is, as a bar with its numbers for whoever hears the screen. */
@Component({
  selector: 'tm-progress',
  imports: [NzProgressModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nz-progress nzSize="small" [nzPercent]="percent()" [nzShowInfo]="false" [nzStrokeWidth]="8" />`,
  styles: `
    :host {
      display: inline-block;
      min-width: 140px;
    }
  `,
  host: {
    role: 'progressbar',
    'aria-valuemin': '0',
    '[attr.aria-label]': 'label()',
    '[attr.aria-valuenow]': 'of() ? done() : null',
    '[attr.aria-valuemax]': 'of() || null',
  },
})
export class Progress {
  readonly label = input.required<string>();
  readonly done = input.required<number>();
  /** How many there are in all; 0 while nobody knows. */
  readonly of = input.required<number>();
  protected readonly percent = computed(() => (this.of() ? (100 * this.done()) / this.of() : 0));
}
