import { END_FAULTS, GATES, MOST_BITES, REMEDIES, STROKE_FINDS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { end, note, run } from '../fields';

export const gate: EntryKindContract<'gate'> = {
  schema: z.strictObject({
    kind: z.literal('gate'),
    run,
    gate: z.enum(GATES),
    end,
    bite: z.number().int().min(2).max(MOST_BITES).optional(),
    answer: z.enum(['yes', 'no']),
    fault: z.enum(END_FAULTS).optional(),
    remedy: z.enum(REMEDIES).optional(),
    found: z.enum(STROKE_FINDS).optional(),
    note,
  }),
  may: anyoneRecording,
};
