import { asPlan, byDueDate, modelOf, planBounds, type PlanWork } from '@tug-mark/core';
import type { PlanAsked, PlanFound } from '../../workers/plan.messages';
import { By } from '@angular/platform-browser';
import { FileButton } from '../parts/file-button';
import { Bench } from '../testing/bench';
import { COMBINATION, givenPlan, planDay, planJobs } from '../testing/made-up-plan';
import { JobFiles } from './job-files';
import { PlanPage } from './plan-page';
import { PlanWorkers } from './plan-search';

/** In place of a worker: the order of due dates at once, proven, as it would be told in the end. */
const asked: PlanAsked[] = [];
const workers = {
  open: () => ({
    close: () => undefined,
    work: {
      search: (wanted: PlanAsked, tell: (found: PlanFound) => void) => {
        asked.push(wanted);
        tell({ plan: asPlan(byDueDate(modelOf(wanted.work))), share: 1, isProven: false, isLast: true });
        return Promise.resolve();
      },
      stop: () => Promise.resolve(),
      beside: (work: PlanWork) => {
        const model = modelOf(work);
        return Promise.resolve({ byDue: asPlan(byDueDate(model)), bounds: planBounds(model), leastEnd: 60 });
      },
      remedies: () => Promise.resolve([]),
    },
  }),
};

