import { randomUUID } from 'node:crypto';
import { problemOf, reading, Shop, Visitor, FRESH, TAKE_TOOL } from './harness';

describe('Signing in', () => {
  let shop: Shop;
  beforeAll(async () => (shop = await Shop.open()));
  afterAll(() => shop.close());

  it('opens a session behind a cookie that scripts cannot read and other sites cannot send', async () => {
    const answer = await new Visitor(shop.app).call('POST', '/api/session', {
      name: 'odile',
      password: 'demo-odile-bench',
    });
    expect(answer.json()).toEqual(
      jasmine.objectContaining({ person: jasmine.objectContaining({ name: 'Odile', roles: ['technician'] }) }),
    );
    expect(answer.cookies[0]).toEqual(jasmine.objectContaining({ httpOnly: true, sameSite: 'Strict' }));
  });

  it('keeps neither password nor session token in the database', async () => {
    const odile = await shop.signIn('Odile');
    const people = JSON.stringify(await shop.db('people'));
    expect(people).toContain('$argon2id$v=19$m=19456,t=2');
    expect(people).not.toContain('demo-odile-bench');
    expect(JSON.stringify(await shop.db('sessions'))).not.toContain(odile.cookie.split('=')[1] ?? '?');
  });

  it('says the same of a wrong password and of a name nobody has', async () => {
    const wrong = await new Visitor(shop.app).call('POST', '/api/session', { name: 'Odile', password: 'x' });
    const nobody = await new Visitor(shop.app).call('POST', '/api/session', { name: "' OR 1=1 --", password: 'x' });
    expect([wrong.statusCode, nobody.statusCode]).toEqual([401, 401]);
    expect(wrong.body).toBe(nobody.body);
  });

  it('is slowed down after too many tries', async () => {
    const guarded = await shop.another(3);
    const attempt = () => new Visitor(guarded).call('POST', '/api/session', { name: 'Odile', password: 'x' });
    for (let i = 0; i < 3; i++) expect((await attempt()).statusCode).toBe(401);
    const fourth = await attempt();
    expect(fourth.statusCode).toBe(429);
    expect(problemOf(fourth).detail).toContain('Wait a minute');
  });
});

describe('A session', () => {
  let shop: Shop;
  beforeAll(async () => (shop = await Shop.open()));
  afterAll(() => shop.close());

  it('lives in the database: another server process knows it, and forgets it when it is closed', async () => {
    const odile = await shop.signIn('Odile');
    const elsewhere = new Visitor(await shop.another());
    elsewhere.cookie = odile.cookie;
    expect((await elsewhere.call('GET', '/api/combinations')).statusCode).toBe(200);
    const cookie = odile.cookie;
    await odile.call('DELETE', '/api/session');
    elsewhere.cookie = cookie;
    expect((await elsewhere.call('GET', '/api/combinations')).statusCode).toBe(401);
  });

  it('that has run out is asked to sign in again, and what was sent is not kept', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await shop.db('sessions').update({ expires_at: '2020-01-01' });
    const answer = await odile.put(id, TAKE_TOOL);
    expect(answer.statusCode).toBe(401);
    expect(problemOf(answer).code).toBe('sign-in-first');
    expect((await shop.signIn('Odile').then((o) => o.view(id))).entries).toEqual([]);
  });

  it('is needed for every part of the shop', async () => {
    const stranger = new Visitor(shop.app);
    for (const path of ['combinations', 'cabinet', 'limits', 'people', `combinations/${randomUUID()}/record.json`]) {
      expect((await stranger.call('GET', `/api/${path}`)).statusCode)
        .withContext(path)
        .toBe(401);
    }
  });
});

