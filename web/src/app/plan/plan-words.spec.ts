import { asPlan, byDueDate, modelOf, planBounds } from '@tug-mark/core';
import { COMBINATION, givenPlan, planDay, PLAN_START } from '../testing/made-up-plan';
import { boardDays, boardOf, dropBefore } from './board.layout';
import { planClock } from './plan-time';
import { planHeadline, planUnder, searchWords } from './plan-words';
import { queueLines, queueWords } from './queue-lines';

const clock = planClock(PLAN_START, 'UTC');
const day = planDay();
const model = modelOf(day.work);
const plan = asPlan(byDueDate(model));
const beside = { byDue: plan, bounds: planBounds(model), leastEnd: 60 };

describe('The words of a plan', () => {
  it('say when all is done, what is late, and how often a die is changed', () => {
    expect(planHeadline(plan, day.work, clock, null, 0)).toMatch(
      /^Thursday is done at \d\d:\d\d, nothing late\. 1 die change\.$/,
    );
    const late = { ...plan, score: { ...plan.score, lateLists: ['Chassis'] } };
    expect(planHeadline(late, day.work, clock, beside, 0)).toContain('late: Chassis. 1 die change.');
    const more = { ...plan, placed: plan.placed.flatMap((one) => [one, { ...one, job: 'x' }]) };
    expect(planHeadline(plan, day.work, clock, { ...beside, byDue: more }, 0)).toContain('1 die change instead of 2.');
    expect(planHeadline({ ...plan, placed: [] }, day.work, clock, null, 0)).toBe('Nothing to plan.');
  });

  it('say how many jobs are not in it, which are not ready by then', () => {
    expect(planHeadline(plan, day.work, clock, null, 2)).toContain(
      'nothing late, without 2 jobs that cannot be made now. 1 die change.',
    );
    expect(planHeadline({ ...plan, placed: [] }, day.work, clock, null, 1)).toBe(
      'Nothing can be planned: see why 1 job cannot.',
    );
  });

  it('name the day where the end is on another', () => {
    const later = { ...plan, placed: plan.placed.map((one) => ({ ...one, end: one.end + 1440 })) };
    expect(planHeadline(later, day.work, clock, null, 0)).toContain('All is done on Friday at');
    expect(clock.at(1440 + 30)).toBe('Fri 06:30');
    // What ends at midnight ends on the day before.
    expect(clock.at(1080)).toBe('00:00');
  });

  it('say what no order can be better than, and what the order of due dates would come to', () => {
    const said = planUnder(plan, day.work, clock, beside);
    expect(said).toContain(
      'No order of this work can end before 07:00 or needs fewer than 6 min of changes; this one has 6.',
    );
    expect(said).toContain('By due date alone it would end at');
  });

  it('call a plan proven only when it is', () => {
    expect(searchWords(0.4, false, false)).toBe('Searching: 40 %.');
    expect(searchWords(1, false, true)).toContain('Search longer');
    expect(searchWords(1, true, true)).toContain('Proven');
  });
});

