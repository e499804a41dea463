import fc from 'fast-check';
import { everyPlan } from '../testing/everyPlan';
import { anyWork, early, job, setting, tool, work } from '../testing/planWork';
import {
  asFound,
  asPlan,
  byDueDate,
  checkPlan,
  dispatch,
  exactPlan,
  improve,
  Layout,
  modelOf,
  planBounds,
  planFrom,
  type FoundPlan,
  type Model,
  type Plan,
  type PlacedJob,
  type PlanJob,
  type PlanWork,
} from './index';

const TASTE = { change: 3, urgency: 240, reach: 240 };
/** The jobs one after the other, each in its first way, by whoever ends it first. */
const inOrder = (of: PlanWork, order?: readonly string[]): Plan => {
  const model = modelOf(of);
  const ids = model.jobs.map(({ id }) => id);
  const places = (order ?? ids).map((id) => ids.indexOf(id));
  return asPlan(new Layout(model).layOut(places, model.ways.slice(0, -1)));
};
const placed = (plan: Plan, id: string): PlacedJob => {
  const found = plan.placed.find((one) => one.job === id);
  if (!found) throw new Error(`${id} is not planned`);
  return found;
};
const dieB = (id: string, changes: Partial<PlanJob> = {}) =>
  job(id, { means: [{ tool: 'T', set: setting({ die: 'B', nest: '1' }), benches: ['B1'], run: 30 }], ...changes });

