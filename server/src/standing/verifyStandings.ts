import { today } from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import type { CombinationRow } from '../combination/store';
import { readZone } from '../shop/store';
import { judgeLines } from './judgeLines';
import { pageIds, findBehind } from './store';

/** Combinations compared at a time. */
const PORTION = 100;

/**
 * Compares every standing that is up to date with what the journal says. One that is behind says so where it is shown and
 * is no fault.
 */
export async function* verifyStandings(
  db: Knex,
): AsyncGenerator<{ readonly chain: string; readonly name: string; readonly text: string }> {
  const shop = { zone: await readZone(db) };
  for (let after: number | null = 0; after !== null;) {
    const page: Awaited<ReturnType<typeof pageIds>> = await pageIds(db, after, PORTION);
    const { ids } = page;
    after = page.next;
    const kept = (await db('standings').whereIn('combination', ids).select('combination', 'line')) as {
      combination: string;
      line: unknown;
    }[];
    const now = new Date().toISOString();
    const judged = await judgeLines(db, await db<CombinationRow>('combinations').whereIn('id', ids), now);
    // Asked afterwards: what was put on record meanwhile makes a standing late, not wrong.
    const behind = new Set(await findBehind(db, shop, ids.length, { among: ids }));
    if (today(shop, now) !== today(shop, new Date().toISOString())) continue;
    for (const { combination, line } of kept) {
      if (!behind.has(combination) && !isDeepStrictEqual(line, plain(judged.get(combination)?.line))) {
        yield {
          chain: `journal/${combination}`,
          name: 'A line of the lists',
          text: 'It is not what the journal says. npm run standings works it out once more.',
        };
      }
    }
  }
}

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value ?? null)) as unknown;
