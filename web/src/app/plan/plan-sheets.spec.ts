import type { Cabinet, FloorKept, GivenHead, PlanWent } from '@tug-mark/contract';
import { EMPTY_FLOOR, shopFloorSchema, type PartStock } from '@tug-mark/core';
import { TestBed } from '@angular/core/testing';
import { Live, type News } from '../live/live';
import { Bench } from '../testing/bench';
import { COMBINATION, givenPlan, planDay, PLAN_START } from '../testing/made-up-plan';
import { CutPage } from './cut-page';
import { FloorPage } from './floor-page';
import { floorForm, floorOf } from './floor-form';
import { QueuePage } from './queue-page';
import { StockPage } from './stock-page';
import { TestingPage } from './testing-page';
import { testingOptions } from './testing-options';
import { WentPage } from './went-page';

const stock = (kind: PartStock['kind'], part: string, amount: number, reel: string | null = null): PartStock => ({
  ...{ kind, part, amount, expected: [], faults: [], aDay: 0, days: 6 },
  reels: [{ reel, amount, countedAt: '2026-11-20T06:00:00.000Z' }],
});
const wires = [
  { list: 'Chassis', wire: 'W-1', length: 480, quantity: 40, isCut: false },
  { list: 'Mast', wire: 'W-1', length: 300, quantity: 10, isCut: true },
];
const day = planDay({ wires });
const cabinet = {
  ...{ terminals: [{ part: 'R-1', label: 'ring' }], wires: [{ part: 'W-1', label: '0.75' }], coverings: [] },
  strippers: [{ part: 'ST-9', label: 'Bench stripper' }],
} as unknown as Cabinet;

describe('To cut and pick', () => {
  let bench: Bench<CutPage>;
  const moveStock = jasmine.createSpy('moveStock');
  const changeWireList = jasmine.createSpy('changeWireList');
  const open = async (parts: PartStock[]) => {
    moveStock.calls.reset();
    changeWireList.calls.reset();
    moveStock.and.resolveTo({ parts, moves: [] });
    changeWireList.and.resolveTo({});
    const lists = [{ id: 'list-1', name: 'Chassis', due: '2026-11-26', archived: false }];
    bench = await Bench.open(CutPage, {
      role: 'technician',
      api: {
        planDay: () => Promise.resolve(day),
        stock: () => Promise.resolve({ parts, moves: [] }),
        benchTotals: () => Promise.resolve({ states: {}, lists }),
        ...{ moveStock, changeWireList },
      },
    });
  };
  afterEach(() => {
    bench.close();
  });

  it('tells wires by reel and parts by drawer, and what is short of them', async () => {
    await open([stock('wire', 'W-1', 60_000, 'reel 7'), stock('terminal', 'R-1', 100)]);
    // Two lots of 48, five samples, two pulls and one again each: 112.
    expect(bench.headline).toBe('40 wires to cut, 1 part to draw; 1 part is short.');
    expect(bench.text).toContain('reel 7 (60 m): 42 × 480 mm, 5 × 150 mm');
    expect(bench.text).toContain('12 short, and not on their way: order them.');
    expect(bench.text).not.toContain('300 mm');
  });

  it('says what no wire is left for', async () => {
    await open([stock('wire', 'W-1', 5000, 'reel 7')]);
    expect(bench.text).toContain('No wire is left for');
    expect(bench.headline).toContain('1 wire is short');
  });

  it('draws what a list takes from its reels, and says that it is cut', async () => {
    await open([stock('wire', 'W-1', 60_000, 'reel 7')]);
    await bench.press('Chassis is cut');
    const [moves] = moveStock.calls.mostRecent().args as [{ reel: string; amount: number; what: string }[]];
    // 40 wires, four pulled and ten samples: both jobs are of this part, one of this list.
    expect(moves.map(({ reel, what }) => [reel, what])).toEqual([['reel 7', 'drawn']]);
    expect(moves[0]?.amount).toBe(40 * 480 + 2 * 480 + 5 * 150);
    expect(changeWireList).toHaveBeenCalledOnceWith('list-1', { due: '2026-11-26', archived: false, cut: true });
  });

  it('asks to order what lasts no longer than an order and the reserve take', async () => {
    // 93 a day; 7 days need 653.
    const part = { ...stock('terminal', 'R-1', 600), aDay: 560 / 6, days: 6 };
    await open([part]);
    expect(bench.text).toContain('Order it now. At the use of the last 6 days it lasts 6 more.');
  });

  it('makes a label with a code for each bundle', async () => {
    await open([]);
    await bench.press('Labels for the bundles');
    expect(bench.element.querySelectorAll('tm-bundle-labels svg').length).toBe(1);
    expect(bench.element.querySelector('tm-bundle-labels svg')?.getAttribute('aria-label')).toBe('Code of ring M4');
  });
});

