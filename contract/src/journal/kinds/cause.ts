import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, ofLot, partId, run, step } from '../fields';

export const cause: EntryKindContract<'cause'> = {
  schema: z.strictObject({
    kind: z.literal('cause'),
    run,
    lot: ofLot,
    step,
    cause: partId,
    evidence: z.array(z.string().max(60)).max(80),
    note,
  }),
  may: anyoneRecording,
};
