import type { EntryBody, EntryKind } from '@tug-mark/core';
import type { z } from 'zod';
import type { Action } from '../roles';

export type BodyOf<K extends EntryKind> = Extract<EntryBody, { kind: K }>;

/** What crosses the wire of one kind of entry, and who may put it on record. */
export interface EntryKindContract<K extends EntryKind> {
  readonly schema: z.ZodType<BodyOf<K>> & z.core.$ZodTypeDiscriminable;
  /** What its person may do beside putting entries on record; null where that is enough. */
  readonly may: (body: BodyOf<K>) => Action | null;
}

/** Whoever records may put it. */
export const anyoneRecording = () => null;
