import { POINT_CODES, type StudyItem } from '@tug-mark/core';
import { z } from 'zod';
import { setUpFields } from './bench';

const key = z.enum(['accept', 'reject']);
const point = z.enum(POINT_CODES).nullable();

export const studyItemSchema: z.ZodType<StudyItem> = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('drawn'),
    fault: z.string().max(40).nullable(),
    degree: z.enum(['borderline', 'wrong']),
    key,
  }),
  z.strictObject({ kind: z.literal('photo'), combination: z.uuid(), photo: z.uuid(), key, point }),
]);

/** A study as it is begun: a combination whose pieces are looked at, some of them drawn, some from photographs. */
export const newStudySchema = z.strictObject({
  id: z.uuid(),
  name: z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters'),
  combination: z.uuid(),
  /** Pieces to draw. */
  drawn: z.number().int().min(0).max(60),
  photos: z.array(z.strictObject({ photo: z.uuid(), key, point })).max(60),
});
export type NewStudy = z.infer<typeof newStudySchema>;

export const studyLineSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  combination: z.uuid(),
  terminal: z.string(),
  wire: z.string(),
  items: z.number().int(),
  by: z.string(),
  at: z.string(),
  closedAt: z.string().nullable(),
  /** How far each person is: answers given in both rounds together. */
  people: z.array(z.object({ person: z.string(), answers: z.number().int() })),
});
export type StudyLine = z.infer<typeof studyLineSchema>;

/** What somebody who takes part sees next. The key stays on the server until the study is closed. */
export const studyTurnSchema = z.object({
  line: studyLineSchema,
  /** From 1; null when this person has answered everything. */
  round: z.number().int().nullable(),
  item: z.number().int().nullable(),
  answered: z.number().int(),
  shows: z
    .union([
      z.object({ kind: z.literal('drawn'), piece: z.record(z.string(), z.unknown()) }),
      z.object({ kind: z.literal('photo'), combination: z.uuid(), photo: z.uuid() }),
    ])
    .nullable(),
  /** What the pieces are set up from. */
  setUp: z.object(setUpFields),
});
export type StudyTurn = z.infer<typeof studyTurnSchema>;

export const newAnswerSchema = z.strictObject({
  id: z.uuid(),
  round: z.number().int().min(1).max(2),
  item: z.number().int().min(0).max(200),
  answer: key,
  point,
});
export type NewAnswer = z.infer<typeof newAnswerSchema>;

const kappaSchema = z.object({
  kappa: z.number().nullable(),
  from: z.number().nullable(),
  to: z.number().nullable(),
  agreement: z.number(),
  n: z.number().int(),
});

export const studyResultSchema = z.object({
  line: studyLineSchema,
  result: z.object({
    inspectors: z.array(
      z.object({
        person: z.string(),
        answers: z.number().int(),
        key: kappaSchema,
        self: kappaSchema,
        misses: z.number().int(),
        bad: z.number().int(),
        alarms: z.number().int(),
        good: z.number().int(),
        wrongPoint: z.number().int(),
      }),
    ),
    together: kappaSchema.nullable(),
    pairs: z.array(z.object({ one: z.string(), other: z.string(), kappa: kappaSchema })),
    points: z.array(z.object({ point, misses: z.number().int(), alarms: z.number().int(), shown: z.number().int() })),
  }),
});
export type StudyResults = z.infer<typeof studyResultSchema>;
