import type { LimitRecord, Touched } from '@tug-mark/contract';
import { draftOf, type LimitTable, type Practice } from '@tug-mark/core';
import { FRESH, problemOf, proveSetUp, releaseSetUp, Shop, TAKE_TOOL, type Visitor } from './harness';

describe('A released set-up', () => {
  let shop: Shop;
  let odile: Visitor;
  let ines: Visitor;
  let id: string;
  beforeEach(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    ines = await shop.signIn('Ines');
    id = (await odile.combination(...FRESH)).id;
  });
  afterEach(() => shop.close());

  const prove = () => proveSetUp(odile, id);
  const release = (who: Visitor) => releaseSetUp(who, id);
  const state = async () => (await odile.standing(...FRESH)).release;

  it('is quality’s act, once every stage has passed, and lapses when another limit table is released', async () => {
    await odile.kept(id, TAKE_TOOL);
    expect(problemOf(await release(ines)).code).toBe('not-proven');
    await shop.close();
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    ines = await shop.signIn('Ines');
    id = (await odile.combination(...FRESH)).id;
    await prove();
    expect((await release(odile)).statusCode).toBe(403);
    expect((await release(ines)).statusCode).toBe(201);
    expect(await state()).toBe('released');
    const tables = await ines.get<LimitRecord[]>('/api/limits');
    const inEffect = tables.find(({ table }) => table.revision === 'C' && table.class === 'standard')
      ?.table as LimitTable;
    const marek = await shop.signIn('Marek');
    const next: LimitTable = { ...inEffect, revision: 'E', status: 'draft' };
    expect((await marek.call('PUT', '/api/limits/draft', next)).statusCode).toBe(200);
    const key = { document: next.document, revision: 'E', class: 'standard' };
    const overlapping = await ines.call('POST', '/api/limits/release', key);
    expect([overlapping.statusCode, problemOf(overlapping).code]).toEqual([409, 'limit-overlaps']);
    expect((await ines.call('POST', '/api/limits/release', { ...key, replaces: true })).statusCode).toBe(200);
    expect(await state()).toBe('lapsed');
    const after = await ines.get<LimitRecord[]>('/api/limits');
    expect(
      after.filter(({ table }) => table.class === 'standard').map(({ table }) => `${table.revision} ${table.status}`),
    ).toEqual(['B withdrawn', 'C withdrawn', 'D draft', 'E released']);
  });

  it('begins again from the newest revisions alone, whatever a client names', async () => {
    const view = await odile.view(id);
    const run = (revisions: typeof view.newest) => odile.put(id, { kind: 'run', run: 2, cause: 'new reel', revisions });
    expect(problemOf(await run({ ...view.newest, terminal: 99 })).code).toBe('revisions-stale');
    expect((await run(view.newest)).statusCode).toBe(201);
    expect((await odile.view(id)).revisions).toEqual(view.newest);
  });

  it('begins again whole or not at all: no run on record while the combination works from the old revisions', async () => {
    const { newest: revisions } = await odile.view(id);
    const entry = { id: crypto.randomUUID(), body: { kind: 'run', run: 2, cause: 'new reel', revisions } };
    const put = () => odile.call('POST', `/api/combinations/${id}/entries`, { corrects: null, why: null, ...entry });
    await shop.db.raw(`CREATE FUNCTION break_off() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        RAISE EXCEPTION 'broken off'; END $$;
      CREATE TRIGGER break_off BEFORE UPDATE ON combinations FOR EACH ROW EXECUTE FUNCTION break_off()`);
    expect((await put()).statusCode).toBeGreaterThanOrEqual(500);
    expect((await odile.view(id)).entries.some(({ body }) => body.kind === 'run')).toBeFalse();
    await shop.db.raw('DROP TRIGGER break_off ON combinations');
    expect((await put()).statusCode).toBe(201);
  });

  it('is drawn on a sheet as SVG and PDF, and a list’s sheets come in one pile that tells how far it is', async () => {
    const [svg = ''] = await odile.get<string[]>(`/api/combinations/${id}/sheet?paper=letter`);
    expect(svg).toContain('width="215.9mm" height="279.4mm"');
    expect(svg).toContain('FL-RT-0406 on FL-W-0100');
    const pdf = await odile.call('GET', `/api/combinations/${id}/sheet.pdf`);
    expect(pdf.headers['content-type']).toBe('application/pdf');
    expect(pdf.rawPayload.subarray(0, 5).toString('latin1')).toBe('%PDF-');
    const pile = await odile.call('GET', '/api/sheets?list=Chassis%20loom');
    expect(pile.headers['content-type']).toBe('application/pdf');
    expect(pile.headers['content-disposition']).toBe('attachment; filename="Chassis_loom_set-up_sheets.pdf"');
    const whole = pile.rawPayload.toString('latin1');
    expect(whole.startsWith('%PDF-')).toBeTrue();
    expect(whole.trimEnd().endsWith('%%EOF')).toBeTrue();
    expect((whole.match(/\/Type \/SetUpSheet\b/g) ?? []).length).toBe(4);
    expect((whole.match(/\/Type \/Page\b/g) ?? []).length).toBeGreaterThanOrEqual(4);
    expect((await odile.call('GET', '/api/sheets?list=nowhere')).statusCode).toBe(404);
  });
});

