import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { settingsActions, settingsFeature } from '../settings/settings.state';

/** CSS's own idea of a millimetre, right on few screens. */
const NOMINAL = 96 / 25.4;

/** What a millimetre is on this screen, after a check with a ruler or a bank card; remembered on this device. */
@Injectable({ providedIn: 'root' })
export class Screen {
  private readonly store = inject(Store);
  private readonly checked = this.store.selectSignal(settingsFeature.selectPxPerMm);
  readonly pxPerMm = computed(() => this.checked() ?? NOMINAL);
  readonly isChecked = computed(() => this.checked() !== null);

  /** @param pxPerMm CSS pixels per millimetre, as measured; 1.5 to 20 is what screens have */
  keep(pxPerMm: number): void {
    this.store.dispatch(settingsActions.set({ changes: { pxPerMm: Math.min(20, Math.max(1.5, pxPerMm)) } }));
  }
}
