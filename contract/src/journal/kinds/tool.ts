import { z } from 'zod';
import { documentKeySchema } from '../../parts';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { partId, run } from '../fields';

export const tool: EntryKindContract<'tool'> = {
  schema: z.strictObject({
    kind: z.literal('tool'),
    run,
    tool: partId,
    die: partId,
    nest: partId,
    setting: partId.optional(),
    positioner: partId.optional(),
    look: documentKeySchema.optional(),
  }),
  may: anyoneRecording,
};
