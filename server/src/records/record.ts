import { setUpContext, type CombinationRecord } from '@tug-mark/contract';
import { computeSetUp, entrySlot, failureModeName, judgeCombination, lotOf, runOf, unpackTrace } from '@tug-mark/core';
import { stringify } from 'csv-stringify/sync';
import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { addCheck, keepParts, listParts, newestRevisions, type PartKind } from '../cabinet/store';
import { bumpVersion } from '../db/bumpVersion';
import { Refusal, refusals } from '../http/problems';
import { findBreak } from '../lot/chain';
import { readView } from '../lot/store';
import { readShop } from '../people/store';
import { sameOrNewDocuments } from '../documents/store';
import { keepRecordPhotos, readRecordPhotos } from '../look/photos/store';
import { LOOK_SHEETS } from '../look/store';
import { LIMIT_TABLES } from '../tug/store';

/** The record of one combination as it stands now. */
export async function makeRecord(db: Knex, id: string, now: string): Promise<CombinationRecord> {
  const [view, shop] = await Promise.all([readView(db, id, 'all'), readShop(db)]);
  const { entries, combination, practice, tools, checks, together, revisions } = view;
  const context = setUpContext(view);
  const judgement = judgeCombination(computeSetUp(context, entries, now), entries, context, now);
  return {
    format: 'tug-mark/record',
    version: 1,
    exportedAt: now,
    shop: { name: shop.name, isDemo: shop.isDemo },
    combination,
    wire: view.wire,
    together,
    terminal: view.terminal,
    practice,
    revisions,
    strippers: view.strippers,
    tools,
    checks,
    limits: view.limits,
    looks: view.looks,
    entries,
    curves: await readCurves(db, id),
    photos: await readRecordPhotos(db, id),
    judgement: {
      verdict: judgement.verdict,
      headline: judgement.headline,
      stages: judgement.stages.map(({ stage, state, answer }) => ({ stage, state, answer })),
    },
  };
}

async function readCurves(db: Knex, combination: string): Promise<CombinationRecord['curves']> {
  const rows = (await db('traces').where({ combination }).orderBy('at').select('id', 'bytes')) as {
    id: string;
    bytes: Buffer;
  }[];
  return rows.map(({ id, bytes }) => ({ id, bytes: bytes.toString('base64') }));
}

/** Puts the curves of a record in their place; the digests its readings were sealed with have to hold. */
async function keepCurves(trx: Knex, record: CombinationRecord, by: string): Promise<void> {
  const wanted = new Map(
    record.entries.flatMap(({ body }) =>
      body.kind === 'reading' && body.trace ? [[body.trace.id, body.trace.digest]] : [],
    ),
  );
  for (const [index, { id, bytes: text }] of record.curves.entries()) {
    const bytes = Buffer.from(text, 'base64');
    const digest = createHash('sha256').update(bytes).digest('hex');
    const trace = unpackTrace(bytes);
    if (!trace || (wanted.has(id) && wanted.get(id) !== digest)) {
      const text = `Curve ${index + 1} is not what was sealed with its reading.`;
      throw new Refusal(422, 'chain-broken', 'The record was changed after it was made.', text, {
        errors: [{ where: `curves.${index}`, text }],
      });
    }
    await trx('traces').insert({
      id,
      combination: record.combination.id,
      digest,
      rate: trace.rate,
      samples: trace.forces.length,
      bytes,
      by_name: by,
    });
  }
}

/** The journal of a record as CSV: one row an entry, forces in N with every digit. */
export function recordToCsv(record: CombinationRecord): string {
  const { combination } = record;
  const corrected = new Set(record.entries.map((entry) => entry.corrects));
  return stringify(
    record.entries.map((entry) => {
      const { body } = entry;
      return {
        seq: entry.seq,
        at: entry.at,
        by: entry.by,
        role: entry.role,
        terminal: combination.terminal,
        wire: combination.wire,
        run: runOf(body),
        lot: lotOf(body) ?? '',
        kind: body.kind,
        about: entrySlot(body),
        piece: 'piece' in body ? body.piece : '',
        answer:
          body.kind === 'gate'
            ? body.answer
            : body.kind === 'finding'
              ? body.finding
              : body.kind === 'ruling'
                ? body.ruling
                : '',
        measured: body.kind === 'measure' ? body.value : '',
        unit: body.kind === 'measure' ? (body.unit === 'in' ? 'mm' : body.unit) : '',
        'force N': body.kind === 'reading' ? body.force : '',
        'limit N': entry.verdict?.force ?? '',
        verdict: entry.verdict?.verdict ?? '',
        'failure mode': body.kind === 'reading' ? failureModeName(body.mode) : '',
        note: 'note' in body ? guard(body.note) : '',
        corrects: entry.corrects ?? '',
        why: guard(entry.why ?? ''),
        'in force': corrected.has(entry.id) ? 'no' : 'yes',
        id: entry.id,
        hash: entry.hash,
      };
    }),
    { header: true },
  );
}