describe('The board', () => {
  const [today] = boardDays(plan, day.work, clock);
  if (!today) throw new Error('a day');
  const board = boardOf(today, plan, day.work, day.about, clock, [], [], 30);

  it('has a line for each bench, each job as long as it takes, within the hours somebody is in', () => {
    expect([today.from, today.to, today.name]).toEqual([0, 480, 'Thursday']);
    expect(board.lines.map(({ label }) => label)).toEqual(['Bench 1', 'Bench 2']);
    const [first] = board.lines.flatMap(({ jobs }) => jobs).sort((a, b) => a.x - b.x);
    expect(first?.x).toBe(0);
    const jobs = board.lines.flatMap(({ jobs: own }) => own);
    for (const { placed, width } of jobs) expect(width).toBeCloseTo((placed.end - placed.start) / 480, 12);
    expect(board.now).toBeCloseTo(30 / 480, 12);
  });

  it('tells a job in words, with what is changed first', () => {
    const told = board.lines.flatMap(({ jobs }) => jobs).find(({ placed }) => placed.job === 'b/0')?.told;
    expect(told).toContain('contact 1.5 · 30, Mast');
    expect(told).toContain('6 min of changes first');
  });

  it('draws what is on record beside what was planned', () => {
    const happened = [
      {
        combination: COMBINATION,
        what: 'lot' as const,
        startedAt: '2026-11-26T06:12:00.000Z',
        endedAt: null,
        made: 20,
        pieces: 48,
        by: 'Odile',
        tool: 'T',
      },
    ];
    const done = boardOf(today, plan, day.work, day.about, clock, [], happened, 30).lines.flatMap((line) => line.done);
    expect(done).toEqual([{ x: 12 / 480, width: 18 / 480, text: 'on record: 20 of 48 made with T' }]);
  });

  it('asks for the check of a tool before the line that begins with it, and of no other', () => {
    const tool = plan.placed.map((one) => one.tool).find((one) => one !== null) ?? '';
    const soon = (from: number) => [
      { what: 'check' as const, of: tool, from, text: 'due', stops: [] } as unknown as Parameters<
        typeof boardOf
      >[5][number],
    ];
    const firsts = (from: number) =>
      boardOf(today, plan, day.work, day.about, clock, soon(from), [], null).lines.map(({ first }) => first);
    const own = plan.placed.filter((one) => one.tool === tool).map(({ bench }) => bench);
    expect(firsts(-5)).toEqual(day.work.benches.map(({ id }) => (own.includes(id) ? `${tool} check due first` : null)));
    // Due in the afternoon it stops nothing that begins in the morning.
    expect(firsts(400).every((first) => first === null)).toBeTrue();
  });

  it('marks what is late and what is fixed, for the eye and for the ear', () => {
    const [fixedJob] = plan.placed;
    if (!fixedJob) throw new Error('a job');
    const { bench, tool, person, start } = fixedJob;
    const jobs = day.work.jobs.map((job) =>
      job.id === fixedJob.job ? { ...job, fixed: { bench, tool, person, start } } : job,
    );
    const late = { ...plan, score: { ...plan.score, lateLists: ['Mast'] } };
    const all = boardOf(today, late, { ...day.work, jobs }, day.about, clock, [], [], null).lines.flatMap(
      (line) => line.jobs,
    );
    for (const one of all) {
      const list = day.about.find(({ job }) => job === one.placed.job)?.list;
      expect(one.isLate).toBe(list === 'Mast');
      expect(one.told.endsWith(', late')).toBe(one.isLate);
      expect(one.isFixed).toBe(one.placed.job === fixedJob.job);
      expect(one.told.includes(', fixed')).toBe(one.isFixed);
    }
    expect(all.some(({ isLate }) => isLate)).toBeTrue();
  });

  it('names releases at the minute they are due, and by whom', () => {
    const released = {
      ...plan,
      placed: plan.placed.map((one, i) => (i ? one : { ...one, release: { from: 120, to: 124, by: 'Q' } })),
    };
    const { quality } = boardOf(today, released, day.work, day.about, clock, [], [], null);
    expect(quality.map(({ x, text }) => [x, text.slice(0, 14)])).toEqual([[120 / 480, '08:00 release ']]);
  });

  it('has another day for what goes on tomorrow, with hours of its own', () => {
    const tomorrow = {
      ...plan,
      placed: [...plan.placed, ...plan.placed.map((one) => ({ ...one, start: one.start + 1440, end: one.end + 1440 }))],
    };
    const days = boardDays(tomorrow, day.work, clock);
    expect(days.map(({ name }) => name)).toEqual(['Thursday', 'Friday']);
    expect((days[1]?.from ?? 0) >= 1440).toBeTrue();
    const friday = days[1] && boardOf(days[1], tomorrow, day.work, day.about, clock, [], [], 30);
    // Now is on the other day.
    expect(friday?.now).toBeNull();
    expect(friday?.lines.flatMap(({ jobs }) => jobs).length).toBe(plan.placed.length);
  });

  it('drops a job before the first whose middle lies behind it', () => {
    const line = board.lines.find(({ jobs }) => jobs.length > 1);
    const [first, second] = line?.jobs ?? [];
    if (!line || !first || !second) throw new Error('two jobs at one bench');
    expect(dropBefore(line, 0, second.placed.job)).toBe(first.placed.job);
    expect(dropBefore(line, 0.99, first.placed.job)).toBeNull();
    // Never before itself.
    expect(dropBefore(line, first.x, first.placed.job)).toBe(second.placed.job);
  });
});

describe('What each bench does next', () => {
  const queue = (made: number, checks: string[] = []) => ({
    ...{ revision: 3, given: givenPlan(), zone: 'UTC', checks },
    made: [{ combination: COMBINATION, made }],
  });
  const at = (minute: number) => new Date(Date.parse(PLAN_START) + minute * 60_000).toISOString();
  const first = (made: number, minute: number, checks: string[] = []) => {
    const [line] = queueLines(queue(made, checks), at(minute));
    if (!line) throw new Error('a bench');
    return line;
  };

  it('is the first job that is not done, with what to mount for it', () => {
    const line = first(0, 15);
    expect(line.jobs.map(({ state }) => state)).toEqual(['done', 'next', 'later']);
    expect(queueWords(line)).toEqual({
      headline: 'Next at Bench 1: ring M4 · 48.',
      under: '06:10 to 06:40, Odile. T: die A, nest 1.',
    });
    expect(line.jobs[2]?.mount).toEqual(['T: die B, nest 1', 'to change: die 6 min']);
  });

  it('goes on with what the journal says is being made, and then with the next', () => {
    expect(queueWords(first(20, 30)).headline).toBe('Going on at Bench 1: ring M4 · 48, 20 made.');
    expect(queueWords(first(48, 41)).headline).toBe('Next at Bench 1: contact 1.5 · 30.');
  });

  it('asks for the check of the tool first', () => {
    expect(queueWords(first(0, 15, ['T'])).under).toMatch(/^Check T first\. /);
  });

  it('says how far behind the plan it is, from a quarter of an hour on', () => {
    expect(queueWords(first(0, 20)).under).not.toContain('behind');
    expect(queueWords(first(0, 30)).under).toContain('It is 20 min behind the plan.');
    expect(queueWords(first(20, 60)).under).toContain('It is 20 min behind the plan.');
  });

  it('is nothing before a plan is given out', () => {
    expect(queueLines({ revision: 0, given: null, zone: 'UTC', made: [], checks: [] }, at(0))).toEqual([]);
  });
});
