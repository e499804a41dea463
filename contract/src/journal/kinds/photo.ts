import { VIEWS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { end, keptKeySchema, note, ofLot, piece, run } from '../fields';

export const photo: EntryKindContract<'photo'> = {
  schema: z.strictObject({
    kind: z.literal('photo'),
    run,
    lot: ofLot,
    piece,
    end,
    photo: keptKeySchema,
    shows: z.enum(VIEWS),
    note,
  }),
  may: anyoneRecording,
};
