import type { KeptEntry } from '@tug-mark/contract';
import { randomUUID } from 'node:crypto';
import { findBreak } from '../src/chain/ChainCheck';
import { verifyShop } from '../src/verify/verifyShop';
import { problemOf, reading, Shop, sprayerLoom, TAKE_TOOL, type Visitor, LOOK, openBench } from './harness';

describe('The journal', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeEach(async () => {
    ({ shop, odile, id } = await openBench());
    await odile.kept(id, TAKE_TOOL);
  });
  afterEach(() => shop.close());

  it('keeps a reading with the server’s own verdict and the limit it was judged by', async () => {
    const kept = await odile.kept(id, reading(1, 118.4));
    // 1.0 mm2 of FL-SPEC-07 rev C, grade standard: 108 N
    expect(kept.verdict?.verdict).toBe('holds');
    expect(kept.verdict?.margin).toBeCloseTo(10.4, 9);
    expect(kept.limit).toEqual({ document: 'FL-SPEC-07', revision: 'C', class: 'standard' });
    expect([kept.by, kept.role]).toEqual(['Odile', 'technician']);
  });

  it('keeps every digit of a force', async () => {
    const force = 118.40000000000002;
    await odile.kept(id, reading(1, force));
    const body = (await odile.view(id)).entries[1]?.body;
    expect(body?.kind === 'reading' && body.force).toBe(force);
  });

  it('keeps an entry once, however often it is sent', async () => {
    const entry = { id: randomUUID() };
    const answers = await Promise.all([1, 2, 3, 4].map(() => odile.put(id, reading(1, 118.4), entry)));
    expect(answers.map((a) => a.statusCode).sort()).toEqual([200, 200, 200, 201]);
    expect(new Set(answers.map((a) => a.json<KeptEntry>().hash)).size).toBe(1);
    expect((await odile.view(id)).entries.length).toBe(2);
  });

  it('refuses one id for two different things', async () => {
    const entry = { id: randomUUID() };
    await odile.kept(id, reading(1, 118.4), entry);
    const answer = await odile.put(id, reading(2, 119), entry);
    expect([answer.statusCode, problemOf(answer).code]).toEqual([409, 'id-taken']);
  });

  it('lets only one of two tabs read the same piece, and shows the other what stands', async () => {
    const ines = await shop.signIn('Ines');
    const answers = await Promise.all([odile.put(id, reading(1, 118.4)), ines.put(id, reading(1, 116.1))]);
    expect(answers.map((a) => a.statusCode).sort()).toEqual([201, 409]);
    const lost = problemOf(answers.find((a) => a.statusCode === 409) ?? answers[0]);
    expect(lost.code).toBe('slot-taken');
    expect(lost.title).toMatch(/Piece 1 has a reading already: 11\d\.\d N, by (Odile|Ines)/);
    expect(lost.standing).toBeTruthy();
  });

  it('takes a correction with its reason, once, and keeps what was corrected', async () => {
    const first = await odile.kept(id, reading(1, 84));
    expect(problemOf(await odile.put(id, reading(1, 114), { corrects: first.id, why: ' ' })).code).toBe(
      'reason-missing',
    );
    await odile.kept(id, reading(1, 114), { corrects: first.id, why: 'digits swapped' });
    expect(problemOf(await odile.put(id, reading(1, 115), { corrects: first.id, why: 'again' })).code).toBe(
      'corrects-stale',
    );
    expect(problemOf(await odile.put(id, reading(2, 115), { corrects: first.id, why: 'other piece' })).code).toBe(
      'corrects-unknown',
    );
    const { entries } = await odile.view(id);
    expect(entries.map((e) => (e.body.kind === 'reading' ? e.body.force : null))).toEqual([null, 84, 114]);
  });

  it('refuses by the rules of the job, whatever a page would have let through', async () => {
    const code = async (...put: Parameters<Visitor['put']>) => problemOf(await odile.put(...put)).code;
    expect(await code(id, reading(1, 1e9))).toBe('above-wire');
    expect(await code(id, { kind: 'gate', gate: 'hand-tug', answer: 'yes', note: '' })).toBe('gate-order');
    expect(await code(id, { kind: 'finding', piece: 1, criterion: 'seam', finding: 'rework', note: '' })).toBe(
      'finding-not-allowed',
    );
    expect(await code(id, { kind: 'ruling', piece: 1, ruling: 'counts', note: 'x' })).toBe('role-may-not');
    expect(await code(id, { kind: 'trial', evidence: 'report', note: '' })).toBe('role-may-not');
  });

  it('says where a request is wrong: too many fields, a wrong type, no JSON at all', async () => {
    const send = (payload: unknown) =>
      odile.call('POST', `/api/combinations/${id}/entries`, payload, { 'content-type': 'application/json' });
    const many = await send({
      id: randomUUID(),
      body: { ...reading(1, 118), colour: 'red' },
      corrects: null,
      why: null,
    });
    expect([many.statusCode, problemOf(many).errors?.[0]?.where]).toEqual([422, 'body']);
    const negative = await send({ id: randomUUID(), body: reading(1, -5), corrects: null, why: null });
    expect(problemOf(negative).errors?.[0]).toEqual(
      jasmine.objectContaining({ where: 'body.force', text: 'has to be above 0' }),
    );
    const nan = await send('{"id": NaN}');
    expect([nan.statusCode, problemOf(nan).code]).toEqual([400, 'not-json']);
    expect(nan.headers['content-type']).toContain('application/problem+json');
    expect((await odile.put(randomUUID(), reading(1, 118))).statusCode).toBe(404);
  });

  it('cannot be changed, deleted or emptied in the database', async () => {
    const refused = /append-only/;
    await expectAsync(shop.db('journal').update({ by_name: 'Nobody' })).toBeRejectedWithError(refused);
    await expectAsync(shop.db('journal').delete()).toBeRejectedWithError(refused);
    await expectAsync(shop.db.raw('TRUNCATE journal CASCADE')).toBeRejectedWithError(refused);
    await expectAsync(shop.db('tool_checks').delete()).toBeRejectedWithError(refused);
  });

  it('is a chain that shows a row changed behind the application’s back', async () => {
    await odile.kept(id, reading(1, 84));
    await odile.kept(id, reading(2, 117));
    expect(findBreak(id, (await odile.view(id)).entries)).toBeNull();
    await shop.db.raw('ALTER TABLE journal DISABLE TRIGGER journal_append_only');
    await shop.db.raw(
      `UPDATE journal SET body = replace(body::text, '84', '94')::json WHERE combination = ? AND slot = 'reading/1'`,
      [id],
    );
    expect(findBreak(id, (await odile.view(id)).entries)?.text).toBe('Entry 2 is not what was put on record.');
  });

  it('keeps one unbroken chain when many stations write at once', async () => {
    await Promise.all(Array.from({ length: 40 }, (_, i) => odile.put(id, reading(i + 1, 115 + i / 10))));
    const { entries } = await odile.view(id);
    expect(entries.length).toBe(41);
    expect(findBreak(id, entries)).toBeNull();
  });

  it('judges a reading by what is released at that moment, also on another server process', async () => {
    const ines = await shop.signIn('Ines');
    await odile.kept(id, reading(1, 118));
    await ines.call('POST', '/api/limits/withdraw', { document: 'FL-SPEC-07', revision: 'C', class: 'standard' });
    expect((await odile.kept(id, reading(2, 118))).verdict?.verdict).toBe('no-limit');
    // What was judged before stands on the table it was judged by.
    const [first, second] = (await odile.view(id)).entries.filter((e) => e.body.kind === 'reading');
    expect([first?.limit?.revision, second?.limit]).toEqual(['C', null]);
  });
});