describe('A plan lays jobs out', () => {
  it('a break pauses a job, and person, bench and tool wait with it', () => {
    // 6:00 and 150 min: 8:30. Then 60 min: 30 before the break at 9:00, 30 after 9:15, so 9:45.
    const plan = inOrder(work([job('a', run(150)), job('b', run(60))]));
    expect(placed(plan, 'b')).toEqual(jasmine.objectContaining({ start: 510, end: 585 }));
  });

  it('a job that would not end in its shift begins in the next one', () => {
    // The shift has 465 working minutes. 400 are used; 100 do not fit into 65: tomorrow at six.
    const odile = { ...early('Odile'), shifts: [...early('Odile').shifts, ...early('Odile', 1440).shifts] };
    const plan = inOrder(work([job('a', run(400)), job('b', run(100))], { people: [odile] }));
    expect(placed(plan, 'b')).toEqual(jasmine.objectContaining({ start: 1800, end: 1900 }));
    // Nights do not count: 400 + 65 that nobody used + 100.
    expect(plan.score.end).toBe(565);
  });

  it('a die is changed by its own minutes, a nest by none, and what does not differ by nothing', () => {
    const plan = inOrder(
      work([
        job('a'),
        dieB('b'),
        job('c', { means: [{ tool: 'T', set: setting({ die: 'B', nest: '2' }), benches: ['B1'], run: 30 }] }),
      ]),
    );
    expect(placed(plan, 'a').changes).toEqual([]);
    expect(placed(plan, 'b').changes).toEqual([{ part: 'die', minutes: 6 }]);
    expect(placed(plan, 'c').changes).toEqual([{ part: 'nest', minutes: 0 }]);
    expect(plan.score.changeover).toBe(6);
  });

  it('while quality looks at a set-up the bench is held and the person is free', () => {
    // a: die 6, samples 10, so 6:16; Ines comes at 7:00 and takes 4: the lot runs from 7:04 to 7:34.
    const late = { ...early('Ines'), shifts: [{ from: 420, to: 840, breaks: [] }] };
    const two = [
      { id: 'B1', label: 'Bench 1', heater: null, stripper: null },
      { id: 'B2', label: 'Bench 2', heater: null, stripper: null },
    ];
    const other = job('c', { means: [{ tool: null, set: null, benches: ['B2'], run: 20 }] });
    const plan = inOrder(
      work([dieB('a', { setUp: 10, release: 4, isProved: false }), other, job('b')], { quality: [late], benches: two }),
    );
    expect(placed(plan, 'a')).toEqual(
      jasmine.objectContaining({
        start: 360,
        setUpEnd: 376,
        release: { from: 420, to: 424, by: 'Ines' },
        runStart: 424,
        end: 454,
      }),
    );
    // Odile cuts at the other bench meanwhile; at this bench nothing goes on before 7:34.
    expect(placed(plan, 'c')).toEqual(jasmine.objectContaining({ start: 376, end: 396 }));
    expect(placed(plan, 'b').start).toBe(454);
  });

  it('a set-up that is proved asks no samples while its tool stands as it was, and asks them again after another die', () => {
    const proved = { setUp: 10, release: 4, isProved: true };
    const plan = inOrder(work([job('a', proved), dieB('b'), job('c', proved)]));
    expect(placed(plan, 'a').release).toBeNull();
    expect(placed(plan, 'c').release).not.toBeNull();
    // die 6 + samples 10 from 7:36.
    expect(placed(plan, 'c').setUpEnd - placed(plan, 'c').start).toBe(16);
  });

  it('jobs of one proof go on with one set-up', () => {
    const one = { setUp: 10, release: 4, isProved: false, proof: 'p' };
    const plan = inOrder(work([job('a', one), job('b', one)]));
    expect([placed(plan, 'a').release === null, placed(plan, 'b').release === null]).toEqual([false, true]);
  });

  it('a tool that is carried keeps its die, and costs its frame where it did not stand', () => {
    const two = ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null }));
    const at = (id: string, bench: string) =>
      job(id, { means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: [bench], run: 30 }] });
    const plan = inOrder(work([at('a', 'B2'), at('b', 'B2'), at('c', 'B1')], { benches: two }));
    expect(['a', 'b', 'c'].map((id) => placed(plan, id).changeover)).toEqual([5, 0, 5]);
  });

  it('a heater that went cold is warmed up, one that is hot is not', () => {
    const hot = [{ id: 'B1', label: 'B1', heater: { warmUp: 6, coldAfter: 30 }, stripper: null }];
    const heat = { heat: true };
    const plan = inOrder(
      work([job('a', heat), job('b', run(30)), job('c', heat), job('d', run(31)), job('e', heat)], { benches: hot }),
    );
    expect(['a', 'c', 'e'].map((id) => placed(plan, id).changeover)).toEqual([6, 0, 6]);
  });

  it('notch and stop are set at the stripper of the bench, each by its own minutes', () => {
    const benches = [{ id: 'B1', label: 'B1', heater: null, stripper: { set: null, minutes: { notch: 1, stop: 2 } } }];
    const strip = (id: string, notch: string, stop: string) => job(id, { strip: { notch, stop } });
    const plan = inOrder(
      work([strip('a', '2', '6'), strip('b', '2', '7'), job('c'), strip('d', '2', '7')], { benches }),
    );
    expect(['a', 'b', 'c', 'd'].map((id) => placed(plan, id).changeover)).toEqual([3, 2, 0, 0]);
  });

  it('nothing begins before what it waits for is ended, nor before what it takes has come', () => {
    const plan = inOrder(work([job('a', { after: ['b'] }), job('b'), job('c', { from: 600 })]));
    expect(placed(plan, 'a').start).toBe(placed(plan, 'b').end);
    expect(placed(plan, 'c').start).toBe(600);
  });

  it('a job that is fixed keeps its place, and others go around it', () => {
    const fixed = { bench: 'B1', tool: 'T', person: 'Odile', start: 400 };
    const plan = inOrder(work([job('a'), job('b'), job('c', { fixed })]));
    expect(placed(plan, 'c').start).toBe(400);
    // a from 360 to 390; b would lie over c and comes after it.
    expect([placed(plan, 'a').start, placed(plan, 'b').start]).toEqual([360, 430]);
  });

  it('of two fixed jobs over each other the earlier goes first, and the later is told to be out of its place', () => {
    const at = (start: number) => ({ fixed: { bench: 'B1', tool: 'T', person: 'Odile', start } });
    const of = work([job('b', at(410)), job('a', at(400))]);
    const plan = inOrder(of);
    expect([placed(plan, 'a').start, placed(plan, 'b').start]).toEqual([400, 430]);
  });

  it('several short jobs find room while one set-up waits for its release', () => {
    // Free from 6:16 to 7:00: twenty, fifteen and no more than nine minutes.
    const late = { ...early('Ines'), shifts: [{ from: 420, to: 840, breaks: [] }] };
    const benches = ['B1', 'B2', 'B3'].map((id) => ({ id, label: id, heater: null, stripper: null }));
    const cut = (id: string, minutes: number, bench = 'B2') =>
      job(id, { means: [{ tool: null, set: null, benches: [bench], run: minutes }] });
    const jobs = [
      dieB('a', { setUp: 10, release: 4, isProved: false }),
      cut('c', 20),
      cut('d', 15, 'B3'),
      cut('e', 30),
    ];
    const plan = inOrder(work(jobs, { quality: [late], benches }));
    expect(['c', 'd', 'e'].map((id) => placed(plan, id).start)).toEqual([376, 396, 454]);
  });

  it('lateness counts in started quarter-hours of a list, times its weight', () => {
    // Ended at 6:30, due at 6:14: 16 minutes are two quarters, times 3.
    const plan = inOrder(work([job('a')], { lists: [{ id: 'L', label: 'L', due: 374, weight: 3 }] }));
    expect(plan.score).toEqual(jasmine.objectContaining({ lateness: 6, lateLists: ['L'] }));
  });

  function run(minutes: number): Partial<PlanJob> {
    return { means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run: minutes }] };
  }
});

