import { z } from 'zod';
import {
  benchSchema,
  benchSortSchema,
  combinationLineSchema,
  combinationViewSchema,
  listColumnsSchema,
  LOT_STATES,
  loomConnectorsSchema,
  loomWireSchema,
  lotLineSchema,
  wireListHead,
  wireListKeptSchema,
} from '../../bench';
import { BENCH_STATES } from '@tug-mark/core';
import { isoDate } from '../../parts';
import { after, afterPlace, lotNumber } from '../../fields';
import { keptEntrySchema, newEntrySchema, settleUnsentSchema, unsentSchema } from '../../journal';
import { BYTES, CSV, csvFile, define, MEBIBYTE } from '../Route';

const tag = 'Bench';
const id = z.object({ id: z.uuid() });
const trace = z.object({ id: z.uuid(), trace: z.uuid() });
const photo = z.object({ id: z.uuid(), photo: z.uuid() });
const JPEG = { file: ['image/jpeg'] } as const;

/** Most bytes of a photograph as it is sent. */
export const MOST_PHOTO = 16 * MEBIBYTE;

export const bench = {
  importWireList: define('importWireList', {
    tag,
    summary: 'Reads a wire list from CSV and makes its combinations, whole or not at all',
    who: 'import-wire-list',
    query: z.strictObject({ id: z.uuid(), ...wireListHead.shape }),
    body: csvFile(16),
    answers: { 201: wireListKeptSchema },
    problems: ['file-unreadable', 'list-problems', 'no-practice', 'name-taken', 'file-too-large'],
    example: { query: { id: '0192f3a4-0000-7000-8000-000000000003', name: 'Sprayer loom' } },
  }),
  demoWireList: define('demoWireList', {
    tag,
    summary: 'The demo shop’s own wire list, to be imported by hand',
    who: 'signed-in',
    answers: { 200: CSV },
    problems: ['not-found'],
  }),
  changeWireList: define('changeWireList', {
    tag,
    summary:
      'Says when a wire list is due, how much that weighs and that its wires are cut, and takes it off the bench or puts it back: nothing of it is lost',
    who: 'import-wire-list',
    params: id,
    body: z.strictObject({
      due: isoDate.nullable(),
      archived: z.boolean(),
      /** What a quarter of an hour late weighs; left out, it stays. */
      priority: z.number().int().min(1).max(9).optional(),
      /** Whether its wires are cut; left out, that stays. */
      cut: z.boolean().optional(),
    }),
    answers: { 200: z.object({ id: z.uuid() }) },
    problems: ['not-found'],
    example: { body: { due: '2026-11-30', archived: false } },
  }),
  keepListColumns: define('keepListColumns', {
    tag,
    summary: 'Keeps what the columns of a wire list were taken for',
    who: 'import-wire-list',
    params: id,
    body: listColumnsSchema,
    answers: { 200: z.object({ id: z.uuid() }) },
    problems: ['not-found'],
    example: { body: { header: ['No.', 'Wire', 'Remark'], meanings: ['wireId', 'wirePart', null] } },
  }),
  readListColumns: define('readListColumns', {
    tag,
    summary: 'What the columns of wire lists were taken for, the newest of each kind of source',
    who: 'import-wire-list',
    answers: { 200: z.array(listColumnsSchema) },
  }),
  readLoom: define('readLoom', {
    tag,
    summary: 'Wires of a list that are alike, with both their ends in the order of the work',
    who: 'signed-in',
    params: id,
    answers: { 200: z.object({ name: z.string(), wires: z.array(loomWireSchema) }) },
    problems: ['not-found'],
  }),
  readConnectors: define('readConnectors', {
    tag,
    summary: 'The connectors of a list, cavity by cavity, and what is on record of them',
    who: 'signed-in',
    params: id,
    answers: { 200: loomConnectorsSchema },
    problems: ['not-found'],
  }),
  readBench: define('readBench', {
    tag,
    summary: 'Totals of the bench by state, and its wire lists',
    who: 'signed-in',
    answers: { 200: benchSchema },
  }),
  listBench: define('listBench', {
    tag,
    summary: 'A page of the bench: filtered, searched and sorted combinations with their state and next step',
    who: 'signed-in',
    query: z.strictObject({
      list: z.string().max(200).optional(),
      state: z.enum(BENCH_STATES).optional(),
      /** Words that all have to be found in parts, labels, list, family or lot. */
      find: z.string().max(200).default(''),
      sort: benchSortSchema.default('due'),
      /** Where the page before ended, as it said; empty for the first. */
      after: z.string().max(300).default(''),
    }),
    answers: { 200: z.object({ lines: z.array(combinationLineSchema), next: z.string().nullable() }) },
  }),
  listLots: define('listLots', {
    tag,
    summary: 'A page of the shop’s lots, the newest first: found by number, part, list or person, and by state',
    who: 'signed-in',
    query: z.strictObject({
      state: z.enum(LOT_STATES).optional(),
      /** Words that all have to be found in number, parts, list or who opened it. */
      find: z.string().max(200).default(''),
      /** Where the page before ended, as it said; empty for the first. */
      after: z.string().max(100).default(''),
    }),
    answers: { 200: z.object({ lines: z.array(lotLineSchema), next: z.string().nullable() }) },
  }),
  listCombinations: define('listCombinations', {
    tag,
    summary: 'A page of combinations with their state',
    who: 'signed-in',
    query: z.object({ after }),
    answers: { 200: z.object({ lines: z.array(combinationLineSchema), next: z.number().nullable() }) },
  }),
  readCombination: define('readCombination', {
    tag,
    summary: 'One combination with everything its set-up is computed from',
    who: 'signed-in',
    params: id,
    query: z.object({ lot: lotNumber.optional() }),
    answers: { 200: combinationViewSchema },
    problems: ['not-found'],
  }),
  readEntriesAfter: define('readEntriesAfter', {
    tag,
    summary: 'What was put on record after a place in the journal',
    who: 'signed-in',
    params: id,
    query: z.object({ after: afterPlace }),
    answers: { 200: z.array(keptEntrySchema) },
  }),
  settleUnsent: define('settleUnsent', {
    tag,
    summary: 'Writes down what became of an entry that waited on a device for somebody who did not come back',
    who: 'record',
    params: id,
    body: settleUnsentSchema,
    answers: { 200: z.object({ id: z.uuid() }), 201: z.object({ id: z.uuid() }) },
    problems: ['not-found', 'id-taken'],
    example: {
      body: {
        id: '0192f3a4-0000-7000-8000-000000000004',
        body: { kind: 'finding', piece: 1, criterion: 'mark', finding: 'accept', note: '' },
        madeBy: 'Odile',
        madeAt: '2026-11-26T07:00:00.000Z',
        act: 'dropped',
        why: 'Looked at again by Ines, piece 1 has no mark.',
      },
    },
  }),
  listUnsent: define('listUnsent', {
    tag,
    summary: 'Entries of a combination that were handed over or dropped before they came to the server',
    who: 'signed-in',
    params: id,
    answers: { 200: z.array(unsentSchema) },
  }),
  putEntry: define('putEntry', {
    tag,
    summary: 'Puts an entry on record; 200 when it was there already',
    who: 'record',
    params: id,
    body: newEntrySchema,
    answers: { 200: keptEntrySchema, 201: keptEntrySchema },
    problems: [
      'not-found',
      'entry-refused',
      'slot-taken',
      'pull-taken',
      'id-taken',
      'corrects-stale',
      'corrects-unknown',
      'trace-missing',
      'photo-missing',
    ],
    example: {
      body: {
        id: '0192f3a4-0000-7000-8000-000000000004',
        body: {
          kind: 'reading',
          piece: 1,
          force: 118.4,
          typed: '118.4',
          unit: 'N',
          mode: 'slid-out',
          note: '',
          confirmed: [],
        },
        corrects: null,
        why: null,
        madeAt: '2026-11-26T07:00:00.000Z',
        sentAt: '2026-11-26T07:00:01.000Z',
      },
    },
  }),
  importReadings: define('importReadings', {
    tag,
    summary: 'Puts the pulls of a CSV file on record for a lot, whole or not at all',
    who: 'record',
    params: z.object({ id: z.uuid(), lot: lotNumber }),
    body: csvFile(32),
    answers: { 201: z.object({ readings: z.number() }) },
    problems: ['not-found', 'file-unreadable', 'list-problems', 'entry-refused', 'file-too-large'],
  }),
  putCurve: define('putCurve', {
    tag,
    summary: 'Keeps a pull’s curve before the reading that names it',
    who: 'record',
    params: trace,
    body: { file: ['application/octet-stream'], most: 16 * MEBIBYTE },
    answers: { 200: z.object({ digest: z.string() }) },
    problems: ['not-found', 'trace-unreadable', 'trace-rate', 'trace-taken'],
  }),
  readCurve: define('readCurve', {
    tag,
    summary: 'A curve as it is kept',
    who: 'signed-in',
    params: trace,
    answers: { 200: BYTES },
    problems: ['not-found'],
  }),
  writeCurveTable: define('writeCurveTable', {
    tag,
    summary: 'A curve as CSV',
    who: 'signed-in',
    params: trace,
    answers: { 200: CSV },
    problems: ['not-found'],
  }),
  putPhoto: define('putPhoto', {
    tag,
    summary: 'Keeps a photograph before the entry that names it',
    who: 'record',
    params: photo,
    body: { file: ['image/jpeg', 'image/png', 'image/webp'], most: MOST_PHOTO },
    answers: {
      200: z.object({ id: z.uuid(), digest: z.string(), width: z.number(), height: z.number() }),
    },
    problems: ['not-found', 'photo-refused', 'photo-taken', 'too-many-tries'],
  }),
  readPhoto: define('readPhoto', {
    tag,
    summary: 'A photograph as it is kept',
    who: 'signed-in',
    params: photo,
    answers: { 200: JPEG },
    problems: ['not-found'],
  }),
  readSmallPhoto: define('readSmallPhoto', {
    tag,
    summary: 'A photograph’s small picture for lists',
    who: 'signed-in',
    params: photo,
    answers: { 200: JPEG },
    problems: ['not-found'],
  }),
};
