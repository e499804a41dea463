import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, inject, input, output } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** Rows drawn at first, and drawn further each time somebody comes to the end of them: as many as a screen shows. */
export const ROWS_AT_ONCE = 15;

/** The end of a long list: draws on when it comes into sight, or when it is pressed. */
@Component({
  selector: 'tm-more-rows',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <button nz-button class="quiet" type="button" (click)="more.emit()">{{ left() }} more</button> `,
  styles: `
    :host {
      display: block;
      padding: 8px 0;
    }
  `,
})
export class MoreRows {
  /** Rows not drawn yet. */
  readonly left = input.required<number>();
  readonly more = output();

  constructor() {
    const element = (inject(ElementRef) as ElementRef<HTMLElement>).nativeElement;
    // A list that fits the screen is not drawn on by itself: only scrolling brings its end into sight.
    let wasOut = false;
    const watch = new IntersectionObserver(([seen]) => {
      if (!seen?.isIntersecting) wasOut = true;
      else if (wasOut) this.more.emit();
    });
    watch.observe(element);
    inject(DestroyRef).onDestroy(() => {
      watch.disconnect();
    });
  }
}
