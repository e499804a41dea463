import { shopFileSchema } from '@tug-mark/contract';
import { readFileSync } from 'node:fs';
import { benchGroup } from './group';
import { benchFinder, benchLoom } from './finder';
import { firstLoad } from './firstLoad';
import { load, type LoadResult, type Station } from './load';
import { benchImport, benchLotPage, callAs } from './lots';
import { median } from './median';
import { demoLooks, diagnosisTrial } from './diagnosis';
import { benchSection, sectionAccuracy } from './section';
import { benchTolerance } from './tolerance';
import { benchTrace } from './trace';

/* Prints every figure as a ratio to a named baseline measured in the same run. Started by scripts/bench.mjs, which
   starts the two servers and builds the two pages. */

const setting = (name: string) => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run npm run bench`);
  return value;
};
const say = (text: string) => process.stdout.write(`${text}\n`);
const OURS = setting('BENCH_OURS');
const BARE = setting('BENCH_BARE');
const STATIONS = 16;
/** The sheet of class 2 that is in effect in the demo shop. */
const LOOK = { document: 'FL-LOOK-03', revision: 'B', class: '2' };

async function signIn(name: string, password: string): Promise<string> {
  const answer = await fetch(`${OURS}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password }),
  });
  return (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
}

/** Fifty stations at once against one alone: what a crowd costs. */
async function benchCrowd(cookie: string): Promise<void> {
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

/** The one combination of a list, wherever it stands in the pages of the bench. */
async function combinationOf(cookie: string, list: string): Promise<string> {
  for (let next: number | null = 0; next !== null;) {
    const answer = await fetch(`${OURS}/api/combinations?after=${next}`, { headers: { cookie } });
    const page = (await answer.json()) as { lines: { id: string; list: string }[]; next: number | null };
    const found = page.lines.find((line) => line.list === list);
    if (found) return found.id;
    next = page.next;
  }
  throw new Error(`no combination of ${list}`);
}

/** Signs in, imports as many copies of a small list as there are stations, and takes the tool on each. */
async function prepare(count = STATIONS): Promise<{ cookie: string; stations: Station[] }> {
  const cookie = await signIn('Odile', 'demo-odile-bench');
  const stations: Station[] = [];
  for (let i = 0; i < count; i++) {
    const list = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,400';
    const name = `bench ${Date.now()} ${i}`;
    const answer = await fetch(`${OURS}/api/wire-lists?id=${crypto.randomUUID()}&name=${encodeURIComponent(name)}`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv', cookie },
      body: list,
    });
    if (!answer.ok) throw new Error(await answer.text());
    const combination = await combinationOf(cookie, name);
    const taken = await fetch(`${OURS}/api/combinations/${combination}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({
        id: crypto.randomUUID(),
        body: { kind: 'tool', tool: 'HT-11', die: 'A', nest: '1', look: LOOK },
        corrects: null,
        why: null,
      }),
    });
    if (!taken.ok) throw new Error(await taken.text());
    stations.push({ combination, piece: 1 });
  }
  return { cookie, stations };
}

async function benchReading(cookie: string, stations: Station[]): Promise<void> {
  const bare = stations.map((station) => ({ ...station }));
  const ours: LoadResult[] = [];
  const base: LoadResult[] = [];
  await load(BARE, '', bare, 100);
  await load(OURS, cookie, stations, 100);
  for (let round = 0; round < 7; round++) {
    base.push(await load(BARE, '', bare, 100));
    ours.push(await load(OURS, cookie, stations, 100));
  }
  const throughput = median(ours.map((o, i) => o.perSecond / (base[i]?.perSecond ?? 1)));
  const p95 = median(ours.map((o, i) => o.p95 / (base[i]?.p95 ?? 1)));
  say(
    `reading over HTTP / bare Fastify + pg INSERT    throughput ${throughput.toFixed(2)} (goal at least 0.6), p95 ${p95.toFixed(2)} (goal at most 1.6)` +
      `   [${median(ours.map((o) => o.perSecond)).toFixed(0)} against ${median(base.map((o) => o.perSecond)).toFixed(0)} a second, ${STATIONS} stations]`,
  );
}

/** A list whose combinations differ by the current they carry alone: as many sheets as wanted. */
async function makeList(cookie: string, name: string, sheets: number): Promise<void> {
  const rows = Array.from({ length: sheets }, (_, i) => `P${i},FL-W-0075,100,FL-RT-0406,-,4,${i + 1}`);
  const answer = await fetch(`${OURS}/api/wire-lists?id=${crypto.randomUUID()}&name=${name}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv', cookie },
    body: ['wire id,wire part,length mm,terminal a,terminal b,quantity,voltage', ...rows].join('\n'),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** Piles of 30 and 300 sheets: how long a sheet takes, and whether the larger pile needs more memory. */
async function benchPile(cookie: string): Promise<void> {
  const peaks: number[] = [];
  const each: number[] = [];
  for (const sheets of [30, 30, 300]) {
    const name = `pile-${sheets}-${Date.now()}`;
    await makeList(cookie, name, sheets);
    let peak = memory(setting('BENCH_OURS_PID'));
    const started = performance.now();
    const answer = await fetch(`${OURS}/api/sheets?list=${name}`, { headers: { cookie } });
    let bytes = 0;
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      bytes += chunk.length;
      peak = Math.max(peak, memory(setting('BENCH_OURS_PID')));
    }
    if (!answer.ok || bytes < sheets * 1000) throw new Error('the pile is too small');
    peaks.push(peak);
    each.push((performance.now() - started) / sheets);
  }
  const [, small = 1, large = 1] = peaks;
  const [, one = 1, many = 1] = each;
  say(
    `300 set-up sheets as PDF / 30 sheets                 peak memory ${(large / small).toFixed(2)}, time a sheet ${(many / one).toFixed(2)} (bounded: near 1)   ` +
      `[${large.toFixed(0)} against ${small.toFixed(0)} MB, ${many.toFixed(1)} against ${one.toFixed(1)} ms a sheet]`,
  );
}

/** Resident memory of a process, MB. */
function memory(pid: string): number {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
}

async function benchMemory(cookie: string, stations: Station[], readings: number): Promise<void> {
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

const shop = shopFileSchema.parse(JSON.parse(readFileSync(new URL('../../demo/shop.json', import.meta.url), 'utf8')));
const [practice] = shop.practices;
if (!practice) throw new Error('the demo shop has no practice');
const group = benchGroup(practice);
say(
  `group verdict of 1,000,000 / plain two-pass loop ratio ${group.ratio.toFixed(2)} (goal at most 3)   [${group.milliseconds.toFixed(1)} against ${group.baseline.toFixed(1)} ms]`,
);
const finder = benchFinder(shop, practice);
say(
  `finder, 5,000 terminals x 200 tools / plain loop     ratio ${finder.ratio.toFixed(2)} (goal: under 100 ms)   [${finder.milliseconds.toFixed(1)} ms, slowest ${finder.slowest.toFixed(1)}, against ${finder.baseline.toFixed(1)} ms]`,
);
for (const wires of [60, 20_000]) {
  // Once to warm up; the second is what a page that stays open does.
  benchLoom(shop, practice, wires);
  const loom = benchLoom(shop, practice, wires);
  say(
    `whole loom of ${wires} wires / plain loop          ratio ${loom.ratio.toFixed(1)}   [${loom.milliseconds.toFixed(0)} against ${loom.baseline.toFixed(1)} ms, ${loom.combinations} combinations]`,
  );
}
const trace = benchTrace();
say(
  `curve of 50,000 samples read / one Math.max pass      ratio ${trace.ratio.toFixed(1)} (goal at most 10)   [${trace.milliseconds.toFixed(2)} against ${trace.baseline.toFixed(2)} ms]`,
);
const section = benchSection();
say(
  `section of 12 megapixels read / one pass over them    ratio ${section.ratio.toFixed(1)} (goal at most 25)   [${section.milliseconds.toFixed(0)} against ${section.baseline.toFixed(0)} ms]`,
);
const accuracy = sectionAccuracy();
const percent = (share: number) => (100 * share).toFixed(2);
say(
  `section against the generator's truth, ${accuracy.images} images    metal off by ${accuracy.metal.map(percent).join(' / ')} %, voids by ${accuracy.voids.map(percent).join(' / ')} points, height by ${accuracy.height.map((h) => h.toFixed(3)).join(' / ')} mm (median / 95th / most); strands right in ${accuracy.strandsRight}, within 5 % in ${accuracy.strandsNear} of ${accuracy.read}; declined ${[...accuracy.declined].map(([code, n]) => `${n} ${code}`).join(', ') || 'none'}`,
);
const looks = demoLooks(shop, practice);
const trial = diagnosisTrial(looks);
say(
  `cause of ${trial.lots} simulated lots, ${looks.length} families          first ${((100 * trial.first) / trial.lots).toFixed(1)} %, among three ${((100 * trial.amongThree) / trial.lots).toFixed(1)} %`,
);
const tolerance = benchTolerance();
say(
  `tolerance factor / jstat noncentral t, bisected       ${tolerance.times.toFixed(0)} times as fast (goal at least 10)   [${tolerance.milliseconds.toFixed(2)} against ${tolerance.baseline.toFixed(1)} ms, at most ${tolerance.apart.toExponential(1)} apart]`,
);
const own = firstLoad(setting('BENCH_PAGES'));
const empty = firstLoad(setting('BENCH_EMPTY'));
say(
  `first load, Brotli / empty Angular+NgRx+NG-ZORRO ratio ${(own / empty).toFixed(2)} (goal at most 1.4)   [${(own / 1024).toFixed(0)} against ${(empty / 1024).toFixed(0)} kB, fonts alike and left out]`,
);
const { cookie, stations } = await prepare();
await benchPile(cookie);
await benchReading(cookie, stations);
await benchMemory(cookie, stations, Number(process.env['BENCH_READINGS'] ?? 100_000));
await benchCrowd(cookie);
const technician = callAs(OURS, cookie);
const quality = callAs(OURS, await signIn('Ines', 'demo-ines-quality'));
const imported = await benchImport(technician, quality, setting('BENCH_DATABASE'));
say(
  `200,000 pulls from CSV / raw COPY of the same rows   ${imported.ratio.toFixed(2)} (goal at least 0.4)   [${(imported.ours / 1000).toFixed(1)} against ${(imported.baseline / 1000).toFixed(1)} s]`,
);
const lotPage = await benchLotPage(
  technician,
  setting('BENCH_DATABASE'),
  Number(process.env['BENCH_ROWS'] ?? 1_000_000),
);
say(
  `lot page in ${lotPage.rows.toLocaleString('en')} readings / in 10,000     ratio ${lotPage.ratio.toFixed(2)} (goal at most 2)   [${lotPage.many.toFixed(1)} against ${lotPage.few.toFixed(1)} ms]`,
);
