import { z } from 'zod';
import { limitRecordSchema, lookRecordSchema, touchedSchema } from '../../bench';
import { documentKeySchema, limitRowSchema, limitTableSchema, lookSheetSchema } from '../../parts';
import { CSV, csvFile, define } from '../Route';

const tag = 'Documents';
const move = documentKeySchema.extend({ replaces: z.boolean().default(false) });
const key = { document: 'FL-SPEC-07', revision: 'D', class: 'standard' };
const releasing = ['not-found', 'limit-not-draft', 'limit-problems', 'limit-overlaps', 'second-person'] as const;

export const documents = {
  listLimits: define('listLimits', {
    tag,
    summary: 'Every revision of every limit table, with its history',
    who: 'signed-in',
    answers: { 200: z.array(limitRecordSchema) },
  }),
  keepLimitDraft: define('keepLimitDraft', {
    tag,
    summary: 'Keeps a draft of a limit table',
    who: 'draft-limits',
    body: limitTableSchema,
    answers: { 200: z.array(limitRecordSchema) },
    problems: ['limit-stands'],
  }),
  releaseLimit: define('releaseLimit', {
    tag,
    summary: 'Releases a draft; `replaces` withdraws the one in effect for the same days',
    who: 'release-limits',
    body: move,
    answers: { 200: limitTableSchema },
    problems: releasing,
    example: { body: key },
  }),
  withdrawLimit: define('withdrawLimit', {
    tag,
    summary: 'Withdraws a released limit table',
    who: 'release-limits',
    body: move,
    answers: { 200: limitTableSchema },
    problems: ['not-found', 'limit-not-draft'],
    example: { body: key },
  }),
  touchedByLimits: define('touchedByLimits', {
    tag,
    summary: 'Combinations whose least force a table would change',
    who: 'signed-in',
    query: documentKeySchema,
    answers: { 200: z.array(touchedSchema) },
    problems: ['not-found'],
  }),
  writeLimitRows: define('writeLimitRows', {
    tag,
    summary: 'Rows of a limit table as CSV',
    who: 'signed-in',
    query: documentKeySchema,
    answers: { 200: CSV },
    problems: ['not-found'],
  }),
  readLimitRows: define('readLimitRows', {
    tag,
    summary: 'Reads rows of a limit table from CSV; nothing is kept',
    who: 'draft-limits',
    body: csvFile(1),
    answers: { 200: z.array(limitRowSchema) },
    problems: ['file-unreadable', 'list-problems', 'file-too-large'],
  }),
  listLooks: define('listLooks', {
    tag,
    summary: 'Every revision of every sheet pieces are looked at by, with its history',
    who: 'signed-in',
    answers: { 200: z.array(lookRecordSchema) },
  }),
  keepLookDraft: define('keepLookDraft', {
    tag,
    summary: 'Keeps a draft of a sheet',
    who: 'draft-look',
    body: lookSheetSchema,
    answers: { 200: z.array(lookRecordSchema) },
    problems: ['limit-stands'],
  }),
  releaseLook: define('releaseLook', {
    tag,
    summary: 'Releases a draft of a sheet',
    who: 'release-look',
    body: move,
    answers: { 200: lookSheetSchema },
    problems: releasing,
    example: { body: { ...key, document: 'FL-LOOK-03' } },
  }),
  withdrawLook: define('withdrawLook', {
    tag,
    summary: 'Withdraws a released sheet',
    who: 'release-look',
    body: move,
    answers: { 200: lookSheetSchema },
    problems: ['not-found', 'limit-not-draft'],
    example: { body: { ...key, document: 'FL-LOOK-03' } },
  }),
};
