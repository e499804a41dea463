import fc from 'fast-check';
import {
  asPlan,
  byDueDate,
  checkFloor,
  checkPlan,
  computeSetUp,
  dueSoon,
  EMPTY_FLOOR,
  minuteOf,
  modelOf,
  planShop,
  settingOf,
  shiftsOf,
  shopFloorSchema,
  testingCosts,
  type PlanJob,
  type ShopFloor,
  type ShopSource,
} from '../../index';
import { familyContext } from '../../testing/families';
import { checkAt, NOW } from '../../testing/shop';
import {
  BRAM,
  early,
  floorOf,
  INES,
  listOf,
  NAMES,
  ODILE,
  person,
  source,
  START,
  toMake,
  ZONE,
} from '../../testing/shopFloor';

const shifts = (floor: Partial<ShopFloor>, start = START, days = 2) =>
  shiftsOf(ODILE, floorOf(floor), ZONE, start, days).map(({ from, to }) => [from, to]);

describe('Hours of a shop', () => {
  it('become minutes from the plan’s first, with their breaks', () => {
    expect(shiftsOf(ODILE, floorOf(), ZONE, START, 2)).toEqual([
      { from: 0, to: 510, breaks: [{ from: 180, to: 195 }] },
      { from: 1440, to: 1950, breaks: [{ from: 1620, to: 1635 }] },
    ]);
  });

  it('begin where the plan does, in the middle of a shift', () => {
    // 10:00: four hours and a half are left, and no break.
    expect(shiftsOf(ODILE, floorOf(), ZONE, '2026-11-25T09:00:00.000Z', 1)).toEqual([{ from: 0, to: 270, breaks: [] }]);
  });

  it('cross midnight: the night shift of the day before still goes on', () => {
    const night = [{ person: ODILE, ...early, from: '22:00', to: '06:00', breaks: [{ from: '02:00', to: '02:30' }] }];
    // At 01:00 on Wednesday: five hours of Tuesday's, then Wednesday's from 22:00.
    const all = shiftsOf(ODILE, floorOf({ hours: night }), ZONE, '2026-11-25T00:00:00.000Z', 1);
    expect(all).toEqual([
      { from: 0, to: 300, breaks: [{ from: 60, to: 90 }] },
      { from: 1260, to: 1740, breaks: [{ from: 1500, to: 1530 }] },
    ]);
  });

  it('are an hour shorter or longer in the night the clocks are changed', () => {
    const night = [{ person: ODILE, days: [6], from: '22:00', to: '06:00', breaks: [] }];
    // Saturday 28 March 2026, 20:00: on Sunday 2:00 becomes 3:00. 24 October: 3:00 becomes 2:00 again.
    expect(shifts({ hours: night }, '2026-03-28T19:00:00.000Z', 1)).toEqual([[120, 120 + 7 * 60]]);
    expect(shifts({ hours: night }, '2026-10-24T18:00:00.000Z', 1)).toEqual([[120, 120 + 9 * 60]]);
  });

  it('leave out closed days, absences of an hour or a day, and take in single days', () => {
    expect(shifts({ closed: [{ day: '2026-11-25', why: 'stocktaking' }] })).toEqual([[1440, 1950]]);
    expect(
      shifts({ away: [{ person: ODILE, from: '2026-11-25T08:00', to: '2026-11-25T10:00', why: '' }] }, START, 1),
    ).toEqual([
      [0, 120],
      [240, 510],
    ]);
    expect(
      shifts({ away: [{ person: BRAM, from: '2026-11-25T00:00', to: '2026-11-26T00:00', why: '' }] }, START, 1),
    ).toEqual([[0, 510]]);
    // A Saturday; and an hour behind a shift is the same shift.
    const extra = [{ person: ODILE, day: '2026-11-25', from: '14:00', to: '16:00', breaks: [] }];
    expect(shifts({ extra }, START, 1)).toEqual([[0, 600]]);
  });

  it('of a clock that leaves a time out begin as much later', () => {
    // 02:30 on 29 March 2026 is 03:30.
    expect(minuteOf('2026-03-29T02:30', ZONE, '2026-03-28T23:00:00.000Z')).toBe(150);
  });
});

