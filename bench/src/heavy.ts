import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { fillCombination } from './fill';
import { load, type Station } from './load';
import { makeList } from './pile';
import { median } from './median';
import { OURS, prepare, say, setting } from './stations';

/** Readings in the combination that is opened, drawn and taken away. */
const READINGS = 100_000;
const SHEETS = 300;
const STATIONS = 50;
/** At the slowest of so many readings it is a habit that shows, not one hiccup. */
const EACH = 200;
const ROUNDS = 5;

/** Lets somebody ask for it over and over. @returns stops them and says how many answers they had */
function keepAsking(path: string, cookie: string): () => Promise<number> {
  const asker = fork(fileURLToPath(new URL('asker.ts', import.meta.url)), [`${OURS}/api/${path}`, cookie]);
  const answers = new Promise<number>((resolve, reject) => {
    asker.once('message', resolve);
    asker.once('exit', (code) => {
      reject(new Error(`${path}: the asker ended with ${code}`));
    });
  });
  return () => {
    asker.send('stop');
    return answers;
  };
}

/** What 50 stations feel at their slowest while somebody else asks for something large, against a quiet shop. */
export async function benchHeavy(): Promise<void> {
  const { cookie, stations } = await prepare(1);
  const [large] = stations as [Station];
  const client = new pg.Client({ connectionString: setting('BENCH_DATABASE') });
  await client.connect();
  await fillCombination(client, large.combination, READINGS);
  await client.end();
  const list = `heavy-${Date.now()}`;
  await makeList(cookie, list, SHEETS);
  const combination = `combinations/${large.combination}`;
  const requests = {
    'a record of 100,000 readings, JSON': `${combination}/record.json`,
    'a record of 100,000 readings, CSV': `${combination}/record.csv`,
    'a combination of 100,000 readings, opened': combination,
    'a chart of 100,000 readings': `charts/points?kind=combination&value=${large.combination}`,
    [`${SHEETS} sheets as PDF`]: `sheets?list=${list}`,
    'the bench list': 'combinations',
  };
  for (const [name, path] of Object.entries(requests)) {
    const { stations: crowd } = await prepare(STATIONS);
    await load(OURS, cookie, crowd, 60);
    const ratios: number[] = [];
    const slow: number[] = [];
    let answers = 0;
    for (let round = 0; round < ROUNDS; round++) {
      const quiet = await load(OURS, cookie, crowd, EACH);
      const stop = keepAsking(path, cookie);
      const busy = await load(OURS, cookie, crowd, EACH);
      answers += await stop();
      ratios.push(busy.p99 / quiet.p99);
      slow.push(busy.p99);
    }
    say(
      `others' p99 while somebody asks for ${name} / quiet   ratio ${median(ratios).toFixed(2)} (goal at most 1.5)   [${median(slow).toFixed(0)} ms, ${answers} answers]`,
    );
  }
}
