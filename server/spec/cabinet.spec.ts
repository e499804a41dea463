import type { Cabinet, PartRevision, Suspect } from '@tug-mark/contract';
import { draftOf, type Terminal } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { down as firstDown, up as first } from '../src/db/migrations/001-first';
import { up as second } from '../src/db/migrations/002-set-up-in-full';
import { FRESH, problemOf, Shop, TAKE_TOOL, type Visitor } from './harness';

describe('The cabinet', () => {
  let shop: Shop;
  let marek: Visitor;
  beforeEach(async () => {
    shop = await Shop.open();
    marek = await shop.signIn('Marek');
  });
  afterEach(() => shop.close());

  const ring = async () =>
    (await marek.get<PartRevision[]>('/api/cabinet/terminal/FL-RT-0406/revisions'))[0] as PartRevision;
  const keep = (opened: number, body: unknown, who = marek) =>
    who.call('PUT', '/api/cabinet/terminal', { opened, body });

  it('keeps an edit as a new revision while the set-up keeps the one it was made with, and is told of the newer one', async () => {
    const before = await ring();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    const answer = await keep(1, { ...(before.body as Terminal), brushMax: 3.3 });
    expect(answer.json<PartRevision>().revision).toBe(2);
    const view = await odile.view(id);
    expect([view.terminal.brushMax, view.revisions.terminal, view.newest.terminal]).toEqual([2.9, 1, 2]);
    await odile.kept(id, TAKE_TOOL);
    await odile.kept(id, { kind: 'run', run: 2, cause: 'terminal revision 2', revisions: view.newest });
    const after = await odile.view(id);
    expect([after.terminal.brushMax, after.revisions.terminal]).toEqual([3.3, 2]);
    const late = await odile.put(id, { kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' });
    expect(problemOf(late).code).toBe('run-over');
  });

  it('reads a part from before some of its fields existed with their defaults, and the same file again changes nothing', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    const before = (await ring()).body as Terminal;
    const { otherRange, heaterSetting, ...old } = before;
    expect([otherRange, heaterSetting]).toEqual([null, null]);
    await shop.db.transaction(async (trx) => {
      await trx.raw('SET LOCAL session_replication_role = replica');
      await trx('parts')
        .where({ part: before.part })
        .update({ body: JSON.stringify(old) });
    });
    expect((await ring()).body).toEqual(before);
    expect((await odile.view(id)).terminal.otherRange).toBeNull();
    expect((await keep(1, before)).json<PartRevision>().revision).toBe(1);
    const file = { format: 'tug-mark/parts', version: 1, kind: 'terminal', parts: [before] };
    const again = await marek.call('POST', '/api/cabinet/terminal/parts', file);
    expect(again.json<{ changed: number }>().changed).toBe(0);
  });

  it('loses nothing when two people change one part: the second is told and keeps theirs on top', async () => {
    const before = (await ring()).body as Terminal;
    await keep(1, { ...before, brushMax: 3.3 });
    const clash = await keep(1, { ...before, brushMax: 3.1 });
    expect([clash.statusCode, problemOf(clash).code]).toEqual([409, 'stale-revision']);
    expect(problemOf(clash).standing).toEqual({ revision: 2 });
    expect((await keep(2, { ...before, brushMax: 3.1 })).json<PartRevision>().revision).toBe(3);
  });

  it('refuses a part at its field, and anybody but an engineer', async () => {
    const before = (await ring()).body as Terminal;
    const backwards = { smallest: { scale: 'awg', value: 18 }, largest: { scale: 'awg', value: 22 } };
    const refused = await keep(1, { ...before, conductorRange: backwards });
    expect(problemOf(refused).errors).toEqual([
      { where: 'conductorRange', text: 'is backwards: the smaller conductor comes first' },
    ]);
    expect((await keep(1, before, await shop.signIn('Odile'))).statusCode).toBe(403);
  });

  for (const kind of ['wire', 'terminal', 'tool', 'stripper', 'covering'] as const) {
    it(`goes out and comes back as CSV and as JSON without a change: ${kind}`, async () => {
      const csv = (await marek.call('GET', `/api/cabinet/${kind}/parts.csv`)).body;
      const back = await marek.call('POST', `/api/cabinet/${kind}/table`, csv, { 'content-type': 'text/csv' });
      expect(back.json<{ changed: number }>().changed).withContext(back.body.slice(0, 400)).toBe(0);
      const json = JSON.parse((await marek.call('GET', `/api/cabinet/${kind}/parts.json`)).body) as {
        parts: unknown[];
      };
      const again = await marek.call('POST', `/api/cabinet/${kind}/parts`, json);
      expect(again.json<{ parts: number; changed: number }>()).toEqual({ parts: json.parts.length, changed: 0 });
    });
  }

  it('names every fault of a table by row and column and takes nothing of it', async () => {
    const csv = (await marek.call('GET', '/api/cabinet/wire/parts.csv')).body.split('\n');
    const broken = [csv[0], csv[1]?.replace(',1.1,', ',0,'), csv[2]?.replace(',14,', ',fourteen,')].join('\n');
    const answer = await marek.call('POST', '/api/cabinet/wire/table', broken, { 'content-type': 'text/csv' });
    expect(answer.statusCode).toBe(422);
    expect(problemOf(answer).errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'insulation diameter mm'],
      [3, 'strands'],
    ]);
    const { wires } = await marek.get<Cabinet>('/api/cabinet');
    expect(wires.find((w) => w.part === 'FL-W-0014')?.insulationDiameter).toBe(1.1);
  });

  it('lists what a failed check makes suspect: the lots of that tool since its last good check', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const check = {
      id: randomUUID(),
      tool: 'HT-11',
      die: 'A',
      goPassed: true,
      noGoStopped: false,
      setting: null,
      cycles: 8500,
    };
    expect((await odile.call('POST', '/api/tool-checks', check)).statusCode).toBe(201);
    const suspect = await odile.get<Suspect>('/api/tools/HT-11/suspect');
    // The lot of flags that is being made with the same tool is suspect too, from its first piece since the last good check.
    expect(suspect.lots.map((lot) => [lot.terminal, lot.wire])).toEqual([[...FRESH], ['FL-FK-0406', 'FL-W-0100']]);
    expect(suspect.lots.map((lot) => lot.entries)).toEqual([1, jasmine.any(Number) as unknown as number]);
    expect(suspect.after).not.toBeNull();
    expect(await odile.get<Suspect | null>('/api/tools/HT-16/suspect')).toBeNull();
    expect((await odile.settled()).find((line) => line.id === id)?.stages[2]).toBe('fail');
  });
});