describe('The plan page', () => {
  let bench: Bench<PlanPage>;
  const givePlanOut = jasmine.createSpy('givePlanOut');
  const open = async (day = planDay(), role: 'engineer' | 'technician' = 'engineer') => {
    asked.length = 0;
    givePlanOut.calls.reset();
    givePlanOut.and.resolveTo(givenPlan({ revision: 4 }));
    bench = await Bench.open(PlanPage, {
      role,
      api: { planDay: () => Promise.resolve(day), givePlanOut, givenPlans: () => Promise.resolve([]) },
      providers: [{ provide: PlanWorkers, useValue: workers }],
    });
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });
  const job = (id: string) => bench.element.querySelector<HTMLButtonElement>(`[data-job="${id}"]`);
  const key = async (on: HTMLElement | null, name: string) => {
    on?.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
    await bench.settle();
  };

  it('says when all is done, beside what the order of due dates would come to', async () => {
    await open();
    expect(bench.element.querySelector('h1')?.textContent).toMatch(/Thursday is done at \d\d:\d\d, nothing late/);
    expect(bench.text).toContain('By due date alone it would end at');
    expect(bench.element.querySelectorAll('.job').length).toBe(3);
  });

  it('says why a job is there and what it takes when it is chosen', async () => {
    await open();
    job(`${COMBINATION}/0`)?.click();
    await bench.settle();
    expect(bench.text).toContain('Why here: ring M4');
    expect(bench.text).toContain(
      '48 pieces of Chassis on 0.75 mm², and 5 samples, 2 to be pulled, 1 expected to be made again.',
    );
    expect(bench.text).toContain('22 s a piece, the shop’s own number.');
  });

  it('tells by keys what a move comes to before it is made, and puts it there with Enter', async () => {
    await open();
    const before = job('b/0');
    await key(before, 'm');
    await key(before, 'ArrowLeft');
    const said = bench.element.querySelector('.weighed')?.textContent ?? '';
    expect(said).toMatch(/ends at/);
    expect(bench.element.querySelector('.mark')).not.toBeNull();
    await key(job('b/0'), 'Enter');
    expect(bench.element.querySelector('.weighed')?.textContent).toContain('Moved.');
    expect(bench.element.querySelector('.mark')).toBeNull();
  });

  it('lets a job in hand go with Escape, and nothing is moved', async () => {
    await open();
    const order = () => [...bench.element.querySelectorAll<HTMLElement>('.job')].map((one) => one.dataset['job']);
    const before = order();
    await key(job('b/0'), 'm');
    await key(job('b/0'), 'ArrowLeft');
    await key(job('b/0'), 'Escape');
    expect(order()).toEqual(before);
    expect(bench.element.querySelector('.weighed')?.textContent?.trim()).toBe('');
  });

  it('searches again with a job fixed or taken out, from the plan that is shown, and takes it back', async () => {
    await open();
    job('b/0')?.click();
    await bench.settle();
    await bench.press('Fix it in place');
    expect(asked.at(-1)?.work.jobs.find(({ id }) => id === 'b/0')?.fixed?.bench).toBeDefined();
    expect(asked.at(-1)?.before?.length).toBe(3);
    await bench.press('Take it out');
    expect(asked.at(-1)?.work.jobs.map(({ id }) => id)).not.toContain('b/0');
    expect(bench.text).toContain('contact 1.5 is taken out');
    await bench.press('Take back');
    expect(bench.text).toContain('Taken back:');
  });

  it('answers a what-if beside the plan, to be kept or thrown away', async () => {
    await open();
    await bench.press('What if');
    await bench.choose('which', 'T');
    await bench.press('Try it out');
    expect(bench.text).toContain('T fails.');
    expect(asked.at(-1)?.work.tools).toEqual([]);
    await bench.press('Throw it away');
    expect(bench.text).not.toContain('T fails.');
    await bench.press('Try it out');
    await bench.press('Keep it as the plan');
    expect(bench.text).toContain('Changed here');
    expect(bench.text).toContain('no tool of the shop makes it');
  });

  it('asks with the hours it is told, refuses what are none, and keeps no list that is not on the bench', async () => {
    await open();
    await bench.press('What if');
    const ask = async (words: string) => {
      [...bench.element.querySelectorAll('label')].find((one) => one.textContent?.trim() === words)?.click();
      await bench.settle();
    };
    await ask('somebody is away');
    await bench.choose('which', 'Odile');
    await bench.type('what-from', 'after lunch');
    await bench.press('Try it out');
    expect(bench.text).toContain('is no time of day');
    await bench.type('what-from', '8.30');
    await bench.type('what-hours', '-1');
    await bench.press('Try it out');
    expect(bench.text).toContain('is no number from 0 to');
    await bench.type('what-hours', '2,5');
    await bench.press('Try it out');
    expect(bench.text).toContain('Odile is away from 08:30 for 2.5 h.');
    expect(asked.at(-1)?.work.people[0]?.shifts.map(({ from, to }) => [from, to])).toEqual([
      [0, 150],
      [300, 480],
    ]);
    await ask('a list comes in');
    await bench.choose('which', 'Mast');
    await bench.type('what-hours', '0,5');
    await bench.press('Try it out');
    expect(asked.at(-1)?.work.jobs.map(({ id }) => id)).toContain('again/b/0');
    // Called as people call it, and not as it is numbered here.
    expect(bench.text).toContain('late then: Mast once more');
    expect(bench.has('Keep it as the plan')).toBeFalse();
    expect(bench.text).toContain('bring it in as a wire list');
  });

  it('is given out with the score it was made with, as the next after the one it began from', async () => {
    await open(planDay({ given: givenPlan() }));
    expect(bench.text).toContain('Plan 3, given out by Marek');
    await bench.press('Give out this plan');
    expect(bench.text).toContain('It replaces plan 3 of Marek: 3 jobs, of which 0 are moved.');
    await bench.press('Give it out');
    expect(givePlanOut).toHaveBeenCalledOnceWith(jasmine.objectContaining({ base: 3, moved: [] }));
    expect(bench.text).toContain('Plan 4 is given out');
  });

  it('tells what is not made any more before what moved against the plan given out', async () => {
    const jobs = planJobs.filter(({ id }) => !id.startsWith(COMBINATION));
    const cannot = [{ combination: COMBINATION, code: 'held' as const, text: 'ring M4 is on hold.' }];
    const benches = [{ id: 'B2', label: 'Bench 2', heater: null, stripper: null }];
    await open(planDay({ given: givenPlan(), cannot }, { jobs, benches }));
    const told = [...bench.element.querySelectorAll('section')]
      .find((one) => one.querySelector('h2')?.textContent?.startsWith('Moved against plan 3'))
      ?.querySelectorAll('li');
    expect([...(told ?? [])].map((one) => one.textContent?.trim())).toEqual([
      'ring M4 · 48: not in this plan any more.',
      jasmine.stringContaining('Bench 2 instead of B1'),
      jasmine.stringContaining('Bench 2 instead of B1'),
    ]);
  });

  it('keeps in the order of the plan given out what should be done by now and is not', async () => {
    // Two hours later nothing is made: the same order, from now on.
    await open(planDay({ given: givenPlan(), start: '2026-11-26T08:00:00.000Z' }));
    const order = [...bench.element.querySelectorAll<HTMLElement>('.job')]
      .sort((a, b) => parseFloat(a.style.left) - parseFloat(b.style.left))
      .map((one) => one.dataset['job']);
    expect(order).toEqual(givenPlan().placed.map((one) => one.job));
    expect(asked).toEqual([]);
  });

  it('takes lists from another program and plans them, or tells what is wrong with the file', async () => {
    const readJobsFile = jasmine.createSpy('readJobsFile').and.resolveTo({ lists: 3, made: 2 });
    const day = jasmine.createSpy('planDay').and.callFake(() => Promise.resolve(planDay()));
    bench = await Bench.open(PlanPage, {
      role: 'engineer',
      api: { planDay: day, givenPlans: () => Promise.resolve([]), readJobsFile },
      providers: [{ provide: PlanWorkers, useValue: workers }],
    });
    const files = bench.fixture.debugElement.query(By.directive(JobFiles)).queryAll(By.directive(FileButton));
    // A file is read in its own time.
    const send = async (text: string, isDone: () => boolean) => {
      (files[0]?.componentInstance as FileButton).file.emit(new File([text], 'jobs.json'));
      await bench.until(isDone);
    };
    await send('{"lists": []}', () => day.calls.count() === 2);
    expect(readJobsFile).toHaveBeenCalledOnceWith({ lists: [] });
    expect(bench.text).toContain('2 lists brought in, the days of 1 list taken over.');
    expect(day).toHaveBeenCalledTimes(2);
    const problem = () => bench.element.querySelector('tm-job-files tm-problem');
    await send('no JSON', () => problem() !== null);
    expect(readJobsFile).toHaveBeenCalledTimes(1);
    expect(bench.text).not.toContain('brought in');
    expect(problem()).not.toBeNull();
  });

  it('says so when no core can search, and shows what it has', async () => {
    const broken = {
      open: () => ({
        ...workers.open(),
        work: { ...workers.open().work, search: () => Promise.reject(new Error('out of memory')) },
      }),
    };
    bench = await Bench.open(PlanPage, {
      role: 'engineer',
      api: {
        planDay: () => Promise.resolve(planDay({ given: givenPlan() })),
        givenPlans: () => Promise.resolve([]),
      },
      providers: [{ provide: PlanWorkers, useValue: broken }],
    });
    await bench.press('Plan again');
    expect(bench.element.querySelector('tm-problem')).not.toBeNull();
    // The plan given out stands, and can be searched again.
    expect(bench.element.querySelectorAll('.job').length).toBe(3);
    expect(bench.has('Search longer')).toBeTrue();
    expect(bench.has('Stop here')).toBeFalse();
  });

  it('shows a technician the plan, and no way to change it', async () => {
    await open(planDay({ given: givenPlan() }), 'technician');
    expect(bench.text).not.toContain('Give out this plan');
    job('b/0')?.click();
    await bench.settle();
    expect(bench.text).toContain('An engineer moves jobs and gives out the plan.');
    await key(job('b/0'), 'm');
    expect(bench.element.querySelector('.in-hand')).toBeNull();
  });

  it('says what is missing where nothing can be planned', async () => {
    await open(planDay({ about: [] }, { benches: [], jobs: [] }));
    expect(bench.text).toContain('No bench is written down yet');
  });
});
