import { TestBed } from '@angular/core/testing';
import type { LimitRecord } from '@tug-mark/contract';
import { limitTable } from '../../../../core/src/testing/shop';
import { Api, ApiProblem } from '../http/api';
import { LimitsStore } from '../tug/limits.store';

const record = (revision: string, status: 'draft' | 'released' | 'withdrawn'): LimitRecord =>
  ({ table: { ...limitTable, revision, status }, draftedBy: 'Marek', problems: [] }) as unknown as LimitRecord;

describe('The revisions of a document', () => {
  let calls: unknown[];
  let onShelf: LimitRecord[];
  let refuses: ApiProblem | null;
  const open = async () => {
    calls = [];
    refuses = null;
    const answer = (name: string) => (body: unknown) => {
      calls.push([name, body]);
      return refuses ? Promise.reject(refuses) : Promise.resolve();
    };
    const api = {
      limits: () => Promise.resolve(onShelf),
      releaseLimit: answer('release'),
      withdrawLimit: answer('withdraw'),
    };
    TestBed.configureTestingModule({ providers: [LimitsStore, { provide: Api, useValue: api }] });
    const store = TestBed.inject(LimitsStore);
    await Promise.resolve();
    await Promise.resolve();
    return store;
  };

  it('are shown by the one in effect, until another is picked', async () => {
    onShelf = [record('D', 'draft'), record('C', 'released'), record('B', 'withdrawn')];
    const shelf = await open();
    expect(shelf.loaded()).toBeTrue();
    expect(shelf.chosen()?.revision).toBe('C');
    const draft = shelf.documents().find((d) => d.revision === 'D');
    if (draft) shelf.choose(draft);
    expect(shelf.chosen()?.revision).toBe('D');
    expect(shelf.others().map((d) => d.revision)).toEqual(['C', 'B']);
    expect(shelf.released().map((d) => d.revision)).toEqual(['C']);
  });

  it('are shown by the first where none is in effect, and there is none on an empty shelf', async () => {
    onShelf = [record('A', 'draft'), record('B', 'draft')];
    expect((await open()).chosen()?.revision).toBe('A');
    TestBed.resetTestingModule();
    onShelf = [];
    expect((await open()).chosen()).toBeUndefined();
  });

  it('are compared with another of them, never with themselves', async () => {
    onShelf = [record('D', 'draft'), record('C', 'released')];
    const shelf = await open();
    const [draft, released] = [record('D', 'draft').table, record('C', 'released').table];
    shelf.compareWith(draft);
    expect(shelf.compared()?.revision).toBe('D');
    shelf.choose(draft);
    expect(shelf.compared()).toBeNull();
    shelf.compareWith(released);
    expect(shelf.compared()?.revision).toBe('C');
  });

  it('are moved by their key alone, shown then, and read again', async () => {
    onShelf = [record('D', 'draft'), record('C', 'released')];
    const shelf = await open();
    onShelf = [record('D', 'released'), record('C', 'withdrawn')];
    await shelf.move(record('D', 'draft').table, 'release', true);
    const { document, class: className } = limitTable;
    expect(calls).toEqual([['release', { document, revision: 'D', class: className, replaces: true }]]);
    expect([shelf.chosen()?.revision, shelf.chosen()?.status]).toEqual(['D', 'released']);
    await shelf.move(record('D', 'released').table, 'withdraw');
    expect(calls.at(-1)).toEqual(['withdraw', { document, revision: 'D', class: className }]);
  });

  it('stay as they were where a move is refused, and the refusal is told until the next move', async () => {
    onShelf = [record('D', 'draft'), record('C', 'released')];
    const shelf = await open();
    refuses = new ApiProblem({
      code: 'limit-overlaps',
      status: 409,
      title: 'Two tables',
      detail: 'Both in effect.',
    } as never);
    await shelf.move(record('D', 'draft').table, 'release');
    expect(shelf.problem()?.code).toBe('limit-overlaps');
    expect(shelf.chosen()?.status).toBe('draft');
    refuses = null;
    await shelf.move(record('D', 'draft').table, 'release', true);
    expect(shelf.problem()).toBeNull();
  });
});