describe('What cannot be planned is told, and the rest is planned', () => {
  const left = (of: PlanWork) => inOrder(of).left.map(({ job: id, code }) => `${id} ${code}`);
  const means = (changes: Partial<PlanJob['means'][number]>) => [
    { tool: 'T', set: setting(), benches: ['B1'], run: 30, ...changes },
  ];
  const nobodyOfQuality = { quality: [] };

  it('for each reason by its own name', () => {
    expect(left(work([job('a', { means: means({ tool: 'gone' }) }), job('b')]))).toEqual(['a no-tool']);
    expect(left(work([job('a', { means: [] })]))).toEqual(['a no-tool']);
    expect(left(work([job('a', { heat: true })]))).toEqual(['a no-bench']);
    expect(left(work([job('a', { strip: { notch: '2', stop: '6' } })]))).toEqual(['a no-bench']);
    expect(left(work([job('a', { people: [] })]))).toEqual(['a nobody']);
    expect(left(work([job('a')], { people: [{ ...early('Odile'), shifts: [] }] }))).toEqual(['a no-hours']);
    expect(left(work([job('a', { means: means({ run: 466 }) })]))).toEqual(['a too-long']);
    expect(left(work([job('a', { from: 900 })]))).toEqual(['a arrives-late']);
    expect(left(work([job('a', { setUp: 5, release: 4, isProved: false })], nobodyOfQuality))).toEqual([
      'a no-quality',
    ]);
  });

  it('a circle, what waits for it, and what waits for something left out', () => {
    const of = work([
      job('a', { after: ['b'] }),
      job('b', { after: ['a'] }),
      job('c', { after: ['b'] }),
      job('d', { people: [] }),
      job('e', { after: ['d'] }),
      job('f', { after: ['e'] }),
      job('g'),
    ]);
    expect(left(of).toSorted()).toEqual([
      'a circle',
      'b circle',
      'c circle',
      'd nobody',
      'e forerunner',
      'f forerunner',
    ]);
    expect(inOrder(of).placed.map((one) => one.job)).toEqual(['g']);
  });

  it('and what finds no room before the last shift ends', () => {
    const long = { means: means({ run: 300, set: setting({ die: 'A', nest: '1' }) }) };
    const plan = inOrder(work([job('a', long), job('b', long)]));
    expect(plan.left.map(({ job: id, code }) => `${id} ${code}`)).toEqual(['b no-hours']);
    expect(checkPlan(work([job('a', long), job('b', long)]), plan)).toEqual([]);
  });
});

const best = (model: Model, steps: number, seed = 1): FoundPlan => {
  let count = 0;
  let found: FoundPlan | null = null;
  for (const one of improve(model, seed, () => count++ / steps)) found = one;
  if (!found) throw new Error('nothing found');
  return found;
};
const layOut = (model: Model, { order, ways, people, isFirm }: FoundPlan) =>
  new Layout(model).layOut(order, ways, people, isFirm);

