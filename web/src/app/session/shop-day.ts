import { inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { today, type ShopTime } from '@tug-mark/core';
import { sessionFeature } from './session.state';

/** The shop's time zone, for whoever is in an injection context. */
export function injectShopTime(): () => ShopTime {
  const shop = inject(Store).selectSignal(sessionFeature.selectShop);
  return () => ({ zone: shop()?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone });
}

/** The day it is in the shop, as an ISO date. */
export function injectToday(): () => string {
  const shop = injectShopTime();
  return () => today(shop(), new Date().toISOString());
}
