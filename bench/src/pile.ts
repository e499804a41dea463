import { memory, OURS, say, setting } from './stations';

/** A list whose combinations differ by the current they carry alone: as many sheets as wanted. */
export async function makeList(cookie: string, name: string, sheets: number): Promise<void> {
  const rows = Array.from({ length: sheets }, (_, i) => `P${i},FL-W-0075,100,FL-RT-0406,-,4,${i + 1}`);
  const answer = await fetch(`${OURS}/api/wire-lists?id=${crypto.randomUUID()}&name=${name}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv', cookie },
    body: ['wire id,wire part,length mm,terminal a,terminal b,quantity,voltage', ...rows].join('\n'),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** Piles of 30 and 300 sheets: how long a sheet takes, and whether the larger pile needs more memory. */
export async function benchPile(cookie: string): Promise<void> {
  const peaks: number[] = [];
  const each: number[] = [];
  for (const sheets of [30, 30, 300]) {
    const name = `pile-${sheets}-${Date.now()}`;
    await makeList(cookie, name, sheets);
    let peak = memory(setting('BENCH_REPORTS_PID'));
    const started = performance.now();
    const answer = await fetch(`${OURS}/api/sheets?list=${name}`, { headers: { cookie } });
    let bytes = 0;
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      bytes += chunk.length;
      peak = Math.max(peak, memory(setting('BENCH_REPORTS_PID')));
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
