import { signalStore } from '@ngrx/signals';
import type { LookRecord } from '@tug-mark/contract';
import type { LookSheet } from '@tug-mark/core';
import { withShelf } from '../documents/with-shelf';

/** The shop's sheets of inspection points, all revisions of them. */
export const LooksStore = signalStore(
  withShelf<LookSheet, LookRecord>((api) => ({
    documentOf: ({ sheet }) => sheet,
    list: () => api.looks(),
    move: (key, to, replaces) => api.moveLook(key, to, replaces),
  })),
);
