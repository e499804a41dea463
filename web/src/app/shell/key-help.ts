import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { Tick } from '../parts/tick';
import { settingsActions, settingsFeature } from '../settings/settings.state';
import { Keys } from './keys';
import { OfflineKeeper, type OfflinePages } from './offline-pages';

const TOLD: Readonly<Record<OfflinePages, string>> = {
  unknown: '',
  kept: 'When the server is silent, these pages open here all the same. What is put on record waits on this device.',
  'not-over-http':
    'When the server is silent, these pages do not open here: a browser keeps none that come over plain http from another machine. What is put on record while a page is open waits on this device.',
  'not-here': 'When the server is silent, these pages do not open in this browser.',
};

/** The keys of the screen in hand, and what of them is set on this device. */
@Component({
  selector: 'tm-key-help',
  imports: [Tick],
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
    <tm-tick [value]="keepsByNumber()" (valueChange)="setKeepsByNumber($event)">
      At a pull, the number of the failure keeps it: no Enter after it
    </tm-tick>
    <p class="soft">{{ told[offline.state()] }}</p>
  `,
  styles: `
    dl {
      display: grid;
      gap: 10px;
      margin: 0;
    }
    tm-tick {
      display: block;
      margin-top: 20px;
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
  private readonly store = inject(Store);
  protected readonly keepsByNumber = this.store.selectSignal(settingsFeature.selectKeepsByNumber);

  protected setKeepsByNumber(keepsByNumber: boolean): void {
    this.store.dispatch(settingsActions.set({ changes: { keepsByNumber } }));
  }
}
