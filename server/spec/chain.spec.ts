import { API, type CombinationRecord, type KeptEntry } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { createHash, randomUUID } from 'node:crypto';
import canonicalize from 'canonicalize';
import fc from 'fast-check';
import { canonical, writeEntry, type Sealed } from '../src/chain/hashes';
import { seal } from '../src/chain/seal';
import { verifyShop } from '../src/verify/verifyShop';
import { faultsOf, LOOK, reading, Shop, TAKE_TOOL, type Visitor, openBench } from './harness';

/** Everything that does not hold in this shop, one sentence each. */
/** Changes the database behind the application, as its owner can: guards off, then on again. */
async function behind(db: Knex, sql: string, bindings: readonly unknown[] = []): Promise<void> {
  await db.transaction(async (trx) => {
    await trx.raw('SET LOCAL session_replication_role = replica');
    await trx.raw(sql, bindings as never);
  });
}

describe('Canonical JSON', () => {
  it('is what another program for RFC 8785 writes, for any value', () => {
    fc.assert(
      fc.property(fc.jsonValue({ stringUnit: 'binary', maxDepth: 6 }), (value) => {
        expect(canonical(value)).toBe(canonicalize(value) ?? '');
      }),
      { numRuns: 1000 },
    );
  });

  it('of an entry is that of its parts, whatever they say', () => {
    const text = fc.string({ unit: 'binary' });
    const maybe = fc.option(text);
    const entries = fc.record({
      id: fc.uuid(),
      body: fc.record({
        piece: fc.integer({ min: 1 }),
        force: fc.double({ noNaN: true, noDefaultInfinity: true }),
        note: text,
      }),
      verdict: fc.option(fc.dictionary(text, fc.jsonValue())),
      limit: fc.option(fc.dictionary(text, fc.jsonValue())),
      at: text,
      by: text,
      role: text,
      corrects: maybe,
      why: maybe,
      madeAt: maybe,
      clockBehind: fc.option(fc.integer()),
    });
    fc.assert(
      fc.property(entries, (made) => {
        const entry = { ...made, body: { ...made.body, kind: 'reading' } } as unknown as Sealed;
        const written = writeEntry('c', entry);
        const whole = canonicalize({ version: 2, combination: 'c', slot: `reading/${made.body.piece}`, ...entry });
        expect(written.content).toBe(whole ?? '');
        expect(written.body).toBe(canonicalize(entry.body) ?? '');
      }),
      { numRuns: 500 },
    );
  });

  it('refuses what JSON cannot say', () => {
    for (const value of [NaN, Infinity, undefined]) expect(() => canonical(value)).toThrowError();
  });
});

