import { CHANGES } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { lot, note, run, step } from '../fields';

export const progress: EntryKindContract<'progress'> = {
  schema: z.strictObject({
    kind: z.literal('progress'),
    run,
    lot,
    step,
    what: z.enum(['made', 'pause', 'resume', 'change']),
    made: z.number().int().min(0).max(999_999),
    change: z.enum(CHANGES).optional(),
    to: z.string().trim().min(1).max(60).optional(),
    note,
  }),
  may: anyoneRecording,
};
