import type { BenchTotals, CombinationLine } from '@tug-mark/contract';
import { NO_DEMAND } from '@tug-mark/core';
import { ApiProblem } from '../http/api';
import { Bench } from '../testing/bench';
import { BenchList } from './bench-list';
import { ImportList } from './import-list';
import { EMPTY_CABINET } from '../testing/made-up';
import { COMBINATION, givenPlan } from '../testing/made-up-plan';

const ID = '0192f3a4-0000-7000-8000-000000000003';
const line = (id: string, changes: Partial<CombinationLine> = {}): CombinationLine => ({
  id,
  list: 'Sprayer loom',
  terminal: `T-${id}`,
  wire: 'FL-W-0075',
  pieces: 24,
  place: 'dry',
  class: '2',
  customer: null,
  readIn: false,
  demand: NO_DEMAND,
  release: 'none',
  lot: null,
  terminalLabel: 'ring M4',
  wireLabel: '0.75 mm²',
  family: 'bare terminal',
  verdict: 'open',
  headline: 'Held back by tool.',
  stages: ['pass', 'pass', 'missing', 'missing', 'missing', 'missing'],
  state: 'to-set-up',
  next: { to: 'tool', text: 'Take HT-11' },
  touchedAt: null,
  behind: 0,
  ...changes,
});
const totalsOf = (changes: Partial<BenchTotals['states']> = {}): BenchTotals => ({
  states: { 'to-set-up': 38, held: 1, rejected: 5, 'to-release': 3, 'to-make': 2, through: 6, ...changes },
  lists: [
    {
      ...{ id: ID, name: 'Sprayer loom', customer: null, due: '2020-01-31', archived: false, priority: 1, cut: false },
      ...{ combinations: 19, held: 1, rejected: 2, through: 4 },
    },
    {
      ...{ id: null, name: 'Mast loom', customer: null, due: null, archived: true, priority: 1, cut: false },
      ...{ combinations: 12, held: 0, rejected: 0, through: 12 },
    },
  ],
});
const problem = (status: number, changes = {}) =>
  new ApiProblem({ type: 'about:blank', title: 'Refused.', detail: 'Do else.', status, code: 'x', ...changes });
/** Answers given one after the other, each made when it is asked for. */
const inTurn = (...answers: (() => Promise<unknown>)[]) =>
  jasmine.createSpy('api').and.callFake(() => (answers.length > 1 ? answers.shift() : answers[0])?.());
const page =
  (lines: CombinationLine[], next: string | null = null) =>
  () =>
    Promise.resolve({ lines, next });

