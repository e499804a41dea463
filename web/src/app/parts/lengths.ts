import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { LENGTH_SHOWN, showLength } from '@tug-mark/core';
import { settingsActions, settingsFeature } from '../settings/settings.state';

/** How lengths are shown on this device: millimetres, decimal inches or 64ths. What is stored and judged stays in mm. */
@Injectable({ providedIn: 'root' })
export class Lengths {
  private readonly store = inject(Store);
  readonly shown = this.store.selectSignal(settingsFeature.selectLengthShown);
  private readonly decimals = this.store.selectSignal(settingsFeature.selectLengthDecimals);

  /** The next of the three ways. */
  turn(): void {
    const lengthShown = LENGTH_SHOWN[(LENGTH_SHOWN.indexOf(this.shown()) + 1) % LENGTH_SHOWN.length] ?? 'mm';
    this.store.dispatch(settingsActions.set({ changes: { lengthShown } }));
  }
  /** A length in words; beside millimetres where another way is chosen, because stops and calipers may be metric. */
  say(millimetres: number, decimals = this.decimals()): string {
    const mm = showLength(millimetres, 'mm', decimals);
    return this.shown() === 'mm' ? mm : `${showLength(millimetres, this.shown(), decimals)} (${mm})`;
  }
}
