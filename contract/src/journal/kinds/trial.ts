import { z } from 'zod';
import type { EntryKindContract } from '../EntryKindContract';
import { note, run } from '../fields';

export const trial: EntryKindContract<'trial'> = {
  schema: z.strictObject({ kind: z.literal('trial'), run, evidence: z.string().trim().max(200), note }),
  may: () => 'release-set-up',
};
