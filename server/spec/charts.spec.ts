import { POINT_NUMBERS, type ChartAbout, type ChartChoice } from '@tug-mark/contract';
import { makeBaseline } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { problemOf, Shop, type Visitor } from './harness';

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
