import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';

/* Stations that put readings on record without end, as the outbox does: one after the other, the same id until it is
   answered. What the server acknowledged is written down as it said it. */

/** Signs in to the demo shop and makes one combination a station. */
export async function openStations(address, how) {
  const headers = { 'content-type': 'application/json' };
  const signedIn = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ name: 'Odile', password: 'demo-odile-bench' }),
  });
  const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0];
  const name = `faults-${Date.now()}`;
  for (let i = 0; i < how.stations; i++) {
    const list = 'wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,FL-W-0075,100,FL-RT-0406,-,400';
    await fetch(`${address}/api/wire-lists?id=${randomUUID()}&name=${name}-${i}`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv', cookie },
      body: list,
    });
  }
  const combinations = [];
  for (let after = 0; after !== null;) {
    const page = await (await fetch(`${address}/api/combinations?after=${after}`, { headers: { cookie } })).json();
    combinations.push(...page.lines.filter((line) => line.list.startsWith(name)).map((line) => line.id));
    after = page.next;
  }
  return { cookie, combinations };
}

/** The inspection points a combination is looked at by, as its set-up names them. */
async function lookInEffect(address, cookie, id) {
  const asked = await fetch(`${address}/api/combinations/${id}`, { headers: { cookie } });
  const { combination, looks } = await asked.json();
  const found = looks.find((sheet) => sheet.status === 'released' && sheet.class === combination.class);
  if (!found) throw new Error(`no inspection points of grade '${combination.class}' are released`);
  return { document: found.document, revision: found.revision, class: found.class };
}

/**
 * @param through where entries are sent; another address than the server's when something stands between
 */
export function runStations(through, cookie, combinations) {
  /** What the server said is kept: combination, place, hash, force and slot's piece, in the order it was said. */
  const kept = [];
  const refused = [];
  let repeats = 0;
  let isOver = false;
  const put = async (combination, body) => {
    const entry = { id: randomUUID(), body, corrects: null, why: null };
    for (;;) {
      try {
        const answer = await fetch(`${through}/api/combinations/${combination}/entries`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify(entry),
          signal: AbortSignal.timeout(15_000),
        });
        const said = await answer.json();
        if (answer.status === 200 || answer.status === 201) {
          if (answer.status === 200) repeats += 1;
          const { seq, hash } = said;
          kept.push({ id: entry.id, combination, seq, hash, force: body.force ?? null, piece: body.piece ?? null });
          return;
        }
        // As the pages do: only what the server states with its reason ends an entry's way.
        if (answer.status < 500 && answer.status !== 429) {
          refused.push(JSON.stringify(said).slice(0, 300));
          return;
        }
      } catch {
        // Nobody answers: tried again, like every reading on its way.
      }
      await wait(30);
    }
  };
  const stations = combinations.map(async (combination) => {
    await put(combination, {
      kind: 'tool',
      ...{ tool: 'HT-11', die: 'A', nest: '1' },
      look: await lookInEffect(through, cookie, combination),
    });
    for (let piece = 1; !isOver && piece < 9999; piece++) {
      const force = 115 + (piece % 97) / 10;
      const typed = String(force);
      const confirmed = ['pulled-already'];
      await put(combination, {
        kind: 'reading',
        piece,
        force,
        typed,
        unit: 'N',
        mode: 'slid-out',
        note: '',
        confirmed,
      });
    }
  });
  return {
    kept,
    refused,
    repeats: () => repeats,
    stop: async () => {
      isOver = true;
      await Promise.all(stations);
    },
  };
}
