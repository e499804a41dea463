import { PLAIN_SETTINGS, type Here, type ShopChange } from '@tug-mark/contract';
import { sessionActions, sessionFeature } from '../session/session.state';
import { settingsActions, settingsFeature } from '../settings/settings.state';
import { Bench, signedIn } from '../testing/bench';
import { ShopPage } from './shop-page';

describe('How a shop wants its numbers, days and paper', () => {
  let bench: Bench<ShopPage>;
  const changeShop = jasmine.createSpy('changeShop');
  const putLogo = jasmine.createSpy('putLogo');
  const answer = (change: Partial<Here['shop']>): Here => {
    const here = signedIn('engineer');
    return { ...here, shop: { ...here.shop, ...change } };
  };
  beforeEach(async () => {
    changeShop.calls.reset();
    putLogo.calls.reset();
    changeShop.and.callFake((change: ShopChange) => Promise.resolve(answer(change)));
    putLogo.and.callFake(() => Promise.resolve(answer({ logo: 'abc' })));
    bench = await Bench.open(ShopPage, { role: 'engineer', api: { changeShop, putLogo } });
  });
  afterEach(() => {
    bench.close();
  });

  it('begins with what stands, and changes nothing that is not touched', async () => {
    await bench.submit();
    expect(changeShop.calls.mostRecent().args[0]).toEqual({
      name: 'Fennick Lane',
      zone: 'UTC',
      settings: PLAIN_SETTINGS,
    });
  });

  it('is kept as it is typed and chosen, and every page has it', async () => {
    await bench.type('shop-name', ' Harbour Looms ');
    await bench.type('shop-grades', 'standard, 3,, high  ');
    await bench.type('shop-idle', '10');
    await bench.choose('shop-force', 'lbf');
    await bench.choose('shop-force-decimals', '2');
    await bench.choose('shop-paper', 'letter');
    await bench.submit();
    const { name, settings } = changeShop.calls.mostRecent().args[0] as ShopChange;
    expect(name).toBe('Harbour Looms');
    expect(settings).toEqual({
      ...PLAIN_SETTINGS,
      ...{ grades: ['standard', '3', 'high'], idleMinutes: 10, forceUnit: 'lbf', forceDecimals: 2, paper: 'letter' },
    });
    expect(bench.store.selectSignal(sessionFeature.selectShop)()?.settings).toEqual(settings);
    const shown = bench.store.selectSignal(settingsFeature.selectSettingsState)();
    expect([shown.forceUnit, shown.forceDecimals]).toEqual(['lbf', 2]);
  });

  it('shows how a day will read before it is kept', async () => {
    expect(bench.text).toContain('So: 3 Feb 2027, 3 Feb 2027, 13:05 UTC.');
    await bench.choose('shop-language', 'German');
    expect(bench.text).toContain('So: 3. Feb. 2027');
  });

  it('refuses what the server would, at the field and on top', async () => {
    await bench.type('shop-name', '');
    await bench.type('shop-grades', 'high, high');
    await bench.type('shop-idle', '0');
    await bench.submit();
    expect(changeShop).not.toHaveBeenCalled();
    expect(bench.element.querySelector('#shop-name-fault')?.textContent).toBe('is empty');
    expect(bench.element.querySelector('#shop-grades-fault')?.textContent).toContain('names a grade twice');
    expect(bench.element.querySelectorAll('tm-form-faults li')).toHaveSize(3);
    await bench.type('shop-idle', 'soon');
    expect(bench.element.querySelector('#shop-idle-fault')).not.toBeNull();
  });

  it('takes a logo, and refuses one too large before it is sent', async () => {
    const page = bench.fixture.componentInstance as unknown as { send(file: File): Promise<void> };
    await page.send(new File([new Uint8Array(3 * 1024 * 1024)], 'big.png'));
    await bench.settle();
    expect(putLogo).not.toHaveBeenCalled();
    expect(bench.text).toContain('larger than 2 MB');
    await page.send(new File(['x'], 'logo.png'));
    await bench.settle();
    expect(bench.element.querySelector('img')?.getAttribute('src')).toBe('/api/shop/logo?abc');
    expect(bench.text).not.toContain('larger than 2 MB');
  });

  it('gives way to what a station has set for itself', async () => {
    bench.store.dispatch(settingsActions.set({ changes: { forceUnit: 'kgf' } }));
    const settings = { ...PLAIN_SETTINGS, forceUnit: 'lbf', lengthShown: 'in' } as const;
    bench.store.dispatch(sessionActions.arrived({ here: answer({ settings }) }));
    await bench.settle();
    const { forceUnit, lengthShown } = bench.store.selectSignal(settingsFeature.selectSettingsState)();
    expect([forceUnit, lengthShown]).toEqual(['kgf', 'in']);
  });
});
