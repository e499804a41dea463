import { API } from '@tug-mark/contract';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { serve } from '../api/serve';
import { verifyJournal } from './verifyJournal';
import { verifyJournals, verifyShop } from './verifyShop';

/** Journals checked in one request. */
const AT_ONCE = 50;

/** Whether anything on record was changed behind the application. */
export function verifyRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.verifyChain, async ({ params }) => {
    const { entries, hash, faults } = await verifyJournal(db, params.id);
    return { entries, hash, text: faults[0] ?? null };
  });
  serve(app, API.verifyChains, async ({ query }) => {
    const breaks: { chain: string; name: string; text: string }[] = [];
    let [chains, entries, next] = [0, 0, null as number | null];
    for await (const checked of verifyJournals(db, query.after)) {
      chains += 1;
      entries += checked.entries;
      breaks.push(...checked.faults);
      if (chains === AT_ONCE) {
        next = checked.number;
        break;
      }
    }
    // Behind the last journal: what belongs to no combination.
    const shop = next === null ? await verifyShop(db) : null;
    breaks.push(...(shop?.faults ?? []));
    return {
      chains: chains + (shop?.chains ?? 0),
      entries: entries + (shop?.entries ?? 0),
      breaks,
      next,
      unsealed: shop?.unsealed.entries ?? 0,
    };
  });
  return Promise.resolve();
}
