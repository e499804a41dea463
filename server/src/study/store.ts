import { setUpContext, type NewStudy, type StudyLine, type StudyResults, type StudyTurn } from '@tug-mark/contract';
import {
  computeSetUp,
  drawnItems,
  drawnPiece,
  judgeStudy,
  orderFor,
  ownSheet,
  PLAIN_SHEET,
  ROUNDS,
  type LookSheet,
  type StudyAnswer,
  type StudyItem,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomInt } from 'node:crypto';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { refusals, Refusal } from '../http/problems';
import { findPhoto } from '../evidence/photos';
import { readView } from '../combination/store';

interface StudyRow {
  id: string;
  name: string;
  combination: string;
  seed: number;
  items: StudyItem[];
  look: LookSheet | null;
  by_name: string;
  at: Date;
  closed_at: Date | null;
}

async function readStudy(db: Knex, id: string): Promise<StudyRow> {
  const row = (await db('studies').where({ id }).first()) as StudyRow | undefined;
  if (!row) throw refusals.notFound('This study');
  return row;
}

async function readAnswers(db: Knex, study: string, person?: string): Promise<StudyAnswer[]> {
  const query = db('study_answers').where({ study }).orderBy('at').select('person', 'round', 'item', 'answer', 'point');
  if (person !== undefined) void query.where({ person });
  return (await query) as StudyAnswer[];
}

async function linesOf(db: Knex, rows: readonly StudyRow[]): Promise<StudyLine[]> {
  const ids = rows.map((row) => row.id);
  const counts = (await db('study_answers')
    .whereIn('study', ids)
    .groupBy('study', 'person')
    .orderBy('person')
    .select('study', 'person')
    .count('* as answers')) as { study: string; person: string; answers: string }[];
  const parts = new Map(
    (
      (await db('combinations')
        .whereIn(
          'id',
          rows.map((row) => row.combination),
        )
        .select('id', 'terminal', 'wire')) as { id: string; terminal: string; wire: string }[]
    ).map((row) => [row.id, row]),
  );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    combination: row.combination,
    terminal: parts.get(row.combination)?.terminal ?? '',
    wire: parts.get(row.combination)?.wire ?? '',
    items: row.items.length,
    by: row.by_name,
    at: row.at.toISOString(),
    closedAt: row.closed_at?.toISOString() ?? null,
    people: counts
      .filter((c) => c.study === row.id)
      .map(({ person, answers }) => ({ person, answers: Number(answers) })),
  }));
}

/** Every study, newest first. */
export async function listStudies(db: Knex): Promise<StudyLine[]> {
  return linesOf(db, (await db('studies').orderBy('at', 'desc').limit(200)) as StudyRow[]);
}

async function lineOf(db: Knex, row: StudyRow): Promise<StudyLine> {
  const [line] = await linesOf(db, [row]);
  if (!line) throw refusals.notFound('This study');
  return line;
}

/**
 * Begins a study. Its items and their key are settled now and never change.
 * @throws Refusal when the combination has no set-up to draw from, or a photograph is not its own
 */
export async function beginStudy(db: Knex, study: NewStudy, doer: Doer): Promise<StudyLine> {
  const { id, name, combination } = study;
  const known = (await db('studies').where({ id }).first()) as StudyRow | undefined;
  if (known) return lineOf(db, known);
  const view = await readView(db, combination);
  const setUp = computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
  const look = ownSheet(setUp.lookSheet) ? setUp.lookSheet : null;
  if (!setUp.look && study.drawn > 0) {
    throw new Refusal(
      422,
      'nothing-to-draw',
      'This combination has no set-up to draw pieces from.',
      'Take one that fits and has a tool.',
    );
  }
  for (const { photo } of study.photos) {
    if ((await findPhoto(db, photo))?.combination !== combination) throw refusals.notFound('A photograph of the study');
  }
  const seed = randomInt(1, 2 ** 31 - 1);
  const items: StudyItem[] = [
    ...(setUp.look ? drawnItems(setUp.look, setUp.lookSheet, study.drawn, seed) : []),
    ...study.photos.map((photo): StudyItem => ({ kind: 'photo', combination, ...photo })),
  ];
  if (items.length < 2) {
    throw new Refusal(422, 'study-too-small', 'A study needs at least two pieces.', 'Draw more, or add photographs.');
  }
  await db.transaction(async (trx) => {
    await trx('studies').insert({
      id,
      name,
      combination,
      seed,
      items: JSON.stringify(items),
      look: look && JSON.stringify(look),
      by_name: doer.by,
    });
    await noteDeeds(trx, 'studies', 'begun', [`study/${id}`], doer);
  });
  return lineOf(db, await readStudy(db, id));
}