describe('What the verification finds', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
    await odile.kept(id, TAKE_TOOL);
    for (let piece = 1; piece <= 4; piece++) await odile.kept(id, reading(piece, 118 + piece));
    await seal(shop.db);
  });
  afterEach(() => shop.close());

  it('is nothing in a shop nobody tampered with, sealed or not, and says what is not sealed yet', async () => {
    expect(await faultsOf(shop.db)).toEqual([]);
    expect((await verifyShop(shop.db)).unsealed.entries).toBe(0);
    await odile.kept(id, reading(5, 120));
    expect(await faultsOf(shop.db)).toEqual([]);
    expect((await verifyShop(shop.db)).unsealed.entries).toBe(1);
  });

  it('is every fault, not the first alone', async () => {
    await behind(
      shop.db,
      `UPDATE journal SET body = jsonb_set(body::jsonb, '{force}', '500')::json WHERE combination = ? AND seq IN (2, 4)`,
      [id],
    );
    expect(await faultsOf(shop.db)).toEqual([
      'Entry 2 is not what was put on record.',
      'Entry 4 is not what was put on record.',
    ]);
  });

  it('is a journal whose last rows have gone, or all of it, or its combination with it', async () => {
    await behind(shop.db, 'DELETE FROM journal WHERE combination = ? AND seq > 3', [id]);
    await behind(
      shop.db,
      "UPDATE chains SET count = 3, head = (SELECT hash FROM journal WHERE combination = ? AND seq = 3) WHERE name = 'journal/' || ?",
      [id, id],
    );
    expect(await faultsOf(shop.db)).toEqual([
      jasmine.stringMatching(/^Entries 4 to 5 stand in seal \d+ and are gone\.$/),
    ]);
    await behind(shop.db, 'DELETE FROM journal WHERE combination = ?', [id]);
    await behind(shop.db, "DELETE FROM chains WHERE name = 'journal/' || ?", [id]);
    expect(await faultsOf(shop.db)).toEqual([
      jasmine.stringMatching(/^Entries 1 to 5 stand in seal \d+ and are gone\.$/),
    ]);
    await behind(shop.db, 'DELETE FROM combinations WHERE id = ?', [id]);
    expect(await faultsOf(shop.db)).toEqual([`combination/${id} is gone.`, 'The combination of this journal is gone.']);
  });

  it('is a journal moved to another combination, whatever was moved with it', async () => {
    const { id: other } = await odile
      .combination('FL-OC-2825', 'FL-W-0150', 'Chassis loom')
      .catch(() => odile.combination('FL-RB-0406', 'FL-W-0075'));
    await behind(shop.db, 'DELETE FROM journal WHERE combination = ?', [other]);
    await behind(shop.db, 'UPDATE journal SET combination = ? WHERE combination = ?', [other, id]);
    await behind(
      shop.db,
      "UPDATE chains c SET count = o.count, head = o.head FROM chains o WHERE c.name = 'journal/' || ? AND o.name = 'journal/' || ?",
      [other, id],
    );
    const faults = await faultsOf(shop.db);
    expect(faults.filter((f) => f.endsWith('is not what was put on record.')).length).toBe(5);
  });

  it('is another place, another kind, another lot than the entry speaks about', async () => {
    await behind(shop.db, "UPDATE journal SET slot = 'reading/77' WHERE combination = ? AND seq = 2", [id]);
    await behind(shop.db, "UPDATE journal SET kind = 'gate' WHERE combination = ? AND seq = 3", [id]);
    await behind(shop.db, 'UPDATE journal SET lot = 3 WHERE combination = ? AND seq = 4', [id]);
    expect(await faultsOf(shop.db)).toEqual([
      'Entry 2 stands in another place than it speaks about.',
      'Entry 3 is filed under another kind or lot than its own.',
      'Entry 4 is filed under another kind or lot than its own.',
    ]);
  });

  it('goes on past a missing piece of a photograph, and sees another small picture in its place', async () => {
    const { rows } = await shop.db.raw<{ rows: { id: string }[] }>('SELECT id FROM photos ORDER BY id LIMIT 2');
    await behind(shop.db, 'DELETE FROM photo_pieces WHERE photo = ?', [rows[0]?.id]);
    await behind(shop.db, "UPDATE photos SET small = '\\x00' WHERE id = ?", [rows[1]?.id]);
    const faults = await faultsOf(shop.db);
    expect(faults.length).toBe(2);
    expect(faults[0]).toMatch(/^The photograph of entry \d+ is not whole: /);
    expect(faults[1]).toBe(`${rows[1]?.id} is not as it was left.`);
  });

  for (const [what, sql] of [
    [
      'a limit',
      `UPDATE limit_tables SET body = jsonb_set(body::jsonb, '{rows,0,force}', '1')::json WHERE status = 'released'`,
    ],
    ['who released a limit', `UPDATE limit_tables SET released_by = 'Nobody' WHERE status = 'released'`],
    ['what is looked for', `UPDATE look_sheets SET status = 'draft' WHERE status = 'released'`],
    [
      'a part',
      `UPDATE parts SET body = jsonb_set(body::jsonb, '{label}', '"x"')::json WHERE kind = 'wire' AND part = 'FL-W-0100'`,
    ],
    ['a role', `UPDATE people SET role = 'quality' WHERE name = 'Odile'`],
    ['a qualification', `UPDATE people SET qualified_until = '2031-01-01' WHERE name = 'Tove'`],
    ['a tool check', 'UPDATE tool_checks SET no_go_stopped = true WHERE NOT no_go_stopped'],
    ['a study’s answer', `UPDATE study_answers SET answer = 'accept' WHERE answer = 'reject'`],
    ['a gauge', `UPDATE gauges SET body = jsonb_set(body::jsonb, '{calibrationUntil}', '"2031-01-01"')::json`],
    ['a combination', `UPDATE combinations SET class = '3'`],
    ['the zone', `UPDATE shop SET zone = 'Pacific/Honolulu'`],
  ] as const) {
    it(`is ${what} that was changed behind the application`, async () => {
      await behind(shop.db, sql);
      const faults = await faultsOf(shop.db);
      expect(faults.length).toBeGreaterThan(0);
      expect(faults.every((f) => f.endsWith('is not as it was left.')))
        .withContext(faults.join('\n'))
        .toBeTrue();
    });
  }

  it('is what nobody put there, and a ledger whose last deed was taken out with what it did', async () => {
    await behind(
      shop.db,
      `INSERT INTO tool_checks (id, tool, at, go_passed, no_go_stopped, by_name) VALUES (gen_random_uuid(), 'HT-11', now(), true, true, 'Odile')`,
    );
    expect(await faultsOf(shop.db)).toEqual([jasmine.stringMatching(/is there, and nothing says who put it there\.$/)]);
    await behind(shop.db, `DELETE FROM tool_checks`);
    await behind(shop.db, `DELETE FROM ledger WHERE chain = 'tool-checks'`);
    await behind(shop.db, `DELETE FROM chains WHERE name = 'tool-checks'`);
    expect(await faultsOf(shop.db)).toEqual([
      jasmine.stringMatching(/^Entries 1 to \d+ stand in seal \d+ and are gone\.$/),
    ]);
  });

  it('is a seal that was made again, and one from a certificate that is not among them', async () => {
    const last = (await shop.db('seals').orderBy('number', 'desc').first()) as { number: number; hash: string };
    expect((await verifyShop(shop.db, last)).faults).toEqual([]);
    await behind(shop.db, `UPDATE seal_heads SET head = repeat('a', 64) WHERE seal = 1`);
    expect(
      (await faultsOf(shop.db)).some((f) => f === 'The ends that seal 1 was made from are not those on record.'),
    ).toBeTrue();
    const known = { number: last.number, hash: 'b'.repeat(64) };
    expect((await verifyShop(shop.db, known)).faults.at(-1)?.text).toBe(
      `Seal ${last.number} with the hash that was given is not among them.`,
    );
  });

  it('is nothing while others write: a seal waits for nobody, and nobody for it', async () => {
    await odile.kept(id, reading(6, 120));
    const { id: other } = await odile.combination('FL-RB-0406', 'FL-W-0075', 'Chassis loom');
    await odile.kept(other, { kind: 'gate', gate: 'strip-looked-at', answer: 'no', note: 'x' }).catch(() => null);
    let release: () => void = () => undefined;
    // Somebody holds the end of this journal, as a long import does.
    const held = shop.db.transaction(async (trx) => {
      await trx('chains')
        .where({ name: `journal/${id}` })
        .forUpdate()
        .first();
      await new Promise<void>((resolve) => (release = resolve));
    });
    await new Promise((resolve) => setTimeout(resolve, 100));
    const number = await seal(shop.db);
    expect(number).not.toBeNull();
    release();
    await held;
    expect(await faultsOf(shop.db)).toEqual([]);
    // What was held stands in the next seal once more, and after that in none.
    expect(await seal(shop.db)).toBe((number ?? 0) + 1);
    expect(await seal(shop.db)).toBeNull();
    expect(await faultsOf(shop.db)).toEqual([]);
  });

  it('comes over the API too, all of it, at the end of the last portion', async () => {
    await behind(shop.db, `UPDATE people SET role = 'quality' WHERE name = 'Tove'`);
    let breaks: { name: string; text: string }[] = [];
    for (let after: number | null = 0; after !== null;) {
      const report: { breaks: typeof breaks; next: number | null } = await odile.get(`/api/chains?after=${after}`);
      breaks = [...breaks, ...report.breaks];
      after = report.next;
    }
    expect(breaks.map((b) => b.name)).toEqual(['Ledger of people']);
  });
});

