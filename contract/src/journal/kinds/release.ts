import { partSheetSchema } from '@tug-mark/core';
import { z } from 'zod';
import type { EntryKindContract } from '../EntryKindContract';
import { note, run, standsSchema } from '../fields';

const sheets = z.strictObject({ terminal: partSheetSchema.optional(), tool: partSheetSchema.optional() }).optional();

export const release: EntryKindContract<'release'> = {
  schema: z.strictObject({ kind: z.literal('release'), run, stands: standsSchema, sheets, note }),
  may: () => 'release-set-up',
};
