import type { KeptEntry } from '@tug-mark/contract';
import { randomUUID } from 'node:crypto';
import { verifyJournals } from '../src/verify/verifyShop';
import { problemOf, reading, Shop, TAKE_TOOL, Visitor } from './harness';

describe('Entries of several stations', () => {
  const STATIONS = 12;
  let shop: Shop;
  let odile: Visitor;
  let ids: string[];
  beforeEach(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    ids = [];
    for (let i = 0; i < STATIONS; i++) {
      const list = `Station ${i}`;
      await odile.importCsv(
        list,
        'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,400',
      );
      const { id } = await odile.combination('FL-RT-0406', 'FL-W-0075', list);
      await odile.kept(id, TAKE_TOOL);
      ids.push(id);
    }
    // The first request of all reads the shop; the ones after it go by what it found.
    for (const id of ids) await odile.kept(id, reading(1, 118.4));
  });
  afterEach(() => shop.close());

  const first = () => ids[0] ?? '';
  const commits = async (piece: number) => {
    const rows = (await shop
      .db('journal')
      .whereIn('combination', ids)
      .where({ slot: `reading/${piece}` })
      .select(shop.db.raw('xmin::text AS commit'))) as { commit: string }[];
    return { kept: rows.length, commits: new Set(rows.map((row) => row.commit)).size };
  };
  const faults = async () => {
    const found: string[] = [];
    for await (const checked of verifyJournals(shop.db, 0)) found.push(...checked.faults.map((f) => f.text));
    return found;
  };

  it('that arrive while others are being kept go on record with the next commit, each in its own chain', async () => {
    const answers = await Promise.all(ids.map((id) => odile.put(id, reading(2, 119.25))));
    expect(answers.map((a) => a.statusCode)).toEqual(ids.map(() => 201));
    const { kept, commits: made } = await commits(2);
    expect(kept).toBe(STATIONS);
    expect(made).toBeLessThan(STATIONS / 2);
    // What was answered is what is kept.
    for (const [i, id] of ids.entries()) {
      const told = answers[i]?.json<KeptEntry>();
      expect((await odile.view(id)).entries.at(-1)).toEqual(told as KeptEntry);
    }
    expect(await faults()).toEqual([]);
  });

  it('of one combination keep the order they came in, and one slot is taken once', async () => {
    const pieces = [2, 3, 4, 5, 5, 6];
    const answers = await Promise.all(pieces.map((piece) => odile.put(first(), reading(piece, 110 + piece))));
    expect(answers.map((a) => a.statusCode)).toEqual([201, 201, 201, 201, 409, 201]);
    expect(problemOf(answers[4] as never).title).toBe('Piece 5 has a reading already: 115.0 N, by Odile.');
    const seen = (await odile.view(first())).entries.flatMap(({ body }) =>
      body.kind === 'reading' ? [body.piece] : [],
    );
    expect(seen).toEqual([1, 2, 3, 4, 5, 6]);
    expect(await faults()).toEqual([]);
  });

  it('do not wait for a chain somebody else holds: only its own station does', async () => {
    const trx = await shop.db.transaction();
    await trx('chains')
      .where({ name: `journal/${first()}` })
      .forUpdate()
      .first();
    let held = true;
    const waiting = odile.put(first(), reading(2, 118.4)).finally(() => (held = false));
    const others = await Promise.all(ids.slice(1).map((id) => odile.put(id, reading(2, 118.4))));
    expect(others.map((a) => a.statusCode)).toEqual(ids.slice(1).map(() => 201));
    expect(held).toBeTrue();
    await trx.commit();
    expect((await waiting).statusCode).toBe(201);
    expect(await faults()).toEqual([]);
  });

  it('are each refused for their own reason, and refuse nobody else', async () => {
    const sam = await shop.signIn('Ines');
    await sam.put(ids[1] ?? '', reading(2, 118.4));
    // Signed out behind the server's back: this process still believes in the session.
    await shop
      .db('sessions')
      .where({ person: shop.db('people').where({ name: 'Ines' }).select('id') })
      .delete();
    const known = randomUUID();
    await odile.kept(first(), reading(7, 118.4), { id: known });
    const [taken, ended, other, again, unknown] = await Promise.all([
      odile.put(first(), reading(1, 120)),
      sam.put(ids[1] ?? '', reading(3, 118.4)),
      odile.put(ids[2] ?? '', reading(3, 118.4)),
      odile.put(ids[3] ?? '', reading(3, 118.4), { id: known }),
      odile.put(randomUUID(), reading(3, 118.4)),
    ]);
    expect([taken, ended, again, unknown].map((a) => [a.statusCode, problemOf(a).code])).toEqual([
      [409, 'slot-taken'],
      [401, 'sign-in-first'],
      [409, 'id-taken'],
      [404, 'not-found'],
    ]);
    expect(other.statusCode).toBe(201);
    expect((await commits(3)).kept).toBe(1);
  });

  it('are judged by the shop as it stands when they are kept, not as it was believed', async () => {
    // Another process has changed the shop: nothing believed before may be gone by.
    await shop.db('shop').update({ version: shop.db.raw('version + 1') });
    await shop.db('sessions').update({ expires_at: shop.db.raw("expires_at + interval '1 minute'") });
    const answers = await Promise.all(ids.map((id) => odile.put(id, reading(2, 118.4))));
    expect(answers.map((a) => a.statusCode)).toEqual(ids.map(() => 201));
    const { version } = (await shop.db('shop').first('version')) as { version: string };
    expect(Number(version)).toBeGreaterThan(0);
    expect((await commits(2)).kept).toBe(STATIONS);
  });

  it('kept by two server processes at once stand in whole chains, none lost and none doubled', async () => {
    const other = await shop.another();
    const second = new Visitor(other);
    second.cookie = odile.cookie;
    const calls: Promise<{ statusCode: number }>[] = [];
    for (let piece = 2; piece <= 11; piece++) {
      for (const id of ids.slice(0, 4)) {
        calls.push((piece % 2 ? odile : second).put(id, reading(piece, 100 + piece)));
      }
    }
    expect(new Set((await Promise.all(calls)).map((a) => a.statusCode))).toEqual(new Set([201]));
    for (const id of ids.slice(0, 4)) {
      const pieces = (await odile.view(id)).entries.flatMap(({ body }) =>
        body.kind === 'reading' ? [body.piece] : [],
      );
      expect(pieces.sort((a, b) => a - b)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
    }
    expect(await faults()).toEqual([]);
    await other.close();
  });

  it('prove one pull of a gauge once, though they come together', async () => {
    const at = Date.parse('2026-11-20T08:00:00Z');
    const pull = (start: number) => ({
      gauge: 'G-1',
      pull: { start: new Date(at + start).toISOString(), end: new Date(at + start + 4000).toISOString() },
    });
    const answers = await Promise.all([
      odile.put(ids[0] ?? '', reading(2, 118.4, pull(0))),
      odile.put(ids[1] ?? '', reading(2, 118.4, pull(10))),
      odile.put(ids[2] ?? '', reading(2, 118.4, pull(5000))),
      odile.put(ids[3] ?? '', reading(2, 118.4, { ...pull(10), gauge: 'G-2' })),
      odile.put(ids[4] ?? '', reading(2, 118.4, pull(20))),
    ]);
    expect(answers.map((a) => a.statusCode)).toEqual([201, 409, 201, 201, 409]);
    expect(problemOf(answers[1] as never).code).toBe('pull-taken');
  });
});
