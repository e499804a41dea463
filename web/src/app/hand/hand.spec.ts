import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideState, provideStore, Store, type Action } from '@ngrx/store';
import { provideMockActions } from '@ngrx/effects/testing';
import { firstValueFrom, merge, Subject, type Observable } from 'rxjs';
import { Api } from '../http/api';
import { ApiProblem } from '../http/problem';
import { Live, type News } from '../live/live';
import { outboxActions, outboxFeature } from '../outbox/outbox.state';
import { sessionActions } from '../session/session.state';
import { pulled, viewOf } from '../testing/bench';
import { catchUp, load, refetch, refetchForRun, refetchForShop } from './hand.effects';
import { handActions, handFeature, type HandState } from './hand.state';

describe('The combination in hand', () => {
  const { reducer } = handFeature;
  const start: HandState = { id: null, view: null, confirmed: [], completeTo: 0, problem: null };
  const forces = (state: HandState) =>
    state.view?.entries.map(({ body }) => (body.kind === 'reading' ? body.force : null));
  const older = viewOf({ entries: [{ ...pulled(1, 141.6), seq: 1 }] });
  const entry = { ...pulled(2, 138.2), seq: 2 };
  const kept = outboxActions.kept({ id: entry.id, combination: 'c1', entry });

  it('shows a reading confirmed while an older view was still on its way', () => {
    const taken = reducer(start, handActions.take({ id: 'c1' }));
    expect(forces(reducer(reducer(taken, kept), handActions.loaded({ view: older })))).toEqual([141.6, 138.2]);
  });

  it('does not lose a reading to a refresh that was asked for before it', () => {
    const loaded = reducer(reducer(start, handActions.take({ id: 'c1' })), handActions.loaded({ view: older }));
    expect(forces(reducer(reducer(loaded, kept), handActions.loaded({ view: older })))).toEqual([141.6, 138.2]);
  });

  it('knows that another station’s entry is missing before its own, until that has been fetched', () => {
    const loaded = reducer(reducer(start, handActions.take({ id: 'c1' })), handActions.loaded({ view: older }));
    expect(loaded.completeTo).toBe(1);
    const own = { ...pulled(4, 139), seq: 4 };
    const after = reducer(loaded, outboxActions.kept({ id: own.id, combination: 'c1', entry: own }));
    expect([after.completeTo, forces(after)]).toEqual([1, [141.6, 139]]);
    const others = [entry, { ...pulled(3, 137.9), seq: 3 }];
    const caught = reducer(after, handActions.caughtUp({ id: 'c1', entries: others }));
    expect([caught.completeTo, forces(caught)]).toEqual([4, [141.6, 138.2, 137.9, 139]]);
  });

  it('shows it once when the view has it already, and never in another combination', () => {
    const taken = reducer(reducer(start, handActions.take({ id: 'c1' })), kept);
    expect(
      forces(reducer(taken, handActions.loaded({ view: { ...older, entries: [...older.entries, entry] } }))),
    ).toEqual([141.6, 138.2]);
    const other = reducer(taken, handActions.take({ id: 'c2' }));
    expect(other.confirmed).toEqual([]);
    expect(reducer(other, handActions.loaded({ view: older })).view).toBeNull();
  });
});

