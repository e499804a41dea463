import type { Knex } from 'knex';
import { LEDGERS } from '../chain/ledger';
import { verifyJournal } from './verifyJournal';
import { verifyLedger } from './verifyLedger';
import { verifySeals } from './verifySeals';

/** Something that does not hold. */
export interface Fault {
  /** Chain it is in. */
  readonly chain: string;
  /** What it is about, in words. */
  readonly name: string;
  readonly text: string;
}

/** One chain that was checked. */
export interface Checked {
  readonly entries: number;
  readonly faults: readonly Fault[];
  /** Number to go on from. */
  readonly number: number;
}

/** Chains whose names are read at a time. */
const PORTION = 200;

/** Checks the journals of combinations after a number, one after the other. */
export async function* verifyJournals(db: Knex, after: number): AsyncGenerator<Checked> {
  for (let number = after; ;) {
    const rows = (await db('combinations')
      .where('number', '>', number)
      .orderBy('number')
      .limit(PORTION)
      .select('id', 'number', 'terminal', 'wire', 'list')) as {
      id: string;
      number: string;
      terminal: string;
      wire: string;
      list: string;
    }[];
    for (const { id, terminal, wire, list, ...row } of rows) {
      const { entries, faults } = await verifyJournal(db, id);
      const name = `${terminal} on ${wire}, ${list}`;
      number = Number(row.number);
      yield { entries, number, faults: faults.map((text) => ({ chain: `journal/${id}`, name, text })) };
    }
    if (rows.length < PORTION) return;
  }
}

/** Checks everything that belongs to no combination: the ledgers, the seals, and journals whose combination has gone. */
export async function verifyShop(
  db: Knex,
  known: { readonly number: number; readonly hash: string } | null = null,
): Promise<{ chains: number; entries: number; faults: Fault[]; unsealed: { entries: number; since: string | null } }> {
  const faults: Fault[] = [];
  let entries = 0;
  for (const ledger of LEDGERS) {
    const found = await verifyLedger(db, ledger);
    entries += found.entries;
    faults.push(...found.faults.map((text) => ({ chain: ledger, name: `Ledger of ${ledger}`, text })));
  }
  const seals = await verifySeals(db, known);
  faults.push(...seals.faults.map((text) => ({ chain: 'seals', name: 'Shop chain', text })));
  // A journal that stands in a seal or has an end of its own, and whose combination is not there any more.
  const { rows: gone } = await db.raw<{ rows: { chain: string }[] }>(
    `SELECT chain FROM (SELECT chain FROM seal_heads UNION SELECT name FROM chains) known
      WHERE chain LIKE 'journal/%' AND NOT EXISTS (SELECT 1 FROM combinations c WHERE 'journal/' || c.id = known.chain)
      ORDER BY chain`,
  );
  for (const { chain } of gone) {
    faults.push({ chain, name: 'A combination', text: 'The combination of this journal is gone.' });
  }
  const { rows } = await db.raw<{ rows: { open: string | null }[] }>(
    'SELECT sum(count - sealed) AS open FROM chains WHERE count > sealed',
  );
  const last = (await db('seals').orderBy('number', 'desc').first('at')) as { at: Date } | undefined;
  return {
    chains: LEDGERS.length + 1,
    entries,
    faults,
    unsealed: { entries: Number(rows[0]?.open ?? 0), since: last?.at.toISOString() ?? null },
  };
}
