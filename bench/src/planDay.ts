import type { PlanDay } from '@tug-mark/contract';
import { asPlan, byDueDate, modelOf } from '@tug-mark/core';
import { makeList } from './pile';
import { memory, OURS, say, setting } from './stations';

/** Combinations brought in one after the other: a day's worth, and more than a plan looks at. */
const SIZES = [500, 20_000];
/** Rows of one list. */
const ROWS = 5000;

interface Measured {
  readonly jobs: number;
  readonly read: number;
  readonly give: number;
  readonly megabytes: number;
  readonly told: string;
}

/** Reads the day of the shop as it stands, and gives out what due dates alone would plan. */
async function measure(cookie: string): Promise<Measured> {
  const begun = performance.now();
  const answer = await fetch(`${OURS}/api/plan/day?days=30`, { headers: { cookie } });
  const text = await answer.text();
  const read = performance.now() - begun;
  if (!answer.ok) throw new Error(text);
  const day = JSON.parse(text) as PlanDay;
  const { placed, score } = asPlan(byDueDate(modelOf(day.work)));
  const sent = performance.now();
  const given = await fetch(`${OURS}/api/plan/given`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify({ base: day.given?.revision ?? null, start: day.start, placed, score }),
  });
  if (!given.ok) throw new Error((await given.text()).slice(0, 2000));
  await given.arrayBuffer();
  return {
    ...{ jobs: day.work.jobs.length, read, give: performance.now() - sent, megabytes: text.length / 1e6 },
    told: day.notes.findLast(({ combination }) => combination === null)?.text ?? '',
  };
}

/** Drawers with enough for all of it: what is short is not planned. */
async function fill(cookie: string): Promise<void> {
  const counts = [
    { kind: 'terminal', part: 'FL-RT-0406', amount: 1e7 },
    { kind: 'wire', part: 'FL-W-0075', amount: 2e7 },
  ];
  const answer = await fetch(`${OURS}/api/plan/stock`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify(counts.map((count) => ({ ...count, id: crypto.randomUUID(), what: 'counted' }))),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** A day of 500 combinations more, and one of 20,000: what reading it and giving it out take, job by job. */
export async function benchPlanDay(cookie: string): Promise<void> {
  const found: Measured[] = [];
  await fill(cookie);
  for (const size of SIZES) {
    for (let made = 0; made < size; made += ROWS)
      await makeList(cookie, `day-${size}-${made}-${Date.now()}`, Math.min(ROWS, size - made));
    await measure(cookie);
    found.push(await measure(cookie));
  }
  const [small, large] = found as [Measured, Measured];
  const each = (of: 'read' | 'give') => large[of] / large.jobs / (small[of] / small.jobs);
  say(
    `plan of a day with 20,500 combinations / with 500         read ${each('read').toFixed(2)}, given out ${each('give').toFixed(2)} a job (bounded: near 1)   ` +
      `[${large.jobs} against ${small.jobs} jobs, read in ${(large.read / 1000).toFixed(1)} against ${(small.read / 1000).toFixed(1)} s and ${large.megabytes.toFixed(1)} MB, ` +
      `given out in ${(large.give / 1000).toFixed(1)} against ${(small.give / 1000).toFixed(1)} s, server at ${memory(setting('BENCH_REPORTS_PID')).toFixed(0)} MB; ${large.told}]`,
  );
}
