import fc from 'fast-check';
import { random } from '../../statistics';
import { anyWork, job, setting, work } from '../../testing/planWork';
import { Layout } from '../Layout';
import { modelOf } from '../model';
import { changesOf, standingOf } from './changesOf';
import { dispatch } from './dispatch';
import { asFound, type FoundPlan } from './FoundPlan';
import { PutBack } from './PutBack';

const TASTE = { change: 3, urgency: 240, reach: 240 };

describe('Jobs taken out of a plan and put back', () => {
  it('are all in it still, each in one of its ways, with as many minutes of change as were told', () => {
    fc.assert(
      fc.property(anyWork(12), fc.nat(1000), (of, seed) => {
        // Heaters and what waits for others are for the layout to see to.
        const model = modelOf({ ...of, jobs: of.jobs.map((one) => ({ ...one, heat: false, after: [] })) });
        if (model.jobs.length < 2) return;
        const search = new PutBack(model, random(seed));
        const layout = new Layout(model);
        let current: FoundPlan = asFound(dispatch(model, TASTE));
        for (let k = 0; k < 15; k++) {
          const told = search.change(current);
          if (told === Infinity) continue;
          search.layOut(layout);
          expect([...layout.order].sort((a, b) => a - b)).toEqual([...model.jobs.keys()]);
          layout.way.forEach((way, j) => {
            expect(way >= (model.ways[j] ?? 0) && way < (model.ways[j + 1] ?? 0)).toBeTrue();
          });
          expect(told).toBe(changesOf(model, layout.order, layout.way, standingOf(model)));
          if (!layout.lost) expect(told).toBe(layout.total);
          const isOther = [...layout.order].some(
            (own, i) => own !== current.order[i] || layout.way[own] !== current.ways[own],
          );
          expect(isOther).toBeTrue();
          if (k % 2) continue;
          current = asFound(layout);
          search.adopt(current, layout);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('come together by their die where nothing else asks for an order', () => {
    const dies = ['A', 'B', 'C', 'A', 'B', 'C', 'A', 'B', 'C'];
    const jobs = dies.map((die, i) =>
      job(`${die}${i}`, { means: [{ tool: 'T', set: setting({ die, nest: '1' }), benches: ['B1'], run: 10 }] }),
    );
    const model = modelOf(work(jobs));
    const layout = new Layout(model).layOut([...jobs.keys()], model.ways.slice(0, -1));
    let current = asFound(layout);
    expect(current.changes).toBe(48);
    const search = new PutBack(model, random(3));
    for (let k = 0; k < 60; k++) {
      if (search.change(current) > current.changes) continue;
      search.layOut(layout);
      current = asFound(layout);
      search.adopt(current, layout);
    }
    // A is mounted; two changes of six minutes.
    expect(current.changes).toBe(12);
  });

  it('leave those that are fixed where they are', () => {
    const fixed = { bench: 'B1', tool: 'T', person: 'Odile', start: 420 };
    const jobs = [job('f', { fixed }), ...['a', 'b', 'c', 'd'].map((id) => job(id))];
    const model = modelOf(work(jobs));
    const search = new PutBack(model, random(5));
    const layout = new Layout(model);
    const current = asFound(dispatch(model, TASTE));
    for (let k = 0; k < 40; k++) {
      if (search.change(current) === Infinity) continue;
      search.layOut(layout);
      expect(layout.start[0]).toBe(60);
    }
  });
});