describe('Stock', () => {
  let bench: Bench<StockPage>;
  const moveStock = jasmine.createSpy('moveStock');
  const open = async (parts: PartStock[], role: 'technician' | 'engineer' = 'technician') => {
    moveStock.calls.reset();
    moveStock.and.resolveTo({ parts, moves: [] });
    bench = await Bench.open(StockPage, {
      role,
      api: {
        planDay: () => Promise.resolve(day),
        stock: () => Promise.resolve({ parts, moves: [] }),
        cabinet: () => Promise.resolve(cabinet),
        moveStock,
      },
    });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });

  it('is counted in pieces, wire in metres', async () => {
    await open([]);
    await bench.choose('kind', 'wire');
    await bench.choose('part', 'W-1');
    await bench.type('amount', '12,5');
    await bench.type('reel', 'reel 7');
    await bench.submit('form');
    const [[move]] = moveStock.calls.mostRecent().args as [[object]];
    expect(move).toEqual(
      jasmine.objectContaining({ kind: 'wire', part: 'W-1', what: 'counted', amount: 12_500, reel: 'reel 7' }),
    );
    expect(bench.text).toContain('On record: counted 12.5 m of W-1.');
  });

  it('refuses what is no amount at its field, and sends nothing', async () => {
    await open([]);
    await bench.choose('part', 'R-1');
    await bench.type('amount', '-3');
    await bench.submit('form');
    expect(bench.text).toContain('is no number of 0 or more');
    expect(moveStock).not.toHaveBeenCalled();
  });

  it('says of what is on its way that it should have come, when its day is over', async () => {
    const on = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
    // Whatever the zone of the shop.
    const coming = [-2, 2].map((days, i) => ({ id: `m${i}`, arrives: `${on(days)}T10:00`, amount: 500 }));
    await open([{ ...stock('terminal', 'R-1', 0), expected: coming }]);
    const told = [...bench.element.querySelectorAll('td > span')].map((one) => one.textContent ?? '');
    const late = told.filter((text) => text.includes('should have come'));
    expect(late.length).toBe(1);
    expect(late[0]).toContain(on(-2));
  });

  it('says where more was drawn than there was, and calls off what does not come', async () => {
    const part = {
      ...stock('terminal', 'R-1', 0),
      faults: ['R-1: more was drawn than there was (3 too much). Count it again.'],
      expected: [{ id: '00000000-0000-4000-8000-0000000000b1', arrives: '2026-11-27T10:00', amount: 500 }],
    };
    await open([part]);
    expect(bench.text).toContain('Count it again.');
    await bench.press('Call off');
    const [[move]] = moveStock.calls.mostRecent().args as [[object]];
    expect(move).toEqual(jasmine.objectContaining({ what: 'called-off', settles: part.expected[0]?.id }));
  });
});

describe('At each bench', () => {
  let bench: Bench<QueuePage>;
  const queue = {
    ...{ revision: 3, given: givenPlan(), zone: 'UTC', checks: ['T'] },
    made: [{ combination: COMBINATION, made: 0 }],
  };
  const ring = { combination: COMBINATION };
  const open = async (kept: Record<string, string> = {}) => {
    bench = await Bench.open(QueuePage, { api: { planQueue: () => Promise.resolve(queue) }, kept });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });

  it('tells what is next, what is checked before and what is mounted, and what is behind the plan', async () => {
    await open();
    expect(bench.headline).toBe('Next at Bench 1: ring M4 · 48.');
    expect(bench.text).toContain('Before the first piece: check T.');
    expect(bench.text).toContain('to change: die 6 min');
    // It was to begin on a day that is past by now.
    expect(bench.text).toContain('min behind');
  });

  it('is asked for again when something of the plan was put on record, by the plan that is here already', async () => {
    // The plan itself is sent once.
    const planQueue = jasmine
      .createSpy('planQueue')
      .and.callFake((known: number) =>
        Promise.resolve({ ...queue, given: known ? null : queue.given, made: known ? [{ ...ring, made: 20 }] : [] }),
      );
    bench = await Bench.open(QueuePage, { api: { planQueue } });
    const { news } = TestBed.inject(Live);
    jasmine.clock().install().mockDate(new Date());
    for (const combination of ['another', COMBINATION, COMBINATION])
      news.next({ kind: 'entry', combination } as unknown as News);
    jasmine.clock().tick(2001);
    news.next({ kind: 'entry', combination: 'another' } as unknown as News);
    jasmine.clock().tick(2001);
    jasmine.clock().uninstall();
    await bench.settle();
    expect(planQueue.calls.allArgs()).toEqual([[0], [3]]);
    expect(bench.headline).toBe('Going on at Bench 1: ring M4 · 48, 20 made.');
  });

  it('is as it was read last, with its time, where the server does not answer', async () => {
    await open();
    bench.close();
    bench = await Bench.open(QueuePage, { api: { planQueue: () => Promise.reject(new Error('no network')) } });
    await bench.settle();
    expect(bench.text).toContain('The server does not answer: this is how it stood at');
    expect(bench.headline).toBe('Next at Bench 1: ring M4 · 48.');
  });

  it('shows one bench alone where this device stands at it', async () => {
    await open();
    await bench.choose('my-bench', 'Bench 1');
    expect(bench.element.querySelectorAll('section').length).toBe(1);
    expect(bench.element.querySelector('a[download]')?.getAttribute('href')).toContain('bench=B1');
  });
});