describe('A role', () => {
  let shop: Shop;
  beforeAll(async () => (shop = await Shop.open()));
  afterAll(() => shop.close());

  it('may do what is its own and is refused the rest by the server, with who may', async () => {
    const table = { document: 'FL-SPEC-07', revision: 'D', class: 'standard' };
    const odile = await shop.signIn('Odile');
    const marek = await shop.signIn('Marek');
    const { id } = await odile.combination(...FRESH);
    const release = await odile.call('POST', '/api/limits/release', table);
    expect(release.statusCode).toBe(403);
    expect(problemOf(release).detail).toContain('quality');
    expect((await marek.call('POST', '/api/limits/release', table)).statusCode).toBe(403);
    expect((await marek.put(id, TAKE_TOOL)).statusCode).toBe(403);
    expect((await odile.call('GET', '/api/people')).statusCode).toBe(403);
    expect((await odile.call('POST', '/api/shop-file', {})).statusCode).toBe(403);
    expect((await (await shop.signIn('Ines')).importCsv('x', 'y')).statusCode).toBe(403);
  });

  it('with a lapsed qualification puts nothing on record until it is renewed', async () => {
    const tove = await shop.signIn('Tove');
    const { id } = await tove.combination(...FRESH);
    const refused = await tove.put(id, TAKE_TOOL);
    expect(refused.statusCode).toBe(403);
    expect(problemOf(refused).title).toBe('Your qualification lapsed on 31 Aug 2026.');
    const marek = await shop.signIn('Marek');
    const people = await marek.get<{ id: string; name: string }[]>('/api/people');
    const her = people.find((p) => p.name === 'Tove');
    await marek.call('PATCH', `/api/people/${her?.id}`, { active: true, qualifiedUntil: '2031-01-01' });
    expect((await tove.put(id, TAKE_TOOL)).statusCode).toBe(201);
  });

  it('of a shut account is out at once', async () => {
    const marek = await shop.signIn('Marek');
    const id = randomUUID();
    await marek.call('POST', '/api/people', {
      id,
      name: 'Bram',
      roles: ['technician'],
      password: 'quartz ladle 93 fen',
      qualifiedUntil: null,
    });
    const bram = await shop.signIn('Bram', 'quartz ladle 93 fen');
    await marek.call('PATCH', `/api/people/${id}`, { active: false, qualifiedUntil: null });
    expect((await bram.call('GET', '/api/cabinet')).statusCode).toBe(401);
    expect(
      (await new Visitor(shop.app).call('POST', '/api/session', { name: 'Bram', password: 'quartz ladle 93 fen' }))
        .statusCode,
    ).toBe(401);
  });

  it('of engineer is never shut for the last one', async () => {
    const marek = await shop.signIn('Marek');
    const people = await marek.get<{ id: string; name: string }[]>('/api/people');
    const own = people.find((p) => p.name === 'Marek');
    const answer = await marek.call('PATCH', `/api/people/${own?.id}`, { active: false, qualifiedUntil: null });
    expect([answer.statusCode, problemOf(answer).code]).toEqual([409, 'last-engineer']);
    expect((await marek.call('GET', '/api/people')).statusCode).toBe(200);
  });

  it('keeps names apart whatever their case, and text as text', async () => {
    const marek = await shop.signIn('Marek');
    const name = `<script>alert(1)</script>'; DROP TABLE people; --`;
    const person = {
      id: randomUUID(),
      name,
      roles: ['technician'],
      password: 'quartz ladle 93 fen',
      qualifiedUntil: null,
    };
    expect((await marek.call('POST', '/api/people', person)).statusCode).toBe(200);
    expect((await marek.call('POST', '/api/people', person)).statusCode).toBe(200);
    expect((await marek.call('POST', '/api/people', { ...person, id: randomUUID(), name: 'ODILE' })).statusCode).toBe(
      409,
    );
    const people = await marek.get<{ name: string }[]>('/api/people');
    expect(people.filter((p) => p.name === name).length).toBe(1);
  });
});

