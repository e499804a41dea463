import type { EntryBody } from '../entry';
import type { Kind } from './Kind';
import { KINDS } from './kinds';

/** What the journal knows of the kind of this entry. */
export function kindOf<B extends EntryBody>(body: B): Kind<B> {
  // One lookup for all kinds: that a body meets its own kind's functions the type of KINDS has checked.
  return KINDS[body.kind] as unknown as Kind<B>;
}
