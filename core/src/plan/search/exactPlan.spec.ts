import { early, job, setting, work } from '../../testing/planWork';
import { Layout } from '../Layout';
import { modelOf } from '../model';
import type { PlanJob, PlanPerson, PlanWork } from '../PlanWork';
import { dispatch } from './dispatch';
import { exactPlan } from './exactPlan';
import { asFound } from './FoundPlan';

const benches = ['B1', 'B2'].map((id) => ({ id, label: id, heater: null, stripper: null }));
const cut = (id: string, bench: string, changes: Partial<PlanJob> = {}) =>
  job(id, { means: [{ tool: null, set: null, benches: [bench], run: 30 }], ...changes });
const dieB = (id: string) =>
  job(id, { means: [{ tool: 'T', set: setting({ die: 'B', nest: '1' }), benches: ['B1'], run: 30 }] });
const crew = (...ids: string[]): PlanPerson[] => ids.map((id) => early(id));

/** How many times a job was put somewhere until the best was proven, with what it costs. */
function tried(of: PlanWork, known = Infinity) {
  const model = modelOf(of);
  const start = { ...asFound(dispatch(model, { change: 3, urgency: 240, reach: 240 })), cost: known };
  const put = spyOn(Layout.prototype, 'put').and.callThrough();
  const last = [...exactPlan(model, start)].at(-1);
  const times = put.calls.count();
  put.and.callThrough();
  return { times, cost: last?.found.cost, isProven: last?.isProven };
}

describe('The exact plan', () => {
  it('tries one of two people who are alike and have done nothing', () => {
    const both = { people: ['Odile', 'Bram'] };
    expect(tried(work([cut('a', 'B1', both)], { people: crew('Odile', 'Bram') })).times).toBe(1);
  });

  it('tries one of those who have done nothing, of three who are alike, while another one works', () => {
    // Due at once: half an hour late is two quarters, whichever is first.
    const lists = [{ id: 'L', label: 'L', due: 361, weight: 1 }];
    const all = { people: ['Odile', 'Bram', 'Jonas'] };
    const of = work([cut('a', 'B1', all), cut('b', 'B2', all)], { benches, lists, people: crew(...all.people) });
    // a by the first; b by the same one, by the second beside it, and not by the third. b first is no better.
    expect(tried({ ...of, endWorth: 0 })).toEqual({ times: 4, cost: 2e6, isProven: true });
  });

  it('tries both of two who have other hours, or of whom one may make more', () => {
    const later = { ...early('Bram'), shifts: [{ from: 420, to: 840, breaks: [] }] };
    const both = { people: ['Odile', 'Bram'] };
    expect(tried(work([cut('a', 'B1', both)], { people: [early('Odile'), later] })).times).toBe(2);
  });

  it('tries both where one may make what the other may not', () => {
    // a by either, b by Odile alone: a and b, b and a; a by Bram and b, b and a by Bram. What is no better than the best is left.
    const jobs = [cut('a', 'B1', { people: ['Odile', 'Bram'] }), cut('b', 'B2')];
    const { times, cost } = tried(work(jobs, { benches, people: crew('Odile', 'Bram') }));
    // a by Odile, b behind it: 60. a by Bram, b beside it: 30, and nothing that is left can be better.
    expect(times).toBe(5);
    expect(cost).toBeCloseTo(3, 9);
  });

  it('leaves a branch where the dies that are still to be mounted cost what the best does', () => {
    // A stands: A, then B is 6 min of change and 66 in all. Either beginning is seen to be no better.
    const of = work([job('a'), dieB('b')]);
    expect(tried(of, 12.6)).toEqual({ times: 2, cost: 12.6, isProven: true });
  });

  it('leaves a branch where a list will be late whatever comes', () => {
    // b, due at 6:20, takes until 6:30: one quarter, whether it is first or not.
    const lists = [
      { id: 'L', label: 'L', due: null, weight: 1 },
      { id: 'M', label: 'M', due: 380, weight: 1 },
    ];
    const of = work([cut('a', 'B1'), cut('b', 'B1', { list: 'M' })], { lists });
    expect(tried(of, 1e6 + 6)).toEqual({ times: 2, cost: 1e6 + 6, isProven: true });
  });

  it('counts each list once for what is late in it', () => {
    // Both of M would be late by themselves, by one quarter and by two; together it is the later one alone that counts.
    const lists = [{ id: 'L', label: 'L', due: 380, weight: 1 }];
    const of = work([cut('a', 'B1'), cut('b', 'B2')], { lists, benches, people: crew('Odile') });
    const { cost } = tried(of);
    // The second ends at 7:00: 40 min are three quarters.
    expect(cost).toBeCloseTo(3e6 + 6, 6);
  });

  it('leaves a branch where what comes late ends no sooner than the best does', () => {
    // c is there at 8:20, 140 min from the beginning, and ends at 170.
    const of = work([cut('a', 'B1'), cut('c', 'B2', { from: 500 })], { benches, people: crew('Odile') });
    expect(tried(of, 17)).toEqual({ times: 2, cost: 17, isProven: true });
  });

  it('leaves a branch where all hands together need as long as the best does', () => {
    // Four of thirty minutes by two people at four benches: an hour.
    const four = ['1', '2', '3', '4'].map((n) => ({ id: `B${n}`, label: n, heater: null, stripper: null }));
    const jobs = four.map(({ id }) => cut(id, id, { people: ['Odile', 'Bram'] }));
    expect(tried(work(jobs, { benches: four, people: crew('Odile', 'Bram') }), 6)).toEqual({
      times: 4,
      cost: 6,
      isProven: true,
    });
  });

  it('puts a fixed job where it is fixed, and tries nothing else of it', () => {
    const fixed = { bench: 'B2', tool: null, person: 'Bram', start: 400 };
    const means = [{ tool: null, set: null, benches: ['B1', 'B2'], run: 30 }];
    const of = work([job('a', { means, people: ['Odile', 'Bram'], fixed })], {
      benches,
      people: crew('Odile', 'Bram'),
    });
    // From 6:40 to 7:10: it ends 70 min after the beginning, at a tenth of a minute each.
    expect(tried(of)).toEqual({ times: 1, cost: 7, isProven: true });
  });

  it('says now and then that it is not proven yet, and is proven in the end', () => {
    // Each is there at another time, and by one of two who come in at other times: little can be left out.
    const later = { ...early('Bram'), shifts: [{ from: 375, to: 840, breaks: [] }] };
    const jobs = ['a', 'b', 'c', 'd', 'e', 'f'].map((id, i) =>
      cut(id, 'B1', { from: 360 + 17 * i, people: ['Odile', 'Bram'] }),
    );
    const model = modelOf(work(jobs, { people: [early('Odile'), later], endWorth: 1 }));
    const start = { ...asFound(dispatch(model, { change: 0, urgency: 0, reach: 1 })), cost: Infinity };
    const told = [...exactPlan(model, start)].map(({ isProven }) => isProven);
    expect(told.length).toBeGreaterThan(1);
    expect(told.at(-1)).toBeTrue();
    expect(told.slice(0, -1)).not.toContain(true);
  });
});