describe('News of what others put on record', () => {
  const news = new Subject<News>();
  const entriesAfter = jasmine.createSpy('entriesAfter').and.resolveTo([]);
  const entry = (seq: number) => {
    news.next({ kind: 'entry', combination: 'c1', seq });
  };
  const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  let store: Store;
  beforeEach(() => {
    entriesAfter.calls.reset();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore(),
        provideState(handFeature),
        provideState(outboxFeature),
        { provide: Live, useValue: { news } },
        { provide: Api, useValue: { entriesAfter } },
      ],
    });
    store = TestBed.inject(Store);
    store.dispatch(handActions.take({ id: 'c1' }));
    store.dispatch(handActions.loaded({ view: viewOf({ entries: [{ ...pulled(1, 141.6), seq: 1 }] }) }));
  });

  it('is fetched at once, from the place up to which nothing is missing', async () => {
    const caught = firstValueFrom(TestBed.runInInjectionContext(() => catchUp()));
    entry(2);
    await pause(15);
    expect(entriesAfter).toHaveBeenCalledOnceWith('c1', 1);
    await caught;
  });

  it('waits a moment while this station sends, and asks for nothing when the news was its own', async () => {
    const watching = TestBed.runInInjectionContext(() => catchUp()).subscribe();
    const own = { ...pulled(2, 138.2), seq: 2 };
    const item = { entry: { ...own, corrects: null, why: null }, combination: 'c1', refused: null };
    store.dispatch(outboxActions.put({ item: item as never }));
    entry(2);
    await pause(15);
    expect(entriesAfter).not.toHaveBeenCalled();
    store.dispatch(outboxActions.kept({ id: own.id, combination: 'c1', entry: own }));
    await pause(120);
    expect(entriesAfter).not.toHaveBeenCalled();
    watching.unsubscribe();
  });
});

describe('What a combination in hand is fetched for', () => {
  const news = new Subject<News>();
  const actions = new Subject<Action>();
  let combination: jasmine.Spy;
  let store: Store;
  beforeEach(() => {
    combination = jasmine.createSpy('combination').and.resolveTo(viewOf());
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore(),
        provideState(handFeature),
        provideState(outboxFeature),
        provideMockActions(actions),
        { provide: Live, useValue: { news } },
        { provide: Api, useValue: { combination } },
      ],
    });
    store = TestBed.inject(Store);
  });
  const run = <T>(effect: () => Observable<T>) => firstValueFrom(TestBed.runInInjectionContext(effect));

  it('is fetched when it is taken up, and shown', async () => {
    const done = run(() => load());
    actions.next(handActions.take({ id: 'c1' }));
    expect((await done).type).toBe(handActions.loaded.type);
    expect(combination).toHaveBeenCalledOnceWith('c1');
  });

  it('asks to sign in again where the session has ended, and says any other failure', async () => {
    const fail = (status: number) =>
      combination.and.rejectWith(new ApiProblem({ type: '', status, title: 'No.', detail: '', code: 'x' }));
    fail(401);
    let done = run(() => load());
    actions.next(handActions.take({ id: 'c1' }));
    expect((await done).type).toBe(sessionActions.expired.type);
    fail(500);
    done = run(() => load());
    actions.next(handActions.refresh({ id: 'c1' }));
    expect((await done).type).toBe(handActions.failed.type);
  });

  it('is fetched again after a clash, with a new run, and when the shop has changed; not while none is in hand', async () => {
    const seen: Action[] = [];
    const watching = TestBed.runInInjectionContext(() => merge(refetch(), refetchForRun(), refetchForShop())).subscribe(
      (action) => seen.push(action),
    );
    const refused = outboxActions.refused({ id: 'e1', problem: {} } as never);
    actions.next(refused);
    expect(seen).toEqual([]);
    store.dispatch(handActions.take({ id: 'c1' }));
    actions.next(refused);
    const body = { kind: 'run', run: 2, cause: 'x', revisions: viewOf().revisions } as const;
    const entry = { ...pulled(1, 1), body };
    actions.next(outboxActions.kept({ id: entry.id, combination: 'c1', entry }));
    actions.next(outboxActions.kept({ id: 'e2', combination: 'c1', entry: pulled(2, 118) }));
    news.next({ kind: 'shop' });
    news.next({ kind: 'shop' });
    await new Promise((resolve) => setTimeout(resolve, 260));
    expect(seen).toEqual(Array.from({ length: 3 }, () => handActions.refresh({ id: 'c1' })));
    watching.unsubscribe();
  });
});
