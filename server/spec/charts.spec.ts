import {
  POINT_NUMBERS,
  type ChartAbout,
  type ChartChoice,
  type ChartGlance,
  type CombinationRecord,
} from '@tug-mark/contract';
import { isValidMode, makeBaseline } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { FRESH, openLot, problemOf, proveSetUp, reading, releaseSetUp, Shop, type Visitor } from './harness';

describe('Charts of the demo shop', () => {
  let shop: Shop;
  let ines: Visitor;
  let choices: ChartChoice[];
  beforeEach(async () => {
    shop = await Shop.open();
    ines = await shop.signIn('Ines');
    choices = await ines.get<ChartChoice[]>('/api/charts');
  });
  afterEach(() => shop.close());

  const query = ({ kind, value }: Pick<ChartChoice, 'kind' | 'value'>) =>
    new URLSearchParams({ kind, value }).toString();
  const choice = (kind: ChartChoice['kind'], label: string) => {
    const found = choices.find((c) => c.kind === kind && c.label === label);
    if (!found) throw new Error(`no chart of ${kind} ${label}`);
    return found;
  };
  const pointsOf = async (of: ChartChoice) => {
    const bytes = (await ines.call('GET', `/api/charts/points?${query(of)}`)).rawPayload;
    const numbers = new Float64Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
    return Array.from({ length: numbers.length / POINT_NUMBERS }, (_, i) => {
      const [at = 0, force = 0, group = 0, piece = 0] = numbers.subarray(i * POINT_NUMBERS, (i + 1) * POINT_NUMBERS);
      return { at, force, group, piece };
    });
  };

  it('are offered for every combination, tool, nest, person and reel with readings', () => {
    const kinds = new Set(choices.map((c) => c.kind));
    expect([...kinds].sort()).toEqual(['combination', 'nest', 'person', 'reel', 'tool']);
    expect(choices.filter((c) => c.kind === 'reel').map((c) => c.value)).toEqual(['bag 19', 'reel 2217']);
  });

  it('give a lot’s pulls in newtons in their order, with what was changed on the way', async () => {
    const wear = choice('combination', 'FL-RT-0406 on FL-W-0100, Sensor bar');
    const points = await pointsOf(wear);
    // Five samples, then pieces 1, 41, ... 1361 and the first after the new reel.
    expect(points.length).toBe(5 + 35 + 1);
    expect(new Set(points.map((p) => p.group)).size).toBe(2);
    expect(points.at(-1)?.piece).toBe(1361);
    expect(points.at(-1)?.force).toBeLessThan(140);
    const about = await ines.get<ChartAbout>(`/api/charts/about?${query(wear)}`);
    expect(about.limit).toBe(108);
    expect(about.events.map((e) => e.kind)).toEqual(['lot', 'wire-reel']);
  });

  it('of a tool stand side by side as a share of their own limits, and only those made with it', async () => {
    const points = await pointsOf(choice('tool', 'HT-11'));
    const others = [...(await pointsOf(choice('tool', 'HT-16'))), ...(await pointsOf(choice('tool', 'PR-02')))];
    const all = await pointsOf(choice('person', 'Odile'));
    expect(points.length + others.length).toBe(all.length);
    // 1 mm2: about 160 of 108 N; 0.75 mm2: about 119 of 85 N
    expect(Math.max(...points.map((p) => p.force))).toBeLessThan(155);
    expect(Math.min(...points.map((p) => p.force))).toBeGreaterThan(115);
  });

  it('of a reel hold the pieces made from it alone', async () => {
    const points = await pointsOf(choice('reel', 'reel 2217'));
    expect(Math.min(...points.map((p) => p.piece))).toBe(621);
    expect(points.length).toBe(20);
  });

  it('of thousands of readings, some corrected, are those of the journal, in portions and at a glance', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await proveSetUp(odile, id);
    await releaseSetUp(ines, id);
    await openLot(odile, id, { pieces: 5000 });
    const progress = (step: number, made: number, changes: object) =>
      odile.kept(id, { kind: 'progress', lot: 1, step, what: 'change', made, note: '', ...changes });
    const file = (from: number, to: number) => {
      const rows = ['piece,force N,how it let go,note'];
      for (let piece = from; piece <= to; piece++)
        rows.push(`${piece},${138 + (piece % 89) / 10},${piece % 50 ? 1 : 6},jaw slipped`);
      return odile.call('POST', `/api/combinations/${id}/lots/1/readings`, rows.join('\n'), {
        'content-type': 'text/csv',
      });
    };
    expect((await file(1, 1500)).statusCode).toBe(201);
    await pointsOf({ kind: 'combination', value: id, label: '' });
    const reel = await progress(1, 1500, { change: 'wire-reel', to: 'reel 7' });
    expect((await file(1501, 2600)).statusCode).toBe(201);
    await pointsOf({ kind: 'combination', value: id, label: '' });
    // After all of it was packed: a reading of the first block, and the reel of the second, turn out to be others.
    const record = async () => (await ines.get<CombinationRecord>(`/api/combinations/${id}/record.json`)).entries;
    const first = (await record()).find((e) => e.body.kind === 'reading' && e.body.lot === 1 && e.body.piece === 77);
    await odile.kept(id, reading(77, 120.5, { lot: 1 }), { corrects: first?.id ?? '', why: 'misread' });
    await odile.kept(
      id,
      { kind: 'progress', lot: 1, step: 1, what: 'change', made: 1500, note: '', change: 'wire-reel', to: 'reel 8' },
      { corrects: reel.id, why: 'other label' },
    );
    // The same, told from the journal in the plainest way.
    const entries = await record();
    const standing = new Map(entries.map((e) => [e.slot, e]));
    let onReel = '';
    const plain: { force: number; share: number; reel: string; piece: number }[] = [];
    for (const { slot, corrects } of entries) {
      const now = standing.get(slot);
      if (corrects !== null || !now) continue;
      const { body, verdict } = now;
      if (body.kind === 'progress' && body.change === 'wire-reel') onReel = body.to ?? '';
      if (body.kind !== 'reading' || !isValidMode(body.mode)) continue;
      const { force, piece, lot } = body;
      plain.push({ force, share: (100 * force) / (verdict?.force ?? NaN), piece, reel: lot ? onReel : '' });
    }
    const all = await pointsOf({ kind: 'combination', value: id, label: '' });
    expect(all.map(({ force, piece }) => [force, piece])).toEqual(plain.map(({ force, piece }) => [force, piece]));
    expect(all.length).toBeGreaterThan(2500);
    expect(choices.some((c) => c.value === 'reel 7')).toBeFalse();
    expect(problemOf(await ines.call('GET', '/api/charts/points?kind=reel&value=reel%207')).status).toBe(404);
    const ofReel = await pointsOf({ kind: 'reel', value: 'reel 8', label: '' });
    expect(ofReel.map(({ force, piece }) => [force, piece])).toEqual(
      plain.filter((p) => p.reel === 'reel 8').map((p) => [p.share, p.piece]),
    );
    expect(ofReel.length).toBeGreaterThan(1000);
    for (const chart of [{ kind: 'combination', value: id } as const, { kind: 'tool', value: 'HT-11' } as const]) {
      const glances = await ines.get<ChartGlance[]>(`/api/charts/glances?${query(chart)}`);
      const points = (await pointsOf({ ...chart, label: '' })).map((p) => p.force);
      expect(glances.reduce((sum, g) => sum + g.n, 0)).toBe(points.length);
      expect(Math.min(...glances.map((g) => g.least))).toBeCloseTo(Math.min(...points), 3);
      expect(Math.max(...glances.map((g) => g.greatest))).toBeCloseTo(Math.max(...points), 3);
      const mean = glances.reduce((sum, g) => sum + g.n * g.mean, 0) / points.length;
      expect(mean).toBeCloseTo(points.reduce((sum, p) => sum + p, 0) / points.length, 3);
    }
  });

  it('have a baseline that quality freezes with its reason; a later one stands for it, and none is changed', async () => {
    const wear = choice('combination', 'FL-RT-0406 on FL-W-0100, Sensor bar');
    const points = await pointsOf(wear);
    const own = makeBaseline(
      points.slice(0, 20).map((p) => p.force),
      1,
    );
    const at = (i: number) => new Date(points[i]?.at ?? 0).toISOString();
    const baseline = (note: string) => ({
      id: randomUUID(),
      kind: wear.kind,
      value: wear.value,
      note,
      body: { ...own, from: at(0), to: at(19) },
    });
    const odile = await shop.signIn('Odile');
    expect((await odile.call('POST', '/api/charts/baselines', baseline('mine'))).statusCode).toBe(403);
    const wrong = await ines.call('POST', '/api/charts/baselines', baseline(' '));
    expect(problemOf(wrong).errors?.[0]?.text).toContain('say why');
    expect((await ines.call('POST', '/api/charts/baselines', baseline('the first twenty'))).statusCode).toBe(201);
    await ines.call('POST', '/api/charts/baselines', baseline('after the new die'));
    const about = await ines.get<ChartAbout>(`/api/charts/about?${query(wear)}`);
    expect(about.baseline?.note).toBe('after the new die');
    expect(about.baseline?.body.points).toBe(20);
    await expectAsync(shop.db.raw("UPDATE baselines SET note = 'other'")).toBeRejectedWithError(/append-only/);
    expect(problemOf(await ines.call('GET', '/api/charts/points?kind=tool&value=nowhere')).status).toBe(404);
  });
});
