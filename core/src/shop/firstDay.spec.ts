import { PLAIN_SHEET } from '../look';
import { STARTER_RULES, type Practice } from '../practice';
import { bareRing, limitTable, stripper, tool, wire075 } from '../testing/shop';
import { FIRST_STEPS, firstDay, type FirstStepCode, type ShopStock } from './index';

const account = (...roles: string[]) => ({ roles, qualifiedUntil: null, qualifications: null });
const EMPTY: ShopStock = {
  ...{ practices: [], wires: [], terminals: [], tools: [], checks: [], strippers: [], limits: [], looks: [] },
  ...{ people: [account('engineer')], lists: 0, today: '2026-11-27', grades: [] },
};
const house: Practice = {
  ...STARTER_RULES,
  ...{ part: 'house', label: 'House rules', customer: null, class: null, base: null, own: [] },
};
const check = {
  ...{ tool: tool.part, die: null, nest: null, at: '2026-11-27T06:00:00.000Z', goPassed: true, noGoStopped: true },
  ...{ by: 'Odile', setting: null, cycles: null },
};
const limits = {
  ...limitTable,
  rows: [
    {
      size: { scale: 'mm2' as const, value: 0.75 },
      families: [],
      material: null,
      force: 85,
      percent: null,
      hold: null,
    },
  ],
};
const FULL: ShopStock = {
  ...{ practices: [house], wires: [wire075], terminals: [bareRing], tools: [tool], checks: [check] },
  ...{ strippers: [stripper], limits: [limits], looks: [{ ...PLAIN_SHEET, document: 'LK-1' }] },
  ...{ people: [account('engineer'), account('technician'), account('quality')], lists: 2 },
  ...{ today: '2026-11-27', grades: [] },
};
const step = (stock: ShopStock, code: FirstStepCode) => firstDay(stock).steps.find((each) => each.code === code);

describe('The first day of a shop', () => {
  it('goes from the rules to the list, each step saying what it is for and what it costs to go on without', () => {
    const { steps, next, lacks } = firstDay(EMPTY);
    expect(steps.map(({ code }) => code)).toEqual([...FIRST_STEPS]);
    expect(next).toBe('rules');
    expect(steps.every(({ state, said }) => state === 'open' && said !== '')).toBeTrue();
    expect(step(EMPTY, 'limits')?.without).toBe('Pulls are recorded, not judged.');
    // Nothing goes on without a wire.
    expect(step(EMPTY, 'wire')?.without).toBeNull();
    expect(lacks).toEqual([]);
  });

  it('says what is there, and which comes next', () => {
    const stock = { ...EMPTY, practices: [house], wires: [wire075, { ...wire075, part: 'W-2' }] };
    expect(step(stock, 'rules')?.said).toBe('house');
    expect(step(stock, 'wire')?.said).toBe('W-075 and 1 more');
    expect(firstDay(stock).next).toBe('terminal');
  });

  it('is over when all is there, and begins again where something is taken away', () => {
    expect(firstDay(FULL).next).toBeNull();
    expect(firstDay({ ...FULL, looks: [] }).next).toBe('points');
  });

  it('tells what is begun and not of use yet, with what is missing', () => {
    const begun = (changes: Partial<ShopStock>, code: FirstStepCode) => {
      const found = step({ ...FULL, ...changes }, code);
      expect(found?.state).withContext(code).toBe('begun');
      return found?.said;
    };
    const draft = { ...limits, status: 'draft' as const };
    // What waits for quality keeps nobody from the next step.
    expect(firstDay({ ...FULL, limits: [draft], lists: 0 }).next).toBe('list');
    expect(firstDay({ ...FULL, limits: [draft] }).next).toBe('limits');
    expect(begun({ limits: [draft] }, 'limits')).toContain('the draft waits for quality to release it');
    expect(begun({ people: [account('engineer', 'technician')] }, 'people')).toContain('nobody is quality yet');
    expect(begun({ terminals: [{ ...bareRing, part: 'OTHER' }] }, 'tool')).toContain('no nest lists a terminal');
    const thick = { ...wire075.conductor, size: { scale: 'mm2' as const, value: 50 }, strands: 1600 };
    expect(begun({ wires: [{ ...wire075, conductor: thick }] }, 'terminal')).toContain('none of them takes a wire');
  });

  it('is done by one person of every role, and by several who share them', () => {
    expect(step({ ...FULL, people: [account('engineer', 'technician', 'quality')] }, 'people')?.state).toBe('done');
    expect(step({ ...FULL, people: [account('engineer')] }, 'people')?.state).toBe('open');
  });

  it('afterwards tells families nobody is qualified for, and grades without a released table', () => {
    const odile = { ...account('technician'), qualifiedUntil: '2026-11-26' };
    const lapsed = firstDay({ ...FULL, people: [odile, account('engineer'), { ...odile, roles: ['quality'] }] });
    expect(lapsed.lacks).toEqual(['bare terminal: nobody is qualified for it, so nothing of it can be put on record.']);
    // An engineer without an end to a qualification records nothing.
    const held = { ...odile, qualifiedUntil: '2026-11-27' };
    expect(firstDay({ ...FULL, people: [odile, { ...held, roles: ['quality'] }] }).lacks).toEqual([]);
    expect(firstDay({ ...FULL, grades: [limits.class, 'high'] }).lacks).toEqual([
      'high: no limit table of this grade is released: its pulls are recorded, not judged.',
    ]);
  });

  it('afterwards tells what the shop still lacks, three by name', () => {
    expect(firstDay(FULL).lacks).toEqual([]);
    const tools = [tool, ...['T1', 'T2', 'T3', 'T4'].map((part) => ({ ...tool, part }))];
    expect(firstDay({ ...FULL, tools }).lacks).toEqual([
      'T1, T2, T3 and 1 more: never checked, so nothing can be made with it.',
    ]);
    const wet = { ...wire075, part: 'W-PTFE', insulation: 'PTFE' };
    expect(firstDay({ ...FULL, wires: [wire075, wet] }).lacks[0]).toContain('W-PTFE: no stripper of the shop');
    const lone = { ...bareRing, part: 'R-9' };
    expect(firstDay({ ...FULL, terminals: [bareRing, lone] }).lacks).toEqual(['R-9: no nest of a tool lists it.']);
    const big = { ...wire075.conductor, size: { scale: 'mm2' as const, value: 1.5 } };
    const lacks = firstDay({ ...FULL, wires: [wire075, { ...wire075, part: 'W-150', conductor: big }] }).lacks;
    expect(lacks.some((text) => text.startsWith('1.5 mm²: no row of a released limit table'))).toBeTrue();
  });
});
