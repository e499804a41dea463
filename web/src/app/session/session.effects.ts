import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, exhaustMap, from, map, of } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { sessionActions } from './session.state';

export const askWhoIsHere = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) =>
    actions$.pipe(
      ofType(sessionActions.ask),
      exhaustMap(() =>
        from(api.here()).pipe(
          map((here) => sessionActions.arrived({ here })),
          catchError((error: unknown) => of(sessionActions.signInFailed({ problem: toProblem(error) }))),
        ),
      ),
    ),
  { functional: true },
);

export const signIn = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) =>
    actions$.pipe(
      ofType(sessionActions.signIn),
      exhaustMap(({ name, password }) =>
        from(api.signIn({ name, password })).pipe(
          map((here) => sessionActions.arrived({ here })),
          catchError((error: unknown) => of(sessionActions.signInFailed({ problem: toProblem(error) }))),
        ),
      ),
    ),
  { functional: true },
);

export const signOut = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) =>
    actions$.pipe(
      ofType(sessionActions.signOut),
      exhaustMap(() =>
        from(api.signOut().then(() => api.here())).pipe(
          map((here) => sessionActions.arrived({ here })),
          catchError((error: unknown) => of(sessionActions.signInFailed({ problem: toProblem(error) }))),
        ),
      ),
    ),
  { functional: true },
);
