import { TestBed } from '@angular/core/testing';
import { PLAIN_SETTINGS } from '@tug-mark/contract';
import { outboxActions } from '../outbox/outbox.state';
import { sessionActions, sessionFeature } from '../session/session.state';
import { Bench, signedIn } from '../testing/bench';
import { Idle } from './idle';
import { Lock } from './lock';

const MINUTE = 60_000;

describe('A station nobody touches', () => {
  let bench: Bench<Lock>;
  let idle: Idle;
  const here = jasmine.createSpy('here');
  const open = async (idleMinutes: number | null) => {
    bench = await Bench.open(Lock, { api: { here } });
    const known = signedIn('technician');
    const shop = { ...known.shop, settings: { ...PLAIN_SETTINGS, idleMinutes } };
    bench.store.dispatch(sessionActions.arrived({ here: { ...known, shop } }));
    idle = TestBed.inject(Idle);
    TestBed.runInInjectionContext(() => {
      idle.watch();
    });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });
  const state = () => bench.store.selectSignal(sessionFeature.selectState)();

  it('is locked after the time the shop has set, not before', async () => {
    await open(10);
    idle.look(Date.now() + 9 * MINUTE);
    expect(state()).toBe('in');
    idle.look(Date.now() + 11 * MINUTE);
    expect(state()).toBe('locked');
    // Who is locked out is still who the page is about: nothing of theirs leaves the screen.
    expect(bench.store.selectSignal(sessionFeature.selectPerson)()?.name).toBe('Odile');
    await bench.settle();
    expect(bench.element.querySelector<HTMLInputElement>('#sign-in-name')?.value).toBe('Odile');
    expect(document.activeElement?.id).toBe('sign-in-password');
  });

  it('takes no key while it is locked: none reaches the screen behind it, and no drawer that stood open', async () => {
    await open(10);
    const heard: string[] = [];
    const screen = (event: KeyboardEvent) => heard.push(event.key);
    document.addEventListener('keydown', screen);
    const key = (target: Element, pressed: string) =>
      target.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true }));
    key(document.body, '1');
    key(bench.button('Leave what stands here'), '1');
    expect(heard).toEqual([]);
    bench.fixture.destroy();
    key(document.body, '2');
    document.removeEventListener('keydown', screen);
    expect(heard).toEqual(['2']);
  });

  it('is never locked where the shop has set no time', async () => {
    await open(null);
    idle.look(Date.now() + 1000 * MINUTE);
    expect(state()).toBe('in');
  });

  it('counts a touch in any page of it', async () => {
    await open(10);
    localStorage.setItem('tug-mark-touched', String(Date.now() + 5 * MINUTE));
    idle.look(Date.now() + 12 * MINUTE);
    expect(state()).toBe('in');
    localStorage.setItem('tug-mark-touched', '0');
    document.dispatchEvent(new PointerEvent('pointerdown'));
    idle.look(Date.now() + 9 * MINUTE);
    expect(state()).toBe('in');
  });

  it('stays open while the server is silent: nobody could come in again', async () => {
    await open(10);
    bench.store.dispatch(outboxActions.serverSilent());
    idle.look(Date.now() + 60 * MINUTE);
    expect(state()).toBe('in');
  });

  it('is open again with the next sign-in, and shows what it showed', async () => {
    await open(10);
    idle.look(Date.now() + 11 * MINUTE);
    bench.store.dispatch(sessionActions.arrived({ here: signedIn('technician') }));
    await bench.settle();
    expect(state()).toBe('in');
    // The touch before the break does not lock it at once.
    idle.look(Date.now() + MINUTE);
    expect(state()).toBe('in');
  });
});