describe('A tool', () => {
  it('that is overdue is refused until its go/no-go check is on record; a failed check keeps it out', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const ines = await shop.signIn('Ines');
    await odile.importCsv('Spray', await sprayerLoom());
    const { id } = await odile.combination('FL-WS-10', 'FL-W-0075');
    const take = { kind: 'tool', tool: 'HT-14', die: 'W', nest: '10', look: LOOK } as const;
    const due = problemOf(await odile.put(id, take));
    expect([due.code, due.title]).toEqual([
      'tool-refused',
      'The go/no-go check of Hand tool HT-14 is good for 12 h and ran out. Check it now.',
    ]);
    const check = (goPassed: boolean, noGoStopped: boolean) =>
      odile.call('POST', '/api/tool-checks', { id: randomUUID(), tool: 'HT-14', goPassed, noGoStopped });
    await check(true, false);
    expect(problemOf(await odile.put(id, take)).title).toContain('failed its last check');
    // Passing is not enough: quality says what was done to it, once, and then it is checked.
    await check(true, true);
    expect(problemOf(await odile.put(id, take)).title).toContain('failed its last check');
    const back = { id: randomUUID(), tool: 'HT-14', done: 'adjusted', note: 'Stop screw turned in, by Marek.' };
    expect(problemOf(await odile.call('POST', '/api/tool-returns', back)).code).toBe('role-may-not');
    expect(problemOf(await ines.call('POST', '/api/tool-returns', { ...back, note: ' ' })).code).toBe('shape-wrong');
    const returned = await ines.call('POST', '/api/tool-returns', back);
    expect(returned.json()).toEqual(jasmine.objectContaining({ ...back, by: 'Ines' }));
    expect((await ines.call('POST', '/api/tool-returns', back)).json()).toEqual(returned.json());
    const again = { ...back, id: randomUUID() };
    expect(problemOf(await ines.call('POST', '/api/tool-returns', again)).code).toBe('nothing-to-return');
    expect(problemOf(await odile.put(id, take)).title).toContain('is back in use: adjusted');
    const passed = { id: randomUUID(), tool: 'HT-14', goPassed: true, noGoStopped: true };
    const first = await odile.call('POST', '/api/tool-checks', passed);
    // Sent twice it is kept once, with the time it was first kept; the same id never stands for another check.
    expect((await odile.call('POST', '/api/tool-checks', passed)).json()).toEqual(first.json());
    expect((await odile.call('POST', '/api/tool-checks', { ...passed, goPassed: false })).statusCode).toBe(409);
    expect((await odile.put(id, take)).statusCode).toBe(201);
    expect(
      (
        await odile.call('POST', '/api/tool-checks', {
          id: randomUUID(),
          tool: 'HT-99',
          goPassed: true,
          noGoStopped: true,
        })
      ).statusCode,
    ).toBe(404);
    expect(await verifyShop(shop.db)).toEqual(jasmine.objectContaining({ faults: [] }));
    await shop.close();
  });

  it('is checked with the die that is mounted, and the check names it', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    await odile.importCsv('Spray', await sprayerLoom());
    const { id } = await odile.combination('FL-RB-0515', 'FL-W-0150');
    const take = { kind: 'tool', tool: 'HT-11', die: 'B', nest: '3', look: LOOK } as const;
    const passed = (die?: string, nest?: string) =>
      odile.call('POST', '/api/tool-checks', {
        id: randomUUID(),
        tool: 'HT-11',
        goPassed: true,
        noGoStopped: true,
        ...(die !== undefined && { die }),
        ...(nest !== undefined && { nest }),
      });
    expect(problemOf(await passed()).code).toBe('die-unknown');
    expect(problemOf(await passed('B', 'none')).code).toBe('die-unknown');
    expect((await passed('A')).json()).toEqual(jasmine.objectContaining({ die: 'A', nest: null }));
    expect(problemOf(await odile.put(id, take)).title).toContain('A check made with another die says nothing of die B');
    await passed('B');
    expect((await odile.put(id, take)).statusCode).toBe(201);
    await shop.close();
  });

  it('is checked by nobody whose qualification lapsed', async () => {
    const shop = await Shop.open();
    const tove = await shop.signIn('Tove');
    const check = { id: randomUUID(), tool: 'HT-12', die: 'C', goPassed: true, noGoStopped: true };
    expect(problemOf(await tove.call('POST', '/api/tool-checks', check)).code).toBe('qualification-lapsed');
    expect(await shop.db('tool_checks').where({ id: check.id })).toEqual([]);
    await shop.close();
  });
});
