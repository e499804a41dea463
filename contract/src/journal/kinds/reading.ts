import { FAILURE_MODES, FORCE_UNITS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { instant, keptKeySchema, note, ofLot, partId, piece, positive, run, wire } from '../fields';

export const reading: EntryKindContract<'reading'> = {
  schema: z.strictObject({
    kind: z.literal('reading'),
    run,
    lot: ofLot,
    piece,
    wire,
    failedEnd: z.literal([1, 2]).optional(),
    force: positive,
    typed: z.string().max(60),
    unit: z.enum(FORCE_UNITS),
    mode: z.enum(FAILURE_MODES),
    note,
    confirmed: z.array(z.string().max(40)).max(6),
    gauge: partId.optional(),
    pull: z.strictObject({ start: instant, end: instant }).optional(),
    trace: keptKeySchema.optional(),
  }),
  may: anyoneRecording,
};
