import { provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { sessionActions, sessionFeature } from '../session/session.state';
import { signedIn } from '../testing/made-up';
import { Api } from './api';
import { addressOf } from './client';
import { problems, session } from './interceptors';
import { ApiProblem, readProblem } from './problem';

const REFUSAL = {
  type: 'urn:tug-mark:problem:slot-taken',
  title: 'Piece 1 has a reading already.',
  status: 409,
  detail: 'Look at what stands.',
  code: 'slot-taken',
};

describe('A call to the server', () => {
  let api: Api;
  let http: HttpTestingController;
  let store: Store;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideHttpClient(withInterceptors([problems, session])),
        provideHttpClientTesting(),
      ],
    });
    api = TestBed.inject(Api);
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(Store);
    store.dispatch(sessionActions.arrived({ here: signedIn('technician') }));
  });
  afterEach(() => {
    http.verify();
  });
  const failed = async (call: Promise<unknown>): Promise<ApiProblem> =>
    call.then(
      () => {
        throw new Error('it went through');
      },
      (error: unknown) => error as ApiProblem,
    );

  it('goes where the contract says, with its parameters in their places and nothing that is left out', () => {
    expect(addressOf('putCurve', { params: { id: 'a/b', trace: 't' } })).toBe('/api/combinations/a%2Fb/traces/t');
    expect(addressOf('readCombination', { params: { id: 'c' }, query: { lot: 2, other: null } })).toBe(
      '/api/combinations/c?lot=2',
    );
    void api.touchedByLimits({ document: 'FL SPEC', revision: 'C', class: '2' });
    const request = http.expectOne('/api/limits/touched?document=FL%20SPEC&revision=C&class=2');
    expect(request.request.method).toBe('GET');
    request.flush([]);
  });

  it('that is refused says what is wrong and what to do', async () => {
    const call = failed(api.combinations(0));
    http.expectOne('/api/combinations?after=0').flush(REFUSAL, { status: 409, statusText: '' });
    const error = await call;
    expect([error.problem.title, error.isRefusal, error.isOffline]).toEqual([REFUSAL.title, true, false]);
  });

  it('for a file that is refused says so as well', async () => {
    const call = failed(api.curve('c', 't'));
    http
      .expectOne('/api/combinations/c/traces/t')
      .flush(new Blob([JSON.stringify(REFUSAL)]), { status: 409, statusText: '' });
    expect((await call).problem.code).toBe('slot-taken');
  });

  it('that reaches nobody, or somebody else’s page, is no refusal', async () => {
    const nobody = failed(api.combinations(0));
    http.expectOne('/api/combinations?after=0').error(new ProgressEvent('error'));
    expect((await nobody).isRefusal).toBeFalse();
    const page = readProblem(404, '<html>Not found, says the proxy</html>');
    expect([page.isRefusal, page.isOffline]).toEqual([false, true]);
    const away = readProblem(503, { ...REFUSAL, type: 'urn:tug-mark:problem:away', status: 503, code: 'away' });
    expect([away.isRefusal, away.isOffline]).toEqual([false, true]);
    const fault = readProblem(500, { ...REFUSAL, type: 'urn:tug-mark:problem:fault', status: 500, code: 'fault' });
    expect([fault.isRefusal, fault.isOffline]).toEqual([false, false]);
  });

  it('of somebody the server no longer knows asks to sign in in place, wherever it was made', async () => {
    const call = failed(api.cabinet());
    http.expectOne('/api/cabinet').flush({ ...REFUSAL, status: 401 }, { status: 401, statusText: '' });
    await call;
    expect(store.selectSignal(sessionFeature.selectState)()).toBe('expired');
  });

  it('to sign in with a wrong password leaves the session as it is', async () => {
    const call = failed(api.signIn({ name: 'Odile', password: 'x' }));
    http.expectOne('/api/session').flush({ ...REFUSAL, status: 401 }, { status: 401, statusText: '' });
    await call;
    expect(store.selectSignal(sessionFeature.selectState)()).toBe('in');
  });
});