describe('As it went', () => {
  const head = (revision: number, by: string) =>
    ({ ...givenPlan({ revision, by }), planned: 3, moved: 0 }) as unknown as GivenHead;
  /** Three hours later: the rings were begun late and are made, the tool was taken twice for them. */
  const went = (changes: Partial<PlanWent> = {}): PlanWent => ({
    ...{ plan: givenPlan(), until: '2026-11-26T09:00:00.000Z', isOver: false },
    gone: [{ combination: COMBINATION, begun: 25, last: 90, made: 48, setUps: 2 }],
    ...changes,
  });
  const planWent = jasmine.createSpy('planWent');
  const open = (heads: GivenHead[]) =>
    Bench.open(WentPage, { api: { givenPlans: () => Promise.resolve(heads), planWent } });

  it('stands beside what was planned: begun, made, set up; another plan is read when it is chosen', async () => {
    planWent.and.resolveTo(went());
    const bench = await open([head(3, 'Marek'), head(2, 'Ada')]);
    expect(bench.headline).toBe('Plan 3: all 48 pieces that were due are made.');
    expect(bench.text).toContain('Work began 15 min later than planned, in the middle.');
    expect(bench.text).toContain('48 of 48');
    expect(bench.text).toContain('2, planned 0');
    planWent.and.resolveTo(went({ plan: givenPlan({ revision: 2, by: 'Ada' }), isOver: true, gone: [] }));
    await bench.choose('which-plan', 'Ada');
    expect(planWent.calls.allArgs()).toEqual([[3], [2]]);
    expect(bench.headline).toBe('Plan 2: 0 of 48 pieces that were due are made.');
    expect(bench.text).toContain('1 combination that should be in hand is not begun.');
    bench.close();
  });

  it('says so where no plan was given out', async () => {
    const bench = await open([]);
    expect(bench.text).toContain('No plan is given out yet');
    bench.close();
  });
});

describe('What testing costs', () => {
  it('tells pieces, wire and the chance that a bad lot passes, for the plan in hand and beside it for others', async () => {
    const bench = await Bench.open(TestingPage, {
      api: { planDay: () => Promise.resolve(day), stock: () => Promise.resolve({ parts: [], moves: [] }) },
    });
    await bench.settle();
    await bench.type('every', '20');
    // Of 48: first, last, and one in each stretch of 20: four pulled, five samples.
    expect(bench.headline).toContain('9 pieces and');
    expect(bench.element.querySelector('tr.here th')?.textContent?.trim()).toBe('20 pieces');
    expect(bench.text).toContain('first and last alone');
    bench.close();
  });

  it('marks the plan in hand on its curve', () => {
    const one = { pulls: 2, destroyed: 7, wire: 1, minutes: 1, passes: 0.5, inDoubt: 3 };
    const { series } = testingOptions(
      [
        { ...one, everyPieces: 10 },
        { ...one, everyPieces: null },
      ],
      10,
      (name) => name,
    );
    expect(series[0]?.data.map(({ symbolSize, itemStyle }) => [symbolSize, itemStyle.color])).toEqual([
      [16, 'copper'],
      [7, 'petrol'],
    ]);
  });
});

