import type { KeptEntry } from '@tug-mark/contract';
import { computeSetUp, currentRun, lotOf, slotsToCheck, type SetUp, type SetUpContext } from '@tug-mark/core';
import type { Knex } from 'knex';
import { contextOf, readRow, readShared } from '../combination/store';
import { readJournal, readJournalOfLot } from '../entry/rows';

/** What an entry is checked against: the set-up, and the journal as far as the check looks at it. */
export interface Checked {
  readonly setUp: SetUp;
  readonly journal: KeptEntry[];
  readonly day: string;
  readonly run: number;
}

/**
 * Contexts kept between requests, good for one version of the shop: only what can be read again is kept, so any number
 * of server processes serve one database (docs/decisions/006-reading-path.md).
 */
export class ContextCache {
  private version = '';
  private readonly contexts = new Map<string, SetUpContext>();
  private readonly forReadings = new Map<string, Checked>();

  /**
   * A reading asks only for limit, breaking load and whether a tool was ever taken, which stay the same for a day of one
   * version.
   * @param day the shop's day
   */
  async toCheck(
    db: Knex,
    id: string,
    version: string,
    body: KeptEntry['body'],
    now: string,
    day: string,
  ): Promise<Checked> {
    const context = await this.get(db, id, version);
    const kept = this.forReadings.get(id);
    const isSample = body.kind === 'reading' && body.lot === undefined;
    if (isSample && kept?.day === day && kept.run === (body.run ?? 1)) return kept;
    const slots = slotsToCheck(body);
    const journal = slots ? await readJournal(db, id, slots) : await readJournalOfLot(db, id, lotOf(body));
    const found = { setUp: computeSetUp(context, journal, now), journal, day, run: currentRun(journal) };
    const hasTool = journal.some((entry) => entry.body.kind === 'tool');
    if (isSample && hasTool && version === this.version) this.forReadings.set(id, found);
    return found;
  }

  private async get(db: Knex, id: string, version: string): Promise<SetUpContext> {
    if (version !== this.version || this.contexts.size >= 500) {
      this.contexts.clear();
      this.forReadings.clear();
      this.version = version;
    }
    const known = this.contexts.get(id);
    if (known) return known;
    const context = await contextOf(db, await readRow(db, id), await readShared(db));
    if (version === this.version) this.contexts.set(id, context);
    return context;
  }
}
