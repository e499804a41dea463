import type { Knex } from 'knex';
import { connect } from '../db/connect';
import { findBreak } from './chain';
import { readJournals } from './store';

/** Combinations read at a time. */
const BATCH = 100;

/** Checks the hash chain of every combination's journal. */
async function verifyChains(
  db: Knex,
): Promise<{ chains: number; entries: number; breaks: { combination: string; text: string }[] }> {
  const result = { chains: 0, entries: 0, breaks: [] as { combination: string; text: string }[] };
  for (let after = 0; ;) {
    const rows = (await db('combinations')
      .where('number', '>', after)
      .orderBy('number')
      .limit(BATCH)
      .select('id', 'number')) as {
      id: string;
      number: string;
    }[];
    const last = rows.at(-1);
    if (!last) return result;
    after = Number(last.number);
    for (const [combination, entries] of await readJournals(
      db,
      rows.map((row) => row.id),
    )) {
      result.chains += 1;
      result.entries += entries.length;
      const broken = findBreak(entries);
      if (broken) result.breaks.push({ combination, text: broken.text });
    }
  }
}

const db = connect(process.env['TUG_DATABASE_URL'] ?? '', 2);
const { chains, entries, breaks } = await verifyChains(db);
await db.destroy();
for (const { combination, text } of breaks) process.stdout.write(`${combination}: ${text}\n`);
process.stdout.write(
  `${entries} entries in ${chains} journals: ${breaks.length ? `${breaks.length} broken` : 'every chain is whole'}\n`,
);
process.exitCode = breaks.length ? 1 : 0;
