import { MOST_CYCLES } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, ofLot, piece, positive, run } from '../fields';

export const mating: EntryKindContract<'mating'> = {
  schema: z.strictObject({
    kind: z.literal('mating'),
    run,
    lot: ofLot,
    piece,
    cycle: z.number().int('is not a whole number').min(1, 'starts at 1').max(MOST_CYCLES, `is above ${MOST_CYCLES}`),
    insertion: positive.nullable(),
    withdrawal: positive,
    reel: z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters').optional(),
    note,
  }),
  may: anyoneRecording,
};