/* Written from docs/formats/chain.md alone: it shares no line with the application. */
function sorted(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(sorted).join(',')}]`;
  const keys = Object.keys(value)
    .filter((key) => (value as Record<string, unknown>)[key] !== undefined)
    .sort();
  return `{${keys.map((key) => `${JSON.stringify(key)}:${sorted((value as Record<string, unknown>)[key])}`).join(',')}}`;
}

describe('Every record of the demo shop', () => {
  it('holds by an independent hand, and is read in by another shop, equal to the last byte', async () => {
    const shop = await Shop.open();
    const ines = await shop.signIn('Ines');
    const { rows } = await shop.db.raw<{ rows: { combination: string }[] }>('SELECT DISTINCT combination FROM journal');
    expect(rows.length).toBeGreaterThan(7);
    for (const { combination } of rows) {
      const { body: file } = await ines.call('GET', `/api/combinations/${combination}/record.json`);
      const record = JSON.parse(file) as CombinationRecord;
      let previous = '0'.repeat(64);
      for (const entry of record.entries) {
        const {
          seq,
          hash,
          previous: before,
          slot,
          version,
          id,
          body,
          verdict,
          limit,
          at,
          by,
          role,
          corrects,
          why,
          madeAt,
          clockBehind,
        } = entry as Required<KeptEntry>;
        const content = sorted({
          version,
          combination,
          slot,
          id,
          body,
          verdict,
          limit,
          at,
          by,
          role,
          corrects,
          why,
          madeAt,
          clockBehind,
        });
        expect(before).toBe(previous);
        expect(createHash('sha256').update(`${previous}:${seq}:${content}`).digest('hex')).toBe(hash);
        previous = hash;
      }
      const read = await ines.call('POST', '/api/records/elsewhere?name=r.json', file, {
        'content-type': 'application/json',
      });
      expect(read.statusCode).withContext(read.body.slice(0, 200)).toBe(201);
      const { body: back } = await ines.call('GET', `/api/records/elsewhere/${read.json<{ id: string }>().id}/file`);
      expect(back).toBe(file);
    }
    await shop.close();
  }, 60_000);
});

describe('An entry on its way', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
    await odile.kept(id, TAKE_TOOL);
  });
  afterEach(() => shop.close());

  it('keeps when it was made and how far its clock was off, beside when it came in', async () => {
    const madeAt = new Date(Date.now() - 3_600_000 - 180_000).toISOString();
    const sentAt = new Date(Date.now() - 180_000).toISOString();
    const kept = await odile.kept(id, reading(1, 118.4), { madeAt, sentAt });
    expect(kept.madeAt).toBe(madeAt);
    expect(Math.abs((kept.clockBehind ?? 0) - 180_000)).toBeLessThan(5000);
    expect(Math.abs(Date.parse(kept.at) - Date.now())).toBeLessThan(5000);
    expect(await faultsOf(shop.db)).toEqual([]);
  });

  it('with a force that is not the one that was typed is refused', async () => {
    const differs = { typed: '15 lbf', unit: 'lbf', confirmed: ['pulled-already', 'above-wire'] } as const;
    expect((await odile.put(id, reading(1, 150, differs))).json<{ code: string }>().code).toBe('typed-differs');
    // 15 lbf x 4.4482216152605 N
    expect((await odile.put(id, reading(1, 66.7233242289075, differs))).statusCode).toBe(201);
  });

  it('of a piece nobody has looked at asks for a reason; a pull that is made already is kept and marked', async () => {
    const unseen = reading(1, 118.4, { confirmed: [] });
    expect((await odile.put(id, unseen)).json<{ code: string }>().code).toBe('not-looked-at');
    const noReason = reading(1, 118.4, { confirmed: ['not-looked-at'] });
    expect((await odile.put(id, noReason)).json<{ code: string }>().code).toBe('note-missing');
    expect((await odile.put(id, { ...noReason, note: 'cut for training' } as never)).statusCode).toBe(201);
    await odile.kept(id, { kind: 'finding', piece: 2, criterion: 'mark', finding: 'accept', note: '' });
    expect((await odile.put(id, reading(2, 118.4, { confirmed: [] }))).statusCode).toBe(201);
    expect((await odile.put(id, reading(3, 118.4))).statusCode).toBe(201);
  });

  it('names one pull of a gauge once, whichever piece, combination, tab or station it comes from', async () => {
    const pull = (start: number, end: number) => ({
      gauge: 'G-1',
      pull: { start: new Date(start).toISOString(), end: new Date(end).toISOString() },
    });
    const t = Date.parse('2026-11-26T07:00:00.000Z');
    const other = (await odile.combination('FL-RT-0406', 'FL-W-0075', 'Sensor bar')).id;
    const answers = await Promise.all([
      odile.put(id, reading(1, 118.4, pull(t, t + 4000))),
      odile.put(other, reading(61, 118.4, pull(t + 40, t + 3990))),
      odile.put(id, reading(2, 118.4, pull(t + 1, t + 4001))),
    ]);
    expect(answers.map((a) => a.statusCode).filter((c) => c === 201).length).toBe(1);
    expect(answers.filter((a) => a.statusCode !== 201).map((a) => a.json<{ code: string }>().code)).toEqual([
      'pull-taken',
      'pull-taken',
    ]);
    // The next pull of that gauge, and one of another gauge at the same time, are other pulls.
    expect((await odile.put(id, reading(7, 118.4, pull(t + 5000, t + 9000)))).statusCode).toBe(201);
    const elsewhere = { ...pull(t, t + 4000), gauge: 'G-2' };
    expect((await odile.put(id, reading(8, 118.4, elsewhere))).statusCode).toBe(201);
    // However long one lasted: a creep of half an hour is one pull too.
    const long = pull(t + 60_000, t + 1_860_000);
    expect((await odile.put(id, reading(9, 118.4, long))).statusCode).toBe(201);
    const within = await odile.put(id, reading(10, 118.4, pull(t + 1_800_000, t + 1_803_000)));
    expect(within.json<{ code: string }>().code).toBe('pull-taken');
  });

  it('is told from another that took its id meanwhile, and from another look than the one in effect', async () => {
    const stale = { ...TAKE_TOOL, run: undefined, look: { ...LOOK, revision: 'A' } } as never;
    expect((await odile.put(id, stale)).statusCode).toBe(422);
    const entry = { id: randomUUID() };
    await odile.kept(id, reading(1, 118.4), entry);
    expect((await odile.put(id, reading(1, 118.5), entry)).json<{ code: string }>().code).toBe('id-taken');
  });
});

describe('The contract', () => {
  it('has an address, a role and an answer for every operation, and the server serves them all', async () => {
    const shop = await Shop.open('empty');
    for (const route of Object.values(API)) {
      expect(shop.app.hasRoute({ method: route.method, url: `/api${route.path}` }))
        .withContext(route.id)
        .toBeTrue();
    }
    await shop.close();
  });
});