describe('Benches and hours', () => {
  const ODILE = '00000000-0000-4000-8000-000000000001';
  const floor = shopFloorSchema.parse({
    benches: [
      { id: 'B1', label: 'Bench 1', places: ['bench 1'], heater: { warmUp: 8, coldAfter: 40 }, stripper: 'ST-9' },
    ],
    hours: [{ person: ODILE, days: [1, 2], from: '06:00', to: '14:30', breaks: [{ from: '09:00', to: '09:15' }] }],
    away: [{ person: ODILE, from: '2026-11-26T06:00', to: '2026-11-26T10:00', why: 'course' }],
    closed: [{ day: '2026-12-24', why: '' }],
    extra: [{ person: ODILE, day: '2026-11-28', from: '08:00', to: '12:00', breaks: [{ from: '10:00', to: '10:15' }] }],
    pieceSeconds: [{ family: 'lug', means: 'powered', seconds: 75 }],
  });
  const kept: FloorKept = { revision: 3, by: 'Marek', at: PLAN_START, floor };
  const keepFloor = jasmine.createSpy('keepFloor');
  let bench: Bench<FloorPage>;
  const open = async (role: 'engineer' | 'technician' = 'engineer') => {
    keepFloor.calls.reset();
    keepFloor.and.resolveTo({ ...kept, revision: 4 });
    bench = await Bench.open(FloorPage, {
      role,
      api: {
        planDay: () => Promise.resolve(day),
        stock: () => Promise.resolve({ parts: [], moves: [] }),
        floor: () => Promise.resolve(kept),
        cabinet: () => Promise.resolve(cabinet),
        people: () => Promise.resolve([{ id: ODILE, name: 'Odile' }]),
        keepFloor,
      },
    });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });

  it('come back from their form as they went in', () => {
    expect(shopFloorSchema.parse(floorOf(floorForm(floor), EMPTY_FLOOR))).toEqual(floor);
    bench = { close: () => undefined } as Bench<FloorPage>;
  });

  it('are kept as the next revision of what was opened; a time is taken as people type it', async () => {
    await open();
    await bench.type('hours-from-0', '6.30');
    await bench.submit('form');
    const [sent] = keepFloor.calls.mostRecent().args as [{ revision: number; floor: typeof floor }];
    expect([sent.revision, sent.floor.hours[0]?.from]).toEqual([3, '06:30']);
    expect(bench.text).toContain('Kept: the next plan goes by it.');
  });

  it('tell what cannot be read with its place, and send nothing', async () => {
    await open();
    await bench.type('hours-to-0', 'late');
    await bench.type('minutes-sample', 'some');
    await bench.submit('form');
    expect(bench.text).toContain('hours 1 to');
    expect(bench.text).toContain('minutes sample');
    expect(keepFloor).not.toHaveBeenCalled();
  });

  it('grow by a bench, a shift, an absence', async () => {
    await open();
    for (const words of [
      'Another bench',
      'Another shift',
      'Somebody is away',
      'An extra shift',
      'A day is closed',
      'A time of our own',
    ])
      await bench.press(words);
    expect(bench.element.querySelectorAll('[id^="bench-id-"]').length).toBe(2);
    expect(bench.element.querySelectorAll('tm-day-ticks').length).toBe(2);
    expect(bench.element.querySelectorAll('[id^="away-why-"]').length).toBe(2);
    expect(bench.element.querySelectorAll('[id^="extra-day-"]').length).toBe(2);
    expect(bench.element.querySelectorAll('[id^="seconds-seconds-"]').length).toBe(2);
  });

  it('say that what was learned is still being read, and not that nothing was', async () => {
    bench = await Bench.open(FloorPage, {
      role: 'engineer',
      api: {
        planDay: () => new Promise(() => undefined),
        stock: () => Promise.resolve({ parts: [], moves: [] }),
        floor: () => Promise.resolve(kept),
        cabinet: () => Promise.resolve(cabinet),
        people: () => Promise.resolve([{ id: ODILE, name: 'Odile' }]),
      },
    });
    await bench.settle();
    expect(bench.text).toContain('Reading what was learned');
    expect(bench.text).not.toContain('Nothing yet');
  });

  it('say nothing of what is written down while it is fetched, and that nothing is where so it is', async () => {
    const show = async (floorKept: Promise<FloorKept>) => {
      bench = await Bench.open(FloorPage, {
        role: 'engineer',
        api: {
          planDay: () => Promise.resolve(day),
          stock: () => Promise.resolve({ parts: [], moves: [] }),
          floor: () => floorKept,
          cabinet: () => Promise.resolve(cabinet),
          people: () => Promise.resolve([]),
        },
      });
      await bench.settle();
    };
    await show(new Promise(() => undefined));
    expect(bench.text).toContain('Fetching the floor');
    expect(bench.text).not.toContain('written down');
    bench.close();
    await show(Promise.resolve({ revision: 0, by: null, at: null, floor: EMPTY_FLOOR }));
    expect(bench.text).toContain('Nothing is written down yet.');
  });

  it('are an engineer’s to change', async () => {
    await open('technician');
    expect(bench.text).toContain('An engineer changes this.');
    expect(bench.element.querySelector('fieldset')?.disabled).toBeTrue();
  });
});
