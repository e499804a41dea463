import { outboxActions, outboxFeature, type OutboxItem } from '../outbox/outbox.state';
import { Bench } from '../testing/bench';
import { OtherShop } from './other-shop';

const item = (id: string, shop?: OutboxItem['shop']): OutboxItem => ({
  entry: {
    id,
    body: { kind: 'finding', piece: 1, criterion: 'seam', finding: 'accept', note: '' },
    ...{ corrects: null, why: null },
  },
  ...{ combination: 'c', person: 'x', personName: 'Odile', madeAt: '2026-11-20T08:00:00.000Z', refused: null },
  ...(shop && { shop }),
});
const DEMO = { id: 'demo', name: 'Fennick Lane' };
const form = (shop: string) => JSON.stringify({ shop, at: '2026-11-20T08:00:00.000Z', value: {} });

describe('What another shop at this address left on this device', () => {
  let bench: Bench<OtherShop>;
  const open = async (items: OutboxItem[], kept: Record<string, string> = {}) => {
    bench = await Bench.open(OtherShop, { kept });
    bench.store.dispatch(outboxActions.restored({ items }));
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });
  const left = () =>
    bench.store
      .selectSignal(outboxFeature.selectElsewhere)()
      .map(({ entry }) => entry.id);
  const waiting = () =>
    bench.store
      .selectSignal(outboxFeature.selectWaiting)()
      .map(({ entry }) => entry.id);

  it('is set apart: it neither waits to be sent nor is taken for this shop’s own', async () => {
    await open([item('a', DEMO), item('b', { id: 's1', name: 'Here' }), item('c')]);
    expect(left()).toEqual(['a']);
    expect(waiting()).toEqual(['b', 'c']);
    expect(bench.text).toContain('still keeps 1 unsent entry of another shop (Fennick Lane)');
    await bench.press('Show it');
    expect(bench.element.querySelector('li')?.textContent).toContain('Odile, ');
  });

  it('is forgotten only by whoever says so twice', async () => {
    await open([item('a', DEMO), item('b', DEMO)], { 'tug-mark-form-x-wire': form('demo') });
    expect(bench.text).toContain('2 unsent entries and 1 unfinished form');
    await bench.press('Forget it on this device ...');
    await bench.press('Keep it here');
    expect(left()).toEqual(['a', 'b']);
    await bench.press('Forget it on this device ...');
    await bench.press('Forget it');
    expect(left()).toEqual([]);
    expect(localStorage.getItem('tug-mark-form-x-wire')).toBeNull();
    expect(bench.text.trim()).toBe('');
  });

  it('leaves what was typed for this shop where it is', async () => {
    await open([item('a', DEMO)], { 'tug-mark-form-x-wire': form('s1'), 'tug-mark-form-y': 'not ours to read' });
    await bench.press('Forget it on this device ...');
    await bench.press('Forget it');
    expect(localStorage.getItem('tug-mark-form-x-wire')).not.toBeNull();
    expect(localStorage.getItem('tug-mark-form-y')).not.toBeNull();
  });

  it('is known for what it is when the server knows nothing of its combination', async () => {
    await open([item('old')]);
    expect(left()).toEqual([]);
    bench.store.dispatch(outboxActions.foundElsewhere({ id: 'old' }));
    await bench.settle();
    expect([left(), waiting()]).toEqual([['old'], []]);
    expect(bench.text).toContain('1 unsent entry of another shop.');
  });
});
