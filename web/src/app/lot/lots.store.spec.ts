import { TestBed } from '@angular/core/testing';
import type { LotLine } from '@tug-mark/contract';
import { Api } from '../http/api';
import { ApiProblem, OFFLINE } from '../http/problem';
import { LotsStore } from './lots.store';

const line = (lot: number): LotLine => ({ id: 'c1', lot, name: `L-${lot}`, state: 'running' }) as unknown as LotLine;

describe('The lots as far as they are loaded', () => {
  let answers: {
    query: { state?: string; find: string; after: string };
    give: (page: object) => void;
    fail: () => void;
  }[];
  const settle = () => new Promise((resolve) => setTimeout(resolve));
  const open = () => {
    answers = [];
    const lots = (query: (typeof answers)[number]['query']) =>
      new Promise((resolve, reject) => {
        answers.push({
          query,
          give: resolve,
          fail: () => {
            reject(new ApiProblem(OFFLINE));
          },
        });
      });
    TestBed.configureTestingModule({ providers: [LotsStore, { provide: Api, useValue: { lots } }] });
    return TestBed.inject(LotsStore);
  };
  const names = (store: InstanceType<typeof LotsStore>) => store.entities().map(({ name }) => name);

  it('go on page by page, and not past the last', async () => {
    const store = open();
    answers[0]?.give({ lines: [line(3), line(2)], next: 'p2' });
    await settle();
    void store.more();
    expect(answers[1]?.query.after).toBe('p2');
    answers[1]?.give({ lines: [line(1)], next: null });
    await settle();
    expect(names(store)).toEqual(['L-3', 'L-2', 'L-1']);
    await store.more();
    expect(answers.length).toBe(2);
  });

  it('are those that were asked for last, whichever answer comes last', async () => {
    const store = open();
    void store.show({ state: 'held' });
    expect(answers.map(({ query }) => query.state)).toEqual([undefined, 'held']);
    answers[1]?.give({ lines: [line(7)], next: null });
    await settle();
    answers[0]?.give({ lines: [line(1), line(2)], next: 'p2' });
    await settle();
    expect([names(store), store.next()]).toEqual([['L-7'], null]);
  });

  it('stay where the server is silent, with the reason, until it answers', async () => {
    const store = open();
    answers[0]?.give({ lines: [line(3)], next: null });
    await settle();
    void store.show({ find: 'ring' });
    answers[1]?.fail();
    await settle();
    expect([names(store), store.problem()?.code]).toEqual([['L-3'], 'offline']);
    void store.show();
    expect(answers[2]?.query.find).toBe('ring');
    answers[2]?.give({ lines: [], next: null });
    await settle();
    expect([names(store), store.problem()]).toEqual([[], null]);
  });
});
