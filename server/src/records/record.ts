import { setUpContext, type CombinationRecord } from '@tug-mark/contract';
import { computeSetUp, entryCells, entrySlot, judgeCombination, lotOf, runOf } from '@tug-mark/core';
import { stringify } from 'csv-stringify/sync';
import type { Knex } from 'knex';
import { newestSeal } from '../chain/seal';
import { readView } from '../combination/store';
import { readRecordPhotos } from '../evidence/photos';
import { guardCell } from '../files/guardCell';
import { readShop } from '../people/store';

/** The record of one combination as it stands now. */
export async function makeRecord(db: Knex, id: string, now: string): Promise<CombinationRecord> {
  const [view, shop, seal] = await Promise.all([readView(db, id, 'all'), readShop(db), newestSeal(db)]);
  const { entries, combination, practice, tools, checks, together, revisions } = view;
  const context = setUpContext(view);
  const judgement = judgeCombination(computeSetUp(context, entries, now), entries, context, now);
  return {
    format: 'tug-mark/record',
    version: 2,
    exportedAt: now,
    shop: { name: shop.name, isDemo: shop.isDemo, id: shop.id },
    seal,
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
    zone: view.zone,
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

/** The journal of a record as CSV: one row an entry, forces in N with every digit. */
export function recordToCsv(record: CombinationRecord): string {
  const { combination } = record;
  const corrected = new Set(record.entries.map((entry) => entry.corrects));
  return stringify(
    record.entries.map((entry) => {
      const { body } = entry;
      const { piece, answer, measured, unit, force, mode } = entryCells(body);
      return {
        seq: entry.seq,
        at: entry.at,
        'made at': entry.madeAt ?? '',
        by: guardCell(entry.by),
        role: entry.role,
        ...(combination.readIn && { 'not this shop’s own': 'read in from a record file' }),
        terminal: guardCell(combination.terminal),
        wire: guardCell(combination.wire),
        run: runOf(body),
        lot: lotOf(body) ?? '',
        kind: body.kind,
        about: guardCell(entrySlot(body)),
        piece,
        answer: guardCell(answer),
        measured,
        unit,
        'force N': force,
        'limit N': entry.verdict?.force ?? '',
        verdict: entry.verdict?.verdict ?? '',
        'failure mode': mode,
        note: 'note' in body ? guardCell(body.note) : '',
        corrects: entry.corrects ?? '',
        why: guardCell(entry.why ?? ''),
        'in force': corrected.has(entry.id) ? 'no' : 'yes',
        id: entry.id,
        hash: entry.hash,
      };
    }),
    { header: true },
  );
}