describe('A limit table', () => {
  let shop: Shop;
  let ines: Visitor;
  let draft: LimitTable;
  beforeEach(async () => {
    shop = await Shop.open();
    ines = await shop.signIn('Ines');
    const tables = await ines.get<LimitRecord[]>('/api/limits');
    draft = {
      ...(tables[0]?.table as LimitTable),
      document: 'FL-SPEC-09',
      revision: 'A',
      class: '9',
      status: 'draft',
      effectiveUntil: null,
    };
  });
  afterEach(() => shop.close());
  const keep = (changes: Partial<LimitTable>) => ines.call('PUT', '/api/limits/draft', { ...draft, ...changes });
  const release = (revision: string, who = ines) =>
    who.call('POST', '/api/limits/release', { document: 'FL-SPEC-09', revision, class: '9' });

  it('is not released with a row above what the wire bears, or when it has ended', async () => {
    const [row] = draft.rows;
    if (!row) throw new Error('no row');
    await keep({ revision: 'X', rows: [{ ...row, size: { scale: 'mm2', value: 0.75 }, force: 240 }] });
    const high = problemOf(await release('X'));
    expect(high.errors?.[0]?.row).toBe(1);
    expect(high.errors?.[0]?.text).toContain('itself breaks near 177.2 N');
    await keep({ revision: 'Y', effectiveFrom: '2025-01-01', effectiveUntil: '2025-12-31' });
    expect(problemOf(await release('Y')).errors?.[0]?.text).toBe(
      'It ended on 31 Dec 2025: released now, it would judge nothing.',
    );
  });

  it('of before rows had holds of their own is read as it was kept, applies one force for all to nothing, and stays as it was sealed', async () => {
    const { rows } = draft;
    await keep({ revision: 'O', hold: { seconds: 60, percent: null, force: 50 } });
    const kept = (await shop.db('limit_tables').where({ document: 'FL-SPEC-09' }).first('body')) as {
      body: LimitTable;
    };
    // As a shop has it from before: nothing of it is written again.
    const before: object = {
      ...Object.fromEntries(Object.entries(kept.body).filter(([key]) => key !== 'pushes')),
      hold: { seconds: 60, force: 50 },
      retention: 35,
      rows: rows.map(({ hold: _hold, ...row }) => row),
    };
    await shop
      .db('limit_tables')
      .where({ document: 'FL-SPEC-09' })
      .update({ body: JSON.stringify(before) });
    const found = (await ines.get<LimitRecord[]>('/api/limits')).find(({ table }) => table.document === 'FL-SPEC-09');
    expect(found?.table).toEqual({
      ...draft,
      revision: 'O',
      hold: { seconds: 60, percent: null, force: 50 },
      pushes: [],
      retention: 35,
      rows: rows.map((row) => ({ ...row, hold: null })),
    });
    expect(found?.problems.map(({ weight, text }) => `${weight}: ${text}`)).toEqual(
      jasmine.arrayContaining([
        'note: It names 50 N to be held for every size alike. That is applied to nothing: say it by row.',
        'note: It names 35 N to be pushed for every size alike. That is applied to nothing: say it by row.',
      ]),
    );
    expect((await shop.db('limit_tables').where({ document: 'FL-SPEC-09' }).first('body')) as unknown).toEqual({
      body: before,
    });
  });

  it('tells whose limit it would change, with both forces, and leaves out all others', async () => {
    const tables = await ines.get<LimitRecord[]>('/api/limits');
    const inEffect = tables.find(({ table }) => table.revision === 'C' && table.class === 'standard')
      ?.table as LimitTable;
    const rows = inEffect.rows.map((row) => (row.size.value === 0.75 ? { ...row, force: 90 } : row));
    await ines.call('PUT', '/api/limits/draft', { ...inEffect, revision: 'T', status: 'draft', rows });
    const key = new URLSearchParams({ document: inEffect.document, revision: 'T', class: 'standard' }).toString();
    const touched = await ines.get<Touched[]>(`/api/limits/touched?${key}`);
    expect(touched.length).toBeGreaterThan(3);
    expect(new Set(touched.map((t) => `${t.wire} ${t.before} ${t.after}`))).toEqual(new Set(['FL-W-0075 85 90']));
    expect(
      (await ines.call('GET', '/api/limits/touched?document=FL-SPEC-07&revision=Z&class=standard')).statusCode,
    ).toBe(404);
  });

  it('is released by a second person where the practice says so', async () => {
    const marek = await shop.signIn('Marek');
    const [house] = await marek.get<{ revision: number; body: Practice }[]>('/api/cabinet/practice/house/revisions');
    if (!house) throw new Error('no house practice');
    const choices = {
      ...draftOf(house.body).choices,
      secondPersonReleases: true,
    };
    await marek.call('PUT', '/api/practices', {
      opened: house.revision,
      draft: { part: 'house', label: 'house', customer: null, class: null, base: null, choices },
    });
    await keep({ revision: 'A' });
    expect(problemOf(await release('A')).code).toBe('second-person');
    await marek.call('PUT', '/api/limits/draft', { ...draft, revision: 'A' });
    expect((await release('A')).statusCode).toBe(200);
    expect(problemOf(await keep({ revision: 'A', owner: 'somebody' })).code).toBe('limit-stands');
  });

  it('gives its rows as CSV and reads them back, and names a bad one by row and column', async () => {
    const csv = (await ines.call('GET', '/api/limits/rows.csv?document=FL-SPEC-07&revision=C&class=standard')).body;
    const type = { 'content-type': 'text/csv' };
    const rows = (await ines.call('POST', '/api/limits/rows', csv, type)).json<LimitTable['rows']>();
    const tables = await ines.get<LimitRecord[]>('/api/limits');
    expect(rows).toEqual([
      ...(tables.find(({ table }) => table.revision === 'C' && table.class === 'standard')?.table.rows ?? []),
    ]);
    const mixed = await ines.call('POST', '/api/limits/rows', 'size,force lbf\n0.75 mm2,19 N\nAWG 18,', type);
    expect(problemOf(mixed).errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'force lbf'],
      [3, 'force lbf'],
    ]);
  });
});
