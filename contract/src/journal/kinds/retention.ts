import { MOST_SEATS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { cavityName, connectorName, note, ofLot, piece, positive, run } from '../fields';

export const retention: EntryKindContract<'retention'> = {
  schema: z.strictObject({
    kind: z.literal('retention'),
    run,
    lot: ofLot,
    piece,
    connector: connectorName.optional(),
    cavity: cavityName,
    seat: z.number().int().min(2).max(MOST_SEATS).optional(),
    contact: z.literal('new').optional(),
    tool: z.string().trim().min(1).max(80).optional(),
    straight: z.boolean().optional(),
    pulledBack: z.boolean().optional(),
    clicked: z.boolean(),
    locked: z.boolean().nullable(),
    force: positive.nullable(),
    stayed: z.boolean(),
    note,
  }),
  may: anyoneRecording,
};
