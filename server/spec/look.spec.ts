import type {
  CombinationRecord,
  HeightChart,
  LookRecord,
  StudyLine,
  StudyResults,
  StudyTurn,
} from '@tug-mark/contract';
import { makeMicrograph, SOUND_MICROGRAPH, startingRows, type EntryBody, type LookSheet } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { verifyJournal } from '../src/verify/verifyJournal';
import { FRESH, LOOK, problemOf, proveSetUp, releaseSetUp, Shop, TAKE_TOOL, type Visitor } from './harness';

const sheet: LookSheet = {
  document: 'FL-LOOK-09',
  revision: 'A',
  class: 'standard',
  owner: 'Ines',
  origin: 'made-up',
  status: 'draft',
  effectiveFrom: '2026-01-01',
  effectiveUntil: null,
  rows: startingRows(),
};

const finding = (
  piece: number,
  criterion: string,
  given: 'accept' | 'note' | 'rework' | 'reject',
  more: object = {},
): EntryBody => ({
  kind: 'finding',
  piece,
  criterion,
  finding: given,
  note: '',
  ...more,
});
const measure = (
  piece: number,
  what: 'brush' | 'tongue' | 'twist' | 'height' | 'width',
  value: number,
  unit: 'mm' | '°' = 'mm',
): EntryBody => ({
  kind: 'measure',
  piece,
  what,
  value,
  typed: String(value),
  unit,
  note: '',
});

describe('A sheet of what to look at', () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open();
  });
  afterAll(() => shop.close());

  it('is drafted and released like limits: never two at once, never without the points no pull shows', async () => {
    const [marek, ines] = [await shop.signIn('Marek'), await shop.signIn('Ines')];
    const keep = (changes: Partial<LookSheet>) => marek.call('PUT', '/api/looks/draft', { ...sheet, ...changes });
    const release = (who: Visitor, key: object) => who.call('POST', '/api/looks/release', key);
    const key = { document: 'FL-LOOK-09', revision: 'A', class: 'standard' };

    await keep({ rows: startingRows().filter((r) => r.point !== 'seam') });
    expect((await release(marek, key)).statusCode).toBe(403);
    const refused = await release(ines, key);
    expect(problemOf(refused).errors?.[0]?.text).toContain("Nobody would look at 'Way round'");
    await keep({});
    expect(problemOf(await release(ines, key)).code).toBe('limit-overlaps');
    expect((await release(ines, { ...key, replaces: true })).statusCode).toBe(200);
    const kept = await ines.get<LookRecord[]>('/api/looks');
    expect(
      kept.filter((r) => r.sheet.class === 'standard' && r.sheet.status === 'released').map((r) => r.sheet.document),
    ).toEqual(['FL-LOOK-09']);
    expect(problemOf(await keep({ owner: 'somebody' })).code).toBe('limit-stands');
  });

  it('is settled when the tool is taken; another one in effect lapses the release, and the old pieces stay judged by theirs', async () => {
    const own = await Shop.open();
    const [odile, ines, marek] = [await own.signIn('Odile'), await own.signIn('Ines'), await own.signIn('Marek')];
    const { id } = await odile.combination(...FRESH);
    expect(problemOf(await odile.put(id, { ...TAKE_TOOL, look: { ...LOOK, revision: 'A' } } as EntryBody)).code).toBe(
      'look-stale',
    );
    await proveSetUp(odile, id);
    expect((await releaseSetUp(ines, id)).statusCode).toBe(201);
    await marek.call('PUT', '/api/looks/draft', sheet);
    await ines.call('POST', '/api/looks/release', {
      document: sheet.document,
      revision: 'A',
      class: 'standard',
      replaces: true,
    });
    const { release, headline } = await odile.standing(...FRESH);
    expect(release).toBe('lapsed');
    expect(headline).toContain('Every stage has passed');
    await own.close();
  });
});

