import fc from 'fast-check';
import type { PlanJob, PlanPerson, PlanTool, PlanWork, ToolSetting } from '../plan';

const NOTHING: ToolSetting = { die: null, nest: null, selector: null, positioner: null, grip: null, reel: null };
export const setting = (changes: Partial<ToolSetting> = {}): ToolSetting => ({ ...NOTHING, ...changes });

/** Six to two, with a break of a quarter of an hour at nine. */
export const early = (id: string, day = 0): PlanPerson => ({
  id,
  label: id,
  shifts: [{ from: day + 360, to: day + 840, breaks: [{ from: day + 540, to: day + 555 }] }],
});
export const tool = (id: string, changes: Partial<PlanTool> = {}): PlanTool => ({
  ...{ id, label: id, bench: 'B1', set: setting({ die: 'A', nest: '1' }), proof: null },
  minutes: { frame: 5, die: 6, nest: 0, selector: 1, positioner: 2, grip: 1, reel: 5 },
  ...changes,
});
export const job = (id: string, changes: Partial<PlanJob> = {}): PlanJob => ({
  ...{ id, label: id, list: 'L', people: ['Odile'], strip: null, heat: false, setUp: 0, release: null },
  means: [{ tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run: 30 }],
  ...{ proof: id, isProved: true, after: [], from: 0, fixed: null },
  ...changes,
});
/** One bench, one tool, Odile, and Ines of quality. */
export const work = (jobs: readonly PlanJob[], changes: Partial<PlanWork> = {}): PlanWork => ({
  benches: [{ id: 'B1', label: 'Bench 1', heater: null, stripper: null }],
  tools: [tool('T')],
  people: [early('Odile')],
  quality: [early('Ines')],
  lists: [{ id: 'L', label: 'List', due: null, weight: 1 }],
  ...{ jobs, endWorth: 0.1 },
  ...changes,
});

const upTo = (max: number, min = 0) => fc.integer({ min, max });
/** Any work of a small shop: two benches, three tools of which one is carried, up to three people, so many jobs. */
export const anyWork = (most: number, least = 1): fc.Arbitrary<PlanWork> =>
  fc
    .record({
      people: upTo(3, 1),
      days: upTo(2, 1),
      staggered: fc.boolean(),
      endWorth: fc.constantFrom(0, 0.1, 1),
      dues: fc.array(fc.option(upTo(1500, 400)), { minLength: 3, maxLength: 3 }),
      jobs: fc.array(
        fc.record({
          tool: upTo(2),
          second: fc.boolean(),
          die: fc.constantFrom('A', 'B', 'C'),
          nest: fc.constantFrom('1', '2'),
          selector: fc.option(fc.constantFrom('4', '5')),
          run: upTo(90, 1),
          setUp: upTo(12),
          release: fc.option(upTo(6, 1)),
          isProved: fc.boolean(),
          proof: upTo(4),
          strip: fc.option(fc.record({ notch: fc.constantFrom('2', '3'), stop: fc.constantFrom('6', '7') })),
          heat: fc.boolean(),
          people: upTo(7, 1),
          list: upTo(2),
          after: fc.option(upTo(20), { freq: 3 }),
          from: fc.constantFrom(0, 0, 0, 450),
        }),
        { minLength: least, maxLength: most },
      ),
    })
    .map(({ people, days, staggered, endWorth, dues, jobs }) => {
      const crew = Array.from({ length: people }, (_, p): PlanPerson => {
        const shifts = Array.from({ length: days }, (__, day) => {
          const from = day * 1440 + 360 + (staggered ? 60 * p : 0);
          return { from, to: from + 480, breaks: [{ from: from + 180, to: from + 200 }] };
        });
        return { id: `P${p}`, label: `P${p}`, shifts };
      });
      return {
        benches: [
          {
            ...{ id: 'B1', label: 'B1', heater: null },
            stripper: { set: null, minutes: { notch: 0.5, stop: 1 } },
          },
          {
            ...{ id: 'B2', label: 'B2', heater: { warmUp: 6, coldAfter: 30 } },
            stripper: { set: { notch: '2', stop: '6' }, minutes: { notch: 1, stop: 1 } },
          },
        ],
        tools: [
          tool('T0', { proof: 'S1' }),
          tool('T1', { bench: 'B2' }),
          tool('T2', { set: setting({ selector: '4' }) }),
        ],
        people: crew,
        quality: [{ ...early('Q'), shifts: crew[0]?.shifts ?? [] }],
        lists: dues.map((due, l) => ({ id: `L${l}`, label: `L${l}`, due, weight: l + 1 })),
        jobs: jobs.map((one, j): PlanJob => {
          const set = setting({ die: one.die, nest: one.nest, selector: one.selector });
          const benches = one.heat ? ['B2'] : one.tool === 2 ? ['B1', 'B2'] : [one.tool === 0 ? 'B1' : 'B2'];
          const able = crew.filter((_, p) => one.people & (1 << p)).map(({ id }) => id);
          return {
            ...{ id: `J${j}`, label: `Job ${j}`, list: `L${one.list}`, proof: `S${one.proof}` },
            means: [
              { tool: `T${one.tool}`, set, benches, run: one.run },
              ...(one.second ? [{ tool: 'T1', set, benches: ['B2'], run: one.run + 5 }] : []),
            ].filter(({ tool: own }, m, all) => all.findIndex((other) => other.tool === own) === m),
            people: able.length ? able : ['P0'],
            ...{ strip: one.strip, heat: one.heat, setUp: one.setUp, release: one.release, isProved: one.isProved },
            after: one.after !== null && one.after < j ? [`J${one.after}`] : [],
            ...{ from: one.from, fixed: null },
          };
        }),
        endWorth,
      };
    });
