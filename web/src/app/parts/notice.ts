import { booleanAttribute, ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NzAlertModule } from 'ng-zorro-antd/alert';
import { Mark } from './mark';

/** What the library calls each kind, which shape stands before it, and how it is announced. */
const KINDS = {
  note: { type: 'info', state: 'note', role: null },
  good: { type: 'success', state: 'pass', role: 'status' },
  bad: { type: 'error', state: 'fail', role: 'alert' },
} as const;

/** Words that stand out where they are: a note, something that is done, or what is wrong. The latter two are announced. */
@Component({
  selector: 'tm-notice',
  imports: [NzAlertModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ng-template #mark><tm-mark [state]="of().state" [size]="18" /></ng-template>
    <ng-template #words><ng-content /></ng-template>
    <nz-alert nzShowIcon [nzIcon]="mark" [nzMessage]="words" [nzType]="of().type" />
  `,
  styles: `
    :host {
      display: block;
    }
  `,
  host: { '[attr.role]': "announced() ? 'status' : of().role" },
})
export class Notice {
  readonly kind = input<keyof typeof KINDS>('note');
  /** A note that is read aloud when it comes. */
  readonly announced = input(false, { transform: booleanAttribute });
  protected readonly of = computed(() => KINDS[this.kind()]);
}
