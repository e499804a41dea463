import { inject, type Signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { settingsFeature } from './settings.state';

/** Decimals the shop wants a force shown with; more where its limit would read like the other verdict. */
export function injectForceDecimals(): Signal<number> {
  return inject(Store).selectSignal(settingsFeature.selectForceDecimals);
}
