import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { concatMap, filter, from, fromEvent, map, merge, mergeMap, Observable, switchMap, tap, timer } from 'rxjs';
import { Api, ApiProblem, toProblem } from '../http/api';
import { sessionActions, sessionFeature } from '../session/session.state';
import { OutboxDb } from './outbox-db';
import { outboxActions, outboxFeature, pauseAfter, type OutboxItem } from './outbox.state';

/** What earlier visits left unsent. */
export const restore = createEffect(
  (actions$ = inject(Actions), db = inject(OutboxDb)) =>
    actions$.pipe(
      ofType(sessionActions.ask),
      switchMap(() => from(db.all().catch((): OutboxItem[] => []))),
      map((items) => outboxActions.restored({ items })),
    ),
  { functional: true },
);

/** On this device first, then to the server. A device without storage still sends. */
export const store = createEffect(
  (actions$ = inject(Actions), db = inject(OutboxDb)) =>
    actions$.pipe(
      ofType(outboxActions.put),
      concatMap(({ item }) =>
        from(
          db
            .put(item)
            .catch(() => undefined)
            .then(() => outboxActions.stored({ item })),
        ),
      ),
    ),
  { functional: true },
);

export const forget = createEffect(
  (actions$ = inject(Actions), db = inject(OutboxDb)) =>
    actions$.pipe(
      ofType(outboxActions.kept, outboxActions.dropped),
      tap(({ id }) => void db.remove(id).catch(() => undefined)),
    ),
  { functional: true, dispatch: false },
);

/** What changed about an entry that waits is kept on this device too. */
export const remember = createEffect(
  (actions$ = inject(Actions), store = inject(Store), db = inject(OutboxDb)) =>
    actions$.pipe(
      ofType(outboxActions.refused, outboxActions.handedOver, outboxActions.foundElsewhere),
      map(({ id }) =>
        [
          ...store.selectSignal(outboxFeature.selectItems)(),
          ...store.selectSignal(outboxFeature.selectElsewhere)(),
        ].find((item) => item.entry.id === id),
      ),
      filter((item) => item !== undefined),
      tap((item) => void db.put(item).catch(() => undefined)),
    ),
  { functional: true, dispatch: false },
);

/** When to try: something new, signed in again, the network is back, and after pauses that grow while nothing gets through. */
export const wake = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const silences = store.selectSignal(outboxFeature.selectSilences);
    const faulted = store.selectSignal(outboxFeature.selectFaulted);
    return merge(
      actions$.pipe(
        ofType(outboxActions.stored, outboxActions.restored, outboxActions.handedOver, sessionActions.arrived),
      ),
      fromEvent(window, 'online'),
      actions$.pipe(
        ofType(outboxActions.serverSilent),
        switchMap(() => timer(pauseAfter(silences()))),
      ),
      actions$.pipe(
        ofType(outboxActions.faulted),
        mergeMap(({ id }) => timer(Math.max(0, (faulted()[id]?.until ?? 0) - Date.now()) + 5)),
      ),
    ).pipe(map(() => outboxActions.flush()));
  },
  { functional: true },
);

/** Sends what waits, one after the other and in order, each in the name of the person who made it. */
export const flush = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
    const waiting = store.selectSignal(outboxFeature.selectToSend);
    const person = store.selectSignal(sessionFeature.selectPerson);
    const state = store.selectSignal(sessionFeature.selectState);
    const faulted = store.selectSignal(outboxFeature.selectFaulted);
    const isDue = ({ entry }: OutboxItem) => (faulted()[entry.id]?.until ?? 0) <= Date.now();
    const next = () =>
      state() === 'in' ? waiting().find((item) => item.person === person()?.id && isDue(item)) : undefined;

    const sendAll = () =>
      new Observable<
        ReturnType<(typeof outboxActions)[keyof typeof outboxActions]> | ReturnType<typeof sessionActions.expired>
      >((out) => {
        const send = async () => {
          for (let item = next(); item; item = next()) {
            const { combination, curve } = item;
            let { entry } = item;
            try {
              if (curve) await api.putCurve(combination, curve.id, curve.bytes);
              if (item.photo && entry.body.kind === 'photo') {
                const { id, digest } = await api.putPhoto(combination, entry.body.photo.id, item.photo);
                entry = { ...entry, body: { ...entry.body, photo: { id, digest } } };
              }
              const dated = { ...entry, madeAt: item.madeAt, sentAt: new Date().toISOString() };
              const kept = await api.putOnRecord(combination, dated);
              out.next(outboxActions.kept({ id: entry.id, combination, entry: kept }));
            } catch (error) {
              // A stated refusal is the only answer that ends an entry's way: everything else is tried again.
              if (error instanceof ApiProblem && error.problem.status === 401) {
                out.next(sessionActions.expired());
                return;
              }
              if (error instanceof ApiProblem && error.isRefusal) {
                out.next(outboxActions.refused({ id: entry.id, problem: error.problem }));
              } else if (error instanceof ApiProblem && error.isOffline) {
                out.next(outboxActions.serverSilent());
                return;
              } else {
                toProblem(error);
                out.next(outboxActions.faulted({ id: entry.id, now: Date.now() }));
              }
            }
          }
        };
        void send().finally(() => {
          out.complete();
        });
      });
    // One at a time, and none lost: a flush asked for while another runs comes after it, and finds little to do.
    return actions$.pipe(
      ofType(outboxActions.flush),
      concatMap(() => sendAll()),
    );
  },
  { functional: true },
);
