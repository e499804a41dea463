import { ChangeDetectionStrategy, Component, inject, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter, RouterOutlet } from '@angular/router';
import { Actions, createEffect, ofType, provideEffects } from '@ngrx/effects';
import { createActionGroup, createFeature, createReducer, emptyProps, on, provideStore, Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { en_US, NZ_I18N } from 'ng-zorro-antd/i18n';
import { NzInputModule } from 'ng-zorro-antd/input';
import { map } from 'rxjs';

/* The baseline of the first-load figure: Angular, NgRx and NG-ZORRO wired up with nothing to do, built the same way. */

const actions = createActionGroup({ source: 'Shell', events: { ask: emptyProps(), told: emptyProps() } });
const feature = createFeature({
  name: 'shell',
  reducer: createReducer(
    { asked: false },
    on(actions.told, () => ({ asked: true })),
  ),
});
const tell = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(actions.ask),
      map(() => actions.told()),
    ),
  { functional: true },
);

@Component({
  selector: 'tm-root',
  imports: [RouterOutlet, NzButtonModule, NzInputModule, NzDrawerModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input nz-input aria-label="empty" />
    <button nz-button type="button" (click)="ask()">{{ asked() }}</button>
    <nz-drawer [nzVisible]="false" nzTitle="empty"><ng-container *nzDrawerContent>empty</ng-container></nz-drawer>
    <router-outlet />
  `,
})
class EmptyShell {
  private readonly store = inject(Store);
  protected readonly asked = this.store.selectSignal(feature.selectAsked);
  protected ask(): void {
    this.store.dispatch(actions.ask());
  }
}

bootstrapApplication(EmptyShell, {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter([]),
    provideStore({ [feature.name]: feature.reducer }),
    provideEffects({ tell }),
    { provide: NZ_I18N, useValue: en_US },
  ],
}).catch((error: unknown) => {
  console.error(error);
});
