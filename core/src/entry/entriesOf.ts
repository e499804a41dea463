import type { Entry, EntryBody } from './Entry';
import { inForce } from './inForce';

type BodyOf<K extends EntryBody['kind']> = Extract<EntryBody, { kind: K }>;

/** Entries of one kind that are in force, with their bodies narrowed. */
export function entriesOf<K extends EntryBody['kind']>(
  entries: readonly Entry[],
  kind: K,
): (Entry & { readonly body: BodyOf<K> })[] {
  return inForce(entries).filter((e): e is Entry & { readonly body: BodyOf<K> } => e.body.kind === kind);
}