describe('What cannot be meant of a floor', () => {
  const faults = (changes: Partial<ShopFloor>) =>
    checkFloor(floorOf(changes), NAMES, new Set(['ST-4'])).map(({ text }) => text);

  it('is nothing where all is well', () => {
    expect(faults({})).toEqual([]);
  });

  it('is told in a sentence each, with what to do', () => {
    const own = (hours: object) => ({ person: ODILE, ...early, ...hours });
    expect(faults({ hours: [own({}), own({ from: '14:00', to: '20:00', days: [3], breaks: [] })] })).toEqual([
      'Odile has two shifts over each other on Wednesday: 06:00–14:30 and 14:00–20:00. Shorten one.',
    ]);
    // From Sunday's night into Monday's morning.
    const round = [own({ days: [7], from: '22:00', to: '07:00', breaks: [] }), own({ days: [1] })];
    expect(faults({ hours: round }).length).toBe(1);
    expect(faults({ hours: [own({ to: '06:00', breaks: [] })] })[0]).toContain('has no length');
    expect(faults({ hours: [own({ breaks: [{ from: '15:00', to: '15:15' }] })] })[0]).toContain(
      'is not within 06:00–14:30',
    );
    expect(faults({ hours: [own({ breaks: [{ from: '09:15', to: '09:00' }] })] })[0]).toContain('is not within');
    expect(faults({ hours: [own({ person: '00000000-0000-4000-8000-00000000000f' })] })[0]).toContain(
      'nobody with an account',
    );
    expect(faults({ away: [{ person: ODILE, from: '2026-11-26T10:00', to: '2026-11-26T10:00', why: '' }] })).toEqual([
      'Odile: the absence ends before it begins.',
    ]);
    const [bench] = floorOf().benches;
    if (!bench) throw new Error('a bench');
    expect(faults({ benches: [bench, { ...bench, label: 'Other' }] })).toEqual([
      'Two benches are called B1: give one of them another name.',
      'bench 1 is named for two benches: take it from Other or from the other.',
    ]);
    expect(faults({ benches: [{ ...bench, stripper: 'ST-99' }] })).toEqual([
      'Bench 1: the cabinet has no stripper ST-99.',
    ]);
    expect(faults({ closed: ['a', 'b'].map((why) => ({ day: '2026-12-24', why })) })[0]).toContain('twice');
  });

  it('times are written as the clock shows them', () => {
    expect(
      shopFloorSchema.safeParse({ benches: [], hours: [{ person: ODILE, ...early, from: '6:00' }] }).success,
    ).toBeFalse();
    expect(
      shopFloorSchema.safeParse({ benches: [], hours: [{ person: ODILE, ...early, from: '24:00' }] }).success,
    ).toBeFalse();
    expect(shopFloorSchema.parse({ benches: [], hours: [] }).dueBy).toBe('15:00');
  });
});

const jobsOf = (changes: Partial<ShopSource>): readonly PlanJob[] => planShop(source(changes)).work.jobs;

