import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, ofLot, piece, positive, run } from '../fields';

export const hold: EntryKindContract<'hold'> = {
  schema: z.strictObject({
    kind: z.literal('hold'),
    run,
    lot: ofLot,
    piece,
    force: positive,
    seconds: positive,
    moved: z.number().nonnegative(),
    note,
  }),
  may: anyoneRecording,
};
