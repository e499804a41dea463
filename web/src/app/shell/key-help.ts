import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Keys } from './keys';

/** The keys of the screen in hand. */
@Component({
  selector: 'tm-key-help',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl>
      @for (key of keys.here(); track key.key) {
        <div>
          <dt>
            <kbd>{{ key.key }}</kbd>
          </dt>
          <dd>{{ key.does }}</dd>
        </div>
      }
      <div>
        <dt><kbd>?</kbd></dt>
        <dd>show this</dd>
      </div>
    </dl>
  `,
  styles: `
    dl {
      display: grid;
      gap: 10px;
      margin: 0;
    }
    div {
      display: grid;
      grid-template-columns: 110px 1fr;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeyHelp {
  protected readonly keys = inject(Keys);
}