describe('From combinations to jobs', () => {
  it('a job has its pieces, checks, samples and release in minutes, and is due with its list', () => {
    const { work, about, cannot } = planShop(source());
    expect(cannot).toEqual([]);
    const [job] = work.jobs;
    // 40 and 2 in 100 again at 22 s are 14.96 min, with two pulls of 1.5: 18. Five samples of 1.5 min: 8.
    expect([job?.means[0]?.run, job?.setUp, job?.release]).toEqual([18, 8, 4]);
    expect(job?.people).toEqual([ODILE]);
    // 15:00 of that day.
    expect(work.lists[0]?.due).toBe(540);
    expect(about[0]).toEqual(
      jasmine.objectContaining({ pieces: 40, samples: 5, checks: 2, rework: 1, part: 1, parts: 1 }),
    );
    expect(work.tools[0]?.minutes.frame).toBe(0.5);
  });

  it('times that were learned go before those of the shop', () => {
    const [job] = jobsOf({
      timeOf: () => ({ seconds: 60, pieces: 300 }),
      stepTime: (step) => (step === 'set-up' ? 21 : null),
    });
    // 40.8 min and two checks of 1.5.
    expect([job?.means[0]?.run, job?.setUp]).toEqual([44, 21]);
    // Checks that take four.
    const [slow] = jobsOf({
      timeOf: () => ({ seconds: 60, pieces: 300 }),
      stepTime: (step, family, means) =>
        step === 'check' && family === 'bare-terminal' && means === 'hand' ? 4 : null,
    });
    expect([slow?.means[0]?.run, slow?.setUp]).toEqual([49, 8]);
  });

  it('a check takes what it takes with the tool it is made with', () => {
    const own = toMake('bare-terminal');
    const [candidate] = own.setUp.toolChoice.candidates;
    if (!candidate) throw new Error('a tool');
    const other = { ...candidate.tool, part: 'HT-B', label: 'Powered tool HT-B', kind: 'hydraulic' as const };
    const candidates = [candidate, { ...candidate, tool: other }];
    const setUp = { ...own.setUp, toolChoice: { ...own.setUp.toolChoice, candidates } };
    const [job] = jobsOf({
      ...{ tools: [candidate.tool, other], toMake: [{ ...own, setUp }] },
      timeOf: () => ({ seconds: 60, pieces: 300 }),
      stepTime: (step, _, means) => (step === 'set-up' ? null : means === 'powered' ? 10 : 1),
    });
    // 40.8 min of pieces, and two checks of one or of ten minutes.
    expect(job?.means.map(({ tool, run }) => [tool, run])).toEqual([
      [candidate.tool.part, 43],
      ['HT-B', 61],
    ]);
  });

  it('what is more than a lot takes is made in several jobs that go on with the same set-up', () => {
    const jobs = jobsOf({ toMake: [toMake('bare-terminal', { pieces: 1000 })] });
    // 377 min of pieces and pulls in parts of 180 at most.
    expect(jobs.length).toBe(3);
    // Counted down, so that those that are left keep their names.
    expect(jobs.map(({ id }) => id.split('/')[1])).toEqual(['2', '1', '0']);
    expect(new Set(jobs.map(({ proof }) => proof)).size).toBe(1);
    expect(Math.max(...jobs.map(({ means }) => means[0]?.run ?? 0))).toBeLessThanOrEqual(180);
  });

  it('a release that holds needs no samples, and only the tool it stands on', () => {
    const own = toMake('bare-terminal');
    const [candidate] = own.setUp.toolChoice.candidates;
    if (!candidate) throw new Error('a tool');
    const released = {
      ...{ tool: candidate.tool.part, die: candidate.die.id, nest: candidate.nest.id, setting: null, positioner: null },
      ...{
        limit: { document: 'D', revision: 'A', class: 'c' },
        revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
      },
    };
    const other = { ...candidate.tool, part: 'HT-B', label: 'Hand tool HT-B' };
    const two = familyContext('bare-terminal', {
      tools: [candidate.tool, other],
      checks: [candidate.tool, other].map(({ part }) => ({ ...checkAt(NOW), tool: part })),
    });
    const both = toMake('bare-terminal', { setUp: computeSetUp(two, [], NOW) });
    expect(jobsOf({ tools: two.tools, toMake: [both] })[0]?.means.length).toBe(2);
    expect(jobsOf({ tools: two.tools, toMake: [{ ...both, released }] })[0]?.means.map(({ tool }) => tool)).toEqual([
      candidate.tool.part,
    ]);
    const plan = planShop(source({ toMake: [{ ...own, released }] }));
    // How the tool stands nobody knows: it is set once more, and its samples are made.
    expect([plan.work.jobs[0]?.isProved, plan.about[0]?.samples]).toEqual([true, 5]);
  });

  it('a tool that stands as it was set goes on where it is: nothing is changed, and what was proved is not made again', () => {
    const own = toMake('bare-terminal');
    const [candidate] = own.setUp.toolChoice.candidates;
    if (!candidate) throw new Error('a tool');
    const stands = {
      ...{ tool: candidate.tool.part, set: settingOf(candidate, own.terminal) },
      ...{ combination: own.combination, isProved: true },
    };
    const first = (changes: Partial<ShopSource>) => {
      const { work, about, notes } = planShop(source(changes));
      const plan = asPlan(byDueDate(modelOf(work)));
      expect(checkPlan(work, plan)).toEqual([]);
      const [placed] = plan.placed;
      if (!placed) throw new Error('a job');
      return { ...placed, samples: about[0]?.samples, notes: notes.map(({ text }) => text) };
    };
    // The die is changed first, six minutes, and five samples of 1.5 min are made and released.
    const fresh = first({});
    expect([fresh.setUpEnd - fresh.start, fresh.release?.by, fresh.samples]).toEqual([fresh.changeover + 8, INES, 5]);
    // Ines needs four minutes for its release from six on.
    const waits = first({ standing: [stands] });
    expect([waits.start, waits.setUpEnd, waits.changeover, waits.release, waits.samples]).toEqual([4, 4, 0, null, 0]);
    expect(waits.notes.join()).toContain('is proved, and waits for its release');
    // Samples were begun and are not good yet: they are made, with the tool as it stands.
    const begun = first({ standing: [{ ...stands, isProved: false }] });
    expect([begun.setUpEnd - begun.start, begun.changeover, begun.samples]).toEqual([8, 0, 5]);
    // Set for something else since: it says nothing of this one.
    const other = first({ standing: [{ ...stands, combination: 'other', set: { ...stands.set, die: 'other' } }] });
    expect([other.release?.by, other.samples]).toEqual([INES, 5]);
  });

  it('heat goes to a bench that has it; without one that is said', () => {
    expect(jobsOf({ toMake: [toMake('sealed-sleeve-terminal')] })[0]?.means[0]?.benches).toEqual(['B2']);
    const cold = floorOf({ benches: floorOf().benches.slice(0, 1) });
    const { cannot, work } = planShop(
      source({ floor: cold, toMake: [toMake('sealed-sleeve-terminal'), toMake('bare-terminal')] }),
    );
    expect(cannot.map(({ code }) => code)).toEqual(['no-bench']);
    expect(cannot[0]?.text).toContain('a heater');
    expect(work.jobs.length).toBe(1);
  });

  it('what nobody is qualified for, no tool makes or is on hold is left out with the reason, and the rest is planned', () => {
    const lapsed = person(ODILE, 'Odile', { qualifiedUntil: '2026-11-24' });
    const { work } = planShop(source({ people: [lapsed] }));
    expect(modelOf(work).left.map(({ code }) => code)).toEqual(['nobody']);
    const held = toMake('bare-terminal', { combination: 'h', held: 'its lot L-2 is on hold: clear it first.' });
    const context = familyContext('bare-terminal', { tools: [] });
    const bare = toMake('bare-terminal', { combination: 'n', setUp: computeSetUp(context, [], NOW) });
    const plan = planShop(source({ toMake: [held, bare, toMake('bare-terminal')] }));
    expect(plan.cannot.map(({ code, combination }) => [combination, code])).toEqual([
      ['h', 'held'],
      ['n', 'no-tool'],
    ]);
    expect(plan.cannot[0]?.text).toContain('on hold');
    expect(plan.work.jobs.length).toBe(1);
  });

  it('of what the drawer has not enough for, as many as there is enough for; the rest when it comes, or never', () => {
    const have = (amount: number, expected: { arrives: string; amount: number }[] = []) =>
      planShop(source({ supplyOf: () => ({ have: amount, expected }) }));
    // 40 need one more for rework, five samples and two pulls: 48.
    expect(have(48).work.jobs.length).toBe(1);
    expect(have(48).cannot).toEqual([]);
    const short = have(30);
    expect(short.about.map(({ pieces }) => pieces)).toEqual([22]);
    expect(short.cannot[0]?.text).toContain('18 of 40 cannot be made: 18 of');
    const comes = have(30, [{ arrives: '2026-11-26T10:00', amount: 100 }]);
    expect(comes.about.map(({ pieces }) => pieces)).toEqual([22, 18]);
    expect(comes.work.jobs.map(({ from }) => from)).toEqual([0, 1680]);
    expect(comes.notes[0]?.text).toContain('18 wait for');
    // Samples are made once: 18, two pulls and one again.
    expect(have(30, [{ arrives: '2026-11-26T10:00', amount: 21 }]).about.map(({ pieces }) => pieces)).toEqual([22, 18]);
    expect(have(0).work.jobs).toEqual([]);
  });

  it('of what the drawer has not enough for, none is left out that there is enough for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 0, max: 320 }), (pieces, have) => {
        const { about } = planShop(
          source({ toMake: [toMake('bare-terminal', { pieces })], supplyOf: () => ({ have, expected: [] }) }),
        );
        const made = about.reduce((sum, one) => sum + one.pieces, 0);
        // 2 in 100 again, five samples, two pulls, or one of a single piece.
        const needs = (count: number) => (count ? Math.ceil(1.02 * count) + 5 + Math.min(2, count) : 0);
        expect(needs(made)).toBeLessThanOrEqual(have);
        if (made < pieces) expect(needs(made + 1)).toBeGreaterThan(have);
      }),
      { numRuns: 60 },
    );
  });

  it('the drawer is shared: what is due first takes from it first', () => {
    const lists = [listOf({ name: 'Later', due: '2026-11-27' }), listOf()];
    const later = toMake('bare-terminal', { combination: 'later', list: 'Later' });
    const plan = planShop(
      source({ lists, toMake: [later, toMake('bare-terminal')], supplyOf: () => ({ have: 50, expected: [] }) }),
    );
    const coming = { have: 0, expected: [{ arrives: '2026-11-26T10:00', amount: 50 }] };
    const other = planShop(source({ lists, toMake: [later, toMake('bare-terminal')], supplyOf: () => coming }));
    expect(other.about.map(({ list }) => list)).toEqual(['Loom']);
    expect(plan.about.map(({ list }) => list)).toEqual(['Loom']);
    expect(plan.cannot.map(({ combination }) => combination)).toEqual(['later']);
  });

  it('what should have come on a day before is not planned on; what comes today may come at any hour', () => {
    const of = (arrives: string) => {
      const { work, cannot } = planShop(source({ supplyOf: () => ({ have: 0, expected: [{ arrives, amount: 50 }] }) }));
      return [work.jobs.map(({ from }) => from), cannot.map(({ code }) => code)];
    };
    // It is Wednesday, 06:00.
    expect(of('2026-11-24T10:00')).toEqual([[], ['no-stock']]);
    expect(of('2026-11-25T05:00')).toEqual([[0], []]);
    expect(of('2026-11-25T10:00')).toEqual([[240], []]);
  });

  it('wires are cut first, one end comes before the other, and contacts go into their connector last', () => {
    const two = [toMake('bare-terminal'), toMake('insulated-terminal')];
    const order = [{ first: 'bare-terminal', then: 'insulated-terminal', why: 'a boot' }];
    const connectors = [{ name: 'X1', contacts: 40, combinations: ['insulated-terminal'] }];
    const lists = [listOf({ isCut: false, order, connectors })];
    const { work } = planShop(source({ toMake: two, lists }));
    const after = Object.fromEntries(work.jobs.map(({ id, after: all }) => [id, all]));
    expect(after).toEqual({
      'bare-terminal/0': ['cut/Loom'],
      'insulated-terminal/0': ['cut/Loom', 'bare-terminal/0'],
      'cut/Loom': [],
      'insert/Loom/X1': ['insulated-terminal/0'],
    });
    const plan = asPlan(byDueDate(modelOf(work)));
    expect(checkPlan(work, plan)).toEqual([]);
    expect(plan.placed.length).toBe(4);
  });

  it('two wires that want opposite orders of the same ends are no circle: it is said, and settled at the bench', () => {
    const both = [
      { first: 'bare-terminal', then: 'insulated-terminal', why: 'a boot' },
      { first: 'insulated-terminal', then: 'bare-terminal', why: 'a joint' },
    ];
    const plan = planShop(
      source({ toMake: [toMake('bare-terminal'), toMake('insulated-terminal')], lists: [listOf({ order: both })] }),
    );
    expect(modelOf(plan.work).left).toEqual([]);
    expect(plan.notes.length).toBe(2);
  });

  it('one person who does everything releases in the same minutes', () => {
    const [job] = jobsOf({ people: [person(ODILE, 'Odile', { releases: true })] });
    expect([job?.setUp, job?.release]).toEqual([12, null]);
  });

  it('an empty shop has an empty plan', () => {
    const { work, cannot } = planShop(source({ floor: EMPTY_FLOOR, people: [], tools: [], lists: [], toMake: [] }));
    expect([work.jobs, cannot]).toEqual([[], []]);
    // No bench: said for each.
    expect(planShop(source({ floor: EMPTY_FLOOR })).cannot.map(({ code }) => code)).toEqual(['no-bench']);
  });
});

