import { readFileSync } from 'node:fs';
import type { Station } from './load';

/* What the benches of the server share: its address, who is signed in, and combinations to put readings on. */

export const setting = (name: string) => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run npm run bench`);
  return value;
};
export const say = (text: string) => process.stdout.write(`${text}\n`);
export const OURS = setting('BENCH_OURS');
const STATIONS = 16;
/** The sheet of the standard grade that is in effect in the demo shop. */
const LOOK = { document: 'FL-LOOK-03', revision: 'B', class: 'standard' };

export async function signIn(name: string, password: string): Promise<string> {
  const answer = await fetch(`${OURS}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password }),
  });
  return (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
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
export async function prepare(count = STATIONS): Promise<{ cookie: string; stations: Station[] }> {
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

/** Resident memory of a process, MB. */
export function memory(pid: string): number {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
}
