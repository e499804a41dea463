import { signalStore } from '@ngrx/signals';
import type { LimitRecord } from '@tug-mark/contract';
import type { LimitTable } from '@tug-mark/core';
import { withShelf } from '../documents/with-shelf';

/** The shop's limit tables, all revisions of them. */
export const LimitsStore = signalStore(
  withShelf<LimitTable, LimitRecord>((api) => ({
    documentOf: ({ table }) => table,
    list: () => api.limits(),
    move: (key, to, replaces) => (to === 'release' ? api.releaseLimit({ ...key, replaces }) : api.withdrawLimit(key)),
  })),
);
