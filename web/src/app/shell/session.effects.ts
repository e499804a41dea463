import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  catchError,
  debounceTime,
  defer,
  EMPTY,
  exhaustMap,
  filter,
  from,
  map,
  of,
  retry,
  switchMap,
  takeUntil,
  tap,
} from 'rxjs';
import { Api, toProblem } from '../http/api';
import { Live } from '../live/live';
import { writeTimesIn } from '../parts/show-time';
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

/**
 * The shop or somebody's roles may have changed: who is here is asked again, quietly. A session that has ended is told by
 * whatever is tried next, so that nothing leaves the screen for it.
 */
export const hearOfChanges = createEffect(
  (live = inject(Live), api = inject(Api), store = inject(Store)) => {
    const state = store.selectSignal(sessionFeature.selectState);
    const known = store.selectSignal(sessionFeature.selectHere);
    return live.news.pipe(
      filter(({ kind }) => kind === 'shop' && state() === 'in'),
      debounceTime(1000),
      switchMap(() => from(api.here()).pipe(catchError(() => EMPTY))),
      // The same again would have every page fetch what it has.
      filter((here) => here.person !== null && state() === 'in' && JSON.stringify(here) !== JSON.stringify(known())),
      map((here) => sessionActions.arrived({ here })),
    );
  },
  { functional: true },
);

/** Days and moments are written as the shop has set. */
export const language = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(sessionActions.arrived),
      tap(({ here }) => {
        writeTimesIn(here.shop.settings.language);
      }),
    ),
  { functional: true, dispatch: false },
);

/** A locked station has no session: its cookie would let anybody in. */
export const lock = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) =>
    actions$.pipe(
      ofType(sessionActions.lock),
      // Tried until it is done: what the network kept from the server would let anybody in by loading the page again.
      switchMap(() =>
        defer(() => api.signOut()).pipe(
          retry({ delay: 3000 }),
          takeUntil(actions$.pipe(ofType(sessionActions.arrived))),
        ),
      ),
    ),
  { functional: true, dispatch: false },
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
