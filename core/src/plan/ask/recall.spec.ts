import { early, job, setting, tool, work } from '../../testing/planWork';
import { asPlan } from '../asPlan';
import { Layout } from '../Layout';
import { modelOf } from '../model';
import type { PlacedJob, PlanWork } from '../PlanWork';
import { recall, repeat, repeatPlan, stillStands } from './recall';

const means = (own: string, bench: string) => ({
  tool: own,
  set: setting({ die: 'A', nest: '1' }),
  benches: [bench],
  run: 30,
});
/** Two benches with a tool each, two people who may make all; both lists due at seven. */
const shop = (changes: Partial<PlanWork> = {}): PlanWork =>
  work(
    ['a', 'b', 'c'].map((id, i) =>
      job(id, { means: [means('T', 'B1'), means('U', 'B2')], people: ['Odile', 'Bram'], list: i < 2 ? 'L' : 'M' }),
    ),
    {
      benches: ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null })),
      tools: [tool('T'), tool('U', { bench: 'B2' })],
      people: [early('Odile'), early('Bram')],
      lists: [
        { id: 'L', label: 'L', due: 420, weight: 1 },
        { id: 'M', label: 'M', due: 420, weight: 3 },
      ],
      ...changes,
    },
  );
/** c by Bram at the second bench, a and b by Odile at the first. */
const planned = (of = shop()) => {
  const model = modelOf(of);
  return asPlan(new Layout(model).layOut([2, 0, 1], Int32Array.from([0, 2, 5]), Int32Array.from([0, 0, 1]), true));
};

describe('A plan on record, for the work as it is now', () => {
  it('is recalled as an order, a way and a person for each job', () => {
    const model = modelOf(shop());
    const { order, ways, people, isNew } = recall(model, planned().placed);
    expect(order).toEqual([2, 0, 1]);
    expect([...ways]).toEqual([0, 2, 5]);
    expect([...people]).toEqual([0, 0, 1]);
    expect([...isNew]).toEqual([0, 0, 0]);
  });

  it('puts jobs it says nothing of behind the others, what is needed first before what is not', () => {
    const { jobs } = shop();
    const [a] = jobs;
    if (!a) throw new Error('a job');
    const more = (id: string, list: string) => ({ ...a, id, list });
    // n waits for nothing and is due with L; m belongs to a list without a day.
    const of = shop({
      jobs: [more('m', 'N'), more('n', 'L'), ...jobs],
      lists: [...shop().lists, { id: 'N', label: 'N', due: null, weight: 1 }],
    });
    const { order, people, isNew } = recall(modelOf(of), planned().placed);
    expect(order).toEqual([4, 2, 3, 1, 0]);
    expect([...isNew]).toEqual([1, 1, 0, 0, 0]);
    expect([...people]).toEqual([-1, -1, 0, 0, 1]);
  });

  it('forgets a bench, a tool or a person that is not there any more, and keeps the place in the order', () => {
    const gone = (change: (one: PlacedJob) => Partial<PlacedJob>) =>
      recall(
        modelOf(shop()),
        planned().placed.map((one) => (one.job === 'c' ? { ...one, ...change(one) } : one)),
      );
    for (const change of [{ bench: 'B9' }, { tool: 'X' }, { tool: null }]) {
      const { order, ways, people } = gone(() => change);
      expect(order).toEqual([2, 0, 1]);
      // The first of its ways.
      expect(ways[2]).withContext(JSON.stringify(change)).toBe(4);
      expect(people[2]).toBe(1);
    }
    expect(gone(() => ({ person: 'Ines' })).people[2]).toBe(-1);
    // Bram is there still, and may not make it any more.
    const of = shop({ jobs: shop().jobs.map((one) => ({ ...one, people: ['Odile'] })) });
    expect([...recall(modelOf(of), planned().placed).people]).toEqual([0, 0, -1]);
  });

  it('is repeated by those it was given to where that is better, and else by whoever is soonest', () => {
    const model = modelOf(shop());
    expect(repeat(model, planned().placed).isFirm).toBeTrue();
    expect(repeatPlan(model, planned().placed).placed).toEqual(planned().placed);
    // Bram is away until eight: Odile makes the last as well, in spite of what was planned.
    const late = modelOf(
      shop({ people: [early('Odile'), { ...early('Bram'), shifts: [{ from: 480, to: 840, breaks: [] }] }] }),
    );
    expect(repeat(late, planned().placed).isFirm).toBeUndefined();
    const again = repeatPlan(late, planned().placed);
    expect(again.placed.map(({ person }) => person)).toEqual(['Odile', 'Odile', 'Odile']);
    expect(again.placed.map((one) => one.job)).toEqual(['c', 'a', 'b']);
  });
});

describe('A plan as it stands, minute by minute', () => {
  it('is a plan still, with what it comes to counted once more', () => {
    const plan = planned();
    expect(stillStands(modelOf(shop()), plan.placed)).toEqual(plan);
    // An hour later: L ends at 8:00, four quarters late; M at 7:30, two of them, three times.
    const later = plan.placed.map((one) => ({
      ...one,
      ...{ start: one.start + 60, setUpEnd: one.setUpEnd + 60, runStart: one.runStart + 60, end: one.end + 60 },
    }));
    expect(stillStands(modelOf(shop()), later)?.score).toEqual({
      lateness: 4 + 6,
      lateLists: ['L', 'M'],
      changeover: 0,
      end: 120,
    });
    // In time to the minute is in time.
    const atSeven = shop({ lists: shop().lists.map((list) => ({ ...list, due: list.id === 'L' ? 420 : 390 })) });
    expect(stillStands(modelOf(atSeven), plan.placed)?.score).toEqual(
      jasmine.objectContaining({ lateness: 0, lateLists: [] }),
    );
  });

  it('is none where a job is missing, more are asked for, one cannot be made, or it began before now', () => {
    const plan = planned();
    const model = modelOf(shop());
    expect(stillStands(model, plan.placed.slice(1))).toBeNull();
    expect(stillStands(model, [...plan.placed.slice(1), ...plan.placed.slice(1, 2)])).toBeNull();
    expect(stillStands(model, [...plan.placed.slice(1), { ...planned().placed[0], job: 'x' } as PlacedJob])).toBeNull();
    expect(stillStands(modelOf(shop({ jobs: shop().jobs.slice(1) })), plan.placed)).toBeNull();
    const [a, b, c] = shop().jobs;
    if (!a || !b || !c) throw new Error('three jobs');
    const without = modelOf(shop({ jobs: [a, b, c, { ...a, id: 'd', people: [] }] }));
    expect(without.left.length).toBe(1);
    expect(stillStands(without, plan.placed)).toBeNull();
    const before = plan.placed.map((one) => ({ ...one, start: one.start - 361, end: one.end - 361 }));
    expect(stillStands(model, before)).toBeNull();
    // Whoever is away now cannot have it as it stands.
    const away = shop({ people: [early('Odile'), { ...early('Bram'), shifts: [] }] });
    expect(stillStands(modelOf(away), plan.placed)).toBeNull();
  });
});
