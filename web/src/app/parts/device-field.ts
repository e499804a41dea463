import { Directive, ElementRef, inject } from '@angular/core';
import { FieldBurst } from './key-burst';

/**
 * A field that a gauge or caliper may type into. A line that ends with Tab is taken like one that ends with Enter, and what
 * was refused is selected, so that the next value replaces it: hands-free devices cannot clear a field.
 */
@Directive({
  selector: 'input[tmDevice]',
  host: { '(keydown)': 'keyDown($event)' },
})
export class DeviceField {
  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private readonly burst = new FieldBurst();

  protected keyDown(event: KeyboardEvent): void {
    const { key, timeStamp } = event;
    if (key === 'Tab' && this.burst.isBurst(timeStamp)) {
      event.preventDefault();
      this.field.form?.requestSubmit();
      this.selectLeft();
      return;
    }
    if (key === 'Enter') this.selectLeft();
    this.burst.heard(timeStamp);
  }

  /** What still stands in the field after its form has answered was not taken. */
  private selectLeft(): void {
    setTimeout(() => {
      if (document.activeElement === this.field && this.field.value !== '') this.field.select();
    });
  }
}
