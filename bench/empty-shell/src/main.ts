import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { HttpClient, provideHttpClient, withFetch } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { provideRouter, RouterLink, RouterOutlet } from '@angular/router';
import { Actions, createEffect, ofType, provideEffects } from '@ngrx/effects';
import { createActionGroup, createFeature, createReducer, emptyProps, on, provideStore, Store } from '@ngrx/store';
import { openDB } from 'idb';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { en_US, NZ_I18N } from 'ng-zorro-antd/i18n';
import { NzInputModule } from 'ng-zorro-antd/input';
import { map } from 'rxjs';

/* The baseline of the first-load figure: the packages the first page of the application provides, wired up with nothing to
   do, and built the same way: Angular with router, forms and HTTP, NgRx, the menu of the CDK, NG-ZORRO, and idb. What its
   later page uses of them too is shared with the first by the build, there as here. */

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
  imports: [
    ...[RouterLink, RouterOutlet, ReactiveFormsModule, CdkMenu, CdkMenuItem, CdkMenuTrigger],
    ...[NzButtonModule, NzInputModule],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input nz-input aria-label="empty" [formControl]="field" />
    <button nz-button type="button" (click)="ask()">{{ asked() }}</button>
    <button nz-button type="button" [cdkMenuTriggerFor]="menu">empty</button>
    <ng-template #menu>
      <div cdkMenu><a cdkMenuItem routerLink="/">empty</a></div>
    </ng-template>
    <router-outlet />
  `,
})
class EmptyShell {
  private readonly store = inject(Store);
  private readonly http = inject(HttpClient);
  protected readonly field = new FormControl('');
  protected readonly asked = this.store.selectSignal(feature.selectAsked);
  protected ask(): void {
    void openDB('empty').then((db) => {
      db.close();
    });
    this.http.get('/empty').subscribe();
    this.store.dispatch(actions.ask());
  }
}

bootstrapApplication(EmptyShell, {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter([{ path: 'later', loadComponent: () => import('./later').then((m) => m.Later) }]),
    provideHttpClient(withFetch()),
    provideStore({ [feature.name]: feature.reducer }),
    provideEffects({ tell }),
    { provide: NZ_I18N, useValue: en_US },
  ],
}).catch((error: unknown) => {
  console.error(error);
});
