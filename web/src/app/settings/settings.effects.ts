import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { fromEvent, map, merge, startWith, tap } from 'rxjs';
import { keepSettings, settingsActions, settingsFeature } from './settings.state';

/** What is set stays on the device. */
export const keep = createEffect(
  (actions$ = inject(Actions), settings = inject(Store).selectSignal(settingsFeature.selectSettingsState)) =>
    actions$.pipe(
      ofType(settingsActions.set),
      tap(() => {
        keepSettings(settings());
      }),
    ),
  { functional: true, dispatch: false },
);

/** The screen is light or dark as was set, else as the system wishes, and follows it. */
export const look = createEffect(
  (actions$ = inject(Actions), chosen = inject(Store).selectSignal(settingsFeature.selectLook)) => {
    const dark = matchMedia('(prefers-color-scheme: dark)');
    return merge(actions$.pipe(ofType(settingsActions.set)), fromEvent(dark, 'change')).pipe(
      startWith(null),
      map(() => (chosen() === 'system' ? (dark.matches ? 'dark' : 'light') : chosen())),
      tap((look) => (document.documentElement.dataset['look'] = look)),
    );
  },
  { functional: true, dispatch: false },
);
