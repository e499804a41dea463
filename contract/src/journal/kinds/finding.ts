import { FINDINGS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { end, note, ofLot, partId, piece, run } from '../fields';

export const finding: EntryKindContract<'finding'> = {
  schema: z.strictObject({
    kind: z.literal('finding'),
    run,
    lot: ofLot,
    piece,
    end,
    criterion: partId,
    finding: z.enum(FINDINGS),
    fault: partId.optional(),
    note,
  }),
  may: anyoneRecording,
};
