import { z } from 'zod';
import type { EntryKindContract } from '../EntryKindContract';
import { note, ofLot, piece, run, wire } from '../fields';

export const ruling: EntryKindContract<'ruling'> = {
  schema: z.strictObject({
    kind: z.literal('ruling'),
    run,
    lot: ofLot,
    piece,
    wire,
    ruling: z.enum(['counts', 'invalid']),
    note,
  }),
  may: () => 'rule',
};
