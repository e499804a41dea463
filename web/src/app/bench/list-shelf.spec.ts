import type { BenchListed } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { ListShelf } from './list-shelf';

const day = (ahead: number) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);
const list = (name: string, changes: Partial<BenchListed> = {}): BenchListed =>
  ({
    ...{ id: name, name, due: null, archived: false, combinations: 10, through: 4, held: 0, rejected: 0 },
    ...changes,
  }) as BenchListed;

describe('The lists beside the bench', () => {
  let bench: Bench<ListShelf>;
  const open = async (lists: readonly BenchListed[]) => {
    bench = await Bench.open(ListShelf, { inputs: { lists } });
  };
  const line = (name: string) => {
    const found = bench.button(name);
    return {
      said: found.querySelector('.under')?.textContent,
      isLate: found.querySelector('.late') !== null,
      bars: [...found.querySelectorAll<HTMLElement>('.bar > span')].map((bar) => bar.style.width),
    };
  };
  afterEach(() => {
    bench.close();
  });

  it('say when each is due and how far it is, in words and as a bar', async () => {
    await open([list('Mast loom', { due: day(0), held: 1, rejected: 1 }), list('Sensor bar', { through: 10 })]);
    expect(line('Mast loom')).toEqual({
      said: 'due today · 6 of 10 open · 2 held or rejected',
      isLate: false,
      bars: ['40%', '20%'],
    });
    expect(line('Sensor bar').said).toBe('all through');
  });

  it('are late only while something of them is open', async () => {
    await open([
      list('Late', { due: day(-2) }),
      list('Done', { due: day(-2), through: 10 }),
      list('Ahead', { due: day(2) }),
    ]);
    expect(['Late', 'Done', 'Ahead'].map((name) => line(name).isLate)).toEqual([true, false, false]);
  });

  it('leave the archive out until it is asked for, and call none of it late', async () => {
    await open([list('Mast loom'), list('Old loom', { archived: true, due: day(-90) })]);
    expect(bench.has('Old loom')).toBeFalse();
    await bench.press('1 archived');
    expect(line('Old loom')).toEqual(jasmine.objectContaining({ said: 'archived · 6 of 10 open', isLate: false }));
  });

  it('are chosen one at a time, or all of them', async () => {
    await open([list('Mast loom')]);
    const chosen: (string | null)[] = [];
    bench.fixture.componentInstance.choose.subscribe((name) => chosen.push(name));
    await bench.press('Mast loom');
    await bench.press('All lists');
    expect(chosen).toEqual(['Mast loom', null]);
    expect(bench.button('All lists').getAttribute('aria-pressed')).toBe('true');
  });
});
