import { settingsActions, settingsFeature } from '../settings/settings.state';
import { Bench } from '../testing/bench';
import { TickHarness } from '../testing/harness/tick.harness';
import { OfflineKeeper } from './offline-pages';
import { KeyHelp } from './key-help';
import { PersonMenu } from './person-menu';
import { TestBed } from '@angular/core/testing';

describe('The menu behind a person’s name', () => {
  let bench: Bench<PersonMenu>;
  afterEach(() => {
    bench.close();
  });
  const items = () => [...document.querySelectorAll<HTMLElement>('[cdkmenuitem]')];
  const open = async () => {
    bench.element.querySelector<HTMLElement>('button')?.click();
    await bench.settle();
    return items().map((item) => item.textContent?.trim());
  };

  it('turns the screen, and gives it back to the system once somebody has turned it', async () => {
    bench = await Bench.open(PersonMenu);
    bench.store.dispatch(settingsActions.set({ changes: { look: 'light' } }));
    await bench.settle();
    expect(await open()).toEqual([
      ...['Dark screen', 'Screen as the system wishes', 'Change your password', 'Sign out'],
    ]);
    items()[0]?.click();
    await bench.settle();
    const look = bench.store.selectSignal(settingsFeature.selectLook);
    expect(look()).toBe('dark');
    expect((await open())[0]).toBe('Light screen');
    items()[1]?.click();
    await bench.settle();
    expect(look()).toBe('system');
    expect((await open()).length).toBe(3);
    items()[1]?.click();
    await bench.settle();
    expect(bench.wentTo).toEqual(['/password']);
  });
});

describe('The keys of a screen', () => {
  it('say whether the number of a failure keeps its pull, and have it set there', async () => {
    const bench = await Bench.open(KeyHelp);
    const keeps = bench.store.selectSignal(settingsFeature.selectKeepsByNumber);
    const tick = await bench.part(TickHarness.with({ text: 'no Enter after it' }));
    await tick.turn();
    expect(keeps()).toBeTrue();
    await tick.turn();
    expect(keeps()).toBeFalse();
    bench.close();
  });

  it('say beside them whether the pages open while the server is silent', async () => {
    const bench = await Bench.open(KeyHelp);
    const { state } = TestBed.inject(OfflineKeeper);
    for (const [of, told] of [
      ['kept', 'these pages open here all the same'],
      ['not-over-http', 'over plain http from another machine'],
      ['not-here', 'do not open in this browser'],
    ] as const) {
      state.set(of);
      await bench.settle();
      expect(bench.text).toContain(told);
    }
    bench.close();
  });
});