describe('Practice profiles', () => {
  let shop: Shop;
  let marek: Visitor;
  beforeEach(async () => {
    shop = await Shop.open();
    marek = await shop.signIn('Marek');
  });
  afterEach(() => shop.close());
  const draft = (part: string, base: string | null, choices: object, whose: object = {}) => ({
    opened: 0,
    draft: { part, label: `${part} practice`, customer: null, class: null, base, choices, ...whose },
  });

  it('take open choices from their base, and follow it when it changes', async () => {
    const kept = await marek.call(
      'PUT',
      '/api/practices',
      draft('dock-a', 'house', { gap: 'required' }, { customer: 'Dock A' }),
    );
    expect(kept.json<PartRevision>().body).toEqual(
      jasmine.objectContaining({ gap: 'required', brush: 'conductor-diameter' }),
    );
    const { practices } = await marek.get<Cabinet>('/api/cabinet');
    const house = practices.find((p) => p.part === 'house');
    if (!house) throw new Error('no house practice');
    const { choices } = draftOf(house);
    const changed = { ...draft('house', null, { ...choices, brush: 'fixed' }), opened: 1 };
    expect((await marek.call('PUT', '/api/practices', changed)).statusCode).toBe(200);
    const [newest] = await marek.get<PartRevision[]>('/api/cabinet/practice/dock-a/revisions');
    expect([newest?.revision, (newest?.body as { brush: string }).brush]).toEqual([2, 'fixed']);
  });

  it('are refused when the base is not there or comes back to itself', async () => {
    const missing = await marek.call('PUT', '/api/practices', draft('lost', 'nowhere', {}));
    expect([missing.statusCode, problemOf(missing).code]).toEqual([422, 'base-missing']);
    await marek.call('PUT', '/api/practices', draft('one', 'house', {}, { customer: 'One' }));
    await marek.call('PUT', '/api/practices', draft('two', 'one', {}, { customer: 'Two' }));
    const circle = await marek.call('PUT', '/api/practices', {
      ...draft('one', 'two', {}, { customer: 'One' }),
      opened: 1,
    });
    expect(problemOf(circle).detail).toContain('one on two on one');
  });

  it('in a shop file stand on bases that are there, or the file is refused whole', async () => {
    const shopFile = {
      format: 'tug-mark/shop',
      version: 1,
      wires: [],
      terminals: [],
      strippers: [],
      tools: [],
      limits: [],
    };
    const { practices } = await marek.get<Cabinet>('/api/cabinet');
    const lost = { ...practices[0], part: 'lost', base: 'nowhere' };
    const answer = await marek.call('POST', '/api/shop-file', { ...shopFile, practices: [lost] });
    expect([answer.statusCode, problemOf(answer).code]).toEqual([422, 'base-missing']);
    expect((await marek.get<Cabinet>('/api/cabinet')).practices.some((p) => p.part === 'lost')).toBeFalse();
  });

  it('apply to a list of their customer, and a list nobody’s profile settles is refused', async () => {
    const list = 'wire id,wire part,length,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,4';
    const send = (name: string, customer: string) =>
      marek.call(
        'POST',
        `/api/wire-lists?id=${randomUUID()}&name=${name}&customer=${encodeURIComponent(customer)}`,
        list,
        {
          'content-type': 'text/csv',
        },
      );
    expect((await send('docked', 'Charging dock')).statusCode).toBe(201);
    const { id } = await marek.combination('FL-RT-0406', 'FL-W-0075', 'docked');
    expect((await marek.view(id)).practice.part).toBe('charging-dock');
    await marek.call('PUT', '/api/practices', draft('rival', 'house', {}, { customer: 'Charging dock' }));
    const refused = await send('docked twice', 'Charging dock');
    expect([refused.statusCode, problemOf(refused).code]).toEqual([409, 'no-practice']);
  });
});

