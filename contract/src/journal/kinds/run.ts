import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, revisionsSchema } from '../fields';

export const run: EntryKindContract<'run'> = {
  schema: z.strictObject({
    kind: z.literal('run'),
    run: z.number().int().min(2).max(999),
    cause: note,
    revisions: revisionsSchema,
  }),
  may: anyoneRecording,
};
