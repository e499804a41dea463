import { createEnvironmentInjector, EnvironmentInjector, type Injector } from '@angular/core';
import { NzDrawerService, type NzDrawerRef } from 'ng-zorro-antd/drawer';
import { KeyHelp } from './key-help';

/** Opens the keys of the screen in hand at the side. */
export function openKeyHelp(injector: Injector): NzDrawerRef {
  // The library provides its drawers by a module: one of its own, so that the first page needs none.
  const own = createEnvironmentInjector([NzDrawerService], injector.get(EnvironmentInjector));
  const drawer = own
    .get(NzDrawerService)
    .create({ nzTitle: 'Keys of this screen', nzContent: KeyHelp, nzWidth: 360 }) as NzDrawerRef;
  drawer.afterClose.subscribe(() => {
    own.destroy();
  });
  return drawer;
}
