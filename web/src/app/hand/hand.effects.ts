import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  audit,
  auditTime,
  catchError,
  concatMap,
  EMPTY,
  filter,
  from,
  fromEvent,
  map,
  of,
  switchMap,
  timer,
} from 'rxjs';
import { Api, ApiProblem, toProblem } from '../http/api';
import { outboxActions, outboxFeature } from '../outbox/outbox.state';
import { Live, type News } from '../live/live';
import { sessionActions } from '../session/session.state';
import { handActions, handFeature } from './hand.state';

/** An own entry is answered within this time, mostly. */
const OWN_MS = 80;

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

/** Others have put something on record for what is in hand: fetch it. Own entries come back as news too and are known. */
export const catchUp = createEffect(
  (live = inject(Live), store = inject(Store), api = inject(Api)) => {
    const id = store.selectSignal(handFeature.selectId);
    const completeTo = store.selectSignal(handFeature.selectCompleteTo);
    const outbox = store.selectSignal(outboxFeature.selectItems);
    const isNew = (news: News) =>
      news.kind === 'look-again' || (news.kind === 'entry' && news.combination === id() && news.seq > completeTo());
    return live.news.pipe(
      filter((news) => store.selectSignal(handFeature.selectView)() !== null && isNew(news)),
      // At once; only while this station sends something itself a moment later: its own entry is answered by then.
      audit(() => timer(outbox().some((item) => item.refused === null) ? OWN_MS : 0)),
      filter(isNew),
      concatMap(() => {
        const hand = id();
        if (hand === null) return EMPTY;
        return from(api.entriesAfter(hand, completeTo())).pipe(
          map((entries) => handActions.caughtUp({ id: hand, entries })),
          catchError(() => EMPTY),
        );
      }),
    );
  },
  { functional: true },
);

/** Limits, tools or parts have changed: the set-up in hand is computed from other things now. */
export const refetchForShop = createEffect(
  (live = inject(Live), store = inject(Store)) =>
    live.news.pipe(
      filter(({ kind }) => kind === 'shop'),
      auditTime(200),
      map(() => store.selectSignal(handFeature.selectId)()),
      filter((id) => id !== null),
      map((id) => handActions.refresh({ id })),
    ),
  { functional: true },
);
