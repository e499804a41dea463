import {
  combinationLineSchema,
  combinationViewSchema,
  keptEntrySchema,
  newEntrySchema,
  type CombinationLine,
  type KeptEntry,
} from '@tug-mark/contract';
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
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Knex } from 'knex';
import { z } from 'zod';
import { Refusal } from '../http/problems';
import type { Teller } from '../live/teller';
import { only, signedIn } from '../people/session';
import {
  contextsOf,
  Journal,
  longLots,
  pageCombinations,
  readEntriesAfter,
  readJournals,
  readShared,
  readView,
  takenSince,
} from './store';

/** Combinations per page of the bench list. */
const PAGE = 200;
/** Most entries a station catches up on at once; farther behind it reads the combination anew. */
const CATCH_UP = 500;

/** The bench: every combination with its state, one of them in full, and its journal. */
export const lotRoutes: FastifyPluginAsyncZod<{ db: Knex; teller: Teller }> = async (app, { db, teller }) => {
  const journal = new Journal(db);
  const params = z.object({ id: z.uuid() });

  app.get(
    '/combinations',
    {
      schema: {
        querystring: z.object({ after: z.coerce.number().int().nonnegative().default(0) }),
        response: { 200: z.object({ lines: z.array(combinationLineSchema), next: z.number().nullable() }) },
      },
    },
    async (request) => {
      signedIn(request);
      const { rows, next } = await pageCombinations(db, request.query.after, PAGE);
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
      const book = openToolBook(shared.tools, shared.checks, now);
      const lines = rows.flatMap((row): CombinationLine[] => {
        const context = contexts.get(row.id);
        if (!context) return [];
        const entries = journals.get(row.id) ?? [];
        const setUp = computeSetUp(context, entries, now, book);
        const judgement = judgeCombination(setUp, entries, context, now);
        return [
          {
            id: row.id,
            list: row.list,
            terminal: row.terminal,
            wire: row.wire,
            pieces: row.pieces,
            place: row.place,
            class: row.class,
            customer: row.customer,
            demand: row.demand,
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
    },
  );

  app.get(
    '/combinations/:id',
    {
      schema: {
        params,
        querystring: z.object({ lot: z.coerce.number().int().positive().optional() }),
        response: { 200: combinationViewSchema },
      },
    },
    (request) => {
      signedIn(request);
      return readView(db, request.params.id, request.query.lot);
    },
  );

  /** What others put on record since; a station that was told of news, or was away, catches up here. */
  app.get(
    '/combinations/:id/entries',
    {
      schema: {
        params,
        querystring: z.object({ after: z.coerce.number().int().nonnegative() }),
        response: { 200: z.array(keptEntrySchema) },
      },
    },
    (request) => {
      signedIn(request);
      return readEntriesAfter(db, request.params.id, request.query.after, CATCH_UP);
    },
  );

  app.post(
    '/combinations/:id/entries',
    {
      onRequest: only('record'),
      config: { rememberSession: true },
      // The answer is made here from checked parts: writing it down needs no second look through the schema.
      serializerCompiler: () => JSON.stringify,
      schema: { params, body: newEntrySchema, response: { 200: keptEntrySchema, 201: keptEntrySchema } },
    },
    async (request, reply) => {
      const append = async () => {
        const { body } = request.body;
        if (body.kind === 'ruling') await only('rule')(request);
        if (body.kind === 'release') await only('release-set-up')(request);
        if (body.kind === 'disposition' && (body.what === 'accept' || body.what === 'use-as-is')) {
          await only('let-pieces-go')(request);
        }
        const believed = { version: request.shopVersion, session: request.sessionToken };
        return journal.append(request.params.id, request.body, signedIn(request), believed, new Date());
      };
      // Neither keeping nor refusing rests on a remembered session or shop.
      const careful = () =>
        append().catch((error: unknown) => {
          if (error instanceof Refusal && request.isRemembered) return 'look-again' as const;
          throw error;
        });
      let done = await careful();
      while (done === 'look-again') {
        await request.lookAgain();
        await only('record')(request);
        done = await careful();
      }
      if (!done.repeated) teller.tell(request.params.id, done.entry.seq);
      return reply.code(done.repeated ? 200 : 201).send(done.entry);
    },
  );
};

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
