import type { Entry } from './Entry';

/** Entries no later entry corrects, in journal order. */
export function inForce<T extends Pick<Entry, 'id' | 'corrects'>>(entries: readonly T[]): T[] {
  const corrected = new Set(entries.map((entry) => entry.corrects));
  return entries.filter((entry) => !corrected.has(entry.id));
}
