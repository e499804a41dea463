import type { StripWindow } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { StripRuler } from './strip-ruler';

const strip = (changes: Partial<StripWindow> = {}) =>
  ({ window: { min: 7, max: 8.4 }, guard: { min: 7.2, max: 8.2 }, setPoint: 7.7, ...changes }) as StripWindow;

describe('The ruler beside the strip length', () => {
  let bench: Bench<StripRuler>;
  const open = async (of: StripWindow) => {
    bench = await Bench.open(StripRuler, { inputs: { strip: of } });
  };
  const band = () => Number(bench.element.querySelector('rect.band')?.getAttribute('width'));
  afterEach(() => {
    bench.close();
  });

  it('tells its band and set point to whoever hears the screen', async () => {
    await open(strip());
    expect(bench.element.querySelector('svg')?.getAttribute('aria-label')).toBe(
      'Strip ruler: band from 7.0 to 8.4 mm, set point 7.7 mm.',
    );
  });

  it('says that it is not true to size until the screen is checked, and is a tenth longer after ten steps of a hundredth', async () => {
    await open(strip());
    expect(bench.text).toContain('not true size yet');
    const before = band();
    await bench.press('check this screen');
    for (let i = 0; i < 10; i++) await bench.press('longer');
    // Nothing is taken over before somebody says so.
    expect(band()).toBeCloseTo(before, 9);
    await bench.press('It is as long as the card');
    expect(bench.text).toContain('true size, mm');
    expect(bench.text).not.toContain('not true size yet');
    // 1.4 mm of band, 0.1 pixels a millimetre more.
    expect(band() - before).toBeCloseTo(0.14, 9);
    expect(bench.has('It is as long as the card')).toBeFalse();
  });

  it('draws no band where no length is good', async () => {
    await open(strip({ window: null, guard: null, setPoint: null }));
    expect(bench.element.querySelector('rect')).toBeNull();
    expect(bench.element.querySelector('svg')?.getAttribute('aria-label')).toBe('Strip ruler: no band.');
  });
});
