import type { PlacedJob } from '../PlanWork';
import { howItWent, type Gone, type JobGone } from './howItWent';

const at = (job: string, start: number, end: number, changes: Partial<PlacedJob> = {}): PlacedJob => ({
  ...{ job, bench: 'B1', tool: 'T', person: 'Odile', start, changes: [], changeover: 0, setUpEnd: start },
  ...{ release: null, runStart: start, end },
  ...changes,
});
const jobs: Readonly<Record<string, JobGone>> = {
  cut: { label: 'cut Loom · 40', list: 'Loom', combination: null, pieces: 40 },
  'r/1': { label: 'ring · 30', list: 'Loom', combination: 'r', pieces: 30 },
  'r/0': { label: 'ring · 30', list: 'Loom', combination: 'r', pieces: 30 },
  'f/0': { label: 'fork · 20', list: 'Loom', combination: 'f', pieces: 20 },
  'c/0': { label: 'contact · 10', list: 'Mast', combination: 'c', pieces: 10 },
};
/** Cut, rings in two parts of which the first is set up, forks behind a change, contacts the day after. */
const placed = [
  at('cut', 0, 10),
  at('r/1', 10, 60, { changeover: 6, setUpEnd: 24, runStart: 24 }),
  at('r/0', 60, 100),
  at('f/0', 100, 130, { changeover: 8, setUpEnd: 108, runStart: 108 }),
  at('c/0', 1440, 1480),
];
const gone = (combination: string, changes: Partial<Gone>): Gone => ({
  ...{ combination, begun: null, last: null, made: 0, setUps: 0 },
  ...changes,
});

describe('How a plan went', () => {
  it('is told for each combination: when it was to begin and did, how many were made, how often it was set up', () => {
    const { rows } = howItWent(placed, jobs, [gone('r', { begun: 25, last: 140, made: 60, setUps: 2 })], 150);
    expect(rows.map(({ label, state }) => [label, state])).toEqual([
      ['ring', 'made'],
      ['fork', 'not begun'],
      ['contact', 'not due'],
    ]);
    expect(rows[0]).toEqual(
      jasmine.objectContaining({
        ...{ plannedStart: 10, plannedEnd: 100, pieces: 60, plannedSetUps: 1, plannedChanges: 6 },
        ...{ begun: 25, late: 15, ended: 140, setUps: 2 },
      }),
    );
  });

  it('counts what was due by then, and nothing of what comes later', () => {
    // Half past: the first part of the rings alone was due.
    const early = howItWent(placed, jobs, [gone('r', { begun: 10, last: 70, made: 45, setUps: 1 })], 70);
    expect([early.due, early.duePieces, early.madePieces, early.notBegun]).toEqual([0, 30, 30, 0]);
    expect([early.plannedSetUps, early.setUps]).toEqual([1, 1]);
    const late = howItWent(placed, jobs, [gone('r', { begun: 10, last: 70, made: 45, setUps: 1 })], 150);
    expect([late.due, late.made, late.duePieces, late.madePieces, late.notBegun]).toEqual([2, 0, 80, 45, 1]);
    expect(late.rows[0]?.ended).toBeNull();
  });

  it('says by how much things began late in the middle, and nothing where nothing was begun', () => {
    expect(howItWent(placed, jobs, [], 150).late).toBeNull();
    const two = [gone('r', { begun: 40 }), gone('f', { begun: 90 })];
    // 30 late and 10 sooner.
    expect(howItWent(placed, jobs, two, 150).late).toBe(10);
    expect(howItWent(placed, jobs, [...two, gone('c', { begun: 1442 })], 1500).late).toBe(2);
  });

  it('knows nothing of a plan without jobs, and leaves out what leaves no entry', () => {
    expect(howItWent([], {}, [], 100).rows).toEqual([]);
    expect(howItWent([at('cut', 0, 10)], jobs, [], 100).due).toBe(0);
  });
});
