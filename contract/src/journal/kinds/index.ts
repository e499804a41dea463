import type { EntryKind } from '@tug-mark/core';
import type { EntryKindContract } from '../EntryKindContract';
import { cause } from './cause';
import { disposition } from './disposition';
import { finding } from './finding';
import { finish } from './finish';
import { gate } from './gate';
import { hold } from './hold';
import { locator } from './locator';
import { lock } from './lock';
import { lot } from './lot';
import { marks } from './marks';
import { mating } from './mating';
import { measure } from './measure';
import { photo } from './photo';
import { progress } from './progress';
import { reading } from './reading';
import { release } from './release';
import { removal } from './removal';
import { retention } from './retention';
import { ruling } from './ruling';
import { run } from './run';
import { section } from './section';
import { tool } from './tool';
import { trial } from './trial';

/** Every kind of entry as it crosses the wire. The compiler names the one that is missing. */
export const ENTRY_KINDS: { readonly [K in EntryKind]: EntryKindContract<K> } = {
  cause,
  disposition,
  finding,
  finish,
  gate,
  hold,
  locator,
  lock,
  lot,
  marks,
  mating,
  measure,
  photo,
  progress,
  reading,
  release,
  removal,
  retention,
  ruling,
  run,
  section,
  tool,
  trial,
};
