import { CATALOGUE_KINDS } from '@tug-mark/core';
import { z } from 'zod';
import {
  cabinetSchema,
  newToolCheckSchema,
  newToolReturnSchema,
  partRevisionSchema,
  suspectSchema,
  toolCheckSchema,
  toolReturnSchema,
} from '../../bench';
import { int } from '../../fields';
import { practiceDraftSchema } from '../../parts';
import { shopFileSchema } from '../../shopFile';
import { CSV, csvFile, define, MEBIBYTE } from '../Route';

const tag = 'Cabinet';
const kind = z.object({ kind: z.enum(CATALOGUE_KINDS) });
const part = z.string().min(1).max(40);
const imported = z.object({ parts: z.number(), changed: z.number() });
const opened = int.nonnegative();

export const cabinet = {
  readCabinet: define('readCabinet', {
    tag,
    summary: 'Newest revision of every part, and the checks tools are judged by',
    who: 'signed-in',
    answers: { 200: cabinetSchema },
  }),
  listRevisions: define('listRevisions', {
    tag,
    summary: 'Every revision of one part, newest first',
    who: 'signed-in',
    params: z.object({ kind: z.enum([...CATALOGUE_KINDS, 'practice']), part }),
    answers: { 200: z.array(partRevisionSchema) },
    problems: ['not-found'],
  }),
  keepPart: define('keepPart', {
    tag,
    summary: 'Keeps a part as a new revision of the one it was edited from',
    who: 'edit-cabinet',
    params: kind,
    body: z.strictObject({ opened, body: z.unknown() }),
    answers: { 200: partRevisionSchema },
    problems: ['part-problems', 'stale-revision'],
  }),
  writePartTable: define('writePartTable', {
    tag,
    summary: 'Parts of one kind as CSV',
    who: 'signed-in',
    params: kind,
    answers: { 200: CSV },
  }),
  writeParts: define('writeParts', {
    tag,
    summary: 'Parts of one kind as a file',
    who: 'signed-in',
    params: kind,
    answers: { 200: { file: ['application/json'] } },
  }),
  importPartTable: define('importPartTable', {
    tag,
    summary: 'Reads parts from CSV, whole or not at all',
    who: 'edit-cabinet',
    params: kind,
    body: csvFile(32),
    answers: { 200: imported },
    problems: ['file-unreadable', 'list-problems', 'part-problems', 'file-too-large'],
  }),
  importParts: define('importParts', {
    tag,
    summary: 'Reads parts from a file, whole or not at all',
    who: 'edit-cabinet',
    params: kind,
    most: 32 * MEBIBYTE,
    body: z.strictObject({
      format: z.literal('tug-mark/parts'),
      version: z.literal(1),
      kind: z.enum(CATALOGUE_KINDS),
      parts: z.array(z.unknown()),
    }),
    answers: { 200: imported },
    problems: ['file-unreadable', 'part-problems', 'file-too-large'],
  }),
  keepPractice: define('keepPractice', {
    tag,
    summary: 'Keeps a practice profile with its choices worked out',
    who: 'edit-practice',
    body: z.strictObject({ opened, draft: practiceDraftSchema }),
    answers: { 200: partRevisionSchema },
    problems: ['practice-unresolved', 'stale-revision'],
  }),
  importShopFile: define('importShopFile', {
    tag,
    summary: 'Reads a shop file into the cabinet; its documents enter as drafts',
    who: 'import-shop-file',
    most: 32 * MEBIBYTE,
    body: shopFileSchema,
    answers: { 200: z.object({ parts: z.number(), limits: z.number(), looks: z.number() }) },
    problems: ['practice-unresolved', 'part-problems', 'file-too-large'],
  }),
  checkTool: define('checkTool', {
    tag,
    summary: 'Puts a go/no-go check on record',
    who: 'check-tool',
    body: newToolCheckSchema,
    answers: { 201: toolCheckSchema },
    problems: ['not-found', 'id-taken', 'die-unknown'],
    example: {
      body: { id: '0192f3a4-0000-7000-8000-000000000002', tool: 'HT-11', die: 'A', goPassed: true, noGoStopped: true },
    },
  }),
  returnTool: define('returnTool', {
    tag,
    summary: 'Puts a tool that failed its check back into use, with what was done to it',
    who: 'return-tool',
    body: newToolReturnSchema,
    answers: { 201: toolReturnSchema },
    problems: ['not-found', 'id-taken', 'nothing-to-return'],
    example: {
      body: {
        id: '0192f3a4-0000-7000-8000-000000000003',
        tool: 'HT-12',
        done: 'adjusted',
        note: 'Stop screw turned in by a quarter, by Marek.',
      },
    },
  }),
  readSuspect: define('readSuspect', {
    tag,
    summary: 'What a failed tool made since its last good check',
    who: 'signed-in',
    params: z.object({ part }),
    answers: { 200: suspectSchema.nullable() },
  }),
};
