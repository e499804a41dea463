import { PLAIN_SETTINGS, type Here, type Person } from '@tug-mark/contract';
import sharp from 'sharp';
import { FRESH, problemOf, reading, Shop, TAKE_TOOL, type Visitor } from './harness';
import { verifyShop } from '../src/verify/verifyShop';

const named = async (engineer: Visitor, name: string): Promise<Person> => {
  const found = (await engineer.get<Person[]>('/api/people')).find((person) => person.name === name);
  if (!found) throw new Error(`nobody is called ${name}`);
  return found;
};

describe('A person of several roles', () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open();
  });
  afterAll(() => shop.close());

  it('is shown with all of them, and what they put on record names the one they acted in', async () => {
    const marek = await shop.signIn('Marek');
    const { id: odileId } = await named(marek, 'Odile');
    const answer = await marek.call('PATCH', `/api/people/${odileId}`, { roles: ['technician', 'quality'] });
    expect(answer.json<Person>().roles).toEqual(['technician', 'quality']);
    // What was left out of the change stands as it stood.
    expect(answer.json<Person>().qualifiedUntil).toBe('2031-12-31');
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    expect((await odile.kept(id, TAKE_TOOL)).role).toBe('technician');
    const low = await odile.kept(id, reading(1, 12, { mode: 'grip-slipped', note: 'the jaw was open' }));
    expect(low.role).toBe('technician');
    const ruled = await odile.kept(id, { kind: 'ruling', piece: 1, ruling: 'counts', note: 'the gauge was seen' });
    expect([ruled.by, ruled.role]).toEqual(['Odile', 'quality']);
    const deeds = await shop.db('ledger').where({ chain: 'people', subject: odileId }).orderBy('seq').pluck('content');
    expect(deeds.at(-1)).toContain('"moreRoles":["quality"]');
  });

  it('stays an engineer as long as nobody else is one', async () => {
    const marek = await shop.signIn('Marek');
    const own = await named(marek, 'Marek');
    const change = (roles: string[]) => marek.call('PATCH', `/api/people/${own.id}`, { roles });
    expect(problemOf(await change(['quality'])).code).toBe('last-engineer');
    expect((await change(['quality', 'engineer'])).statusCode).toBe(200);
    expect((await change([])).statusCode).toBe(422);
    expect((await change(['engineer', 'engineer'])).statusCode).toBe(422);
    expect((await marek.call('GET', '/api/people')).statusCode).toBe(200);
  });

  it('may be the first and only one of a shop', async () => {
    const alone = await Shop.open('empty');
    const visitor = await alone.firstEngineer({ alone: true });
    const here = await visitor.get<Here>('/api/session');
    expect(here.person?.roles).toEqual(['engineer', 'technician', 'quality']);
    expect((await verifyShop(alone.db)).faults).toEqual([]);
    await alone.close();
  });
});

describe('A qualification', () => {
  let shop: Shop;
  let marek: Visitor;
  beforeEach(async () => {
    shop = await Shop.open();
    marek = await shop.signIn('Marek');
  });
  afterEach(() => shop.close());

  it('of a family lets somebody record that one and no other; who gave it, and when, stays with it', async () => {
    const odile = await shop.signIn('Odile');
    const { id: whose } = await named(marek, 'Odile');
    const give = async (...families: string[]) =>
      (
        await marek.call('PATCH', `/api/people/${whose}`, {
          qualifications: families.map((family) => ({ family, until: null })),
        })
      ).json<Person>().qualifications;
    const { id } = await odile.combination(...FRESH);
    const { family } = (await odile.view(id)).terminal;
    const other = family === 'lug' ? 'ferrule' : 'lug';
    const [first] = (await give(other)) ?? [];
    expect(first?.by).toBe('Marek');
    const refused = await odile.put(id, TAKE_TOOL);
    expect([refused.statusCode, problemOf(refused).code]).toEqual([403, 'qualification-lapsed']);
    expect(problemOf(refused).title).toContain('You are not qualified for');
    expect((await give(other, family))?.find((each) => each.family === other)).toEqual(first);
    expect((await odile.put(id, TAKE_TOOL)).statusCode).toBe(201);
    await give();
    expect(problemOf(await odile.put(id, reading(1, 118.4))).code).toBe('qualification-lapsed');
    expect((await verifyShop(shop.db)).faults).toEqual([]);
  });

  it('of a family goes for a file of pulls too', async () => {
    const odile = await shop.signIn('Odile');
    const [running] = (await odile.get<{ lines: { id: string; lot: number }[] }>('/api/lots?state=running')).lines;
    if (!running) throw new Error('the demo has no running lot');
    const { id: whose } = await named(marek, 'Odile');
    await marek.call('PATCH', `/api/people/${whose}`, { qualifications: [{ family: 'ferrule', until: null }] });
    const answer = await odile.call(
      'POST',
      `/api/combinations/${running.id}/lots/${running.lot}/readings`,
      'piece,force N\n3,118.4\n',
      { 'content-type': 'text/csv' },
    );
    expect(problemOf(answer).code).toBe('qualification-lapsed');
  });
});

