import type { ToolCheck } from './Tool';

/** What a failed check makes suspect: everything the tool made after `after` (null: ever) up to `upTo`. ISO instants. */
export interface SuspectSpan {
  readonly tool: string;
  readonly after: string | null;
  readonly upTo: string;
}

/**
 * The span between a tool's last good check and the first failed one after it, for its latest failure.
 * @returns null when its last check did not fail
 */
export function suspectSpan(tool: string, checks: readonly ToolCheck[]): SuspectSpan | null {
  const own = checks.filter((c) => c.tool === tool).sort((a, b) => a.at.localeCompare(b.at));
  const isGood = (c: ToolCheck) => c.goPassed && c.noGoStopped;
  const last = own.at(-1);
  if (!last || isGood(last)) return null;
  const lastGood = own.findLastIndex(isGood);
  const firstFailed = own[lastGood + 1] ?? last;
  return { tool, after: own[lastGood]?.at ?? null, upTo: firstFailed.at };
}
