import type { EntryBody } from '../entry';

type Lock = Extract<EntryBody, { kind: 'lock' }>;

/** Whether a lock is closed, by what was told of it, in any order. */
export const isLockClosed = (told: readonly Pick<Lock, 'count' | 'closed'>[]): boolean =>
  [...told].sort((a, b) => a.count - b.count).at(-1)?.closed === true;

/**
 * Why a contact goes neither in nor out; null while the lock is open.
 *
 * @param connector its name in the list
 * @param told of its lock, in the journal of whichever of its contacts
 */
export const whyLocked = (connector: string, told: readonly Pick<Lock, 'count' | 'closed'>[]): string | null =>
  isLockClosed(told)
    ? `The lock of ${connector} is closed: put on record that it is open, and why, before a contact goes in or out.`
    : null;
