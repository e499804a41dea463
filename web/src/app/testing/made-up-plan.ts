import type { GivenPlan, PlanDay } from '@tug-mark/contract';
import { EMPTY_FLOOR, type JobAbout, type PlanJob, type PlanWork } from '@tug-mark/core';
import { early, job, setting, tool } from '../../../../core/src/testing/planWork';

/** 06:00 in the shop of the tests, which counts its days in UTC. */
export const PLAN_START = '2026-11-26T06:00:00.000Z';
export const COMBINATION = '00000000-0000-4000-8000-0000000000a1';

const people = [early('Odile', -360)];
const shift = (id: string) => ({ id, label: id, shifts: [{ from: 0, to: 480, breaks: [{ from: 180, to: 195 }] }] });

export const planJobs: readonly PlanJob[] = [
  job(`${COMBINATION}/0`, { label: 'ring M4 · 48', list: 'Chassis' }),
  job('b/0', {
    ...{ label: 'contact 1.5 · 30', list: 'Mast' },
    means: [{ tool: 'T', set: setting({ die: 'B', nest: '1' }), benches: ['B1', 'B2'], run: 30 }],
  }),
  job('cut/Chassis', {
    ...{ label: 'cut Chassis · 48', list: 'Chassis' },
    means: [{ tool: null, set: null, benches: ['B1', 'B2'], run: 10 }],
  }),
];

const about = (one: PlanJob): JobAbout => ({
  ...{
    job: one.id,
    does: one.id.startsWith('cut') ? 'cut' : 'crimp',
    list: one.list,
    label: one.label.split(' · ')[0] ?? '',
  },
  combination: one.id.startsWith(COMBINATION) ? COMBINATION : null,
  ...{ terminal: 'R-1', wire: 'W-1', wireLabel: '0.75 mm²', family: 'bare-terminal', slidOn: [], strokes: 1 },
  ...{ pieces: 48, part: 1, parts: 1, samples: 5, checks: 2, rework: 1, seconds: 22, learnedFrom: 0 },
});

/** A small day: two benches, one tool, Odile, and Ines of quality. */
export function planDay(changes: Partial<PlanDay> = {}, work: Partial<PlanWork> = {}): PlanDay {
  return {
    ...{ start: PLAN_START, zone: 'UTC', days: 5 },
    floor: { revision: 1, by: 'Marek', at: PLAN_START, floor: EMPTY_FLOOR },
    work: {
      benches: ['B1', 'B2'].map((id) => ({ id, label: `Bench ${id.slice(1)}`, heater: null, stripper: null })),
      tools: [tool('T')],
      people: people.map(({ id }) => shift(id)),
      quality: [shift('Ines')],
      lists: [
        { id: 'Chassis', label: 'Chassis', due: 400, weight: 1 },
        { id: 'Mast', label: 'Mast', due: null, weight: 1 },
      ],
      ...{ jobs: planJobs, endWorth: 0.1 },
      ...work,
    },
    about: planJobs.map(about),
    ends: { tools: [], people: [], limits: [] },
    ...{ cannot: [], notes: [], wires: [], stock: [], learned: { pieces: [], steps: [] }, given: null, happened: [] },
    ...changes,
  };
}

/** A plan given out of that day: cut, then the rings, then the contacts behind a change of die. */
export function givenPlan(changes: Partial<GivenPlan> = {}): GivenPlan {
  const at = (id: string, start: number, end: number, toolOf: string | null, more: object = {}) => ({
    ...{ job: id, bench: 'B1', tool: toolOf, person: 'Odile', start, changes: [], changeover: 0 },
    ...{ setUpEnd: start, release: null, runStart: start, end },
    ...more,
  });
  const told = ({ id, label, list, means }: PlanJob) => [
    id,
    {
      ...{ label, list, wire: '0.75 mm²', pieces: 48, samples: 5, strip: null },
      ...{ combination: id.startsWith(COMBINATION) ? COMBINATION : null, set: means[0]?.set ?? null },
    },
  ];
  return {
    ...{ revision: 3, start: PLAN_START, by: 'Marek', at: PLAN_START, note: '', base: 2, moved: [], made: {} },
    placed: [
      at('cut/Chassis', 0, 10, null),
      at(`${COMBINATION}/0`, 10, 40, 'T'),
      at('b/0', 40, 76, 'T', { changes: [{ part: 'die', minutes: 6 }], changeover: 6, setUpEnd: 46, runStart: 46 }),
    ],
    jobs: Object.fromEntries(planJobs.map(told)),
    names: { B1: 'Bench 1', B2: 'Bench 2', Odile: 'Odile', Ines: 'Ines' },
    score: { lateness: 0, lateLists: [], changeover: 6, end: 76 },
    ...changes,
  };
}