/** What somebody sees next in a study: never the key, and the items in an order of their own. */
export async function nextTurn(db: Knex, id: string, person: string): Promise<StudyTurn> {
  const row = await readStudy(db, id);
  const given = await readAnswers(db, id, person);
  const view = await readView(db, row.combination);
  const setUp = computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
  const done = new Set(given.map((a) => `${a.round}/${a.item}`));
  let [round, item]: [number | null, number | null] = [null, null];
  for (let r = 1; r <= ROUNDS && round === null; r++) {
    const open = orderFor(row.items.length, row.seed, person, r).find((i) => !done.has(`${r}/${i}`));
    if (open !== undefined) [round, item] = [r, open];
  }
  const shown = item === null || row.closed_at ? undefined : row.items[item];
  return {
    line: await lineOf(db, row),
    round: row.closed_at ? null : round,
    item: row.closed_at ? null : item,
    answered: given.length,
    shows: !shown
      ? null
      : shown.kind === 'photo'
        ? { kind: 'photo', combination: shown.combination, photo: shown.photo }
        : setUp.look
          ? { kind: 'drawn', piece: { ...drawnPiece(setUp.look, row.look ?? PLAIN_SHEET, shown) } }
          : null,
    setUp: { ...view, entries: [] },
  };
}

/**
 * Keeps an answer. Given again with the same id it is kept once.
 * @throws Refusal when the study is closed, or this item was answered in this round already
 */
export async function keepAnswer(
  db: Knex,
  id: string,
  { by: person, role }: Doer,
  answer: { id: string; round: number; item: number; answer: 'accept' | 'reject'; point: string | null },
): Promise<void> {
  const row = await readStudy(db, id);
  if (row.closed_at) throw new Refusal(409, 'study-closed', 'This study is closed.', 'Its results are shown below.');
  if (answer.item >= row.items.length) throw refusals.notFound('This piece of the study');
  const kept = await db.transaction(async (trx) => {
    const added = await trx('study_answers')
      .insert({ ...answer, study: id, person })
      .onConflict()
      .ignore()
      .returning('id');
    if (added.length) await noteDeeds(trx, 'studies', 'answered', [`answer/${answer.id}`], { by: person, role });
    return added;
  });
  if (!kept.length && !(await db('study_answers').where({ id: answer.id, study: id, person }).first('id'))) {
    throw new Refusal(
      409,
      'answered-already',
      'You have answered this piece in this round already.',
      'An answer stays as it was given: a second look would not be blind any more.',
    );
  }
}

/** What a study shows; only once it is closed, so that nobody can look at the key between two rounds. */
export async function studyResults(db: Knex, id: string): Promise<StudyResults> {
  const row = await readStudy(db, id);
  if (!row.closed_at) {
    throw new Refusal(
      409,
      'study-open',
      'This study is still open.',
      'Close it first: its key stays hidden until then.',
    );
  }
  const { inspectors, together, pairs, points } = judgeStudy(row.items, await readAnswers(db, id));
  return {
    line: await lineOf(db, row),
    result: { inspectors: [...inspectors], together, pairs: [...pairs], points: [...points] },
  };
}

/** Closes a study for good. */
export async function closeStudy(db: Knex, id: string, doer: Doer): Promise<StudyLine> {
  await db.transaction(async (trx) => {
    const closed = await trx('studies').where({ id }).whereNull('closed_at').update({ closed_at: trx.fn.now() });
    if (closed) await noteDeeds(trx, 'studies', 'closed', [`study/${id}`], doer);
  });
  return lineOf(db, await readStudy(db, id));
}
