import { ApiProblem } from '../http/problem';
import { practice } from '../../../../core/src/testing/shop';
import { sessionFeature } from '../session/session.state';
import { Bench, signedIn } from '../testing/bench';
import { FirstDayStore } from './first-day.store';
import { WholeShop } from './whole-shop';
import { TestBed } from '@angular/core/testing';
import { EMPTY_CABINET } from '../testing/made-up';

const FOUND = {
  ...{ name: 'Harbour Looms', madeAt: '2026-11-20T08:00:00.000Z', people: ['Ines', 'Odile'] },
  counts: { parts: 66, documents: 4, lists: 2, combinations: 30, entries: 1240, photos: 1 },
};
const BROKEN = new ApiProblem({
  ...{ type: 'urn:tug-mark:problem:whole-shop-changed', status: 422, code: 'whole-shop-changed' },
  ...{ title: 'Something in this file was changed after it was put on record.', detail: 'Nothing was moved in.' },
});

describe('A whole shop in one file', () => {
  let bench: Bench<WholeShop>;
  const moveShopIn = jasmine.createSpy('moveShopIn');
  const here = signedIn('engineer');
  const open = async (practices: unknown[] = []) => {
    moveShopIn.calls.reset();
    moveShopIn.and.resolveTo(FOUND);
    const none = { ...EMPTY_CABINET };
    bench = await Bench.open(WholeShop, {
      role: 'engineer',
      api: {
        ...{ moveShopIn, limits: () => Promise.resolve([]), looks: () => Promise.resolve([]) },
        people: () => Promise.resolve([here.person]),
        benchTotals: () => Promise.resolve({ lists: [] }),
        cabinet: () => Promise.resolve({ ...none, practices }),
        here: () => Promise.resolve({ ...here, shop: { ...here.shop, name: FOUND.name } }),
      },
    });
    await TestBed.inject(FirstDayStore).load();
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });
  const choose = async (file = new File(['x'], 'whole.gz')) => {
    await (bench.fixture.componentInstance as unknown as { look(file: File): Promise<void> }).look(file);
    await bench.settle();
  };

  it('is written from any shop, and taken in by an empty one alone', async () => {
    await open();
    expect(bench.element.querySelector('a[download]')?.getAttribute('href')).toBe('/api/shop/whole');
    expect(bench.text).toContain('Move a shop in from a file');
    bench.close();
    await open([practice]);
    expect(bench.text).not.toContain('Move a shop in');
  });

  it('is looked at before anything is kept: whose, from when, how much, and who', async () => {
    await open();
    await choose();
    expect(moveShopIn.calls.allArgs().map(([, only]) => only as string)).toEqual(['check']);
    expect(bench.text).toContain(
      '66 revisions of parts, 4 documents, 2 wire lists, 30 combinations, 1 240 entries, 1 photograph',
    );
    expect(bench.text).toContain('Its people: Ines, Odile.');
    await bench.press('Leave it');
    expect(bench.text).not.toContain('Its people');
  });

  it('is moved in when somebody says so, and the page is of that shop from then on', async () => {
    await open();
    await choose();
    await bench.press('Move Harbour Looms in');
    expect(moveShopIn.calls.mostRecent().args[1]).toBe('keep');
    expect(bench.text).toContain('Harbour Looms is moved in.');
    expect(bench.store.selectSignal(sessionFeature.selectShop)()?.name).toBe('Harbour Looms');
  });

  it('says what is wrong with a file, and offers nothing then', async () => {
    await open();
    moveShopIn.and.rejectWith(BROKEN);
    await choose();
    expect(bench.element.querySelector('tm-problem')?.textContent).toContain('was changed after it was put on record');
    expect(bench.has('Move Harbour')).toBeFalse();
    const large = new File(['x'], 'whole.gz');
    Object.defineProperty(large, 'size', { value: 300 * 1024 * 1024 });
    await choose(large);
    expect(bench.text).toContain('npm run move -- in');
    expect(moveShopIn).toHaveBeenCalledTimes(1);
  });
});
