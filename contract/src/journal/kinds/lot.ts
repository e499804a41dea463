import { CHANGES } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { lot as number, note, piece, run, standsSchema } from '../fields';

export const lot: EntryKindContract<'lot'> = {
  schema: z.strictObject({
    kind: z.literal('lot'),
    run,
    lot: number,
    name: z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters'),
    pieces: piece,
    plan: z.strictObject({
      everyPieces: z.number().int().min(1).max(999_999).nullable(),
      everyHours: z.number().positive().max(999).nullable(),
      afterChange: z.array(z.enum(CHANGES)).max(CHANGES.length),
      bothSides: z.boolean(),
    }),
    stands: standsSchema,
    note,
  }),
  may: anyoneRecording,
};
