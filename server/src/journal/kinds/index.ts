import type { EntryKind } from '@tug-mark/core';
import { PLAIN, type ServerKind } from '../Evidence';
import { openLock } from './openLock';
import { photo } from './photo';
import { reading } from './reading';
import { section } from './section';

/** Every kind of entry on the server; most need nothing beyond what every kind gets. */
export const SERVER_KINDS: { readonly [K in EntryKind]: ServerKind<K> } = {
  cause: PLAIN,
  disposition: PLAIN,
  finding: PLAIN,
  finish: PLAIN,
  gate: PLAIN,
  hold: PLAIN,
  locator: PLAIN,
  lock: PLAIN,
  lot: PLAIN,
  marks: PLAIN,
  mating: PLAIN,
  measure: PLAIN,
  photo,
  progress: PLAIN,
  reading,
  release: PLAIN,
  removal: openLock,
  retention: openLock,
  ruling: PLAIN,
  run: PLAIN,
  section,
  tool: PLAIN,
  trial: PLAIN,
};
