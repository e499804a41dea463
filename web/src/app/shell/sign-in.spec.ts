import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideMockActions } from '@ngrx/effects/testing';
import { provideStore, Store, type Action } from '@ngrx/store';
import type { Here, Problem } from '@tug-mark/contract';
import { firstValueFrom, Subject, type Observable } from 'rxjs';
import { Api } from '../http/api';
import { ApiProblem } from '../http/problem';
import { draftKey } from '../session/drafts';
import { sessionActions, sessionFeature } from '../session/session.state';
import { Bench, signedIn } from '../testing/bench';
import { FirstEngineerPage } from './first-engineer';
import { askWhoIsHere, forget, signIn, signOut } from './session.effects';
import { SignInPage } from './sign-in';

const problem: Problem = { type: '', status: 401, code: 'wrong', title: 'Name or password is wrong.', detail: '' };
const nobody = (demo: boolean): Here => {
  const here = signedIn('technician');
  const demoSignIns = demo ? [{ name: 'Odile', role: 'technician', note: 'production', password: 'p' }] : [];
  return { person: null, shop: { ...here.shop, isDemo: demo, demoSignIns } } as Here;
};

describe('The page where somebody signs in', () => {
  let bench: Bench<SignInPage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (here: Here) => {
    bench = await Bench.open(SignInPage);
    bench.store.dispatch(sessionActions.arrived({ here }));
    await bench.settle();
  };
  const sent = () => {
    const seen: Action[] = [];
    const dispatch = bench.store.dispatch.bind(bench.store) as (action: Action) => void;
    spyOn(bench.store, 'dispatch').and.callFake(((action: Action) => {
      seen.push(action);
      dispatch(action);
    }) as never);
    return seen;
  };

  it('asks for both, name and password, before anything is sent', async () => {
    await open(nobody(false));
    const seen = sent();
    await bench.type('sign-in-name', '  Odile ');
    await bench.submit();
    expect(bench.text).toContain('Enter both name and password.');
    expect(seen).toEqual([]);
    await bench.type('sign-in-password', ' secret 1');
    await bench.submit();
    // A password is as it was typed; a name has no spaces around it.
    expect(seen).toEqual([sessionActions.signIn({ name: 'Odile', password: ' secret 1' })]);
    expect(bench.button('Sign in').disabled).toBeTrue();
  });

  it('says what was wrong and lets it be tried again', async () => {
    await open(nobody(false));
    bench.store.dispatch(sessionActions.signIn({ name: 'Odile', password: 'x' }));
    bench.store.dispatch(sessionActions.signInFailed({ problem }));
    await bench.settle();
    expect(bench.element.querySelector('[role=alert]')?.textContent).toContain('Name or password is wrong.');
    expect(bench.button('Sign in').disabled).toBeFalse();
  });

  it('offers seats in the demo shop alone', async () => {
    await open(nobody(false));
    expect(bench.text).not.toContain('Demo shop');
    bench.close();
    await open(nobody(true));
    const seen = sent();
    await bench.press('Odile, technician');
    expect(seen).toEqual([sessionActions.signIn({ name: 'Odile', password: 'p' })]);
  });
});

describe('A shop without accounts', () => {
  it('is opened by its first engineer, in the zone they sit in, or says why not and keeps what was typed', async () => {
    const makeFirstEngineer = jasmine.createSpy('makeFirstEngineer').and.rejectWith(new ApiProblem(problem));
    const bench = await Bench.open(FirstEngineerPage, { api: { makeFirstEngineer } });
    await bench.type('shop', 'Elsewhere');
    await bench.type('name', 'Ada');
    await bench.type('password', 'ivory lathe mast 7');
    await bench.submit();
    expect(bench.text).toContain('Name or password is wrong.');
    expect(bench.element.querySelector<HTMLInputElement>('#shop')?.value).toBe('Elsewhere');
    makeFirstEngineer.and.resolveTo(signedIn('engineer', 'Ada'));
    await bench.submit();
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    expect(makeFirstEngineer).toHaveBeenCalledWith({
      ...{ shopName: 'Elsewhere', name: 'Ada', password: 'ivory lathe mast 7', zone: timeZone, alone: false },
    });
    expect(bench.store.selectSignal(sessionFeature.selectPerson)()?.name).toBe('Ada');
    bench.close();
  });
});

describe('A session', () => {
  let actions: Subject<Action>;
  let api: { here: jasmine.Spy; signIn: jasmine.Spy; signOut: jasmine.Spy };
  let store: Store;
  beforeEach(() => {
    localStorage.clear();
    actions = new Subject();
    api = {
      here: jasmine.createSpy('here').and.resolveTo(nobody(true)),
      signIn: jasmine.createSpy('signIn').and.resolveTo(signedIn('technician')),
      signOut: jasmine.createSpy('signOut').and.resolveTo(undefined),
    };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideMockActions(() => actions),
        { provide: Api, useValue: api },
      ],
    });
    store = TestBed.inject(Store);
  });
  const after = async (effect: () => Observable<Action>, action: Action) => {
    const done = firstValueFrom(TestBed.runInInjectionContext(effect));
    actions.next(action);
    return done;
  };
  const state = () => store.selectSignal(sessionFeature.selectState)();

  it('begins with whoever the server knows, or with nobody', async () => {
    store.dispatch(await after(() => askWhoIsHere(), sessionActions.ask()));
    expect(state()).toBe('out');
    api.here.and.resolveTo(signedIn('quality'));
    store.dispatch(await after(() => askWhoIsHere(), sessionActions.ask()));
    expect(state()).toBe('in');
  });

  it('is told the refusal, and nobody is in then', async () => {
    api.signIn.and.rejectWith(new ApiProblem(problem));
    const action = await after(() => signIn(), sessionActions.signIn({ name: 'Odile', password: 'x' }));
    expect(action).toEqual(sessionActions.signInFailed({ problem }));
    store.dispatch(action);
    expect(store.selectSignal(sessionFeature.selectPerson)()).toBeNull();
  });

  it('ends with the sign-out, and what its person had typed and left with it', async () => {
    store.dispatch(sessionActions.arrived({ here: signedIn('technician', 'Odile') }));
    localStorage.setItem(draftKey('Odile', 'c1'), 'typed');
    localStorage.setItem(draftKey('Ines', 'c1'), 'hers');
    const forgetting = TestBed.runInInjectionContext(() => forget()).subscribe();
    store.dispatch(await after(() => signOut(), sessionActions.signOut()));
    expect([
      state(),
      localStorage.getItem(draftKey('Odile', 'c1')),
      localStorage.getItem(draftKey('Ines', 'c1')),
    ]).toEqual(['out', null, 'hers']);
    forgetting.unsubscribe();
  });

  it('that the server has ended keeps the page and its person, and is nothing to whoever is out', () => {
    store.dispatch(sessionActions.expired());
    expect(state()).toBe('unknown');
    store.dispatch(sessionActions.arrived({ here: signedIn('technician', 'Odile') }));
    store.dispatch(sessionActions.expired());
    expect([state(), store.selectSignal(sessionFeature.selectPerson)()?.name]).toEqual(['expired', 'Odile']);
  });
});
