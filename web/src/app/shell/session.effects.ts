import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, exhaustMap, from, map, of, tap } from 'rxjs';
import { Api, toProblem } from '../http/api';
import { forgetDrafts } from '../session/drafts';
import { sessionActions, sessionFeature } from '../session/session.state';

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

/** What somebody had typed and left does not stand at the next person's seat. */
export const forget = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) =>
    actions$.pipe(
      ofType(sessionActions.signOut),
      tap(() => {
        const person = store.selectSignal(sessionFeature.selectPerson)();
        if (person) forgetDrafts(person.id);
      }),
    ),
  { functional: true, dispatch: false },
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
