import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Keys } from './keys';
import { OfflineKeeper, type OfflinePages } from './offline-pages';

const TOLD: Readonly<Record<OfflinePages, string>> = {
  unknown: '',
  kept: 'When the server is silent, these pages open here all the same. What is put on record waits on this device.',
  'not-over-http':
    'When the server is silent, these pages do not open here: a browser keeps none that come over plain http from another machine. What is put on record while a page is open waits on this device.',
  'not-here': 'When the server is silent, these pages do not open in this browser.',
};

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
    <p class="soft">{{ told[offline.state()] }}</p>
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
    p {
      margin-top: 24px;
    }
  `,
})
export class KeyHelp {
  protected readonly keys = inject(Keys);
  protected readonly offline = inject(OfflineKeeper);
  protected readonly told = TOLD;
}