describe('What is found on a piece', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    id = (await odile.combination(...FRESH)).id;
    await odile.kept(id, TAKE_TOOL);
  });
  afterAll(() => shop.close());
  const refused = async (body: EntryBody) => problemOf(await odile.put(id, body)).code;

  it('cannot be accepted over a number outside its range', async () => {
    await odile.kept(id, measure(1, 'brush', 9));
    expect(await refused(finding(1, 'brush', 'accept'))).toBe('number-says-otherwise');
    await odile.kept(id, finding(1, 'brush', 'reject', { fault: 'brush-long' }));
  });

  it('takes only what the sheet allows, a fault that belongs to the point, and a note that says something', async () => {
    expect(await refused(finding(2, 'seam', 'rework'))).toBe('finding-not-allowed');
    expect(await refused(finding(2, 'seam', 'reject', { fault: 'brush-long' }))).toBe('fault-unknown');
    expect(await refused(finding(2, 'seam', 'note'))).toBe('note-missing');
    expect(await refused(finding(2, 'as-drawn', 'accept'))).toBe('criterion-unknown');
    await odile.kept(id, finding(2, 'seam', 'note', { note: 'a little to the left' }));
  });

  it('is measured in the point’s own unit, and only where there is something to compare with', async () => {
    expect(await refused(measure(3, 'tongue', 2, 'mm'))).toBe('measure-unit');
    expect(await refused({ ...measure(3, 'brush', 2), what: 'mark' } as EntryBody)).toBe('measure-not-asked');
    expect(await refused(measure(3, 'brush', 900))).toBe('length-implausible');
    await odile.kept(id, measure(3, 'tongue', 2, '°'));
  });
});

