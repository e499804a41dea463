import {
  SETTING_PARTS,
  type PlanBench,
  type PlanChange,
  type PlanTool,
  type StripSetting,
  type ToolSetting,
} from './PlanWork';

/**
 * What has to be changed in a tool before a job, part by part, each by the tool's own minutes. A part the job does not use takes
 * nothing: it is taken out or left, and is mounted again by whoever needs it next.
 */
export function toolChanges(tool: Pick<PlanTool, 'minutes'>, from: ToolSetting, to: ToolSetting): PlanChange[] {
  return SETTING_PARTS.filter((part) => to[part] !== null && to[part] !== from[part]).map((part) => ({
    part,
    minutes: tool.minutes[part],
  }));
}

/** What has to be set at the bench's stripper. */
export function stripChanges(
  stripper: PlanBench['stripper'],
  from: StripSetting | null,
  to: StripSetting | null,
): PlanChange[] {
  if (!stripper || !to) return [];
  return (['notch', 'stop'] as const)
    .filter((part) => to[part] !== from?.[part])
    .map((part) => ({ part, minutes: stripper.minutes[part] }));
}

/** Whole minutes of several changes, one after the other. */
export const minutesOf = (changes: readonly PlanChange[]): number =>
  Math.ceil(changes.reduce((sum, { minutes }) => sum + minutes, 0) - 1e-9);
