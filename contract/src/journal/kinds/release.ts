import { z } from 'zod';
import type { EntryKindContract } from '../EntryKindContract';
import { note, run, standsSchema } from '../fields';

export const release: EntryKindContract<'release'> = {
  schema: z.strictObject({ kind: z.literal('release'), run, stands: standsSchema, note }),
  may: () => 'release-set-up',
};
