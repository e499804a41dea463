import { DISPOSITION_CAUSES, DISPOSITIONS } from '@tug-mark/core';
import { z } from 'zod';
import type { EntryKindContract } from '../EntryKindContract';
import { lot, note, piece, positive, run, step } from '../fields';

export const disposition: EntryKindContract<'disposition'> = {
  schema: z.strictObject({
    kind: z.literal('disposition'),
    run,
    lot,
    step,
    from: piece,
    to: piece,
    what: z.enum(DISPOSITIONS),
    cause: z.enum(DISPOSITION_CAUSES),
    budget: z.strictObject({ cut: positive, shortest: positive, trim: z.number().nonnegative() }).optional(),
    note,
  }),
  may: ({ what }) => (what === 'accept' || what === 'use-as-is' ? 'let-pieces-go' : null),
};
