import { setUpContext, type Certificate, type ChainReport, type KeptEntry } from '@tug-mark/contract';
import { computeSetUp, judgeLot, type EntryBody } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { FRESH, openLot, problemOf, proveSetUp, reading, releaseSetUp, Shop, type Visitor } from './harness';

describe('A lot', () => {
  let shop: Shop;
  let odile: Visitor;
  let ines: Visitor;
  let id: string;
  beforeEach(async () => {
    shop = await Shop.open();
    odile = await shop.signIn('Odile');
    ines = await shop.signIn('Ines');
    id = (await odile.combination(...FRESH)).id;
    await proveSetUp(odile, id);
  });
  afterEach(() => shop.close());

  let step = 0;
  beforeEach(() => (step = 0));
  const progress = (made: number, changes: Partial<Extract<EntryBody, { kind: 'progress' }>> = {}): EntryBody => ({
    kind: 'progress',
    lot: 1,
    step: ++step,
    what: 'made',
    made,
    note: '',
    ...changes,
  });
  const seen = (piece: number): EntryBody => ({
    kind: 'finding',
    lot: 1,
    piece,
    criterion: 'as-drawn',
    finding: 'accept',
    note: '',
  });
  /** Looks at a piece and pulls it. */
  const check = async (piece: number, force = 140) => {
    await odile.kept(id, seen(piece));
    return odile.kept(id, reading(piece, force, { lot: 1 }));
  };
  const judged = async () => {
    const view = await odile.view(id);
    const now = new Date().toISOString();
    const lot = judgeLot(computeSetUp(setUpContext(view), view.entries, now), view.entries, view, 1, now);
    if (!lot) throw new Error('no lot');
    return lot;
  };
  const finish: EntryBody = { kind: 'finish', lot: 1, note: '' };

  it('is opened with a released set-up alone, one at a time, and judged by the table it was opened with', async () => {
    expect(problemOf(await openLot(odile, id)).code).toBe('not-released');
    await releaseSetUp(ines, id);
    expect(problemOf(await openLot(odile, id, { lot: 2 })).code).toBe('lot-order');
    expect((await openLot(odile, id)).statusCode).toBe(201);
    expect(problemOf(await openLot(odile, id, { lot: 2, name: 'L-0413' })).code).toBe('lot-open');
    const kept = await check(1);
    expect(kept.limit).toEqual({ document: 'FL-SPEC-07', revision: 'C', class: 'standard' });
    // Withdrawn in the middle: the lot keeps its table and is held until quality decides.
    const key = { document: 'FL-SPEC-07', revision: 'C', class: 'standard' };
    expect((await ines.call('POST', '/api/limits/withdraw', key)).statusCode).toBe(200);
    const later = await check(2, 139);
    expect([later.verdict?.verdict, later.limit?.revision]).toEqual(['holds', 'C']);
    expect((await judged()).headline).toContain('was withdrawn while it was made');
  });

  it('goes from open to accepted: counted, checked, a failure contained, the rest cleared', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 100 });
    expect(problemOf(await odile.put(id, finish)).code).toBe('not-all-made');
    await check(1);
    await odile.kept(id, progress(51));
    const low = await check(51, 90);
    expect(low.verdict?.verdict).toBe('below');
    let lot = await judged();
    expect(lot.verdict).toBe('held');
    expect(lot.due[0]?.code).toBe('contain');
    // One change: it went wrong at piece 38. Each pull halves the span.
    const pulled: number[] = [];
    while (lot.bracket?.next != null) {
      const piece = lot.bracket.next;
      pulled.push(piece);
      await check(piece, piece < 38 ? 140 : 90);
      lot = await judged();
    }
    expect(pulled).toEqual([26, 38, 32, 35, 36, 37]);
    const suspect = lot.spans.find((span) => span.state === 'suspect');
    expect([suspect?.from, suspect?.to]).toEqual([38, 38]);
    await odile.kept(id, progress(51, { what: 'change', change: 'repair', note: 'die half was loose' }));
    await check(52);
    await odile.kept(id, progress(100));
    await check(100);
    expect(problemOf(await odile.put(id, finish)).title).toContain('suspect');
    const scrap: EntryBody = {
      kind: 'disposition',
      lot: 1,
      step: 1,
      from: 38,
      to: 51,
      what: 'scrap',
      cause: 'below-limit',
      note: 'cut off and thrown away',
    };
    const let_go = await odile.put(id, { ...scrap, what: 'use-as-is' });
    expect(let_go.statusCode).toBe(403);
    await odile.kept(id, scrap);
    expect((await odile.put(id, finish)).statusCode).toBe(201);
    lot = await judged();
    // 10 pulled (1, 51, six brackets, 52, 100); 14 scrapped, of which 38 and 51 were pulled
    expect(lot.counts).toEqual({ spent: 10, scrapped: 12, suspect: 0, left: 78 });
    expect(lot.verdict).toBe('meets-made-up-limits');
    expect(problemOf(await odile.put(id, reading(60, 140, { lot: 1 }))).code).toBe('lot-finished');
    const certificate = await odile.get<Certificate>(`/api/combinations/${id}/lots/1/certificate.json`);
    expect([certificate.lot.delivered, certificate.releasedBy, certificate.checks.length]).toEqual([78, 'Ines', 10]);
    expect([certificate.papers?.tool?.number, certificate.tools]).toEqual(['Tool card HT-11', undefined]);
    expect(certificate.chain.hash).toBe((await odile.view(id)).entries.at(-1)?.hash ?? '');
    const csv = (await odile.call('GET', `/api/combinations/${id}/lots/1/certificate.csv`)).body.trim().split('\n');
    expect(csv.length).toBe(11);
    expect(csv[0]).toContain('force N,limit N');
    const pdf = (await odile.call('GET', `/api/combinations/${id}/lots/1/certificate.pdf?paper=letter`)).rawPayload;
    expect(pdf.subarray(0, 5).toString('latin1')).toBe('%PDF-');
    const lines = await odile.settled();
    expect(lines.find((line) => line.id === id)?.lot).toEqual(
      jasmine.objectContaining({ name: 'L-0412', made: 100, verdict: 'meets-made-up-limits' }),
    );
  });

  it('has no certificate while it is made, nor once its journal was changed behind the application’s back', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 2 });
    const url = `/api/combinations/${id}/lots/1/certificate.json`;
    expect(problemOf(await odile.call('GET', url)).code).toBe('lot-not-finished');
    await check(1);
    await check(2);
    await odile.kept(id, finish);
    expect((await odile.call('GET', url)).statusCode).toBe(200);
    await shop.db.raw('ALTER TABLE journal DISABLE TRIGGER journal_append_only');
    await shop.db('journal').where({ combination: id, slot: 'lot/1/reading/1' }).update({ by_name: 'Somebody' });
    const seq = (await odile.view(id)).entries.find((e) => e.body.kind === 'reading' && e.body.lot === 1)?.seq;
    const broken = `Entry ${seq} is not what was put on record.`;
    expect(problemOf(await odile.call('GET', url)).detail).toBe(broken);
    expect((await odile.get<{ text: string }>(`/api/combinations/${id}/chain`)).text).toBe(broken);
    const { breaks } = await odile.get<ChainReport>('/api/chains');
    expect(breaks.map((b) => [b.name, b.text])).toEqual([[`${FRESH[0]} on ${FRESH[1]}, Chassis loom`, broken]]);
  });

  it('takes pulls from a file whole or not at all, judged and sealed like those of the bench', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id);
    await odile.kept(id, reading(7, 141, { lot: 1 }));
    const file = (rows: string[]) =>
      odile.call(
        'POST',
        `/api/combinations/${id}/lots/1/readings`,
        ['piece,force N,how it let go,note', ...rows].join('\n'),
        {
          'content-type': 'text/csv',
        },
      );
    const bad = await file([
      '1,140,1,',
      '1,139,1,',
      '2,many,1,',
      '3,9000,1,',
      '401,140,1,',
      '4,140,exploded,',
      '5,90,6,',
      '6,12 lbf,1,',
    ]);
    expect(problemOf(bad).errors?.map((e) => `${e.row} ${e.where}`)).toEqual([
      '3 piece',
      '4 force N',
      '5 force N',
      '6 piece',
      '7 how it let go',
      '8 note',
      '9 force N',
    ]);
    expect(problemOf(await file(['7,140,1,'])).errors?.[0]?.text).toBe('Piece 7 has a reading on record already.');
    const good = await file(['1,140.5,1,', '2,139,Broke in the wire,"a tab\there, a \\ there"', '3,90,slid-out,']);
    expect(good.json()).toEqual({ readings: 3 });
    const { entries } = await odile.view(id);
    expect(entries.slice(-3).map((e) => e.verdict?.verdict)).toEqual(['holds', 'holds', 'below']);
    expect(entries.at(-2)?.body).toEqual(
      jasmine.objectContaining({ note: 'a tab\there, a \\ there', mode: 'broke-in-wire' }),
    );
    expect((await odile.get<{ text: string | null }>(`/api/combinations/${id}/chain`)).text).toBeNull();
    await odile.kept(id, seen(1));
  });

  it('refuses what cannot be: pieces beyond its quantity, counts that go back, rework without length', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id);
    const why = async (body: EntryBody, changes = {}) => problemOf(await odile.put(id, body, changes)).code;
    expect(await why(reading(401, 140, { lot: 1 }))).toBe('piece-out-of-range');
    expect(await why(reading(1, 140, { lot: 7 }))).toBe('lot-unknown');
    await odile.kept(id, progress(60));
    expect(await why(progress(40))).toBe('made-less');
    step -= 1;
    expect(await why(progress(500))).toBe('made-more');
    const rework = { kind: 'disposition', lot: 1, step: 1, from: 1, to: 5, what: 'rework', cause: 'look' } as const;
    expect(await why({ ...rework, note: 'again' })).toBe('budget-missing');
    expect(await why({ ...rework, note: 'again', budget: { cut: 500, shortest: 495, trim: 1 } })).toBe(
      'no-length-left',
    );
    await odile.kept(id, { ...rework, note: 'again', budget: { cut: 500, shortest: 486, trim: 1 } });
    // One attempt uses 13.7 mm of 14, the sleeve's 5 mm and the fresh cut with it: a second is not left.
    const again = { ...rework, step: 2, note: 'once more', budget: { cut: 500, shortest: 486, trim: 1 } };
    expect(await why(again)).toBe('no-length-left');
    expect(await why({ kind: 'run', run: 2, cause: 'new reel', revisions: (await odile.view(id)).newest })).toBe(
      'lot-open',
    );
  });

  it('takes another quantity as a correction with its reason, never below what is made', async () => {
    await releaseSetUp(ines, id);
    const opened = (await openLot(odile, id)).json<KeptEntry>();
    await odile.kept(id, progress(60));
    const quantity = (pieces: number) =>
      odile.put(id, { ...opened.body, pieces } as EntryBody, { corrects: opened.id, why: 'the order was cut' });
    expect(problemOf(await quantity(40)).code).toBe('quantity-less');
    expect((await quantity(120)).statusCode).toBe(201);
    expect((await judged()).head.pieces).toBe(120);
  });

  it('of thousands of pulls is told in the list by its head, so that the list stays quick', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 4000 });
    const rows = Array.from({ length: 3100 }, (_, i) => `${i + 1},${138 + (i % 9) / 2},1,`);
    const file = ['piece,force N,how it let go,note', ...rows].join('\n');
    const url = `/api/combinations/${id}/lots/1/readings`;
    expect((await odile.call('POST', url, file, { 'content-type': 'text/csv' })).json()).toEqual({ readings: 3100 });
    const lines = await odile.settled();
    expect(lines.find((line) => line.id === id)?.lot?.headline).toBe('Open it to see how far it is.');
    expect((await judged()).head.made).toBe(3100);
  });

  it('is suspect from its tool’s last good check to the one it failed, whatever was pulled', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id);
    await check(1);
    await odile.kept(id, progress(30));
    const toolCheck = (goPassed: boolean) =>
      odile.call('POST', '/api/tool-checks', {
        id: randomUUID(),
        tool: 'HT-11',
        die: 'A',
        goPassed,
        noGoStopped: true,
        setting: null,
        cycles: null,
      });
    await toolCheck(true);
    await odile.kept(id, progress(51));
    await check(51);
    await toolCheck(false);
    const { spans, verdict } = await judged();
    expect(spans.map((s) => `${s.from}-${s.to} ${s.state}`).slice(0, 3)).toEqual([
      '1-1 clear',
      '2-30 clear',
      '31-51 suspect',
    ]);
    expect(verdict).toBe('held');
    // Quality lets them go, with its name and reason; that decides.
    await ines.kept(id, {
      kind: 'disposition',
      lot: 1,
      step: 1,
      from: 31,
      to: 51,
      what: 'use-as-is',
      cause: 'tool-check',
      note: 'sectioned three, all sound',
    });
    expect((await judged()).counts.suspect).toBe(0);
  });

  it('does not take one piece twice: the second hears what stands', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id);
    await check(1);
    const twice = await ines.put(id, reading(1, 120, { lot: 1 }));
    expect([twice.statusCode, problemOf(twice).code]).toEqual([409, 'slot-taken']);
    expect(problemOf(twice).title).toBe('Piece 1 has a reading already: 140.0 N, by Odile.');
  });

  it('is read without the entries of other lots, and a station catches up from where it was', async () => {
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 2 });
    const before = (await odile.view(id)).entries.at(-1)?.seq ?? 0;
    await check(1);
    await odile.kept(id, progress(2));
    await check(2);
    await odile.kept(id, finish);
    const news = await odile.get<KeptEntry[]>(`/api/combinations/${id}/entries?after=${before}`);
    expect(news.map((e) => e.body.kind)).toEqual(['finding', 'reading', 'progress', 'finding', 'reading', 'finish']);
    await openLot(odile, id, { lot: 2, name: 'L-0413' });
    const view = await odile.view(id);
    expect(view.lot).toBe(2);
    const ofLots = view.entries.filter((e) => 'lot' in e.body).map((e) => e.body.kind);
    expect(ofLots).toEqual(['lot', 'finish', 'lot']);
    const first = await odile.get<typeof view>(`/api/combinations/${id}?lot=1`);
    expect(first.entries.filter((e) => e.body.kind === 'reading' && e.body.lot === 1).length).toBe(2);
  });
});
