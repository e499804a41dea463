import type { Entry, EntryBody } from './Entry';

/** The run an entry belongs to; the first where it says none. */
export function runOf(body: EntryBody): number {
  return body.run ?? 1;
}

/** The run a combination is in: the latest one begun, 1 before any was. */
export function currentRun(entries: readonly Pick<Entry, 'body'>[]): number {
  return entries.reduce((latest, { body }) => (body.kind === 'run' ? Math.max(latest, body.run) : latest), 1);
}

/** The lot an entry belongs to; null for those of the set-up itself. */
export function lotOf(body: EntryBody): number | null {
  return 'lot' in body ? (body.lot ?? null) : null;
}

/** Entries of the set-up's current run alone: what was put on record for its lots proves nothing about the set-up. */
export function ofCurrentRun<T extends Pick<Entry, 'body'>>(entries: readonly T[]): T[] {
  const run = currentRun(entries);
  return entries.filter((entry) => runOf(entry.body) === run && lotOf(entry.body) === null);
}

/** Entries of one lot. */
export function ofLot<T extends Pick<Entry, 'body'>>(entries: readonly T[], lot: number): T[] {
  return entries.filter((entry) => lotOf(entry.body) === lot);
}
