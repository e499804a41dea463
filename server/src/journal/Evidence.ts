import type { Entry, EntryBody, EntryKind, SetUp } from '@tug-mark/core';
import type { Knex } from 'knex';

export type BodyOf<K extends EntryKind> = Extract<EntryBody, { kind: K }>;

/** What an entry is proved by beside the rules of the job: things kept in the database before it. */
export interface Proving {
  readonly db: Knex;
  readonly combination: string;
  readonly setUp: SetUp;
  /** The journal as far as the entry is checked against it. */
  readonly journal: readonly Entry[];
  readonly isCorrection: boolean;
}

/** What the server does for one kind of entry beyond what every kind gets. */
export interface ServerKind<K extends EntryKind> {
  /**
   * Proves what the entry names, before it is kept.
   * @throws Refusal when it is not there or says something else
   */
  readonly prove?: (body: BodyOf<K>, proving: Proving) => Promise<void> | null;
  /**
   * The entry as it is kept, with what only the server may compute.
   * @throws Refusal when it cannot be computed
   */
  readonly settle?: (body: BodyOf<K>, proving: Proving) => Promise<BodyOf<K>>;
  /** What of a kept entry its sender has said: an entry sent again is known by this. */
  readonly asSent?: (body: BodyOf<K>) => unknown;
  /** The pull it takes, by gauge, beginning and end: it is kept once. Null when it takes none. */
  readonly pull?: (body: BodyOf<K>) => { readonly gauge: string; readonly start: string; readonly end: string } | null;
}

/** A kind that needs nothing of its own here. */
export const PLAIN = {};