describe('The bench', () => {
  let bench: Bench<BenchList>;
  afterEach(() => {
    bench.close();
  });
  const open = (lines: CombinationLine[], changes: object = {}, role?: 'quality' | 'engineer') => {
    const list = jasmine.createSpy('bench').and.callFake(page(lines));
    const api = { bench: list, benchTotals: () => Promise.resolve(totalsOf()), ...changes };
    return Bench.open(BenchList, { api, ...(role && { role }) }).then((opened) => {
      bench = opened;
      return list;
    });
  };
  const rows = () => [...bench.element.querySelectorAll('tbody tr')].map((row) => row.textContent ?? '');

  it('says what the plan given out has next for whoever is here, and Begin opens that', async () => {
    const queue = { ...{ revision: 3, given: givenPlan(), zone: 'UTC' }, made: [], checks: ['T'] };
    await open([line('1')], { planQueue: () => Promise.resolve(queue) });
    await bench.until(() => bench.headline.includes('at Bench 1'));
    expect(bench.headline).toBe('Next at Bench 1: ring M4 · 48.');
    expect(bench.text).toContain('Check T first.');
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', COMBINATION]);
  });

  it('is told by a list what being late weighs, and that its wires are cut', async () => {
    const changeWireList = jasmine.createSpy('changeWireList').and.resolveTo({});
    await open([line('1')], { changeWireList });
    await bench.press('Sprayer loom');
    await bench.choose('list-priority', '3 times as much');
    bench.element.querySelector<HTMLInputElement>('tm-list-acts tm-tick input')?.click();
    await bench.settle();
    const said = changeWireList.calls.allArgs().map(([, changes]) => changes as object);
    expect(said).toEqual([
      { due: '2020-01-31', archived: false, priority: 3 },
      { due: '2020-01-31', archived: false, cut: true },
    ]);
  });

  it('says first what waits for whoever is here: work for a technician, a release for quality', async () => {
    const lines = [
      line('1', { state: 'through', next: { to: 'lot', text: 'See the lot' } }),
      line('2', { state: 'to-release', next: { to: 'release', text: 'Release the set-up' } }),
      line('3'),
    ];
    await open(lines);
    expect(bench.headline).toBe('Next: take HT-11, T-3 on FL-W-0075.');
    bench.close();
    await open(lines, {}, 'quality');
    expect(bench.headline).toBe('Next: release the set-up, T-2 on FL-W-0075.');
  });

  it('counts everything, not what is loaded, and a counter shows its own alone until it is pressed again', async () => {
    const list = await open([line('1')]);
    expect(bench.button('to be set up').textContent).toContain('38');
    expect(bench.text).toContain('1 of 55');
    await bench.press('rejected');
    expect(list.calls.mostRecent().args[0]).toEqual({ state: 'rejected', find: '', sort: 'due', after: '' });
    expect(bench.button('rejected').getAttribute('aria-pressed')).toBe('true');
    await bench.press('rejected');
    expect(list.calls.mostRecent().args[0]).toEqual({ find: '', sort: 'due', after: '' });
  });

  it('is one list alone when that is chosen: with its day, what it lacks, and without the archive', async () => {
    const list = await open([line('1')]);
    expect(bench.text).toMatch(/due .*31.* · 15 of 19 open · 3 held or rejected/);
    expect(bench.element.querySelector('.late')).not.toBeNull();
    expect(bench.has('Mast loom')).toBeFalse();
    await bench.press('1 archived');
    expect(bench.has('Mast loom')).toBeTrue();
    await bench.press('Sprayer loom');
    expect(list.calls.mostRecent().args[0].list).toBe('Sprayer loom');
  });

  it('takes a list off the bench, which stays on record', async () => {
    const changeWireList = jasmine.createSpy('changeWireList').and.resolveTo({ id: ID });
    await open([line('1')], { changeWireList });
    await bench.press('Sprayer loom');
    await bench.press('Archive this list');
    expect(changeWireList).toHaveBeenCalledOnceWith(ID, { due: '2020-01-31', archived: true });
  });

  it('sorts by a head, the other way round, and back to the day things are due', async () => {
    const list = await open([line('1')]);
    const sorts: string[] = [];
    for (let i = 0; i < 3; i++) {
      await bench.press('Terminal');
      sorts.push(String(list.calls.mostRecent().args[0].sort));
    }
    expect(sorts).toEqual(['terminal', '-terminal', 'due']);
    await bench.press('Pieces');
    const head = [...bench.element.querySelectorAll('th')].find((th) => th.textContent?.includes('Pieces'));
    expect(head?.getAttribute('aria-sort')).toBe('ascending');
  });

  it('opens what was found with Enter where it is one, and a scanned sheet by its address', async () => {
    const list = await open([line('1')]);
    await bench.type('search', 'mast ring');
    const search = bench.element.querySelector('#search');
    search?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await bench.settle();
    expect(list.calls.mostRecent().args[0].find).toBe('mast ring');
    expect(bench.wentTo).toEqual(['/bench', '1', 'tool']);
    const asked = list.calls.count();
    await new Promise((later) => setTimeout(later, 300));
    expect(list.calls.count()).withContext('asked once more after Enter').toBe(asked);
    for (const key of `http://shop.local/bench/${ID}`) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    }
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', ID]);
  });

  it('goes from line to line with the arrows; Enter does what comes next there', async () => {
    await open([line('1'), line('2', { next: { to: 'look', text: 'Look at piece 3' } })]);
    await bench.key('ArrowDown');
    await bench.key('ArrowDown');
    expect(bench.element.querySelector('tr.current')?.textContent).toContain('Look at piece 3');
    (document.activeElement as HTMLElement | null)?.blur();
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', '2', 'look']);
  });

  it('says when a line is being worked out, and asks again until it is', async () => {
    const answers = inTurn(
      page([line('1', { behind: 2 }), line('2')]),
      page([line('1', { behind: 0, next: { to: 'look', text: 'Look at piece 1' } }), line('2')]),
    );
    await open([], { bench: answers });
    expect(rows()[0]).toContain('being worked out');
    await new Promise((later) => setTimeout(later, 800));
    await bench.settle();
    expect(rows()[0]).toContain('Look at piece 1');
    expect(bench.text).not.toContain('being worked out');
    await new Promise((later) => setTimeout(later, 800));
    expect(answers).toHaveBeenCalledTimes(2);
  });

  it('tells what came with a record file from what the shop made itself', async () => {
    await open([line('1', { readIn: true }), line('2')]);
    expect(rows().map((text) => text.includes("not this shop's own"))).toEqual([true, false]);
  });

  it('keeps what it has and says so where the server is silent', async () => {
    const answers = inTurn(page([line('1')], '["T-1",1]'), () =>
      Promise.reject(problem(0, { title: 'The server does not answer.' })),
    );
    await open([], { bench: answers });
    await bench.press('rejected');
    expect(bench.text).toContain('The server does not answer.');
    expect(bench.text).toContain('T-1');
  });

  it('offers the first list to those who may bring it in', async () => {
    const none = { benchTotals: () => Promise.resolve({ ...totalsOf(), lists: [] }) };
    await open([], none, 'quality');
    expect(bench.has('Bring in a wire list')).toBeFalse();
    expect(bench.text).toContain('A technician or engineer brings in the first wire list.');
  });
});

