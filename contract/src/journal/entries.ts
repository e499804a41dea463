import type { EntryBody, EntryKind } from '@tug-mark/core';
import { z } from 'zod';
import { documentKeySchema } from '../parts';
import { ROLES, type Action } from '../roles';
import type { EntryKindContract } from './EntryKindContract';
import { instant, note } from './fields';
import { ENTRY_KINDS } from './kinds';

type Schema = EntryKindContract<EntryKind>['schema'];
const schemas = Object.values(ENTRY_KINDS).map((kind): Schema => kind.schema);

export const entryBodySchema: z.ZodType<EntryBody> = z.discriminatedUnion('kind', schemas as [Schema, ...Schema[]]);

/** What a person may do beside recording to put this entry; null where that is enough. */
export function mayPut(body: EntryBody): Action | null {
  return (ENTRY_KINDS[body.kind] as EntryKindContract<EntryKind>).may(body as never);
}

/** A new entry; the id is the client's, so that sending it twice keeps it once. */
export const newEntrySchema = z.strictObject({
  id: z.uuid(),
  body: entryBodySchema,
  corrects: z.uuid().nullable(),
  why: note.nullable(),
  /** When it was made, by the clock of the device it was made on. */
  madeAt: instant.optional(),
  /** What that clock says as it is sent, so that the server can tell how far off it is. */
  sentAt: instant.optional(),
});
export type NewEntry = z.infer<typeof newEntrySchema>;

/** What became of an entry that waited on a device for somebody who did not come back. */
export const settleUnsentSchema = z.strictObject({
  /** Of the entry; one that is handed over comes to the journal under it. */
  id: z.uuid(),
  body: entryBodySchema,
  madeBy: z.string().trim().min(1, 'is empty').max(80, 'is longer than 80 characters'),
  madeAt: instant,
  act: z.enum(['handed-over', 'dropped']),
  why: z.string().trim().min(3, 'Say why.').max(500, 'is longer than 500 characters'),
});
export const unsentSchema = settleUnsentSchema.extend({ at: instant, by: z.string() });
export type Unsent = z.infer<typeof unsentSchema>;

export const keptEntrySchema = z.object({
  id: z.uuid(),
  seq: z.number().int(),
  at: instant,
  by: z.string(),
  role: z.enum(ROLES),
  body: entryBodySchema,
  /** The server's verdict on a reading; null for other kinds. */
  verdict: z
    .object({ verdict: z.string(), margin: z.number().nullable(), text: z.string(), force: z.number().nullable() })
    .nullable(),
  limit: documentKeySchema.nullable(),
  corrects: z.uuid().nullable(),
  why: z.string().nullable(),
  /** When it was made, by the clock of its device; null where the device did not say. */
  madeAt: instant.nullable().default(null),
  /** Milliseconds that clock was behind the server's when it was sent; below 0: ahead. */
  clockBehind: z.number().int().nullable().default(null),
  /** Recipe of its hash, see docs/formats/chain.md. */
  version: z.number().int().min(1).max(2).default(1),
  /** The place in the journal it speaks about. */
  slot: z.string().optional(),
  /** Hash of the row before in this combination; sixty-four zeros before the first. */
  previous: z.string(),
  hash: z.string(),
});
export type KeptEntry = z.infer<typeof keptEntrySchema>;
