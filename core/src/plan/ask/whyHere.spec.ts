import { early, job, setting, tool, work } from '../../testing/planWork';
import { asPlan } from '../asPlan';
import { Layout } from '../Layout';
import { modelOf } from '../model';
import type { PlanJob, PlanWork } from '../PlanWork';
import { whyHere } from './whyHere';

const clock = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
const benches = ['1', '2'].map((n) => ({ id: `B${n}`, label: `Bench ${n}`, heater: null, stripper: null }));
const at = (id: string, bench: string, changes: Partial<PlanJob> = {}, own: string | null = 'T') =>
  job(id, {
    means: [{ tool: own, set: own === null ? null : setting({ die: 'A', nest: '1' }), benches: [bench], run: 30 }],
    people: ['Odile', 'Bram'],
    ...changes,
  });
/** Why the last of some jobs lies where it lies, each put in its order. */
const why = (jobs: readonly PlanJob[], changes: Partial<PlanWork> = {}) => {
  const tools = [tool('T'), tool('U', { bench: 'B2' })].map((one) => ({
    ...one,
    minutes: { ...one.minutes, frame: 0 },
  }));
  const people = [early('Odile'), early('Bram')].map((one) => ({ ...one, label: `${one.id} B.` }));
  const model = modelOf(work(jobs, { benches, tools, people, ...changes }));
  const plan = asPlan(new Layout(model).layOut([...model.jobs.keys()], model.ways.slice(0, -1)));
  return whyHere(model, plan, jobs.at(-1)?.id ?? '', clock);
};

describe('What holds a job back', () => {
  it('is its bench, while somebody else works there', () => {
    expect(why([at('a', 'B1'), at('b', 'B1', {}, null)])?.waits).toBe('Not sooner: Bench 1 is taken by a until 6:30.');
  });

  it('is its tool, where that is used at another bench', () => {
    expect(why([at('a', 'B1'), at('b', 'B2')])?.waits).toBe('Not sooner: T is used for a until 6:30.');
  });

  it('is its person, busy elsewhere', () => {
    const odile = { people: ['Odile'] };
    expect(why([at('a', 'B1', odile), at('b', 'B2', odile, 'U')])?.waits).toBe(
      'Not sooner: Odile B. is busy with a until 6:30.',
    );
  });

  it('is what it waits for, the last of it', () => {
    const jobs = [at('a', 'B1'), at('c', 'B2', {}, 'U'), at('b', 'B2', { after: ['c', 'a'] }, null)];
    // Bench and forerunner end at the same minute; the longer one is a.
    expect(
      why([at('a', 'B1', { means: [{ tool: null, set: null, benches: ['B1'], run: 40 }] }), ...jobs.slice(1)])?.waits,
    ).toBe('Not sooner: it waits for a, ready at 6:40.');
  });

  it('is what it takes, until that has come', () => {
    expect(why([at('a', 'B1', { from: 500 })])?.waits).toBe(
      'Not sooner: what it needs, parts or a release, is there at 8:20.',
    );
  });

  it('is the shift of its person, and nothing where it is the first thing of the plan', () => {
    expect(why([at('a', 'B1')])?.waits).toBe('Not sooner: Odile B. comes in at 6:00.');
    const now = { people: [early('Odile', -360), early('Bram', -360)], quality: [] };
    expect(why([at('a', 'B1')], now)?.waits).toBe('It is the first thing to do here.');
  });

  it('is the hours, where what held it is long over', () => {
    // 400 min, and 100 that do not fit before the end of the shift at two: a day later.
    const days = ['Odile'].map((id) => ({ ...early(id), shifts: [...early(id).shifts, ...early(id, 1440).shifts] }));
    const long = (id: string, run: number) =>
      at(id, 'B1', { people: ['Odile'], means: [{ tool: null, set: null, benches: ['B1'], run }] });
    expect(why([long('a', 400), long('b', 100)], { people: days })?.waits).toBe('Not sooner: Odile comes in at 30:00.');
    // The second waits for its parts until seven the next day; its bench was free long before.
    expect(why([long('a', 400), { ...long('b', 30), from: 1860 }], { people: days })?.waits).toBe(
      'Not sooner: what it needs, parts or a release, is there at 31:00.',
    );
  });
});

describe('What a job finds mounted', () => {
  it('is told with up to three parts of the setting, or the bench by itself', () => {
    const set = setting({ die: 'A', nest: '1', selector: '4', positioner: 'P' });
    const one = at('a', 'B1', { means: [{ tool: 'T', set, benches: ['B1'], run: 30 }] });
    expect(why([one], { tools: [tool('T', { set })] })?.mounted).toBe(
      'T with die A, nest 1, selector 4 stands as it needs it: nothing is changed.',
    );
    expect(why([at('a', 'B1', {}, null)])?.mounted).toBe('The bench stands as it needs it: nothing is changed.');
  });

  it('is that of the tool it is made with, not of another it might be made with', () => {
    const means = [
      { tool: 'U', set: setting({ die: 'Z' }), benches: ['B9'], run: 30 },
      { tool: 'T', set: setting({ die: 'A', nest: '1' }), benches: ['B1'], run: 30 },
    ];
    expect(why([at('a', 'B1', { means })])?.mounted).toBe(
      'T with die A, nest 1 stands as it needs it: nothing is changed.',
    );
  });

  it('is not asked of a job that is in no plan, or in no work', () => {
    const model = modelOf(work([job('a'), job('b', { people: [] })]));
    const plan = asPlan(new Layout(model).layOut([0], model.ways.slice(0, -1)));
    expect([whyHere(model, plan, 'b', clock), whyHere(model, plan, 'x', clock)]).toEqual([null, null]);
  });
});