describe('The shop itself', () => {
  let shop: Shop;
  let marek: Visitor;
  beforeAll(async () => {
    shop = await Shop.open();
    marek = await shop.signIn('Marek');
  });
  afterAll(() => shop.close());

  it('is shown plainly until somebody sets how, and then so to everybody', async () => {
    const fresh = await Shop.open('empty');
    expect((await (await fresh.firstEngineer()).get<Here>('/api/session')).shop.settings).toEqual(PLAIN_SETTINGS);
    await fresh.close();
    const settings = { ...PLAIN_SETTINGS, forceDecimals: 2, paper: 'letter', grades: ['standard', 'high'] };
    const change = { name: 'Harbour Looms', zone: 'Pacific/Honolulu', settings };
    const odile = await shop.signIn('Odile');
    expect((await odile.call('PUT', '/api/shop', change)).statusCode).toBe(403);
    expect((await marek.call('PUT', '/api/shop', change)).statusCode).toBe(200);
    const here = await odile.get<Here>('/api/session');
    expect(here.shop).toEqual(jasmine.objectContaining(change as object));
    expect((await verifyShop(shop.db)).faults).toEqual([]);
  });

  it('refuses settings it could not show', async () => {
    const put = (settings: object) =>
      marek.call('PUT', '/api/shop', { name: 'X', zone: 'UTC', settings: { ...PLAIN_SETTINGS, ...settings } });
    for (const wrong of [
      ...[{ forceDecimals: 9 }, { language: 'tlh' }, { grades: ['a', 'a'] }, { idleMinutes: 0 }, { colour: 'red' }],
    ]) {
      expect((await put(wrong)).statusCode)
        .withContext(JSON.stringify(wrong))
        .toBe(422);
    }
  });

  it('prints a sheet on its paper unless another is asked for', async () => {
    const { id } = await (await shop.signIn('Odile')).combination(...FRESH);
    const settings = { ...PLAIN_SETTINGS, paper: 'letter' };
    await marek.call('PUT', '/api/shop', { name: 'X', zone: 'UTC', settings });
    const svg = async (query = '') => (await marek.call('GET', `/api/combinations/${id}/sheet.svg${query}`)).body;
    expect(await svg()).toContain('width="215.9mm"');
    expect(await svg('?paper=A4')).toContain('width="210mm"');
  });

  it('stands on its paper with its logo, small and on white, and without it again', async () => {
    const picture = await sharp({
      create: { width: 1800, height: 300, channels: 4, background: { r: 13, g: 79, b: 89, alpha: 0.5 } },
    })
      .webp()
      .toBuffer();
    const put = (bytes: Buffer, type: string) => marek.call('PUT', '/api/shop/logo', bytes, { 'content-type': type });
    const kept = await put(picture, 'image/webp');
    expect(kept.json<Here>().shop.logo).toMatch(/^[0-9a-f]{64}$/);
    const logo = await marek.call('GET', '/api/shop/logo');
    expect(logo.headers['content-type']).toBe('image/png');
    const { width, height, hasAlpha } = await sharp(logo.rawPayload).metadata();
    expect([width, height, hasAlpha]).toEqual([640, 107, false]);
    const { id } = await (await shop.signIn('Odile')).combination(...FRESH);
    const sheet = async () => (await marek.call('GET', `/api/combinations/${id}/sheet.svg`)).body;
    expect(await sheet()).toMatch(/<image [^>]*width="40" height="6\.68/);
    const pdf = await marek.call('GET', `/api/combinations/${id}/sheet.pdf`);
    expect(pdf.rawPayload.toString('latin1')).toContain('/Subtype /Image');
    expect((await verifyShop(shop.db)).faults).toEqual([]);
    expect((await marek.call('DELETE', '/api/shop/logo')).json<Here>().shop.logo).toBeNull();
    expect(await sheet()).not.toContain('<image');
    expect((await marek.call('GET', '/api/shop/logo')).statusCode).toBe(404);
  });

  it('takes no logo that is no picture, and says what one is', async () => {
    const put = (bytes: string, type: string) =>
      marek.call('PUT', '/api/shop/logo', Buffer.from(bytes), { 'content-type': type });
    for (const [bytes, type] of [
      ['<svg onload="alert(1)"/>', 'image/png'],
      ['%PDF-1.7', 'application/pdf'],
      ['x'.repeat(3 * 1024 * 1024), 'image/png'],
    ] as const) {
      const answer = await put(bytes, type);
      expect(problemOf(answer).code).toBe('photo-refused');
      expect(problemOf(answer).detail).toContain('PNG, JPEG or WebP');
    }
  });
});
