import { TestBed } from '@angular/core/testing';
import { provideMockActions } from '@ngrx/effects/testing';
import { provideStore, Store, type Action } from '@ngrx/store';
import { Subject } from 'rxjs';
import { keep, look } from './settings.effects';
import { keepSettings, readSettings, settingsActions, settingsFeature } from './settings.state';

describe('What is set on a device', () => {
  beforeEach(() => {
    localStorage.clear();
  });

  it('is taken over from the names it had before, once, and kept under one', () => {
    localStorage.setItem('tug-mark-look', 'dark');
    localStorage.setItem('tug-mark-force-unit', 'lbf');
    localStorage.setItem('tug-mark-px-per-mm', '4.1');
    const read = readSettings();
    expect(read).toEqual(jasmine.objectContaining({ look: 'dark', forceUnit: 'lbf', pxPerMm: 4.1, gauge: null }));
    keepSettings({ ...read, look: 'light' });
    expect(Object.keys(localStorage)).toEqual(['tug-mark-settings']);
    expect(readSettings().look).toBe('light');
  });

  it('is as if it had never been set where it cannot be read, and the rest stays', () => {
    localStorage.setItem('tug-mark-settings', JSON.stringify({ look: 'plaid', forceUnit: 'kgf', pxPerMm: 900 }));
    expect(readSettings()).toEqual(jasmine.objectContaining({ look: 'system', forceUnit: 'kgf', pxPerMm: null }));
    localStorage.setItem('tug-mark-settings', '{');
    expect(readSettings().forceUnit).toBe('N');
  });

  it('changes one thing at a time', () => {
    const before = readSettings();
    const after = settingsFeature.reducer(before, settingsActions.set({ changes: { gauge: 'G-1' } }));
    expect(after).toEqual({ ...before, gauge: 'G-1' });
  });
});

describe('A change of what is set on a device', () => {
  let actions: Subject<Action>;
  let store: Store;
  beforeEach(() => {
    localStorage.clear();
    actions = new Subject();
    TestBed.configureTestingModule({
      providers: [provideStore({ [settingsFeature.name]: settingsFeature.reducer }), provideMockActions(() => actions)],
    });
    store = TestBed.inject(Store);
  });
  afterEach(() => {
    document.documentElement.dataset['look'] = 'light';
  });
  const set = (changes: Parameters<typeof settingsActions.set>[0]['changes']) => {
    const action = settingsActions.set({ changes });
    store.dispatch(action);
    actions.next(action);
  };

  it('stays on the device', () => {
    const keeping = TestBed.runInInjectionContext(() => keep()).subscribe();
    set({ forceUnit: 'lbf', keepsByNumber: true });
    expect(readSettings()).toEqual(jasmine.objectContaining({ forceUnit: 'lbf', keepsByNumber: true, look: 'system' }));
    keeping.unsubscribe();
  });

  it('turns the screen at once, and gives it back to the system', () => {
    const turning = TestBed.runInInjectionContext(() => look()).subscribe();
    const shown = () => document.documentElement.dataset['look'];
    const system = matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
    expect(shown()).toBe(system);
    set({ look: 'dark' });
    expect(shown()).toBe('dark');
    set({ look: 'light' });
    expect(shown()).toBe('light');
    set({ look: 'system' });
    expect(shown()).toBe(system);
    turning.unsubscribe();
  });
});
