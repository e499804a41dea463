import type { KeptEntry } from '@tug-mark/contract';
import { entrySlot } from '@tug-mark/core';
import { hash } from 'node:crypto';
import { configure } from 'safe-stable-stringify';

/* The recipes are told in docs/formats/chain.md, so that anyone can check a chain without this program. */

/** The place before the first. */
export const NO_HASH = '0'.repeat(64);

export const sha256 = (bytes: string | Uint8Array): string => hash('sha256', bytes);

const inOrder = configure({ deterministic: true, bigint: false, strict: true });

/**
 * A value as RFC 8785 writes it: one text for one meaning, whatever order its keys came in. Text is taken to be whole
 * characters; a request with half of one is refused where it is read.
 * @throws Error for what JSON cannot say: no number, an endless one, a value inside itself
 */
export function canonical(value: unknown): string {
  const text = inOrder(value);
  if (text === undefined) throw new Error('nothing to write');
  return text;
}

/** Hash of a row from the row before it, its place and its content; `append_entry` computes the same in the database. */
export function rowHash(previous: string, seq: number, content: string): string {
  return sha256(`${previous}:${seq}:${content}`);
}

export type Sealed = Pick<
  KeptEntry,
  'id' | 'body' | 'verdict' | 'limit' | 'at' | 'by' | 'role' | 'corrects' | 'why' | 'madeAt' | 'clockBehind'
>;

/** An entry as it is sealed, and those of its parts that stand in columns of their own. */
export interface Written {
  readonly content: string;
  readonly body: string;
  readonly verdict: string | null;
  readonly limit: string | null;
  readonly slot: string;
}

/**
 * What an entry says, second version: canonical, with the journal it stands in and the place it speaks about. Its keys are
 * set down here in their order; a file of 200,000 pulls need not have them sorted for each.
 */
export function writeEntry(combination: string, entry: Sealed): Written {
  const { id, at, by, role, corrects, why, madeAt, clockBehind } = entry;
  const body = canonical(entry.body);
  const verdict = entry.verdict && canonical(entry.verdict);
  const limit = entry.limit && canonical(entry.limit);
  const slot = entrySlot(entry.body);
  const content =
    `{"at":${quoted(at)},"body":${body},"by":${quoted(by)},"clockBehind":${clockBehind ?? null},"combination":${quoted(combination)}` +
    `,"corrects":${quoted(corrects)},"id":${quoted(id)},"limit":${limit},"madeAt":${quoted(madeAt)},"role":${quoted(role)}` +
    `,"slot":${quoted(slot)},"verdict":${verdict},"version":2,"why":${quoted(why)}}`;
  return { content, body, verdict, limit, slot };
}

const quoted = (value: string | null | undefined) => (value == null ? 'null' : JSON.stringify(value));

/** What an entry says, first version: a JSON array whose inner keys stand in the order they were made in. */
export function firstContent(entry: Sealed): string {
  const { id, body, verdict, limit, at, by, role, corrects, why } = entry;
  return JSON.stringify([id, body, verdict, limit, at, by, role, corrects, why]);
}

/** The content an entry was sealed with, by the version it was made in. */
export function contentOf(combination: string, entry: Sealed & Pick<KeptEntry, 'version'>): string {
  return entry.version === 1 ? firstContent(entry) : writeEntry(combination, entry).content;
}
