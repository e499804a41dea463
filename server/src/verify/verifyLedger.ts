import type { Knex } from 'knex';
import { LinkCheck } from '../chain/ChainCheck';
import { stateDigest, type LedgerName } from '../chain/ledger';
import { SUBJECTS } from '../chain/subjects';
import { ChainEnd, endFaults, readSealed } from './sealed';

const PORTION = 1000;

interface LedgerRow {
  seq: number;
  subject: string;
  digest: string | null;
  content: string;
  previous: string;
  hash: string;
}

/**
 * Checks one ledger: its chain, that nothing sealed has gone, and that every subject stands in its table as the last deed
 * left it, none more and none less.
 */
export async function verifyLedger(db: Knex, chain: LedgerName): Promise<{ entries: number; faults: string[] }> {
  const check = new LinkCheck();
  const faults: string[] = [];
  const sealed = new ChainEnd(await readSealed(db, chain));
  const states = new Map<string, string | null>();
  for (let after = 0; ;) {
    const rows = (await db('ledger')
      .where({ chain })
      .where('seq', '>', after)
      .orderBy('seq')
      .limit(PORTION)
      .select('seq', 'subject', 'digest', 'content', 'previous', 'hash')) as LedgerRow[];
    for (const row of rows) {
      faults.push(...check.take(row));
      sealed.pass(row.seq, row.hash);
      const said = JSON.parse(row.content) as { chain: string; subject: string; state: unknown };
      const digest = stateDigest(said.state);
      if (said.chain !== chain || said.subject !== row.subject || digest !== row.digest) {
        faults.push(`Entry ${row.seq} is filed under another subject or state than its own.`);
      }
      states.set(row.subject, digest);
    }
    const last = rows.at(-1);
    if (!last || rows.length < PORTION) break;
    after = last.seq;
  }
  const { entries } = check.seen;
  faults.push(...sealed.faults(entries), ...(await endFaults(db, chain, check.seen)));
  for await (const { subject, state } of SUBJECTS[chain](db)) {
    const wanted = states.get(subject);
    if (wanted === undefined) faults.push(`${subject} is there, and nothing says who put it there.`);
    else if (wanted !== stateDigest(state)) faults.push(`${subject} is not as it was left.`);
    states.delete(subject);
  }
  for (const [subject, digest] of states) if (digest !== null) faults.push(`${subject} is gone.`);
  return { entries, faults };
}