describe('What ends inside a plan', () => {
  const clock = (minute: number) => `minute ${minute}`;
  it('is told with the jobs it would stop, and not when it stops none', () => {
    const base = source();
    const soon = (changes: Partial<ShopSource>) => {
      const { work, about, ends } = planShop({ ...base, ...changes });
      return dueSoon(asPlan(byDueDate(modelOf(work))), about, ends, clock);
    };
    const [tool] = base.tools;
    if (!tool) throw new Error('a tool');
    const is = (what: string, changes: Partial<ShopSource>) => soon(changes).filter((one) => one.what === what);
    expect(is('calibration', {})).toEqual([]);
    expect(is('calibration', { tools: [{ ...tool, calibrationUntil: '2026-11-24' }] })[0]?.jobs.length).toBe(1);
    // 40, 5 samples, 2 that are pulled and one again.
    expect(is('cycles', { tools: [{ ...tool, cycles: tool.cycleLimit - 48 }] })).toEqual([]);
    expect(is('cycles', { tools: [{ ...tool, cycles: tool.cycleLimit - 47 }] })[0]?.text).toContain(
      '47 cycles are left, and the plan needs 48',
    );
    const until = (day: string) => [person(ODILE, 'Odile', { qualifiedUntil: day })];
    expect(is('qualification', { people: until('2026-11-25') })).toEqual([]);
    const tomorrow = floorOf({ away: [{ person: ODILE, from: '2026-11-25T00:00', to: '2026-11-26T00:00', why: '' }] });
    expect(is('qualification', { people: until('2026-11-25'), floor: tomorrow })[0]?.text).toContain(
      'Odile: qualified until minute 1080',
    );
  });
});

