import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, ofLot, piece, positive, run } from '../fields';

export const retention: EntryKindContract<'retention'> = {
  schema: z.strictObject({
    kind: z.literal('retention'),
    run,
    lot: ofLot,
    piece,
    cavity: z.string().trim().min(1).max(12),
    clicked: z.boolean(),
    locked: z.boolean().nullable(),
    force: positive.nullable(),
    stayed: z.boolean(),
    note,
  }),
  may: anyoneRecording,
};
