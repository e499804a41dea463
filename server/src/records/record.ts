import { setUpContext, type CombinationRecord, type CombinationView } from '@tug-mark/contract';
import { computeSetUp, judgeCombination } from '@tug-mark/core';
import type { Knex } from 'knex';
import { newestSeal } from '../chain/seal';
import { readView } from '../combination/store';
import { readEnd, writeEntriesInPortions } from '../entry/portions';
import { readRecordPhotos } from '../evidence/photos';
import { readShop } from '../shop/store';

/** A record on its way out: its text in pieces, so that one of any length needs the memory of a piece. */
export interface RecordText {
  readonly combination: CombinationView['combination'];
  readonly pieces: AsyncIterable<string>;
}

/** The record of one combination as it stands now; what is put on record while it is read is not in it. */
export async function writeRecord(db: Knex, id: string, now: string): Promise<RecordText> {
  const [view, shop, seal, end] = await Promise.all([
    readView(db, id, 'set-up'),
    readShop(db),
    newestSeal(db),
    readEnd(db, id),
  ]);
  const { combination, practice, tools, checks, returns, together, opposite, revisions } = view;
  const context = setUpContext(view);
  // A combination is judged by its set-up; what was found in its lots is judged with the lots.
  const judgement = judgeCombination(computeSetUp(context, view.entries, now), view.entries, context, now);
  const head: Omit<CombinationRecord, 'entries' | 'curves' | 'photos' | 'judgement'> = {
    format: 'tug-mark/record',
    version: 2,
    exportedAt: now,
    shop: { name: shop.name, isDemo: shop.isDemo, id: shop.id },
    seal,
    combination,
    wire: view.wire,
    together,
    opposite,
    terminal: view.terminal,
    practice,
    revisions,
    strippers: view.strippers,
    tools,
    checks,
    returns,
    limits: view.limits,
    looks: view.looks,
    zone: view.zone,
  };
  const judged: CombinationRecord['judgement'] = {
    verdict: judgement.verdict,
    headline: judgement.headline,
    stages: judgement.stages.map(({ stage, state, answer }) => ({ stage, state, answer })),
  };
  async function* pieces() {
    yield `${JSON.stringify(head).slice(0, -1)},"entries":[`;
    yield* parted(writeEntriesInPortions(db, id, end));
    yield '],"curves":[';
    yield* parted(readCurves(db, id));
    yield '],"photos":[';
    yield* parted(jsonOf(readRecordPhotos(db, id)));
    yield `],"judgement":${JSON.stringify(judged)}}`;
  }
  return { combination, pieces: pieces() };
}

/** Puts a comma between what comes. */
async function* parted(texts: AsyncIterable<string>): AsyncGenerator<string> {
  let isFirst = true;
  for await (const text of texts) {
    yield isFirst ? text : `,${text}`;
    isFirst = false;
  }
}

async function* jsonOf(values: AsyncIterable<unknown>): AsyncGenerator<string> {
  for await (const value of values) yield JSON.stringify(value);
}

async function* readCurves(db: Knex, combination: string): AsyncGenerator<string> {
  const ids = (await db('traces').where({ combination }).orderBy('at').pluck('id')) as string[];
  for (const id of ids) {
    const row = (await db('traces').where({ id }).first('bytes')) as { bytes: Buffer } | undefined;
    if (row) yield JSON.stringify({ id, bytes: row.bytes.toString('base64') });
  }
}
