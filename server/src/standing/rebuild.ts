import type { Knex } from 'knex';
import { refreshBlocks } from '../charts/blocks';
import { readZone } from '../shop/store';
import { pageIds, refreshStandings } from './store';

/** Combinations worked out at a time. */
const PORTION = 100;

/** Drops every standing and block of readings and works all of them out from the journal. @returns how many */
export async function rebuildStandings(db: Knex): Promise<number> {
  await db.raw('TRUNCATE standings, lot_standings, reading_blocks, reading_glances, reading_ends');
  const shop = { zone: await readZone(db) };
  let made = 0;
  for (let after: number | null = 0; after !== null;) {
    const page: Awaited<ReturnType<typeof pageIds>> = await pageIds(db, after, PORTION);
    if (page.ids.length) await refreshStandings(db, page.ids, shop);
    for (const id of page.ids) await refreshBlocks(db, id);
    made += page.ids.length;
    after = page.next;
  }
  return made;
}
