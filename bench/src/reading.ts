import { load, type LoadResult, type Station } from './load';
import { median } from './median';
import { memory, OURS, prepare, say, setting } from './stations';

/** Turns of each server, and readings of each station in one. */
const ROUNDS = 25;
const EACH = 40;

/** Readings of several stations at once as a ratio to a server that does the bare INSERT. */
export async function benchReading(cookie: string, stations: Station[], goal: number): Promise<void> {
  const bare = stations.map((station) => ({ ...station }));
  const ours: LoadResult[] = [];
  const base: LoadResult[] = [];
  await load(setting('BENCH_BARE'), '', bare, 100);
  await load(OURS, cookie, stations, 100);
  // Short turns, and many: a machine whose speed drifts is as fast in the one as in the next.
  for (let round = 0; round < ROUNDS; round++) {
    base.push(await load(setting('BENCH_BARE'), '', bare, EACH));
    ours.push(await load(OURS, cookie, stations, EACH));
  }
  const throughput = median(ours.map((o, i) => o.perSecond / (base[i]?.perSecond ?? 1)));
  const p95 = median(ours.map((o, i) => o.p95 / (base[i]?.p95 ?? 1)));
  say(
    `reading over HTTP / bare Fastify + pg INSERT    throughput ${throughput.toFixed(2)} (goal at least ${goal}), p95 ${p95.toFixed(2)} (goal at most 1.3)` +
      `   [${median(ours.map((o) => o.perSecond)).toFixed(0)} against ${median(base.map((o) => o.perSecond)).toFixed(0)} a second, ${stations.length} stations]`,
  );
}

/** Fifty stations at once against one alone: what a crowd costs. */
export async function benchCrowd(cookie: string): Promise<void> {
  const { stations: crowd } = await prepare(50);
  const [alone] = crowd;
  if (!alone) throw new Error('no station');
  await load(OURS, cookie, crowd, 20);
  const one: number[] = [];
  const fifty: number[] = [];
  for (let round = 0; round < 5; round++) {
    one.push((await load(OURS, cookie, [alone], 300)).perSecond);
    fifty.push((await load(OURS, cookie, crowd, 40)).perSecond);
  }
  say(
    `50 stations writing at once / one station             throughput ${(median(fifty) / median(one)).toFixed(2)} (goal at least 1, no error)   [${median(fifty).toFixed(0)} against ${median(one).toFixed(0)} a second, same cores]`,
  );
}

export async function benchMemory(cookie: string, stations: Station[], readings: number): Promise<void> {
  const steps = 20;
  const samples: number[] = [];
  for (let step = 0; step < steps; step++) {
    await load(OURS, cookie, stations, Math.ceil(readings / steps / stations.length));
    samples.push(memory(setting('BENCH_OURS_PID')));
  }
  // Memory swings with the collector; what grows shows in the lowest it comes back to.
  const floor = (part: number[]) => Math.min(...part);
  const ratio = floor(samples.slice(steps / 2)) / floor(samples.slice(0, steps / 2));
  say(
    `server memory over ${readings} readings               lowest of second half / lowest of first half ${ratio.toFixed(3)} (no growth: near 1)   ` +
      `[MB: ${samples.map((s) => s.toFixed(0)).join(' ')}]`,
  );
}
