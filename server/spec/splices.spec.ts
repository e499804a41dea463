import {
  recordSchema,
  setUpContext,
  type CombinationRecord,
  type CombinationView,
  type KeptEntry,
} from '@tug-mark/contract';
import { computeSetUp, endOf, judgeCombination, type EntryBody } from '@tug-mark/core';
import { differencesOf } from '../src/records/foreign';
import { problemOf, proveSetUp, reading, releaseSetUp, Shop, type Visitor } from './harness';

const LIST = `wire id,wire part,length mm,terminal a,terminal b,quantity,joint a,joint b
A1,FL-W-0075,400,-,FL-BS-10,6,,J1
A2,FL-W-0100,300,FL-BS-10,-,6,J1,
A3,FL-W-0100,200,FL-BS-10,-,2,,`;

describe('A splice of a wire list', () => {
  let shop: Shop;
  let odile: Visitor;
  let view: CombinationView;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    expect((await odile.importCsv('Spliced', LIST)).statusCode).toBe(201);
    const { id } = await odile.combination('FL-BS-10', 'FL-W-0075', 'Spliced');
    view = await odile.view(id);
    await proveSetUp(odile, id);
    expect((await releaseSetUp(await shop.signIn('Ines'), id)).statusCode).toBe(201);
  });
  afterAll(() => shop.close());
  const id = () => view.combination.id;

  it('knows the wires of both its ends, once for both, and one where the list names no other', async () => {
    expect([view.wire.part, view.together, view.opposite.map(({ part }) => part)]).toEqual([
      'FL-W-0075',
      [],
      ['FL-W-0100'],
    ]);
    expect([view.combination.pieces, view.revisions.opposite]).toEqual([6, [1]]);
    const line = await odile.combination('FL-BS-10', 'FL-W-0075', 'Spliced');
    expect(line.wireLabel).toContain('to FL-W-0100 ');
    const alone = await odile.view((await odile.combination('FL-BS-10', 'FL-W-0100', 'Spliced')).id);
    expect([alone.opposite, alone.revisions.opposite]).toEqual([[], undefined]);
  });

  it('is proved at both ends through the one door, released, and lapses when the wire at its other end changes', async () => {
    const setUp = computeSetUp(
      setUpContext(await odile.view(id())),
      (await odile.view(id())).entries,
      new Date().toISOString(),
    );
    expect(setUp.other?.wire.part).toBe('FL-W-0100');
    const { entries } = await odile.view(id());
    const ofEnd2 = (kind: EntryBody['kind']) =>
      entries.filter(({ body }) => body.kind === kind && endOf(body) === 2).length;
    expect(ofEnd2('gate')).toBeGreaterThan(4);
    expect(ofEnd2('finding')).toBeGreaterThan(5);
    const marek = await shop.signIn('Marek');
    const body = { ...view.opposite[0], label: 'another label' };
    expect((await marek.call('PUT', '/api/cabinet/wire', { opened: 1, body })).statusCode).toBeLessThan(300);
    const line = await odile.combination('FL-BS-10', 'FL-W-0075', 'Spliced');
    const now = await odile.view(line.id);
    expect(now.newest.opposite).toEqual([2]);
    const [context, at] = [setUpContext(now), new Date().toISOString()];
    const { release } = judgeCombination(computeSetUp(context, now.entries, at), now.entries, context, at);
    expect([release.state, release.reasons[0]?.text]).toEqual([
      'lapsed',
      'The wire at the other end has revision 2 now; it was proved with revision 1.',
    ]);
  });

  it('is pulled as one piece: without the end that failed it is refused, with it judged by that end', async () => {
    expect(
      problemOf(await odile.put(id(), reading(6, 120, { confirmed: ['not-looked-at'], note: 'spare piece' }))).code,
    ).toBe('end-missing');
    const kept = async (piece: number, failedEnd: 1 | 2): Promise<KeptEntry> =>
      odile.kept(id(), reading(piece, 100, { failedEnd, confirmed: ['not-looked-at'], note: 'spare piece' }));
    // 0.75 mm2 has to hold 85 N, 1 mm2 108 N.
    expect((await kept(6, 1)).verdict).toEqual(jasmine.objectContaining({ verdict: 'holds', force: 85 }));
    expect((await kept(7, 2)).verdict).toEqual(jasmine.objectContaining({ verdict: 'below', force: 108 }));
  });

  it('is whole in its record: another shop reads both ends and computes the same', async () => {
    const record = await odile.get<CombinationRecord>(`/api/combinations/${id()}/record.json`);
    expect(record.opposite.map(({ part }) => part)).toEqual(['FL-W-0100']);
    expect(differencesOf(record)).toEqual([]);
  });

  it('of a record from before is read as one end', async () => {
    const record = await odile.get<Record<string, unknown>>(`/api/combinations/${id()}/record.json`);
    const { opposite, ...older } = record;
    expect(opposite).toBeDefined();
    const read = recordSchema.parse({ ...older, revisions: { terminal: 1, wire: 1, together: [], practice: 1 } });
    expect(read.opposite).toEqual([]);
    const context = { ...setUpContext(read), newest: read.revisions, cabinet: [] };
    const { fit } = computeSetUp(context, [], new Date().toISOString());
    expect(fit.reasons.find(({ code }) => code === 'one-end')?.text).toContain('One end');
  });
});
