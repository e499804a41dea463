import {
  connectorSchema,
  coveringSchema,
  stripperSchema,
  terminalSchema,
  toolSchema,
  wireSchema,
} from '@tug-mark/core';
import { z } from 'zod';
import { limitTableSchema, lookSheetSchema, practiceSchema } from './parts';

/**
 * A shop's cabinet and limits in one file. Limit tables come in as drafts whatever the file says: releasing them is
 * the quality technician's act.
 */
export const shopFileSchema = z.strictObject({
  format: z.literal('tug-mark/shop'),
  version: z.literal(1),
  wires: z.array(wireSchema),
  terminals: z.array(terminalSchema),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  coverings: z.array(coveringSchema).default([]),
  connectors: z.array(connectorSchema).default([]),
  practices: z.array(practiceSchema),
  limits: z.array(limitTableSchema),
  /** Sheets of what pieces are looked at for; they come in as drafts too. */
  looks: z.array(lookSheetSchema).default([]),
});
export type ShopFile = z.infer<typeof shopFileSchema>;