describe('Any plan of any work', () => {
  it('ends at once where it is stopped before it began, with a plan that can be done', () => {
    fc.assert(
      fc.property(anyWork(14), (of) => {
        const model = modelOf(of);
        let last: FoundPlan | null = null;
        for (const one of improve(model, 3, () => 1)) last = one;
        if (last) expect(checkPlan(of, planFrom(model, last))).toEqual([]);
      }),
      { numRuns: 20 },
    );
  });

  it('has no fault that a checker finds which shares nothing with the planner', () => {
    fc.assert(
      fc.property(anyWork(14), upTo(1000), (of, seed) => {
        const model = modelOf(of);
        expect(checkPlan(of, asPlan(dispatch(model, TASTE)))).toEqual([]);
        if (model.jobs.length) expect(checkPlan(of, asPlan(layOut(model, best(model, 40, seed))))).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });

  it('of many jobs is one by due date alone until there is a better one', () => {
    const week = [0, 1, 2, 3].flatMap((day) => early('Odile', 1440 * day).shifts);
    const jobs = Array.from({ length: 1501 }, (_, i) =>
      job(`j${i}`, { means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run: 1 }] }),
    );
    const model = modelOf(work(jobs, { people: [{ ...early('Odile'), shifts: week }] }));
    const first = improve(model, 1, () => 0).next().value as FoundPlan;
    expect(first).toEqual(asFound(byDueDate(model)));
  });

  it('is over when its time is, at whatever share its beginnings part it', () => {
    const jobs = ['a', 'b', 'c', 'd', 'e'].map((id, i) => (i % 2 ? dieB(id) : job(id)));
    const model = modelOf(work(jobs, { people: [early('Odile')] }));
    for (let first = 1; first <= 60; first += 3) {
      // Never more than the whole of it, as a page has it.
      let asked = 0;
      const done = () => Math.min(1, (asked++ * first) / 997);
      let steps = 0;
      const search = improve(model, first, done);
      while (!search.next().done && steps < 20_000) steps++;
      expect(steps).withContext(String(first)).toBeLessThan(20_000);
    }
  });

  it('is never better than its bounds', () => {
    fc.assert(
      fc.property(anyWork(12), (of) => {
        const model = modelOf(of);
        if (!model.jobs.length) return;
        const { score, left } = asPlan(layOut(model, best(model, 40)));
        const bounds = planBounds(model);
        // What finds no room is not late, it is left out.
        if (left.length > model.left.length) return;
        expect(bounds.lateness.least).toBeLessThanOrEqual(score.lateness);
        expect(bounds.changeover.least).toBeLessThanOrEqual(score.changeover);
        expect(bounds.end.least).toBeLessThanOrEqual(score.end);
      }),
      { numRuns: 100 },
    );
  });

  it('is found again from the same seed, laid out again as it was, and never worse than the plan begun from', () => {
    fc.assert(
      fc.property(anyWork(12), upTo(1000), (of, seed) => {
        const model = modelOf(of);
        if (model.jobs.length < 2) return;
        const found = best(model, 40, seed);
        expect(best(model, 40, seed)).toEqual(found);
        expect(layOut(model, found).cost).toBe(found.cost);
        let after = found;
        let count = 0;
        for (const one of improve(model, seed + 1, () => count++ / 20, found)) after = one;
        expect(after.cost).toBeLessThanOrEqual(found.cost);
      }),
      { numRuns: 40 },
    );
  });

  function upTo(max: number) {
    return fc.integer({ min: 0, max });
  }
});

describe('The bounds of a plan', () => {
  const bounds = (of: PlanWork) => {
    const { lateness, changeover, end } = planBounds(modelOf(of));
    return { lateness: lateness.least, changeover: changeover.least, end: end.least };
  };

  it('count each die that is needed and not mounted once, whatever the order', () => {
    // A is mounted; B and C take six minutes each; three lots of thirty.
    expect(bounds(work([dieB('a'), job('b'), dieC('c'), dieB('d')]))).toEqual({
      lateness: 0,
      changeover: 12,
      end: 132,
    });
  });

  it('ask no samples of a tool that stands proved as it is', () => {
    const own = job('a', { setUp: 50, release: 4, isProved: false, proof: 'P' });
    const end = (proof: string | null) => {
      const model = modelOf(work([own], { tools: [tool('T', { proof })] }));
      const plan = asPlan(new Layout(model).layOut([0], model.ways.slice(0, -1)));
      return [planBounds(model).end.least, plan.score.end];
    };
    // Half an hour as it stands; with samples and their release 84 min.
    expect(end('P')).toEqual([30, 30]);
    expect(end(null)[1]).toBe(84);
    expect(end(null)[0]).toBeGreaterThan(30);
  });

  it('let one job make the samples of a proof, and no other bear them', () => {
    const one = { setUp: 10, isProved: false, proof: 'p' };
    // Two lots of thirty, ten minutes of samples once.
    expect(bounds(work([job('a', one), job('b', one)])).end).toBe(70);
    expect(bounds(work([job('a', { setUp: 10, isProved: false }), job('b', { setUp: 10, isProved: false })])).end).toBe(
      80,
    );
    // Due after the lot alone: the other list may make the samples.
    const lists = ['L', 'M'].map((id) => ({ id, label: id, due: 390, weight: 1 }));
    const free = work([job('a', one), job('b', { ...one, list: 'M', people: ['Bram'] })], {
      lists,
      people: [early('Odile'), early('Bram')],
    });
    expect(bounds(free).lateness).toBe(0);
  });

  it('come to the nearest setting: positions of one die before the next die', () => {
    // From A4: A5 by the selector, 1; then B5 by the die, 6; then B4, 1. Any other order takes more.
    const at = (id: string, die: string, selector: string) =>
      job(id, { means: [{ tool: 'T', set: setting({ die, selector }), benches: ['B1'], run: 30 }] });
    const jobs = [at('a', 'B', '4'), at('b', 'A', '5'), at('c', 'B', '5')];
    const tools = [tool('T', { set: setting({ die: 'A', selector: '4' }) })];
    expect(bounds(work(jobs, { tools })).changeover).toBe(8);
  });

  it('count what one of two tools will be set to, though not which of them', () => {
    // Die A is mounted in both. B is needed in one of them, 6 min, and to set that bench's stripper, 1 min.
    const benches = ['B1', 'B2'].map((id) => ({
      ...{ id, label: id, heater: null },
      stripper: { set: { notch: '2', stop: '6' }, minutes: { notch: 1, stop: 1 } },
    }));
    const set = setting({ die: 'B', nest: '1' });
    const means = ['1', '2'].map((n) => ({ tool: `T${n}`, set, benches: [`B${n}`], run: 30 }));
    const tools = [tool('T1'), tool('T2', { bench: 'B2' })];
    const one = job('a', { means, strip: { notch: '3', stop: '6' } });
    expect(bounds(work([one], { benches, tools })).changeover).toBe(7);
    // A second die, made by the one or the other as well: either way six minutes more.
    const other = job('b', { means: means.map((way) => ({ ...way, set: setting({ die: 'C', nest: '1' }) })) });
    expect(bounds(work([one, other], { benches, tools })).changeover).toBe(13);
  });

  it('see a tool and the stripper of its bench together', () => {
    // Dies A and B with notches 2 and 3 each, from notch 4. By themselves 6 and 2 min; but a notch has to be set once more: 9.
    const benches = [
      {
        ...{ id: 'B1', label: 'B1', heater: null },
        stripper: { set: { notch: '4', stop: '6' }, minutes: { notch: 1, stop: 1 } },
      },
    ];
    const of = (die: string, notch: string) =>
      job(`${die}${notch}`, {
        means: [{ tool: 'T', set: setting({ die, nest: '1' }), benches: ['B1'], run: 30 }],
        strip: { notch, stop: '6' },
      });
    expect(bounds(work([of('A', '2'), of('A', '3'), of('B', '2'), of('B', '3')], { benches })).changeover).toBe(9);
  });

  it('take a tool to each bench it is needed at once, and to none where it stands', () => {
    const benches = ['B1', 'B2', 'B3'].map((id) => ({ id, label: id, heater: null, stripper: null }));
    const at = (id: string, ...where: string[]) =>
      job(id, { means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: where, run: 30 }] });
    const of = (...jobs: PlanJob[]) => bounds(work(jobs, { benches })).changeover;
    expect(of(at('a', 'B1'))).toBe(0);
    expect(of(at('a', 'B2'))).toBe(5);
    expect(of(at('a', 'B2'), at('b', 'B2'), at('c', 'B3'), at('d', 'B1', 'B2'))).toBe(10);
  });

  it('are at most what the best of all plans changes, enumerated', () => {
    fc.assert(
      fc.property(anyWork(4), (of) => {
        const lists = of.lists.map((list) => ({ ...list, due: null }));
        const model = modelOf({ ...of, lists, endWorth: 0 });
        if (!model.jobs.length) return;
        const { least } = everyPlan(model);
        // Minutes of change alone: nothing is due, and an early end is worth nothing.
        expect(planBounds(model).changeover.least).toBeLessThanOrEqual(least + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('warm a heater up once for a stretch of work', () => {
    const benches = [{ id: 'B1', label: 'B1', heater: { warmUp: 6, coldAfter: 30 }, stripper: null }];
    expect(bounds(work([job('a', { heat: true }), job('b', { heat: true })], { benches })).changeover).toBe(6);
  });

  it('know that a job goes on over a break and keeps its heater hot', () => {
    // Breaks of three quarters of an hour, cold after half of one: 300 and 100 minutes without a pause between them.
    const benches = [{ id: 'B1', label: 'B1', heater: { warmUp: 6, coldAfter: 30 }, stripper: null }];
    const odile = { ...early('Odile'), shifts: [{ from: 360, to: 840, breaks: [{ from: 540, to: 585 }] }] };
    const hot = (id: string, run: number) =>
      job(id, { heat: true, means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run }] });
    const of = work([hot('a', 300), hot('b', 100)], { benches, people: [odile] });
    expect(inOrder(of).score.changeover).toBe(6);
    expect(bounds(of).changeover).toBe(6);
  });

  function dieC(id: string) {
    return job(id, { means: [{ tool: 'T', set: setting({ die: 'C', nest: '1' }), benches: ['B1'], run: 30 }] });
  }
});

describe('The exact plan of a small day', () => {
  it('gives work to both of two people who are alike', () => {
    const benches = ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null }));
    const cut = (id: string, bench: string) =>
      job(id, { means: [{ tool: null, set: null, benches: [bench], run: 60 }], people: ['Odile', 'Bram'] });
    const model = modelOf(work([cut('a', 'B1'), cut('b', 'B2')], { benches, people: [early('Odile'), early('Bram')] }));
    const start = { ...asFound(dispatch(model, TASTE)), cost: Infinity };
    const last = [...exactPlan(model, start)].at(-1);
    // Side by side: an hour, at a tenth of a minute each.
    expect(last?.found.cost).toBeCloseTo(6, 9);
  });

  it('is as good as the best of all plans, enumerated', () => {
    fc.assert(
      fc.property(anyWork(4), (of) => {
        const model = modelOf(of);
        if (!model.jobs.length) return;
        const worst = layOut(model, asFound(dispatch(model, TASTE)));
        const start = { ...asFound(dispatch(model, TASTE)), cost: worst.cost };
        const last = [...exactPlan(model, start)].at(-1);
        expect(last?.isProven).toBeTrue();
        expect(last?.found.cost).toBeCloseTo(everyPlan(model).least, 6);
        if (last) expect(layOut(model, last.found).cost).toBe(last.found.cost);
      }),
      { numRuns: 60 },
    );
  });
});

