import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { packTrace, readTrace, simulatePull, SOUND_PULL, unpackTrace } from '@tug-mark/core';
import { Caliper } from '@tug-mark/stand-ins/caliper';
import { ForceGauge } from '@tug-mark/stand-ins/force-gauge';
import { createHash, randomUUID } from 'node:crypto';
import { GaugeBridge } from '../src/tug/gauges/bridge';
import { FRESH, problemOf, reading, Shop, TAKE_TOOL } from './harness';

const settings = (port: number, changes: Partial<Gauge> = {}): Gauge => ({
  id: 'G-9',
  kind: 'force',
  label: 'Gauge 9',
  host: '127.0.0.1',
  port,
  pattern: 'F {value} {unit} {status}',
  unit: 'N',
  rate: 1000,
  capacity: 500,
  startCommand: '',
  zeroCommand: 'ZERO',
  traceCommand: 'TRACE',
  calibrationUntil: '2027-01-31',
  active: true,
  ...changes,
});
const until = async (holds: () => boolean, ms = 4000) => {
  const end = Date.now() + ms;
  while (!holds() && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 20));
  return holds();
};

describe('The bridge to a caliper', () => {
  it('passes on one length for each press of its button, in mm whatever it sends, and is not told silent between', async () => {
    const caliper = new Caliper({ port: 0, seed: 2, spread: 0, step: 0.001 });
    const port = await caliper.listen();
    const own = settings(port, { id: 'C-9', kind: 'caliper', pattern: 'L {value} {unit}', unit: 'mm' });
    const bridge = new GaugeBridge(() => Promise.resolve(own));
    const heard: GaugeEvent[] = [];
    const end = bridge.follow('C-9', (event) => heard.push(event));
    const lengths = () => heard.flatMap((e) => (e.kind === 'length' ? [e.millimetres] : []));
    expect(await until(() => heard.some((e) => e.kind === 'state' && e.state === 'connected'))).toBeTrue();
    caliper.measure(1.4867);
    expect(await until(() => lengths().length === 1)).toBeTrue();
    caliper.setUnit('in');
    caliper.measure(2.54);
    expect(await until(() => lengths().length === 2)).toBeTrue();
    expect(lengths()).toEqual([1.487, 2.54]);
    await new Promise((resolve) => setTimeout(resolve, 2300));
    expect(heard.some((e) => e.kind === 'state' && e.state === 'silent')).toBeFalse();
    end();
    bridge.close();
    caliper.close();
  });
});

describe('The bridge to a gauge', () => {
  let gauge: ForceGauge;
  let port: number;
  let bridge: GaugeBridge;
  let heard: GaugeEvent[];
  const forces = () => heard.flatMap((e) => (e.kind === 'forces' ? e.forces : []));
  const states = () => heard.flatMap((e) => (e.kind === 'state' ? [e.state] : []));
  const start = async (on = 0) => {
    gauge = new ForceGauge({ port: on, seed: 5, rate: 1000, model: {} });
    port = await gauge.listen();
  };
  beforeEach(async () => {
    heard = [];
    await start();
    bridge = new GaugeBridge(() => Promise.resolve(settings(port)));
  });
  afterEach(() => {
    bridge.close();
    gauge.close();
  });
  const follow = () => bridge.follow('G-9', (event) => heard.push(event));

  it('passes on a thousand readings a second in packets, and the peak of a pull among them', async () => {
    follow();
    expect(await until(() => forces().length > 1000)).toBeTrue();
    gauge.startPull('slide', 96, { speed: 400, slide: 2 });
    expect(await until(() => Math.max(...forces()) > 90)).toBeTrue();
    const packets = heard.filter((e) => e.kind === 'forces').length;
    expect(forces().length / packets).toBeGreaterThan(15);
  });

  it('tells when the gauge is lost, finds it again by itself, and two stations hear the same', async () => {
    follow();
    let other = 0;
    bridge.follow('G-9', (e) => (other += e.kind === 'forces' ? e.forces.length : 0));
    expect(await until(() => forces().length > 100)).toBeTrue();
    gauge.close();
    expect(await until(() => states().includes('lost'))).toBeTrue();
    await start(port);
    const before = forces().length;
    expect(await until(() => forces().length > before + 100)).toBeTrue();
    expect(states().slice(-2)).toEqual(['lost', 'connected']);
    expect(await until(() => other > 200)).toBeTrue();
  });

  it('counts lines it cannot read, and says overload, another unit and silence', async () => {
    follow();
    await until(() => forces().length > 50);
    const has = (test: (e: GaugeEvent & { kind: 'forces' }) => boolean) => () =>
      heard.some((e) => e.kind === 'forces' && test(e));
    gauge.setFault('garbled');
    expect(await until(has((e) => e.garbled > 10 && e.forces.length === 0))).toBeTrue();
    gauge.setFault('overload');
    expect(await until(has((e) => e.overload))).toBeTrue();
    gauge.setFault('other-unit');
    expect(await until(has((e) => e.otherUnit === 'lbf'))).toBeTrue();
    gauge.setFault('silent');
    expect(await until(() => states().includes('silent'))).toBeTrue();
  });

  it('fetches the whole curve of the last pull at ten thousand samples a second', async () => {
    follow();
    await until(() => forces().length > 50);
    expect(await bridge.trace('G-9')).toBe('The gauge has recorded no pull yet.');
    gauge.startPull('crimp', 100, { speed: 300 });
    await until(() => !gauge.isPulling);
    const trace = await bridge.trace('G-9');
    if (typeof trace === 'string') throw new Error(trace);
    expect(trace.rate).toBe(10_000);
    const read = readTrace(trace, { breaks: 177, strands: 24, loadingRate: null });
    expect(read.ok && read.read.suggestion.mode).toBe('broke-at-crimp');
    expect(read.ok && read.read.peak.force).toBeGreaterThan(97);
  });
});

