import type { EntryBody } from '@tug-mark/core';
import { faultsOf, FRESH, openLot, problemOf, proveSetUp, reading, releaseSetUp, Shop, type Visitor } from './harness';

const made = (step: number, count: number): EntryBody => ({
  ...{ kind: 'progress', lot: 1, step, what: 'made', made: count, note: '' },
});

describe('A tool changed in the middle of a lot', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    ({ id } = await odile.combination(...FRESH));
    await proveSetUp(odile, id);
    expect((await releaseSetUp(await shop.signIn('Ines'), id)).statusCode).toBe(201);
    expect((await openLot(odile, id)).statusCode).toBe(201);
    await odile.kept(id, {
      ...{ kind: 'finding', lot: 1, piece: 1, criterion: 'as-drawn', finding: 'accept' },
      note: '',
    });
    await odile.kept(id, reading(1, 140, { lot: 1 }));
    await odile.kept(id, made(1, 20));
    const changed = {
      kind: 'progress',
      lot: 1,
      step: 2,
      what: 'change',
      made: 20,
      change: 'tool',
      to: 'HT-12',
      note: '',
    };
    await odile.kept(id, changed as EntryBody);
  });
  afterAll(() => shop.close());
  const line = () => odile.standing(...FRESH);

  it('stops the counting and opens the set-up again while its lot stands; released, the lot counts on', async () => {
    const refused = await odile.put(id, made(3, 21));
    expect([refused.statusCode, problemOf(refused).code]).toEqual([422, 'set-up-first']);
    expect([(await line()).state, (await line()).next.text]).toEqual(['to-set-up', 'Set up again with the other tool']);
    const { newest } = await odile.view(id);
    await odile.kept(id, { kind: 'run', run: 2, cause: 'tool changed in the lot', revisions: newest });
    expect((await line()).state).toBe('to-set-up');
    const again = new InRun(odile, 2);
    await proveSetUp(again.as, id);
    expect((await releaseSetUp(new InRun(await shop.signIn('Ines'), 2).as, id)).statusCode).toBe(201);
    expect((await line()).next.to).toBe('lot');
    await odile.kept(id, { ...made(3, 30), run: 2 });
    expect(await faultsOf(shop.db)).toEqual([]);
  });
});

/** A visitor whose entries are of a later run. */
class InRun {
  readonly as: Visitor;
  constructor(who: Visitor, run: number) {
    const put: Visitor['put'] = (combination, body, changes) => who.put(combination, { ...body, run }, changes);
    const kept: Visitor['kept'] = (combination, body, changes) => who.kept(combination, { ...body, run }, changes);
    this.as = Object.assign(Object.create(who) as Visitor, { put, kept });
  }
}
