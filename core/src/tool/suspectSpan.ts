import { checkPassed, standingFailure, type ToolRecords } from './judgeTool';
import type { ToolCheck } from './Tool';

/** What a failed check makes suspect: everything the tool made after `after` (null: ever) up to `upTo`. ISO instants. */
export interface SuspectSpan {
  readonly tool: string;
  readonly after: string | null;
  readonly upTo: string;
}

/** Whether a check says anything of what another one found. */
const isOfSame = (one: ToolCheck, other: ToolCheck) =>
  (one.die === null || other.die === null || one.die === other.die) &&
  (one.nest === null || other.nest === null || one.nest === other.nest);

/**
 * The span between the last good check of a die and the first failed one after it, for the failure a tool is out of use for.
 * @param records what is on record of any tools
 * @returns null when no failure stands
 */
export function suspectSpan(tool: string, { checks, returns }: ToolRecords): SuspectSpan | null {
  const own = checks.filter((c) => c.tool === tool).sort((a, b) => a.at.localeCompare(b.at));
  const failure = standingFailure({ checks: own, returns: returns.filter((one) => one.tool === tool) });
  if (!failure) return null;
  const same = own.filter((c) => isOfSame(c, failure) && c.at <= failure.at);
  const lastGood = same.findLastIndex(checkPassed);
  const firstFailed = same[lastGood + 1] ?? failure;
  return { tool, after: same[lastGood]?.at ?? null, upTo: firstFailed.at };
}
