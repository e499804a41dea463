import type { Injector } from '@angular/core';
import { NzDrawerService, type NzDrawerRef } from 'ng-zorro-antd/drawer';
import { KeyHelp } from './key-help';

/** Opens the keys of the screen in hand at the side. */
export function openKeyHelp(injector: Injector): NzDrawerRef {
  const drawers = injector.get(NzDrawerService);
  return drawers.create({ nzTitle: 'Keys of this screen', nzContent: KeyHelp, nzWidth: 360 });
}
