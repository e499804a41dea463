import { MOST_TRIALS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, positive, run } from '../fields';

export const locator: EntryKindContract<'locator'> = {
  schema: z.strictObject({
    kind: z.literal('locator'),
    run,
    trial: z.number().int().min(1).max(MOST_TRIALS),
    measured: positive,
    note,
  }),
  may: anyoneRecording,
};
