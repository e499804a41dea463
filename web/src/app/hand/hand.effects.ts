import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, filter, from, fromEvent, map, of, switchMap } from 'rxjs';
import { Api, ApiProblem, toProblem } from '../http/api';
import { outboxActions } from '../outbox/outbox.state';
import { sessionActions } from '../session/session.state';
import { handActions, handFeature } from './hand.state';

export const load = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) =>
    actions$.pipe(
      ofType(handActions.take, handActions.refresh),
      switchMap(({ id }) =>
        from(api.combination(id)).pipe(
          map((view) => handActions.loaded({ view })),
          catchError((error: unknown) =>
            of(
              error instanceof ApiProblem && error.problem.status === 401
                ? sessionActions.expired()
                : handActions.failed({ problem: toProblem(error) }),
            ),
          ),
        ),
      ),
    ),
  { functional: true },
);

/** A clash means somebody else wrote: fetch what stands. Signing in again may have changed who sees what. */
export const refetch = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) =>
    actions$.pipe(
      ofType(outboxActions.refused, sessionActions.arrived),
      map(() => store.selectSignal(handFeature.selectId)()),
      filter((id) => id !== null),
      map((id) => handActions.refresh({ id })),
    ),
  { functional: true },
);

/** A new run works from other revisions: they come with a fresh view. */
export const refetchForRun = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(outboxActions.kept),
      filter(({ entry }) => entry.body.kind === 'run'),
      map(({ combination }) => handActions.refresh({ id: combination })),
    ),
  { functional: true },
);

/** Coming back to a tab left open: others may have worked on it meanwhile. */
export const refetchOnReturn = createEffect(
  (store = inject(Store)) =>
    fromEvent(document, 'visibilitychange').pipe(
      filter(() => document.visibilityState === 'visible'),
      map(() => store.selectSignal(handFeature.selectId)()),
      filter((id) => id !== null),
      map((id) => handActions.refresh({ id })),
    ),
  { functional: true },
);
