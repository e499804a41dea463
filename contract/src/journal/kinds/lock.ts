import { MOST_LOCKS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { connectorName, note, piece, run } from '../fields';

export const lock: EntryKindContract<'lock'> = {
  schema: z.strictObject({
    kind: z.literal('lock'),
    run,
    piece,
    connector: connectorName,
    count: z.number().int().min(1).max(MOST_LOCKS),
    closed: z.boolean(),
    note,
  }),
  may: anyoneRecording,
};