describe('A shop of the first version', () => {
  it('finds its parts, limits and checks in the words of this one', async () => {
    const shop = await Shop.open('empty');
    const { db } = shop;
    await db.raw('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
    await first(db);
    const part = (kind: string, name: string, body: object) =>
      db('parts').insert({ kind, part: name, revision: 1, body: JSON.stringify(body), by_name: 'Ada' });
    await part('terminal', 'T', {
      part: 'T',
      family: 'bare-ring',
      barrel: { length: 6 },
      slideOn: [{ part: 'S', label: 's', length: 3 }],
    });
    await part('tool', 'H', { part: 'H', dies: [{ id: 'A', nests: [{ id: '1' }] }] });
    await part('practice', 'house', { part: 'house', brush: 'fixed' });
    const limits = { document: 'D', revision: 'A', class: 'standard', status: 'released', by_name: 'Ines' };
    await db('limit_tables').insert({
      ...limits,
      body: JSON.stringify({ rows: [{ force: 9, families: ['insulated-ring'] }] }),
    });
    await second(db);
    const body = async (name: string) =>
      ((await db('parts').where({ part: name }).first('body')) as { body: Record<string, unknown> }).body;
    expect(await body('T')).toEqual(
      jasmine.objectContaining({
        family: 'bare-terminal',
        mostWires: 1,
        barrel: { length: 6, growth: 0 },
        slideOn: [{ part: 'S', label: 's', length: 3, kind: 'sleeve', wayRound: null }],
      }),
    );
    expect((await body('H'))['dies']).toEqual([{ id: 'A', nests: [{ id: '1', index: null, grips: 'both' }] }]);
    expect(await body('house')).toEqual(
      jasmine.objectContaining({ brush: 'fixed', lay: 'factory-lay', measuredPieces: 0 }),
    );
    const row = (await db('limit_tables').first()) as Record<string, unknown>;
    expect(row['released_by']).toBe('Ines');
    expect((row['body'] as { rows: unknown[] }).rows).toEqual([
      { force: 9, families: ['insulated-terminal'], material: null, percent: null },
    ]);
    await expectAsync(firstDown()).toBeRejectedWithError(/drop the database/);
    await shop.close();
  });
});
