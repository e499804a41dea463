import fc from 'fast-check';
import { anyWork, early, job, setting, tool, work } from '../../testing/planWork';
import {
  asPlan,
  byDueDate,
  checkPlan,
  comparePlans,
  differences,
  goneJobs,
  freeze,
  improve,
  later,
  Layout,
  modelOf,
  moveLittle,
  movePlan,
  planFrom,
  repeat,
  whatIf,
  whyHere,
  type FoundPlan,
  type Model,
  type PlanWork,
} from '../index';

const clock = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
const die = (id: string) => [{ tool: 'T', set: setting({ die: id, nest: '1' }), benches: ['B1'], run: 30 }];
const found = (model: Model, rounds = 60, start: FoundPlan | null = null): FoundPlan => {
  let step = 0;
  let best: FoundPlan | null = start;
  for (const one of improve(model, 3, () => step++ / rounds, start)) best = one;
  if (!best) throw new Error('nothing to plan');
  return best;
};
const planOf = (of: PlanWork) => {
  const model = modelOf(of);
  return { model, plan: planFrom(model, found(model)) };
};
const order = (plan: { placed: readonly { job: string; start: number }[] }) =>
  plan.placed.toSorted((a, b) => a.start - b.start).map((one) => one.job);

/** Die A stands; two jobs want it, one wants B: A, A, B with one change of 6 min. */
const three = () => planOf(work([job('a'), job('b', { means: die('B') }), job('c')]));

