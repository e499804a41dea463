import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { lot, note, run } from '../fields';

export const finish: EntryKindContract<'finish'> = {
  schema: z.strictObject({ kind: z.literal('finish'), run, lot, note }),
  may: anyoneRecording,
};
