import { MOST_SEATS, RELEASES, REMOVAL_REASONS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { cavityName, connectorName, note, piece, run } from '../fields';

const looks = z.enum(['good', 'hurt']);

export const removal: EntryKindContract<'removal'> = {
  schema: z.strictObject({
    kind: z.literal('removal'),
    run,
    piece,
    connector: connectorName,
    cavity: cavityName,
    seat: z.number().int().min(1).max(MOST_SEATS),
    technique: z.enum(RELEASES),
    tool: z.string().trim().min(1).max(80).nullable(),
    reason: z.enum(REMOVAL_REASONS),
    lance: looks,
    grip: looks,
    note,
  }),
  may: anyoneRecording,
};