describe('A password of one’s own', () => {
  let shop: Shop;
  let marek: Visitor;
  beforeAll(async () => {
    shop = await Shop.open();
    marek = await shop.signIn('Marek');
  });
  afterAll(() => shop.close());
  const account = async (name: string) => {
    const id = randomUUID();
    const added = await marek.call('POST', '/api/people', { id, name, roles: ['technician'], qualifiedUntil: null });
    expect(added.statusCode).toBe(200);
    return id;
  };
  const wordFor = async (id: string) =>
    (await marek.call('POST', `/api/people/${id}/once-word`)).json<{ word: string; name: string }>();
  const signIn = (name: string, password: string) =>
    new Visitor(shop.app).call('POST', '/api/session', { name, password });

  it('is chosen by the person, who comes in with a word that opens nothing else', async () => {
    const id = await account('Runa');
    const { word, name } = await wordFor(id);
    expect([name, /^[a-z2-9]{4}-[a-z2-9]{4}-[a-z2-9]{4}$/.test(word)]).toEqual(['Runa', true]);
    const runa = new Visitor(shop.app);
    const entered = await runa.call('POST', '/api/session', { name: 'Runa', password: word });
    expect(entered.json<{ mustChoose: boolean }>().mustChoose).toBeTrue();
    for (const path of ['cabinet', 'combinations', 'limits', 'people']) {
      const refused = await runa.call('GET', `/api/${path}`);
      expect([refused.statusCode, problemOf(refused).code])
        .withContext(path)
        .toEqual([403, 'choose-password']);
    }
    const chosen = await runa.call('PUT', '/api/session/password', { current: word, password: 'violet kiln 40 oar' });
    expect([chosen.statusCode, chosen.json<{ mustChoose?: boolean }>().mustChoose]).toEqual([200, undefined]);
    expect((await runa.call('GET', '/api/cabinet')).statusCode).toBe(200);
    // The word is spent, the password is hers.
    expect((await signIn('Runa', word)).statusCode).toBe(401);
    expect((await signIn('Runa', 'violet kiln 40 oar')).statusCode).toBe(200);
  });

  it('is refused where it is easily guessed, with the reason and the place, whoever chooses it', async () => {
    const odile = await shop.signIn('Odile');
    for (const password of ['aaaaaaaaaa', 'password123', 'qwertyuiop', 'OdileOdile1', 'fennicklane']) {
      const refused = await odile.call('PUT', '/api/session/password', { current: 'demo-odile-bench', password });
      expect([refused.statusCode, problemOf(refused).code])
        .withContext(password)
        .toEqual([422, 'password-weak']);
      expect(problemOf(refused).errors?.[0]?.where).toBe('password');
    }
    const person = { id: randomUUID(), name: 'Lev', roles: ['quality'], password: 'aaaaaaaaaa', qualifiedUntil: null };
    expect(problemOf(await marek.call('POST', '/api/people', person)).code).toBe('password-weak');
    expect((await signIn('Odile', 'demo-odile-bench')).statusCode).toBe(200);
  });

  it('is changed only by whoever knows the one in use, and ends every other session', async () => {
    const id = await account('Sanna');
    const { word } = await wordFor(id);
    const sanna = await shop.signIn('Sanna', word);
    await sanna.call('PUT', '/api/session/password', { current: word, password: 'violet kiln 40 oar' });
    const tablet = await shop.signIn('Sanna', 'violet kiln 40 oar');
    const wrong = await sanna.call('PUT', '/api/session/password', { current: 'guess', password: 'brass owl 77 tide' });
    expect([wrong.statusCode, problemOf(wrong).code]).toEqual([422, 'password-wrong']);
    await sanna.call('PUT', '/api/session/password', {
      current: 'violet kiln 40 oar',
      password: 'brass owl 77 tide',
    });
    expect((await sanna.call('GET', '/api/cabinet')).statusCode).toBe(200);
    expect((await tablet.call('GET', '/api/cabinet')).statusCode).toBe(401);
  });

  it('that is forgotten ends with a new word, and a word ends after its days', async () => {
    const id = await account('Timo');
    const first = await wordFor(id);
    const timo = await shop.signIn('Timo', first.word);
    await timo.call('PUT', '/api/session/password', { current: first.word, password: 'violet kiln 40 oar' });
    const second = await wordFor(id);
    // Whoever had got in is out, and the old password with them.
    expect((await timo.call('GET', '/api/cabinet')).statusCode).toBe(401);
    expect((await signIn('Timo', 'violet kiln 40 oar')).statusCode).toBe(401);
    await shop.db('people').where({ id }).update({ once_until: '2020-01-01' });
    expect((await signIn('Timo', second.word)).statusCode).toBe(401);
    expect(JSON.stringify(await shop.db('people'))).not.toContain(second.word);
    expect((await (await shop.signIn('Odile')).call('POST', `/api/people/${id}/once-word`)).statusCode).toBe(403);
  });

  it('leaves a trace: who signed in and who tried to, and nothing of a name nobody has', async () => {
    await signIn('Ines', 'not it');
    await signIn('my secret typed into the wrong field', 'x');
    await shop.signIn('Ines');
    const lines = await marek.get<{ name: string; succeeded: boolean }[]>('/api/sign-ins');
    expect(lines.slice(0, 2).map(({ name, succeeded }) => [name, succeeded])).toEqual([
      ['Ines', true],
      ['Ines', false],
    ]);
    expect(JSON.stringify(lines)).not.toContain('secret');
    const id = await account('Ulla');
    const { word } = await wordFor(id);
    const ulla = await shop.signIn('Ulla', word);
    await ulla.call('PUT', '/api/session/password', { current: word, password: 'violet kiln 40 oar' });
    const ledger = JSON.stringify(await shop.db('ledger'));
    expect(ledger).toContain('was given a word for once');
    expect(ledger).toContain('chose a password');
    for (const secret of [word, 'violet kiln']) expect(ledger).not.toContain(secret);
  });
});

