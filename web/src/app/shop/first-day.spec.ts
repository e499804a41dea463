import { practice } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { FirstDayPanel } from './first-day';
import { EMPTY_CABINET } from '../testing/made-up';

describe('The steps before the first pull', () => {
  let bench: Bench<FirstDayPanel>;
  const api = (changes: object = {}) => ({
    limits: () => Promise.resolve([]),
    looks: () => Promise.resolve([]),
    people: () => Promise.resolve([{ roles: ['engineer'], active: true, qualifiedUntil: null, qualifications: null }]),
    benchTotals: () => Promise.resolve({ lists: [] }),
    cabinet: () =>
      Promise.resolve({
        ...EMPTY_CABINET,
        practices: [practice],
        ...changes,
      }),
  });
  const open = async (role: 'engineer' | 'technician', wide = true, kept = {}) => {
    bench = await Bench.open(FirstDayPanel, { role, api: api(), inputs: { wide }, kept });
    await bench.settle();
  };
  const steps = () =>
    [...bench.element.querySelectorAll('ol li')].map((li) => [
      li.querySelector('.out-of-sight')?.textContent,
      li.querySelector('a')?.textContent,
    ]);
  afterEach(() => {
    bench.close();
  });

  it('lead an engineer from what is done to what comes next, each with its place', async () => {
    await open('engineer');
    expect(steps().slice(0, 3)).toEqual([
      ['passed', 'House rules'],
      ['open', 'A wire'],
      ['open', 'A terminal'],
    ]);
    const next = bench.element.querySelector('a[aria-current=step]');
    expect(next?.textContent).toBe('A wire');
    expect(next?.getAttribute('href')).toBe('/shop/cabinet/wire');
    expect(bench.text).toContain('Without: Pulls are recorded, not judged.');
  });

  it('may be left out where the shop can go on without, and are taken up again', async () => {
    await open('engineer');
    const limits = [...bench.element.querySelectorAll('li')].find((li) => li.textContent?.includes('A limit table'));
    limits?.querySelector('button')?.click();
    await bench.settle();
    expect(limits?.textContent).toContain('Left out for now.');
    const kept = { ...localStorage } as Record<string, string>;
    bench.close();
    await open('engineer', true, kept);
    expect(bench.text).toContain('Left out for now.');
  });

  it('are short beside the shelves, and nobody else’s business', async () => {
    await open('engineer', false);
    expect(bench.text).not.toContain('Without:');
    bench.close();
    await open('technician');
    expect(bench.text.trim()).toBe('');
  });
});