describe('A photograph', () => {
  let shop: Shop;
  let odile: Visitor;
  let id: string;
  beforeAll(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    id = (await odile.combination(...FRESH)).id;
    await odile.kept(id, TAKE_TOOL);
  });
  afterAll(() => shop.close());

  const send = (bytes: Buffer, type: string, photo: string = randomUUID()) =>
    odile.call('PUT', `/api/combinations/${id}/photos/${photo}`, bytes, { 'content-type': type });
  const plain = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#b5622b' } });
  const grainy = async (width: number, height: number) => {
    const data = Buffer.alloc(width * height * 3);
    for (let i = 0; i < data.length; i++) data[i] = (i * 7919 + (i >> 3) * 104729) % 256;
    return sharp(data, { raw: { width, height, channels: 3 } });
  };
  const code = async (bytes: Buffer, type: string) => {
    const answer = await send(bytes, type);
    return [answer.statusCode, problemOf(answer).code];
  };

  it('is written again: turned upright, without what its file says of place, camera or time', async () => {
    const sent = await plain(300, 200)
      .withExif({ IFD0: { Make: 'secret camera', Artist: 'Odile' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect(sent.includes('secret camera')).toBeTrue();
    const photo = randomUUID();
    const kept = (await send(sent, 'image/jpeg', photo)).json<{ width: number; height: number; digest: string }>();
    expect([kept.width, kept.height]).toEqual([200, 300]);
    const answer = await odile.call('GET', `/api/combinations/${id}/photos/${photo}`);
    expect(answer.headers['content-type']).toBe('image/jpeg');
    expect(answer.rawPayload.includes('secret camera')).toBeFalse();
    const head = await sharp(answer.rawPayload).metadata();
    expect([head.width, head.height, head.exif]).toEqual([200, 300, undefined]);
    const small = await sharp(
      (await odile.call('GET', `/api/combinations/${id}/photos/${photo}/small`)).rawPayload,
    ).metadata();
    expect(small.height).toBeLessThanOrEqual(320);
  });

  it('sent twice is kept once; another one under its id is refused', async () => {
    const photo = randomUUID();
    const bytes = await plain(120, 90).png().toBuffer();
    // Both at once, as a page does that was told nothing and tries again.
    const [first] = await Promise.all([send(bytes, 'image/png', photo), send(bytes, 'image/png', photo)]);
    expect((await send(bytes, 'image/png', photo)).json()).toEqual(
      jasmine.objectContaining({ digest: first.json<{ digest: string }>().digest }),
    );
    expect(problemOf(await send(await plain(121, 90).png().toBuffer(), 'image/png', photo)).code).toBe('photo-taken');
  });

  it('larger than one piece comes back whole', async () => {
    const photo = randomUUID();
    const sent = await (await grainy(1200, 900)).jpeg({ quality: 95 }).toBuffer();
    expect((await send(sent, 'image/jpeg', photo)).statusCode).toBe(200);
    const pieces = (await shop.db('photo_pieces').where({ photo }).count('* as n').first()) as { n: string };
    expect(Number(pieces.n)).toBeGreaterThan(2);
    const back = (await odile.call('GET', `/api/combinations/${id}/photos/${photo}`)).rawPayload;
    expect((await sharp(back).metadata()).width).toBe(1200);
  });

  it('that cannot be one is refused with a sentence, whatever it is called', async () => {
    const jpeg = await (await grainy(800, 600)).jpeg().toBuffer();
    expect(await code(Buffer.alloc(20 * 1024 * 1024, 1), 'image/jpeg')).toEqual([422, 'photo-too-heavy']);
    expect(await code(jpeg.subarray(0, jpeg.length / 2), 'image/jpeg')).toEqual([422, 'photo-damaged']);
    expect(await code(jpeg, 'image/png')).toEqual([422, 'photo-name']);
    expect(await code(Buffer.from('%PDF-1.7 not a picture at all'), 'image/png')).toEqual([422, 'photo-unreadable']);
    expect(
      await code(
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="99" height="99"><script/></svg>'),
        'image/png',
      ),
    ).toEqual([422, 'photo-kind']);
    expect(await code(await plain(40_000, 10).png().toBuffer(), 'image/png')).toEqual([422, 'photo-too-large']);
    expect(await code(await plain(60, 20).png().toBuffer(), 'image/png')).toEqual([422, 'photo-too-small']);
    const frame = async (grey: string) =>
      sharp({ create: { width: 60, height: 60, channels: 3, background: grey } })
        .png()
        .toBuffer();
    const frames = await sharp([await frame('#000'), await frame('#fff')], { join: { animated: true } })
      .webp()
      .toBuffer();
    expect(await code(frames, 'image/webp')).toEqual([422, 'photo-animated']);
    expect(await code(await plain(100, 100).gif().toBuffer(), 'image/gif')).toEqual([422, 'photo-kind']);
    const refusal = problemOf(await send(jpeg, 'image/png'));
    expect(`${refusal.title} ${refusal.detail ?? ''}`).toBe(
      'The file says it is PNG and is JPEG. Something renamed it. Open it in a picture program, save it again and choose that.',
    );
  });

  it('that would unpack to gigabytes is refused by its head, and memory stays where it was', async () => {
    // 11,900 x 11,900 black pixels: 424 MB unpacked, some 140 kB to send
    const bomb = await plain(11_900, 11_900).png({ compressionLevel: 9 }).toBuffer();
    expect(bomb.length).toBeLessThan(2_000_000);
    const before = process.memoryUsage().rss;
    for (let i = 0; i < 8; i++) expect(await code(bomb, 'image/png')).toEqual([422, 'photo-too-large']);
    expect(process.memoryUsage().rss - before).toBeLessThan(150 * 1024 * 1024);
  });

  it('of a cut that is not square has its section put right by the height and width measured before', async () => {
    const bar = (await odile.combination('FL-OC-1508', 'FL-W-0100', 'Sensor bar')).id;
    const model = { ...SOUND_MICROGRAPH, width: 640, height: 480, pxPerMm: 250, tilt: 22 };
    const { picture, truth } = makeMicrograph(model);
    const size = { width: picture.width, height: picture.height };
    const png = await sharp(Buffer.from(picture.data), { raw: { ...size, channels: 4 } })
      .png()
      .toBuffer();
    const cut = async (piece: number) => {
      const photo = randomUUID();
      const url = `/api/combinations/${bar}/photos/${photo}`;
      const sent = await odile.call('PUT', url, png, { 'content-type': 'image/png' });
      const { digest } = sent.json<{ digest: string }>();
      await odile.kept(bar, { kind: 'photo', piece, photo: { id: photo, digest }, shows: 'section', note: '' });
      const figures = { ...truth, metal: 1, compression: 1, left: 0.5, strands: 1 };
      const body = { kind: 'section', piece, photo, pxPerMm: model.pxPerMm, figures, mended: [], note: '' } as const;
      const kept = await odile.kept(bar, body);
      const found = (await odile.view(bar)).entries.find((entry) => entry.id === kept.id)?.body;
      if (found?.kind !== 'section') throw new Error('no section kept');
      return found.figures;
    };
    for (const what of ['height', 'width'] as const) {
      const value = Number(truth[what].toFixed(2));
      await odile.kept(bar, measure(31, what, value));
    }
    const measured = await cut(31);
    expect(measured.tilt).toBeGreaterThan(17);
    expect(measured.tilt).toBeLessThan(27);
    expect(Math.abs(measured.metal / truth.metal - 1)).toBeLessThan(0.04);
    // Nothing was measured of this one: its metal looks like more by 1 / cos 22, and nothing claims otherwise.
    const unmeasured = await cut(32);
    expect(unmeasured.tilt).toBeUndefined();
    expect(unmeasured.metal / truth.metal).toBeGreaterThan(1.05);
  }, 60_000);

  it('is named by an entry that seals it; marks and a section are about a photograph on record', async () => {
    const photo = randomUUID();
    const { picture } = makeMicrograph({ ...SOUND_MICROGRAPH, width: 400, height: 300, pxPerMm: 150 });
    const png = await sharp(Buffer.from(picture.data), { raw: { width: 400, height: 300, channels: 4 } })
      .png()
      .toBuffer();
    const { digest } = (await send(png, 'image/png', photo)).json<{ digest: string }>();
    const shown = (key: string): EntryBody => ({
      kind: 'photo',
      piece: 1,
      photo: { id: photo, digest: key },
      shows: 'section',
      note: '',
    });
    const marks: EntryBody = {
      kind: 'marks',
      piece: 1,
      photo,
      marks: {
        scale: { from: { x: 0, y: 0 }, to: { x: 150, y: 0 }, length: 1 },
        marks: [
          {
            kind: 'length',
            points: [
              { x: 0, y: 0 },
              { x: 75, y: 0 },
            ],
            point: null,
            note: '',
          },
        ],
      },
      note: '',
    };
    expect(problemOf(await odile.put(id, marks)).code).toBe('photo-unknown');
    expect(problemOf(await odile.put(id, shown('0'.repeat(64)))).code).toBe('photo-missing');
    await odile.kept(id, shown(digest));
    await odile.kept(id, marks);
    expect(
      problemOf(
        await odile.put(id, {
          ...marks,
          marks: { scale: null, marks: [{ kind: 'angle', points: [{ x: 0, y: 0 }], point: null, note: '' }] },
        } as EntryBody),
      ).code,
    ).toBe('mark-open');
    expect((await verifyJournal(shop.db, id)).faults).toEqual([]);
    await expectAsync(shop.db('photos').where({ id: photo }).update({ width: 1 })).toBeRejected();

    // It travels with the record, and a record with another picture in its place is refused.
    const ines = await shop.signIn('Ines');
    const record = await ines.get<CombinationRecord>(`/api/combinations/${id}/record.json`);
    expect(record.photos.map((p) => p.id)).toContain(photo);
    const elsewhere = await Shop.open('empty');
    const ada = await elsewhere.firstEngineer();
    await ada.call('POST', '/api/people', {
      id: randomUUID(),
      name: 'Quinn',
      roles: ['quality'],
      password: 'ivory lathe mast 7',
      qualifiedUntil: null,
    });
    const quinn = await elsewhere.signIn('Quinn', 'ivory lathe mast 7');
    const [first] = record.photos;
    const false_ = {
      ...record,
      photos: [{ id: first?.id, bytes: (await plain(80, 80).jpeg().toBuffer()).toString('base64') }],
    };
    expect(problemOf(await quinn.call('POST', '/api/records/elsewhere', false_)).code).toBe('record-changed');
    const taken = await quinn.call('POST', '/api/records/elsewhere', record);
    expect(taken.statusCode).withContext(taken.body.slice(0, 300)).toBeLessThan(300);
    await elsewhere.close();
  });
});

describe('Confirmed causes', () => {
  it('are learnt from by the whole shop; a corrected one no longer counts', async () => {
    const shop = await Shop.open();
    const [odile, ines] = [await shop.signIn('Odile'), await shop.signIn('Ines')];
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const before = await odile.get<unknown[]>('/api/causes');
    expect(before.length).toBe(3);
    const body: EntryBody = { kind: 'cause', step: 1, cause: 'strip-long', evidence: ['brush-long'], note: '' };
    const kept = await odile.kept(id, body);
    expect((await odile.get<unknown[]>('/api/causes'))[0]).toEqual({ cause: 'strip-long', evidence: ['brush-long'] });
    await ines.kept(id, { ...body, cause: 'not-bottomed' }, { corrects: kept.id, why: 'measured again' });
    expect((await odile.get<unknown[]>('/api/causes')).length).toBe(4);
    expect(problemOf(await odile.put(id, { ...body, step: 2, cause: 'the moon' })).code).toBe('cause-unknown');
    await shop.close();
  });
});

describe('The chart of crimp heights', () => {
  it('pairs the heights of a lot with the pulls of the same pieces, and leaves out what was corrected', async () => {
    const shop = await Shop.open();
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination('FL-OC-2825', 'FL-W-0150', 'Sensor bar');
    const read = () => odile.get<HeightChart>(`/api/charts/heights/${id}`);
    const first = await read();
    expect(first.points.filter((p) => p.lot === 1 && p.force !== null).length).toBe(21);
    expect(first.range?.min).toBeLessThan(first.range?.max ?? 0);
    expect(first.limit).toBeGreaterThan(0);
    const { entries } = await odile.view(id);
    const last = entries.findLast((e) => e.body.kind === 'measure' && e.body.what === 'height' && e.body.lot === 1);
    if (last?.body.kind !== 'measure') throw new Error('no height in the lot');
    const finished = problemOf(await odile.put(id, last.body, { corrects: last.id, why: 'read again' }));
    expect(finished.code).toBe('lot-finished');
    const run = entries.find((e) => e.body.kind === 'measure' && e.body.what === 'height' && !e.body.lot);
    if (run?.body.kind !== 'measure') throw new Error('no height at the set-up');
    const body = { ...run.body, value: 1.234, typed: '1.234' };
    await odile.kept(id, body, { corrects: run.id, why: 'read again' });
    const again = (await read()).points;
    expect(again.length).toBe(first.points.length);
    expect(again.filter((p) => p.height === 1.234).length).toBe(1);
    await shop.close();
  });
});

describe('A study of inspectors', () => {
  it('is answered blind, twice, in an order of each one’s own, and shows its key only once it is closed', async () => {
    const shop = await Shop.open();
    const [ines, odile] = [await shop.signIn('Ines'), await shop.signIn('Odile')];
    const { id: combination } = await odile.combination('FL-RT-0406', 'FL-W-0075', 'Sensor bar');
    const id = randomUUID();
    const study = { id, name: 'Trial', combination, drawn: 3, photos: [] };
    expect((await odile.call('POST', '/api/studies', study)).statusCode).toBe(403);
    expect(problemOf(await ines.call('POST', '/api/studies', { ...study, id: randomUUID(), drawn: 1 })).code).toBe(
      'study-too-small',
    );
    expect((await ines.call('POST', '/api/studies', study)).json<StudyLine>().items).toBe(3);

    let turn = await odile.get<StudyTurn>(`/api/studies/${id}/turn`);
    expect(JSON.stringify(turn)).not.toContain('"key"');
    for (let i = 0; i < 6; i++) {
      expect(turn.round).toBe(i < 3 ? 1 : 2);
      const answer = { id: randomUUID(), round: turn.round, item: turn.item, answer: 'accept', point: null };
      turn = (await odile.call('POST', `/api/studies/${id}/answers`, answer)).json();
      if (i === 0) {
        expect(
          problemOf(await odile.call('POST', `/api/studies/${id}/answers`, { ...answer, id: randomUUID() })).code,
        ).toBe('answered-already');
      }
    }
    expect([turn.round, turn.answered]).toEqual([null, 6]);
    expect(problemOf(await odile.call('GET', `/api/studies/${id}/results`)).code).toBe('study-open');
    await ines.call('POST', `/api/studies/${id}/close`);
    const { result } = await odile.get<StudyResults>(`/api/studies/${id}/results`);
    const own = result.inspectors[0];
    expect([own?.person, own?.misses, own?.alarms]).toEqual(['Odile', own?.bad, 0]);
    const late = { id: randomUUID(), round: 1, item: 0, answer: 'accept', point: null };
    expect(problemOf(await ines.call('POST', `/api/studies/${id}/answers`, late)).code).toBe('study-closed');
    await shop.close();
  });

  it('of real pieces takes photographs of its own combination, with the answer somebody knows', async () => {
    const shop = await Shop.open();
    const [ines, odile] = [await shop.signIn('Ines'), await shop.signIn('Odile')];
    const { id: combination } = await odile.combination('FL-OC-1508', 'FL-W-0100', 'Sensor bar');
    const { id: other } = await odile.combination('FL-RT-0406', 'FL-W-0075', 'Sensor bar');
    const photos = (await odile.view(combination)).entries.flatMap(({ body }) =>
      body.kind === 'photo' && body.shows !== 'section' ? [body.photo.id] : [],
    );
    expect(photos.length).toBeGreaterThan(1);
    const [good = '', bad = ''] = photos;
    const study = {
      id: randomUUID(),
      name: 'Real pieces',
      combination,
      drawn: 0,
      photos: [
        { photo: good, key: 'accept', point: null },
        { photo: bad, key: 'reject', point: 'brush' },
      ],
    };
    const foreign = await ines.call('POST', '/api/studies', { ...study, id: randomUUID(), combination: other });
    expect(foreign.statusCode).toBe(404);
    expect((await ines.call('POST', '/api/studies', study)).json<StudyLine>().items).toBe(2);
    const url = `/api/studies/${study.id}`;
    let turn = await odile.get<StudyTurn>(`${url}/turn`);
    for (let i = 0; i < 4; i++) {
      if (turn.shows?.kind !== 'photo') throw new Error('no photograph to look at');
      const sees = turn.shows.photo === bad ? 'reject' : 'accept';
      const answer = { round: turn.round, item: turn.item, answer: sees, point: sees === 'reject' ? 'brush' : null };
      turn = (await odile.call('POST', `${url}/answers`, { id: randomUUID(), ...answer })).json();
    }
    await ines.call('POST', `${url}/close`);
    const [own] = (await odile.get<StudyResults>(`${url}/results`)).result.inspectors;
    expect([own?.misses, own?.alarms, own?.self.kappa, own?.key.kappa]).toEqual([0, 0, 1, 1]);
    await shop.close();
  });
});
