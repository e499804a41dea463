import type { Knex } from 'knex';
import { appendDeeds, LEDGERS, type Deed, type Doer, type LedgerName } from './ledger';
import { SUBJECTS } from './subjects';

/**
 * Writes into its ledger what was just done to subjects, as they stand in their table now. Call it in the transaction that
 * did it, after it.
 */
export async function noteDeeds(
  trx: Knex,
  ledger: LedgerName,
  did: string,
  subjects: readonly string[],
  doer: Doer,
): Promise<void> {
  if (!subjects.length) return;
  const states = new Map<string, unknown>();
  for await (const { subject, state } of SUBJECTS[ledger](trx, subjects)) states.set(subject, state);
  await appendDeeds(
    trx,
    ledger,
    subjects.map((subject): Deed => ({ subject, did, state: states.get(subject) ?? null })),
    doer,
  );
}

/** Writes into the ledgers what stood before there were any; once in the life of a shop. */
export async function beginLedgers(db: Knex): Promise<void> {
  await db.transaction(async (trx) => {
    const [shop] = (await trx('shop').forUpdate().select('ledgers_begun')) as { ledgers_begun: boolean }[];
    if (!shop || shop.ledgers_begun) return;
    for (const ledger of LEDGERS) {
      const deeds: Deed[] = [];
      for await (const { subject, state } of SUBJECTS[ledger](trx)) deeds.push({ subject, did: 'stood', state });
      await appendDeeds(trx, ledger, deeds, { by: 'Tug Mark', role: 'program' });
    }
    await trx('shop').update({ ledgers_begun: true });
  });
}