describe('Asking a plan', () => {
  it('why a job is here: what holds it back, what is changed for it, and what one place earlier costs', () => {
    const { model, plan } = three();
    expect(order(plan).at(-1)).toBe('b');
    const why = whyHere(model, plan, 'b', clock);
    // Two jobs of 30 min from 6:00.
    expect(why?.waits).toBe(`Not sooner: Bench 1 is taken by ${order(plan)[1]} until 7:00.`);
    expect(why?.mounted).toBe('Changed for it: die 6 min; 6 min in all.');
    // Then A has to be mounted once more.
    expect(why?.earlier).toContain('6 min more of changes');
    expect(whyHere(model, plan, order(plan)[0] ?? '', clock)).toEqual({
      waits: 'Not sooner: Odile comes in at 6:00.',
      mounted: 'T with die A, nest 1 stands as it needs it: nothing is changed.',
      earlier: null,
    });
  });

  it('what a move costs before it is made, and why one cannot be', () => {
    const { model, plan } = three();
    const first = order(plan)[0] ?? '';
    const moved = movePlan(model, plan, { job: 'b', bench: 'B1', before: first });
    if (!moved.ok) throw new Error(moved.text);
    expect(order(moved.plan)[0]).toBe('b');
    // B mounted, then A again: 6 min more, and 6 min later.
    expect(comparePlans(plan, moved.plan, model.work, clock)).toBe(
      'It ends at 7:42 instead of 7:36, 6 min more of changes.',
    );
    const without = (count: number) => ({
      ...plan,
      left: ['x', 'y', 'z'].slice(0, count).map((id) => ({ job: id, code: 'no-hours' as const, text: '' })),
    });
    expect(comparePlans(without(1), without(2), model.work, clock)).toBe(
      'It still ends at 7:36, 1 job without a place.',
    );
    expect(comparePlans(without(2), without(2), model.work, clock)).toBe(
      'It still ends at 7:36, and nothing else changes.',
    );
    expect(comparePlans(without(2), without(1), model.work, clock)).toBe(
      'It still ends at 7:36, 1 job more with a place.',
    );
    // The same list is late, by more or by less; where a job is left out, less is no gain.
    const late = (lateness: number, of = plan) => ({ ...of, score: { ...of.score, lateness, lateLists: ['L'] } });
    expect(comparePlans(late(2), late(3), model.work, clock)).toBe('It still ends at 7:36, what is late comes later.');
    expect(comparePlans(late(3), late(2), model.work, clock)).toBe('It still ends at 7:36, what is late comes sooner.');
    expect(comparePlans(late(3), late(2, without(1)), model.work, clock)).toBe(
      'It still ends at 7:36, 1 job without a place.',
    );
    expect(comparePlans(plan, late(2), model.work, clock)).toBe('It still ends at 7:36, late then: List.');
    expect(comparePlans(late(2), plan, model.work, clock)).toBe('It still ends at 7:36, in time then: List.');
    const elsewhere = movePlan(model, plan, { job: 'b', bench: 'B9', before: null });
    expect(elsewhere).toEqual({ ok: false, text: 'That bench has not what b needs. It can be made at Bench 1.' });
    const { model: chain, plan: chained } = planOf(work([job('a'), job('b', { after: ['a'] })]));
    const refused = movePlan(chain, chained, { job: 'b', bench: 'B1', before: 'a' });
    expect(refused).toEqual({ ok: false, text: 'b waits for a: it cannot come before.' });
    expect(movePlan(chain, chained, { job: 'a', bench: 'B1', before: null })).toEqual({
      ok: false,
      text: 'b waits for a: it cannot come before.',
    });
  });

  it('at another bench a job is made by whoever is soonest there', () => {
    const both = { people: ['Odile', 'Bram'] };
    const ways = (bench: string) => [
      { tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run: 30 },
      { tool: 'U', set: setting({ die: 'A', nest: '1' }), benches: [bench], run: 30 },
    ];
    const of = work([job('a'), job('b', { ...both, means: ways('B2') })], {
      benches: ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null })),
      tools: [tool('T'), tool('U', { bench: 'B2' })],
      people: [early('Odile'), early('Bram')],
    });
    const model = modelOf(of);
    // Both by Odile at the first bench.
    const plan = asPlan(new Layout(model).layOut([0, 1], Int32Array.from([0, 1]), new Int32Array(2), true));
    const moved = movePlan(model, plan, { job: 'b', bench: 'B2', before: null });
    if (!moved.ok) throw new Error(moved.text);
    const place = moved.plan.placed.find((one) => one.job === 'b');
    expect([place?.tool, place?.person, place?.start]).toEqual(['U', 'Bram', 360]);
  });

  it('what a move comes to is a plan the checker passes, whatever is moved where', () => {
    fc.assert(
      fc.property(anyWork(7), fc.nat(6), fc.nat(6), fc.constantFrom('B1', 'B2'), (of, j, k, bench) => {
        const { model, plan } = planOf(of);
        const [moving, before] = [plan.placed[j % Math.max(1, plan.placed.length)], plan.placed[k]];
        if (!moving) return;
        const moved = movePlan(model, plan, {
          job: moving.job,
          bench,
          before: before && before !== moving ? before.job : null,
        });
        if (moved.ok) expect(checkPlan(of, moved.plan)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('What if', () => {
  const two = [job('a', { people: ['Odile', 'Bram'] }), job('b', { means: die('B'), people: ['Odile', 'Bram'] })];
  const shop = work(two, {
    benches: ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null })),
    tools: [tool('T'), tool('U', { bench: 'B2' })],
    people: [early('Odile'), early('Bram')],
  });

  it('a tool fails: what only it makes is left out with the reason, all else stays', () => {
    const { plan } = planOf(whatIf(shop, { what: 'tool-fails', tool: 'T' }));
    expect(plan.left.map(({ code }) => code)).toEqual(['no-tool', 'no-tool']);
  });

  it('somebody is away: nothing is planned for them then, and breaks outside what is left are gone', () => {
    const away = whatIf(shop, { what: 'person-away', person: 'Odile', from: 360, to: 560 });
    expect(away.people[0]?.shifts).toEqual([{ from: 560, to: 840, breaks: [] }]);
    const { plan } = planOf(whatIf(away, { what: 'person-away', person: 'Bram', from: 0, to: 9999 }));
    expect(plan.placed.every(({ person, start }) => person === 'Odile' && start >= 560)).toBeTrue();
  });

  it('a shift is longer, or there is one more', () => {
    expect(whatIf(shop, { what: 'longer', person: 'Odile', minutes: 60 }).people[0]?.shifts[0]?.to).toBe(900);
    const more = whatIf(shop, { what: 'shift', person: 'Odile', from: 800, to: 1200 });
    expect(more.people[0]?.shifts.map(({ from, to }) => [from, to])).toEqual([
      [360, 800],
      [800, 1200],
    ]);
  });

  it('a list like one on the bench comes in: the same jobs under names of their own, in their order, sharing its set-ups', () => {
    const fixed = { bench: 'B1', tool: 'T', person: 'Odile', start: 400 };
    const base = work([job('a', { fixed }), job('b', { after: ['a', 'x'] }), job('x', { list: 'M' })], {
      lists: ['L', 'M'].map((id) => ({ id, label: id, due: null, weight: 2 })),
    });
    const more = whatIf(base, { what: 'list-again', list: 'L', due: 700 });
    expect(more.lists.at(-1)).toEqual({ id: 'again/L', label: 'L once more', due: 700, weight: 6 });
    expect(
      more.jobs.slice(3).map(({ id, list, proof, after, fixed: stays }) => [id, list, proof, after, stays]),
    ).toEqual([
      ['again/a', 'again/L', 'a', [], null],
      ['again/b', 'again/L', 'b', ['again/a'], null],
    ]);
    const { plan } = planOf(more);
    expect(checkPlan(more, plan)).toEqual([]);
    expect(whatIf(base, { what: 'list-again', list: 'gone', due: 1 })).toEqual(base);
  });

  it('a list comes first, or waits; a part comes later, or not at all', () => {
    expect(whatIf(shop, { what: 'list-first', list: 'L', due: 500 }).lists[0]).toEqual({
      id: 'L',
      label: 'List',
      due: 500,
      weight: 5,
    });
    expect(whatIf(shop, { what: 'list-waits', list: 'L' }).jobs).toEqual([]);
    const late = planOf(whatIf(shop, { what: 'part-late', jobs: ['a'], until: 600 })).plan;
    expect(late.placed.find((one) => one.job === 'a')?.start).toBeGreaterThanOrEqual(600);
    const waiting = { ...shop, jobs: shop.jobs.map((one) => ({ ...one, from: 700 })) };
    expect(whatIf(waiting, { what: 'part-late', jobs: ['a'], until: 600 }).jobs[0]?.from).toBe(700);
    expect(whatIf(shop, { what: 'part-late', jobs: ['a'], until: null }).jobs.map(({ id }) => id)).toEqual(['b']);
    expect(whatIf(shop, { what: 'job-out', job: 'b' }).jobs.map(({ id }) => id)).toEqual(['a']);
  });

  it('a job is fixed: it stays at its bench, by its person, not before its time', () => {
    const { plan } = planOf(shop);
    const place = plan.placed.find((one) => one.job === 'b');
    if (!place) throw new Error('b is planned');
    const fixed = planOf(whatIf(shop, { what: 'job-fixed', place: { ...place, start: 600, person: 'Bram' } })).plan;
    const after = fixed.placed.find((one) => one.job === 'b');
    expect([after?.person, (after?.start ?? 0) >= 600]).toEqual(['Bram', true]);
  });
});

describe('Planning again', () => {
  it('repeats a plan on the same work', () => {
    fc.assert(
      fc.property(anyWork(8), (of) => {
        const { model, plan } = planOf(of);
        if (plan.left.length) return;
        const again = planFrom(model, repeat(model, plan.placed));
        expect(differences(plan, again, of, clock)).toEqual([]);
        expect(again.score).toEqual(plan.score);
        expect(checkPlan(of, again)).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it('is never worse for one more of something: what was planned without it can be done all the same', () => {
    fc.assert(
      fc.property(anyWork(7), (of) => {
        const { plan } = planOf(of);
        if (plan.left.length) return;
        const [inspector] = of.quality;
        const more = { ...of, quality: [...of.quality, { ...(inspector ?? early('Q')), id: 'more' }] };
        const model = modelOf(more);
        const after = moveLittle(model, plan.placed, found(model, 20, repeat(model, plan.placed)), 0);
        const cost = ({ score }: typeof plan) => 1e6 * score.lateness + score.changeover + of.endWorth * score.end;
        expect(after.left).toEqual([]);
        expect(cost(after)).toBeLessThanOrEqual(cost(plan) + 1e-6);
        expect(checkPlan(more, after)).toEqual([]);
      }),
      { numRuns: 12 },
    );
  });

  it('keeps where it is what begins within the first hour, and no more', () => {
    const jobs = ['a', 'b', 'c', 'd'].map((id) => job(id, { people: ['Odile'] }));
    const { plan } = planOf(work(jobs));
    // 6:00, 6:30, 7:00, 7:30; planned again at 6:00 with an hour frozen.
    const frozen = freeze(work(jobs), later(plan.placed, 0), 420);
    const fixed = frozen.jobs.filter((one) => one.fixed).map(({ id }) => id);
    expect(fixed.sort()).toEqual(order(plan).slice(0, 2).sort());
    // What is over is held by nobody.
    const over = later(plan.placed, 390);
    expect(
      freeze(work(jobs, { people: [early('Odile', -390)] }), over, 30)
        .jobs.filter((one) => one.fixed)
        .map(({ id }) => id),
    ).toEqual([order(plan)[1] ?? '']);
    // Whoever is gone is not held to it.
    expect(freeze(work(jobs, { people: [early('Bram')] }), plan.placed, 420).jobs.some((one) => one.fixed)).toBeFalse();
  });

  it('keeps it at its bench, with its tool, by its person and at its minute, now where it began before', () => {
    const shop = work([job('a'), job('b')]);
    const { plan } = planOf(shop);
    const [first] = order(plan);
    const held = (of: PlanWork, placed = plan.placed, until = 361) =>
      freeze(of, placed, until).jobs.find(({ id }) => id === first)?.fixed ?? null;
    const fixed = { bench: 'B1', tool: 'T', person: 'Odile', start: 360 };
    expect(held(shop)).toEqual(fixed);
    // A quarter of an hour later it goes on.
    const now = work([job('a'), job('b')], { people: [early('Odile', -375)] });
    expect(held(now, later(plan.placed, 375), 1)).toEqual({ ...fixed, start: 0 });
    // Not from the minute on, nor what is over, nor what was fixed elsewhere, nor without its tool or its person.
    expect(held(shop, plan.placed, 360)).toBeNull();
    expect(held(now, later(plan.placed, 390), 1)).toBeNull();
    expect(held({ ...shop, tools: [] })).toBeNull();
    const others = { ...shop, jobs: shop.jobs.map((one) => ({ ...one, people: ['Bram'] })) };
    expect(held(others)).toBeNull();
    expect(held({ ...shop, people: [early('Bram')] })).toBeNull();
    const elsewhere = { ...fixed, start: 600 };
    expect(held({ ...shop, jobs: shop.jobs.map((one) => ({ ...one, fixed: elsewhere })) })).toEqual(elsewhere);
    // Nor before its person comes in, or after they have gone.
    const shifts = (from: number, to: number) => ({ ...early('Odile'), shifts: [{ from, to, breaks: [] }] });
    expect(held({ ...shop, people: [shifts(361, 840)] })).toBeNull();
    expect(held({ ...shop, people: [shifts(360, 389)] })).toBeNull();
    expect(held({ ...shop, people: [shifts(360, 390)] })).toEqual(fixed);
  });

  it('takes in whoever has come since, where that ends it sooner', () => {
    const jobs = [
      job('a'),
      job('b', { means: [{ tool: 'U', set: setting({ die: 'A', nest: '1' }), benches: ['B2'], run: 30 }] }),
    ];
    const shop = work(jobs, {
      benches: ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null })),
      tools: [tool('T'), tool('U', { bench: 'B2' })],
    });
    const { plan } = planOf(shop);
    const both = shop.jobs.map((one) => ({ ...one, people: ['Odile', 'Bram'] }));
    const model = modelOf({ ...shop, people: [early('Odile'), early('Bram')], jobs: both });
    expect(plan.score.end).toBe(60);
    expect(planFrom(model, repeat(model, plan.placed)).score.end).toBe(30);
  });

  it('never keeps as it stands what somebody who is away now would have to do', () => {
    fc.assert(
      fc.property(anyWork(6), (of) => {
        const { plan } = planOf(of);
        const away = whatIf(of, { what: 'person-away', person: 'P0', from: 0, to: 500 });
        const model = modelOf(away);
        if (model.jobs.length < 1) return;
        expect(checkPlan(away, moveLittle(model, plan.placed, found(model, 20), 1000))).toEqual([]);
      }),
      { numRuns: 30 },
    );
  });

  it('a plan of later minutes is the same plan', () => {
    const { plan } = three();
    const [first] = later(plan.placed, 60);
    expect((plan.placed[0]?.start ?? 0) - (first?.start ?? 0)).toBe(60);
    expect((plan.placed[0]?.end ?? 0) - (first?.end ?? 0)).toBe(60);
  });

  it('says which jobs of the plan given out cannot be made any more, and not those that are made or go on', () => {
    const before = asPlan(byDueDate(modelOf(work(['a', 'b', 'c', 'd'].map((id) => job(id))))));
    const of = (combination: string | null) => (label: string) => ({ label, combination });
    const given = {
      placed: before.placed,
      jobs: { a: of('one')('ring'), b: of('two')('fork'), c: of('one')('pin'), d: of(null)('cut') },
    };
    // 'a' lost its tool; 'c', of the same combination, goes on; 'b' and the cutting are done.
    const told = goneJobs(given, work([job('c')]), [{ combination: 'one' }]);
    expect(told).toEqual([{ job: 'a', what: 'gone', text: 'ring: not in this plan any more.' }]);
  });

  it('moves no job without need: a search that ordered like ones otherwise is taken back', () => {
    const jobs = ['a', 'b', 'c', 'd'].map((id) => job(id));
    const before = asPlan(byDueDate(modelOf(work(jobs))));
    const model = modelOf(work(jobs));
    const other: FoundPlan = {
      ...{ order: Int32Array.from([3, 2, 1, 0]), ways: model.ways.slice(0, -1), people: new Int32Array(4) },
      ...{ cost: new Layout(model).layOut([3, 2, 1, 0], model.ways.slice(0, -1)).cost, changes: 0, isLate: false },
    };
    expect(differences(before, planFrom(model, other), model.work, clock).length).toBeGreaterThan(0);
    expect(differences(before, moveLittle(model, before.placed, other, 2), model.work, clock)).toEqual([]);
  });

  it('never makes anything late for staying where it was, and costs at most its worth a job', () => {
    fc.assert(
      fc.property(anyWork(7), fc.constantFrom(0, 2, 10), (of, worth) => {
        const model = modelOf(of);
        const before = asPlan(byDueDate(model));
        const best = found(model);
        const kept = moveLittle(model, before.placed, best, worth);
        expect(checkPlan(of, kept)).toEqual([]);
        const was = planFrom(model, best);
        expect(kept.left.length).toBeLessThanOrEqual(was.left.length);
        // A job more that finds its place ends later than one that finds none.
        if (kept.left.length < was.left.length) return;
        expect(kept.score.lateness).toBeLessThanOrEqual(was.score.lateness);
        const cost = ({ score }: typeof kept) => 1e6 * score.lateness + score.changeover + of.endWorth * score.end;
        expect(cost(kept)).toBeLessThanOrEqual(cost(was) + worth * 2 * (of.jobs.length + 1) + 1e-6);
      }),
      { numRuns: 40 },
    );
  });

  it('leaves everything where it was for a gain of a minute, and moves what would come late otherwise', () => {
    // Die A stands; A, B, A were made in that order: 12 min, where A, A, B takes 6.
    const jobs = [job('a'), job('b', { means: die('B') }), job('c')];
    const of = work(jobs, { endWorth: 0 });
    const model = modelOf(of);
    const before = asPlan(new Layout(model).layOut([0, 1, 2], model.ways.slice(0, -1)));
    const best = found(model);
    const moves = (worth: number) =>
      differences(before, moveLittle(model, before.placed, best, worth), of, clock).length;
    expect(moves(1)).toBeGreaterThan(0);
    // Two jobs would come behind others for 6 min.
    expect(moves(4)).toBe(0);
    const late = modelOf({ ...of, lists: [{ id: 'L', label: 'List', due: 456, weight: 1 }] });
    expect(moveLittle(late, before.placed, found(late), 100).score.lateness).toBe(0);
  });

  it('says what moved, and calls another minute in the same order no move', () => {
    const { plan, model } = three();
    const shifted = { ...plan, placed: plan.placed.map((one) => ({ ...one, start: one.start + 5, end: one.end + 5 })) };
    expect(differences(plan, shifted, model.work, clock)).toEqual([]);
    const moved = { ...plan, placed: plan.placed.map((one) => (one.job === 'b' ? { ...one, person: 'Bram' } : one)) };
    expect(differences(plan, moved, model.work, clock)).toEqual([
      { job: 'b', what: 'moved', text: 'b: somebody instead of Odile, at 7:00.' },
    ]);
    // What is not made any more is told before all that moved, though it was planned last.
    const fewer = { ...moved, placed: moved.placed.filter(({ job }) => job !== 'c') };
    expect(differences(plan, fewer, model.work, clock).map(({ job, what }) => [job, what])).toEqual([
      ['c', 'gone'],
      ['b', 'moved'],
    ]);
  });
});
