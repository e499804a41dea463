import { API, type CombinationLine, type KeptEntry } from '@tug-mark/contract';
import {
  computeSetUp,
  familyName,
  judgeCombination,
  judgeLot,
  lotNumbers,
  openToolBook,
  type SetUp,
  type SetUpContext,
} from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { longLots, readJournals, takenSince } from '../entry/rows';
import { serve } from '../api/serve';
import { contextsOf, pageCombinations, readShared, readView, toCombination } from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;

/** The bench: every combination with its state, and one of them in full. */
export function combinationRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  serve(app, API.listCombinations, async ({ query }) => {
    const { rows, next } = await pageCombinations(db, query.after, PAGE);
    const journals = await readJournals(
      db,
      rows.map((row) => row.id),
      'newest-lot',
    );
    const long = await longLots(
      db,
      rows.map((row) => row.id),
    );
    const shared = await readShared(db, takenSince(journals.values()));
    const contexts = await contextsOf(db, rows, shared);
    const now = new Date().toISOString();
    const book = openToolBook(shared.tools, shared.checks, now, shared);
    const lines = rows.flatMap((row): CombinationLine[] => {
      const context = contexts.get(row.id);
      if (!context) return [];
      const entries = journals.get(row.id) ?? [];
      const setUp = computeSetUp(context, entries, now, book);
      const judgement = judgeCombination(setUp, entries, context, now);
      return [
        {
          ...toCombination(row),
          terminalLabel: context.terminal.label,
          wireLabel: context.wire.label,
          family: familyName(context.terminal.family),
          verdict: judgement.verdict,
          release: judgement.release.state,
          lot: lotLine(setUp, entries, context, now, long.has(row.id)),
          headline: judgement.headline,
          stages: judgement.stages.map((stage) => stage.state),
          touchedAt: entries.at(-1)?.at ?? null,
        },
      ];
    });
    return { lines, next };
  });
  serve(app, API.readCombination, ({ params, query }) => readView(db, params.id, query.lot));
  return Promise.resolve();
}

/** The newest lot in a line; null before the first. */
function lotLine(
  setUp: SetUp,
  entries: readonly KeptEntry[],
  context: SetUpContext,
  now: string,
  isLong: boolean,
): CombinationLine['lot'] {
  const newest = lotNumbers(entries).at(-1);
  const judged = newest === undefined ? null : judgeLot(setUp, entries, context, newest, now);
  if (!judged) return null;
  const { head, verdict, headline } = judged;
  // A lot of thousands of entries comes to a list with its head alone: nothing is judged from that.
  if (isLong) {
    const said = head.state === 'finished' ? 'Finished; open it to see its verdict.' : 'Open it to see how far it is.';
    return { lot: head.lot, name: head.name, made: 0, pieces: head.pieces, verdict: 'running', headline: said };
  }
  return { lot: head.lot, name: head.name, made: head.made, pieces: head.pieces, verdict, headline };
}
