import { TestBed } from '@angular/core/testing';
import { asPlan, byDueDate, modelOf, type Plan } from '@tug-mark/core';
import type { PlanAsked, PlanFound } from '../../workers/plan.messages';
import { planDay } from '../testing/made-up-plan';
import { PlanSearch, PlanWorkers } from './plan-search';

const { work } = planDay();
const plan = asPlan(byDueDate(modelOf(work)));
const worth = (changeover: number): Plan => ({ ...plan, score: { ...plan.score, changeover } });
const asked: PlanAsked = { work, milliseconds: 10_000, seed: 7, before: null };

/** Workers that search when they are told to, and end when they are stopped. */
class Cores {
  readonly open: {
    readonly asked: PlanAsked;
    tell: (found: PlanFound) => void;
    end: () => void;
    fail: (why: Error) => void;
  }[] = [];
  stopped = 0;
  closed = 0;
  readonly workers = {
    open: () => ({
      close: () => this.closed++,
      work: {
        search: (wanted: PlanAsked, tell: (found: PlanFound) => void) =>
          new Promise<void>((end, fail) => this.open.push({ asked: wanted, tell, end, fail })),
        stop: () => {
          this.stopped++;
          this.open.at(-this.stopped)?.end();
          return Promise.resolve();
        },
      },
    }),
  };
  tell(core: number, changeover: number, found: Partial<PlanFound> = {}): void {
    this.open[core]?.tell({ plan: worth(changeover), share: 0.5, isProven: false, isLast: false, ...found });
  }
}

describe('A search on two cores', () => {
  let cores: Cores;
  let search: PlanSearch;
  let told: PlanFound[];
  const changeovers = () => told.map(({ plan: found }) => found.score.changeover);
  beforeEach(() => {
    spyOnProperty(navigator, 'hardwareConcurrency').and.returnValue(4);
    cores = new Cores();
    told = [];
    TestBed.configureTestingModule({ providers: [PlanSearch, { provide: PlanWorkers, useValue: cores.workers }] });
    search = TestBed.inject(PlanSearch);
  });
  const begin = () => search.search(asked, (found) => told.push(found));

  it('begins each with a seed of its own, and shows the better of what they find', () => {
    void begin();
    expect(cores.open.map(({ asked: { seed } }) => seed)).toEqual([7, 8]);
    cores.tell(0, 20);
    cores.tell(1, 14);
    cores.tell(0, 18);
    expect(changeovers()).toEqual([20, 14, 14]);
  });

  it('is over when the last of them is', () => {
    void begin();
    cores.tell(0, 20, { isLast: true });
    expect(told.at(-1)?.isLast).toBeFalse();
    cores.tell(1, 25, { isLast: true });
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ isLast: true, plan: worth(20) }));
  });

  it('prefers a plan with every job in it to any that leaves one out', () => {
    void begin();
    cores.tell(0, 30);
    const without = { ...worth(1), left: [{ job: 'b/0', why: 'no time' }] } as unknown as Plan;
    cores.tell(1, 1, { plan: without });
    expect(changeovers()).toEqual([30, 30]);
  });

  it('says nothing of an earlier question once another is asked', () => {
    void begin();
    void begin();
    cores.tell(0, 5);
    expect(told).toEqual([]);
    cores.tell(2, 9);
    expect(changeovers()).toEqual([9]);
  });

  it('goes by the other core where one breaks down, and says so where both do', async () => {
    const done = begin();
    cores.tell(0, 20);
    cores.open[1]?.fail(new Error('out of memory'));
    cores.open[0]?.end();
    await done;
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ share: 1, isLast: true, plan: worth(20) }));
    const none = begin();
    for (const core of [2, 3]) cores.open[core]?.fail(new Error('out of memory'));
    await expectAsync(none).toBeRejectedWithError('out of memory');
  });

  it('is stopped when both have ended, and closes its workers in the end', async () => {
    let isOver = false;
    void begin().then(() => (isOver = true));
    await search.stop();
    expect([cores.stopped, isOver]).toEqual([2, true]);
    search.ngOnDestroy();
    expect(cores.closed).toBe(2);
  });

  it('takes one core where there is no other', () => {
    (Object.getOwnPropertyDescriptor(navigator, 'hardwareConcurrency')?.get as jasmine.Spy).and.returnValue(1);
    void begin();
    expect(cores.open.length).toBe(1);
  });
});
