import type { Entry, EntryBody } from './Entry';

/** The run an entry belongs to; the first where it says none. */
export function runOf(body: EntryBody): number {
  return body.run ?? 1;
}

/** The run a combination is in: the latest one begun, 1 before any was. */
export function currentRun(entries: readonly Pick<Entry, 'body'>[]): number {
  return entries.reduce((latest, { body }) => (body.kind === 'run' ? Math.max(latest, body.run) : latest), 1);
}

/** Entries of the current run alone. */
export function ofCurrentRun<T extends Pick<Entry, 'body'>>(entries: readonly T[]): T[] {
  const run = currentRun(entries);
  return entries.filter((entry) => runOf(entry.body) === run);
}