describe('What testing costs', () => {
  const lot = { pieces: 240, samples: 5, wireLength: 480, sampleLength: 150, checkMinutes: 1.5 };
  it('goes from every piece to first and last: fewer destroyed, more passes that should not', () => {
    const curve = testingCosts(lot, 0.05);
    expect(curve[0]).toEqual({
      everyPieces: 1,
      pulls: 240,
      destroyed: 245,
      wire: 240 * 480 + 750,
      minutes: 367.5,
      passes: 0,
      inDoubt: 1,
    });
    const last = curve.at(-1);
    expect([last?.everyPieces, last?.pulls, last?.destroyed, last?.inDoubt]).toEqual([null, 2, 7, 239]);
    // None of 12 bad in two pulls: 228/240 x 227/239.
    expect(last?.passes).toBeCloseTo((228 / 240) * (227 / 239), 12);
    for (let i = 1; i < curve.length; i++) {
      expect(curve[i]?.destroyed ?? 0).toBeLessThanOrEqual(curve[i - 1]?.destroyed ?? 0);
      expect(curve[i]?.passes ?? 0).toBeGreaterThanOrEqual(curve[i - 1]?.passes ?? 0);
    }
    expect(testingCosts({ ...lot, pieces: 1 }, 0.05).length).toBe(1);
  });
});
