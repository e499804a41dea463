import { LENGTH_UNITS, MEASURES, POINT_UNITS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { end, note, ofLot, partId, piece, run, wire } from '../fields';

export const measure: EntryKindContract<'measure'> = {
  schema: z.strictObject({
    kind: z.literal('measure'),
    run,
    lot: ofLot,
    piece,
    end,
    wire,
    what: z.enum(MEASURES),
    value: z.number().nonnegative('is below 0'),
    typed: z.string().max(60),
    unit: z.enum([...LENGTH_UNITS, ...POINT_UNITS]),
    note,
    after: z.enum(['trim', 'cut-off']).optional(),
    from: partId.optional(),
  }),
  may: anyoneRecording,
};
