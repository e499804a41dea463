import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { GLOSSARY, type Term } from '@tug-mark/core';
import { NzPopoverModule } from 'ng-zorro-antd/popover';
import { timeOrderedId } from '../http/uuid';

/** A term with what it means behind it: with a press on screen, and read out with it where the screen is heard. */
@Component({
  selector: 'tm-term',
  imports: [NzPopoverModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      class="bare"
      type="button"
      nz-popover
      nzPopoverTrigger="click"
      nzPopoverOverlayClassName="tm-term-said"
      [nzPopoverTitle]="of()"
      [nzPopoverContent]="meaning()"
      [nzPopoverVisible]="isOpen()"
      (nzPopoverVisibleChange)="isOpen.set($event)"
      (keydown.escape)="isOpen.set(false)"
      [attr.aria-expanded]="isOpen()"
      [attr.aria-describedby]="id"
    >
      <ng-content>{{ of() }}</ng-content>
    </button>
    <span class="out-of-sight" [id]="id">{{ meaning() }}</span>
  `,
  styles: `
    button {
      border-bottom: 1px dotted currentcolor;
      min-height: 24px;
    }
  `,
})
export class TermHelp {
  readonly of = input.required<Term>();
  protected readonly id = timeOrderedId();
  protected readonly isOpen = signal(false);
  protected readonly meaning = computed(() => GLOSSARY.find(({ term }) => term === this.of())?.text ?? '');
}