describe('An empty shop', () => {
  let shop: Shop;
  beforeAll(async () => (shop = await Shop.open('empty')));
  afterAll(() => shop.close());

  it('makes its first engineer once, and never a second first one', async () => {
    const first = { shopName: 'Our shop', name: 'Ada', password: 'ivory lathe mast 7' };
    const stranger = new Visitor(shop.app);
    expect((await stranger.get<{ shop: { isNew: boolean } }>('/api/session')).shop.isNew).toBeTrue();
    const answers = await Promise.all(
      [1, 2, 3].map((n) => new Visitor(shop.app).call('POST', '/api/first-engineer', { ...first, name: `Ada ${n}` })),
    );
    expect(answers.map((a) => a.statusCode).sort()).toEqual([200, 409, 409]);
    const here = await stranger.get<{ shop: { isNew: boolean; name: string; demoSignIns: unknown[] } }>('/api/session');
    expect(here.shop).toEqual(
      jasmine.objectContaining({ isNew: false, name: 'Our shop', isDemo: false, demoSignIns: [] }),
    );
  });

  it('refuses a short password with the place and the reason', async () => {
    const answer = await new Visitor(shop.app).call('POST', '/api/first-engineer', {
      shopName: 'x',
      name: 'y',
      password: 'short',
    });
    expect(answer.statusCode).toBe(422);
    expect(problemOf(answer).errors?.[0]).toEqual(
      jasmine.objectContaining({ where: 'password', text: 'needs at least 10 characters' }),
    );
  });
});

describe('A reading in the name of another', () => {
  it('cannot be sent: who it is by comes from the session', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const answer = await odile.call('POST', `/api/combinations/${id}/entries`, {
      id: randomUUID(),
      body: reading(1, 118),
      corrects: null,
      why: null,
      by: 'Ines',
    });
    expect(answer.statusCode).toBe(422);
    await shop.close();
  });
});