describe('Gauges and curves of a shop', () => {
  let shop: Shop;
  beforeEach(async () => (shop = await Shop.open()));
  afterEach(() => shop.close());

  it('are set by an engineer; a line pattern that cannot be read is refused where it is wrong', async () => {
    const marek = await shop.signIn('Marek');
    const odile = await shop.signIn('Odile');
    expect((await odile.call('PUT', '/api/gauges', settings(4999))).statusCode).toBe(403);
    const wrong = await marek.call('PUT', '/api/gauges', settings(4999, { pattern: 'F {force}' }));
    expect(problemOf(wrong).errors?.[0]).toEqual(
      jasmine.objectContaining({ where: 'pattern', text: jasmine.stringContaining('no place here') }),
    );
    expect((await marek.call('PUT', '/api/gauges', settings(4999))).statusCode).toBe(200);
    const gauges = await odile.get<Gauge[]>('/api/gauges');
    expect(gauges.find((g) => g.id === 'G-9')?.port).toBe(4999);
  });

  it('keep a curve once, sealed with its reading, and give it back as bytes and CSV', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const bytes = Buffer.from(packTrace(simulatePull(SOUND_PULL)));
    const digest = createHash('sha256').update(bytes).digest('hex');
    const trace = randomUUID();
    const withCurve = (force = 129.4) =>
      odile.put(id, reading(1, force, { gauge: 'G-1', trace: { id: trace, digest } }));
    expect(problemOf(await withCurve()).code).toBe('trace-missing');
    const type = { 'content-type': 'application/octet-stream' };
    const url = `/api/combinations/${id}/traces/${trace}`;
    expect(problemOf(await odile.call('PUT', url, Buffer.from('nonsense'), type)).code).toBe('trace-unreadable');
    const hasty = Buffer.from(packTrace({ ...simulatePull(SOUND_PULL), rate: 1e9 }));
    expect(problemOf(await odile.call('PUT', url, hasty, type)).code).toBe('trace-rate');
    expect((await odile.call('PUT', url, bytes, type)).json()).toEqual({ digest });
    expect((await odile.call('PUT', url, bytes, type)).statusCode).toBe(200);
    const other = Buffer.from(packTrace(simulatePull({ ...SOUND_PULL, seed: 2 })));
    expect(problemOf(await odile.call('PUT', url, other, type)).code).toBe('trace-taken');
    expect(problemOf(await withCurve(118)).title).toContain('The curve’s peak is 129.');
    expect((await withCurve()).statusCode).toBe(201);
    const back = unpackTrace((await odile.call('GET', url)).rawPayload);
    expect(back).toEqual(simulatePull(SOUND_PULL));
    expect((await odile.call('GET', `${url}/csv`)).body.slice(0, 18)).toBe('\ufefftime s,force N\r\n0');
    await expectAsync(shop.db.raw('DELETE FROM traces')).toBeRejectedWithError(/append-only/);
  });
});

describe('Stations', () => {
  let shop: Shop;
  beforeEach(async () => (shop = await Shop.open()));
  afterEach(() => shop.close());

  it('hear within a second what another server process put on record, and of a new limit', async () => {
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    const listening = await shop.another();
    const address = await listening.listen({ host: '127.0.0.1', port: 0 });
    const answer = await fetch(`${address}/api/live`, { headers: { cookie: odile.cookie } });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
    let said = '';
    void (async () => {
      for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) said += read.value;
    })().catch(() => undefined);
    expect(await until(() => said.includes('event: look-again'))).toBeTrue();
    const started = Date.now();
    const kept = await odile.kept(id, TAKE_TOOL);
    expect(await until(() => said.includes(`{"kind":"entry","combination":"${id}","seq":${kept.seq}}`))).toBeTrue();
    expect(Date.now() - started).toBeLessThan(1000);
    const ines = await shop.signIn('Ines');
    await ines.call('POST', '/api/limits/withdraw', { document: 'FL-SPEC-07', revision: 'C', class: 'standard' });
    expect(await until(() => said.includes('event: shop'))).toBeTrue();
    await listening.close();
  });
});
