import type { LoomWire, WireListKept } from '@tug-mark/contract';
import { Shop, type Visitor } from './harness';

const LIST = `wire id,wire part,length mm,terminal a,terminal b,quantity,joint a,joint b
L1,FL-W-0100,300,FL-BS-10,FL-OC-4810,6,,
L2,FL-W-0100,310,FL-BS-10,FL-OC-4810,2,,
L3,FL-W-0100,320,FL-RT-0406,FL-OS-10,4,,J1/1
L4,FL-W-0075,400,FL-RT-0406,-,3,,
L5,FL-W-0100,330,-,FL-OS-10,4,,J1/2`;

describe('Both ends of the wires of a list', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  let wires: LoomWire[];
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    const kept = await odile.importCsv('Two ends', LIST);
    id = kept.json<WireListKept>().id;
    ({ wires } = await odile.get<{ wires: LoomWire[] }>(`/api/wire-lists/${id}/wires`));
  });
  afterAll(() => shop.close());
  const of = (wireId: string) => {
    const found = wires.find(({ ids }) => ids.includes(wireId));
    if (!found) throw new Error(wireId);
    return found;
  };

  it('stand together where wires are alike, with how many there are and what they are called', () => {
    expect(wires.map(({ ids, wires: many }) => [ids, many])).toEqual([
      [['L1', 'L2'], 8],
      [['L3'], 4],
      [['L4'], 3],
      [['L5'], 4],
    ]);
    expect(of('L1').b.label).toContain('4.8');
  });

  it('say which is made first and why: the splice last, an insulator before its own crimp', () => {
    expect([of('L1').first, of('L3').first, of('L4').first]).toEqual(['B', 'A', null]);
    expect(
      of('L1')
        .steps.map(({ end, does }) => `${does} ${end}`)
        .slice(0, 2),
    ).toEqual(['slide-on B', 'crimp B']);
    expect([of('L3').a.joined, of('L3').b.joined]).toEqual([false, true]);
    expect(of('L3').why).toContain('End B meets other wires');
  });

  it('stand with the combination they belong to, and with none of another list', async () => {
    const view = await odile.view((await odile.combination('FL-RT-0406', 'FL-W-0075', 'Two ends')).id);
    expect(view.loom.map(({ ids }) => ids)).toEqual([['L4']]);
    const splice = await odile.view((await odile.combination('FL-OS-10', 'FL-W-0100', 'Two ends')).id);
    expect(splice.loom.flatMap(({ ids }) => ids)).toEqual(['L3', 'L5']);
  });

  it('are told of a list that is not there', async () => {
    const missing = await odile.call('GET', '/api/wire-lists/0192f3a4-0000-7000-8000-00000000dead/wires');
    expect(missing.statusCode).toBe(404);
  });
});