describe('The checker', () => {
  const two = ['B1', 'B2'].map((id) => ({
    ...{ id, label: id, heater: { warmUp: 6, coldAfter: 30 } },
    stripper: { set: null, minutes: { notch: 1, stop: 1 } },
  }));
  const means = (die: string) => [
    { tool: 'T', set: setting({ die, nest: '1' }), benches: ['B1', 'B2'], run: 30 },
    { tool: 'U', set: setting({ die, nest: '1' }), benches: ['B2'], run: 40 },
  ];
  const of = work(
    [
      job('a', { means: means('B'), setUp: 8, release: 4, isProved: false, people: ['Odile', 'Bram'] }),
      job('b', { means: means('A'), strip: { notch: '2', stop: '6' }, people: ['Odile', 'Bram'], after: ['a'] }),
      job('c', { means: means('C'), heat: true, from: 500, people: ['Odile'] }),
      job('d', { means: means('A').slice(1), people: ['Bram'], setUp: 8, release: 4, isProved: false }),
    ],
    {
      benches: two,
      tools: [tool('T'), tool('U', { bench: 'B2' })],
      people: [early('Odile'), early('Bram')],
      lists: [{ id: 'L', label: 'L', due: 400, weight: 1 }],
    },
  );
  const good = inOrder(of);
  /** The plan with one thing in it changed. */
  const spoil = (id: string, change: (one: PlacedJob) => Partial<PlacedJob>): string[] =>
    codes({ ...good, placed: good.placed.map((one) => (one.job === id ? { ...one, ...change(one) } : one)) });
  const codes = (plan: Plan) => [...new Set(checkPlan(of, plan).map(({ code }) => code))];
  const later = (minutes: number) => (one: PlacedJob) => ({
    start: one.start + minutes,
    setUpEnd: one.setUpEnd + minutes,
    runStart: one.runStart + minutes,
    end: one.end + minutes,
  });

  it('finds nothing in a good plan', () => {
    expect(good.left).toEqual([]);
    expect(codes(good)).toEqual([]);
  });

  it('finds each thing that is wrong', () => {
    expect(codes({ ...good, placed: good.placed.slice(1) })).toContain('missing');
    expect(codes({ ...good, placed: [...good.placed, ...good.placed.slice(0, 1)] })).toContain('twice');
    expect(spoil('a', () => ({ job: 'x' }))).toContain('unknown');
    expect(spoil('d', () => ({ tool: 'T' }))).toContain('means');
    expect(spoil('c', () => ({ person: 'Bram' }))).toContain('unqualified');
    expect(spoil('c', later(400))).toContain('hours');
    expect(spoil('a', (one) => ({ end: one.end - 1 }))).toContain('length');
    expect(spoil('b', (one) => ({ ...later(placed(good, 'a').start - one.start)(one) }))).toContain('precedence');
    expect(spoil('b', (one) => ({ ...later(placed(good, 'a').start - one.start)(one) }))).toContain('bench-twice');
    expect(spoil('b', (one) => ({ ...later(placed(good, 'a').start - one.start)(one) }))).toContain('tool-twice');
    expect(
      spoil('b', (one) => ({ ...later(placed(good, 'a').start - one.start)(one), person: placed(good, 'a').person })),
    ).toContain('person-twice');
    expect(spoil('c', later(-200))).toContain('too-early');
    expect(spoil('a', () => ({ changes: [] }))).toContain('changes');
    expect(spoil('b', (one) => ({ changes: [...one.changes, { part: 'grip', minutes: 1 }] }))).toContain('changes');
    expect(spoil('c', (one) => ({ changeover: one.changeover - 6 }))).toContain('changes');
    expect(spoil('a', (one) => ({ setUpEnd: one.setUpEnd - 1 }))).toContain('samples');
    expect(spoil('a', () => ({ release: null }))).toContain('release');
    // A minute too short or too long, or by somebody who is not of quality.
    const looked = (change: Partial<NonNullable<PlacedJob['release']>>) =>
      spoil('a', ({ release }) => ({ release: release && { ...release, ...change } }));
    const { to = 0 } = placed(good, 'a').release ?? {};
    expect(looked({})).toEqual([]);
    expect(looked({ to: to - 1 })).toContain('release');
    expect(looked({ to: to + 1 })).toContain('release');
    expect(looked({ by: 'Odile' })).toContain('release');
    // Before its samples are made, or after its lot has begun.
    for (const minutes of [-1, 1])
      expect(
        spoil('a', ({ release }) => ({
          release: release && { ...release, from: release.from + minutes, to: release.to + minutes },
        })),
      )
        .withContext(String(minutes))
        .toContain('release');
    expect(spoil('b', (one) => ({ release: { from: one.start, to: one.start, by: 'Ines' } }))).toContain('release');
    expect(spoil('d', () => ({ release: placed(good, 'a').release }))).toContain('quality-twice');
    const { bench, tool: own, person, start } = placed(good, 'a');
    const here = { bench, tool: own, person, start };
    for (const [fixed, isFound] of [
      [here, false],
      [{ ...here, start: start - 1 }, false],
      [{ ...here, start: start + 1 }, true],
      [{ ...here, person: 'Ines' }, true],
      [{ ...here, bench: 'B9' }, true],
      [{ ...here, tool: 'X' }, true],
    ] as const) {
      const fixedWork = { ...of, jobs: of.jobs.map((one) => (one.id === 'a' ? { ...one, fixed } : one)) };
      const found = checkPlan(fixedWork, good).some(({ code }) => code === 'fixed');
      expect(found).withContext(JSON.stringify(fixed)).toBe(isFound);
    }
    expect(codes({ ...good, score: { ...good.score, changeover: 0 } })).toEqual(['score']);
    expect(codes({ ...good, score: { ...good.score, lateness: 0 } })).toEqual(['score']);
    expect(codes({ ...good, score: { ...good.score, end: good.score.end - 1 } })).toEqual(['score']);
  });
});
