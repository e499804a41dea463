import type { PlanQueue } from '@tug-mark/contract';
import { openToolBook } from '@tug-mark/core';
import type { Knex } from 'knex';
import { listParts } from '../cabinet/store';
import { readChecks, readReturns } from '../cabinet/toolRecords';
import { readZone } from '../shop/store';
import { combinationsOf, readNewestGiven } from './given';
import { madeSoFar } from './made';

/**
 * What the benches have to know of the plan given out last. Asked by every bench whenever something was put on record: the plan
 * itself goes out only to those that have another one.
 * @param known the plan the asker has; 0: none
 */
export async function readQueue(db: Knex, known: number, now = new Date()): Promise<PlanQueue> {
  const [given, zone] = await Promise.all([readNewestGiven(db), readZone(db)]);
  if (!given) return { revision: 0, given: null, zone, made: [], checks: [] };
  const made = await madeSoFar(db, combinationsOf(given));
  const settings = new Set(
    given.placed.flatMap(({ tool, job }) => {
      const set = given.jobs[job]?.set;
      return tool !== null && set ? [`${tool}/${set.die}/${set.nest}`] : [];
    }),
  );
  const used = [...new Set(given.placed.flatMap(({ tool }) => tool ?? []))];
  const [tools, checks, returns] = await Promise.all([listParts(db, 'tool', used), readChecks(db), readReturns(db)]);
  const book = openToolBook(tools, { checks, returns }, now.toISOString(), { zone });
  const due = book.places.filter(
    ({ tool, die, nest, state }) => state.state !== 'ready' && settings.has(`${tool.part}/${die.id}/${nest.id}`),
  );
  return {
    ...{ revision: given.revision, zone, given: given.revision === known ? null : given },
    made: [...made].flatMap(([combination, count]) => {
      const since = count - (given.made[combination] ?? 0);
      return since > 0 ? [{ combination, made: since }] : [];
    }),
    checks: [...new Set(due.map(({ tool }) => tool.part))],
  };
}
