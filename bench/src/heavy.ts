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
const EACH = 60;
const ROUNDS = 5;

/** Asks for something over and over until it is told to stop, and reads all of each answer. */
async function keepAsking(path: string, cookie: string, until: { stopped: boolean }): Promise<number> {
  let answers = 0;
  while (!until.stopped) {
    const answer = await fetch(`${OURS}/api/${path}`, { headers: { cookie } });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) void chunk;
    answers += 1;
  }
  return answers;
}

/** What 50 stations feel at their slowest while somebody else asks for something large, against a quiet shop. */
export async function benchHeavy(): Promise<void> {
  const { cookie, stations } = await prepare(STATIONS + 1);
  const [large, ...crowd] = stations as [Station, ...Station[]];
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
  await load(OURS, cookie, crowd, EACH);
  for (const [name, path] of Object.entries(requests)) {
    const ratios: number[] = [];
    const slow: number[] = [];
    let answers = 0;
    for (let round = 0; round < ROUNDS; round++) {
      const quiet = await load(OURS, cookie, crowd, EACH);
      const until = { stopped: false };
      const asking = keepAsking(path, cookie, until);
      const busy = await load(OURS, cookie, crowd, EACH);
      until.stopped = true;
      answers += await asking;
      ratios.push(busy.p99 / quiet.p99);
      slow.push(busy.p99);
    }
    say(
      `others' p99 while somebody asks for ${name} / quiet   ratio ${median(ratios).toFixed(2)} (goal at most 1.5)   [${median(slow).toFixed(0)} ms, ${answers} answers]`,
    );
  }
}