/** Free text that a spreadsheet would run as a formula gets an apostrophe in front. */
function guard(text: string): string {
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}

/**
 * Reads a record into this shop: its parts, limit tables, checks and journal, whole or not at all. The chain is
 * verified first. Nothing that stands already is changed; where it differs, the record is refused.
 */
export async function importRecord(db: Knex, record: CombinationRecord, by: string): Promise<void> {
  const broken = findBreak(record.entries);
  if (broken) {
    throw new Refusal(422, 'chain-broken', 'The record was changed after it was made.', broken.text, {
      errors: [{ where: `entries.${broken.seq - 1}`, text: broken.text }],
    });
  }
  const { combination } = record;
  if (await db('combinations').where({ id: combination.id }).first('id')) {
    const standing = await makeRecord(db, combination.id, record.exportedAt);
    if (isDeepStrictEqual(standing.entries, record.entries)) return;
    throw refusals.conflictingPart('This combination');
  }
  await db.transaction(async (trx) => {
    await sameOrNew(trx, 'wire', [record.wire], by, record.revisions.wire);
    await sameOrNew(trx, 'wire', record.together, by);
    await sameOrNew(trx, 'terminal', [record.terminal], by, record.revisions.terminal);
    await sameOrNew(trx, 'practice', [record.practice], by, record.revisions.practice);
    await sameOrNew(trx, 'stripper', record.strippers, by);
    await sameOrNew(trx, 'tool', record.tools, by);
    await sameOrNewDocuments(trx, LIMIT_TABLES, record.limits, by, 'Limit table');
    await sameOrNewDocuments(trx, LOOK_SHEETS, record.looks, by, 'Look sheet');
    for (const check of record.checks) await addCheck(trx, check);
    const revision = async (kind: PartKind, part: string) => (await newestRevisions(trx, kind)).get(part);
    await trx('combinations').insert({
      id: combination.id,
      list: combination.list,
      terminal: combination.terminal,
      terminal_revision: await revision('terminal', combination.terminal),
      wire: combination.wire,
      wire_revision: await revision('wire', combination.wire),
      practice: record.practice.part,
      practice_revision: await revision('practice', record.practice.part),
      pieces: combination.pieces,
      place: combination.place,
      class: combination.class,
      customer: combination.customer,
      demand: JSON.stringify(combination.demand),
      together: JSON.stringify(
        await Promise.all(record.together.map(async ({ part }) => ({ part, revision: await revision('wire', part) }))),
      ),
    });
    await keepCurves(trx, record, by);
    await keepRecordPhotos(trx, record, by);
    await trx.batchInsert(
      'journal',
      record.entries.map((entry) => ({
        id: entry.id,
        combination: combination.id,
        seq: entry.seq,
        slot: entrySlot(entry.body),
        body: JSON.stringify(entry.body),
        verdict: entry.verdict && JSON.stringify(entry.verdict),
        limit_key: entry.limit && JSON.stringify(entry.limit),
        at: entry.at,
        by_name: entry.by,
        by_role: entry.role,
        corrects: entry.corrects,
        why: entry.why,
        previous: entry.previous,
        hash: entry.hash,
      })),
    );
    await bumpVersion(trx);
  });
}

async function sameOrNew<K extends PartKind>(
  trx: Knex,
  kind: K,
  parts: Parameters<typeof keepParts<K>>[2],
  by: string,
  revision = 1,
): Promise<void> {
  const known = new Map((await listParts(trx, kind)).map((body) => [body.part, body]));
  for (const body of parts) {
    const standing = known.get(body.part);
    if (standing && !isDeepStrictEqual(standing, body)) throw refusals.conflictingPart(`${body.part}`);
  }
  await keepParts(trx, kind, parts, by, revision);
}
