import { ApiProblem } from '../http/problem';
import { outboxActions, outboxFeature } from '../outbox/outbox.state';
import { Bench, viewOf } from '../testing/bench';
import { LeftBehind } from './left-behind';

describe('What somebody left on this device and does not come back for', () => {
  let bench: Bench<LeftBehind>;
  afterEach(() => {
    bench.close();
  });
  const settled: unknown[] = [];
  const open = async (settleUnsent = (_id: string, body: unknown) => Promise.resolve(settled.push(body))) => {
    settled.length = 0;
    bench = await Bench.open(LeftBehind, { view: viewOf(), role: 'quality', api: { settleUnsent } });
    for (const [id, person] of [
      ['e1', 'Tove'],
      ['e2', 'Tove'],
      ['e3', 'Odile'],
    ] as const) {
      const body = { kind: 'finding' as const, piece: 1, criterion: 'seam', finding: 'accept' as const, note: '' };
      const entry = { id, body, corrects: null, why: null };
      const madeAt = '2026-11-26T07:00:00.000Z';
      bench.store.dispatch(
        outboxActions.put({ item: { entry, combination: 'c1', person, personName: person, madeAt, refused: null } }),
      );
    }
    await bench.settle();
  };

  it('is shown in words with who made it, and is not settled without a reason', async () => {
    await open();
    expect(bench.element.querySelectorAll('li').length).toBe(2);
    expect(bench.text).toContain('Tove, ');
    await bench.press('Drop them');
    expect(bench.text).toContain('Say why.');
    expect(settled).toEqual([]);
  });

  it('is dropped, or put on record as one’s own, with the reason on record first', async () => {
    await open();
    await bench.type('left-why', 'Tove has left the shop');
    await bench.press('Put on record as mine');
    expect(settled).toEqual([
      jasmine.objectContaining({ id: 'e1', madeBy: 'Tove', act: 'handed-over', why: 'Tove has left the shop' }),
      jasmine.objectContaining({ id: 'e2' }),
    ]);
    expect(bench.element.querySelectorAll('li').length).toBe(0);
    expect(bench.put.length).withContext('what is handed over still waits to be sent').toBe(3);
    bench.close();
    await open();
    await bench.type('left-why', 'made twice');
    await bench.press('Drop them');
    expect(bench.put.length).toBe(1);
  });

  it('is of another shop where the server knows nothing of its combination, and is set apart as such', async () => {
    const problem = {
      type: 'urn:tug-mark:problem:not-found',
      status: 404,
      code: 'not-found',
      title: 'Gone.',
      detail: '',
    };
    await open(() => Promise.reject(new ApiProblem(problem)));
    await bench.type('left-why', 'made twice');
    await bench.press('Drop them');
    expect(bench.element.querySelectorAll('li').length).toBe(0);
    expect(bench.element.querySelector('tm-problem')).toBeNull();
    const apart = bench.store
      .selectSignal(outboxFeature.selectElsewhere)()
      .map(({ entry }) => entry.id);
    expect(apart).toEqual(['e1', 'e2']);
  });

  it('stays where the server does not answer, and says so', async () => {
    await open(() => Promise.reject(new Error('no network')));
    await bench.type('left-why', 'made twice');
    await bench.press('Drop them');
    expect(bench.element.querySelectorAll('li').length).toBe(2);
    expect(bench.element.querySelector('tm-problem')).not.toBeNull();
  });
});