describe('Bringing in a wire list', () => {
  let bench: Bench<ImportList>;
  afterEach(() => {
    bench.close();
  });
  const choose = async (file: File) => {
    const field = bench.element.querySelector<HTMLInputElement>('input[type=file]');
    const data = new DataTransfer();
    data.items.add(file);
    if (field) field.files = data.files;
    field?.dispatchEvent(new Event('change'));
    await new Promise((later) => setTimeout(later, 30));
    await bench.settle();
  };

  it('takes the grade the shop has limits for, unless another is typed', async () => {
    const table = (grade: string) => ({ table: { class: grade, status: 'released' } });
    bench = await Bench.open(ImportList, { api: { limits: () => Promise.resolve([table('fleet'), table('racing')]) } });
    expect(bench.element.querySelector<HTMLInputElement>('#list-class')?.value).toBe('fleet');
    expect(bench.text).toContain('as in the limits: fleet, racing');
  });

  it('refuses 50 MB before reading them', async () => {
    bench = await Bench.open(ImportList);
    await choose(new File([new Uint8Array(50 * 1024 * 1024)], 'huge.csv'));
    expect(bench.text).toContain('huge.csv has 50.0 MB; at most 16.0 MB are read.');
    expect(bench.element.querySelector('tm-list-columns')).toBeNull();
  });

  it('tells what the server found by row and column, and sends it again under a new id', async () => {
    const errors = [{ row: 2, where: 'wire part', text: 'It was taken out of the cabinet a minute ago.' }];
    const importWireList = inTurn(
      () => Promise.reject(problem(422, { title: '2 things in this list cannot be read.', errors, total: 2 })),
      () => Promise.resolve({ name: 'loom', wires: 1, combinations: 1, pieces: 4 }),
    );
    const parts = { ...EMPTY_CABINET, wires: [{ part: 'W' }], terminals: [{ part: 'T', family: 'bare-terminal' }] };
    const cabinet = () => Promise.resolve({ ...parts, practices: [], checks: [], returns: [] });
    bench = await Bench.open(ImportList, { api: { importWireList, cabinet } });
    const said: string[] = [];
    bench.fixture.componentInstance.done.subscribe((text) => said.push(text));
    await choose(new File(['wire id,wire part,length,terminal a,terminal b,quantity\nA1,W,100,T,-,4'], 'loom.csv'));
    await bench.submit();
    expect(bench.element.querySelector('tm-problem tbody')?.textContent?.replace(/\s+/g, ' ').trim()).toBe(
      '2wire partIt was taken out of the cabinet a minute ago.',
    );
    expect(bench.text).toContain('... and 1 more.');
    await bench.submit();
    const [first, second] = importWireList.calls.allArgs() as [{ id: string; name: string }][];
    expect(first?.[0].name).toBe('loom');
    expect(second?.[0].id).not.toBe(first?.[0].id);
    expect(said).toEqual(['loom: 1 wire became 1 combination with 4 pieces.']);
  });

  it('asks for a file first, and for a name it can keep: what is wrong stands at its field', async () => {
    bench = await Bench.open(ImportList);
    await bench.type('list-name', 'x'.repeat(121));
    await bench.submit();
    expect(bench.text).toContain('Choose a file or paste a list first.');
    const field = bench.element.querySelector('#list-name');
    expect(field?.getAttribute('aria-invalid')).toBe('true');
    const fault = bench.element.querySelector(`#${field?.getAttribute('aria-describedby') ?? 'none'}`);
    expect(fault?.textContent).toBe('is longer than 120 characters');
  });
});
