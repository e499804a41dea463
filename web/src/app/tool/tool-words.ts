import type { ToolCandidate } from '@tug-mark/core';

/** What is to be done with the tool that is proposed or taken, in one line. */
export function toolHeadline(candidate: ToolCandidate | null, isTaken: boolean): string {
  if (!candidate) return 'No tool can be taken.';
  const { tool, die, nest, state, mounted } = candidate;
  const name = `${tool.label}, ${die.label}, nest ${nest.label}`;
  if (isTaken) return `${name} is taken.`;
  if (state.state === 'ready') return `Take ${name}.`;
  return mounted ? `Check ${tool.label} first.` : `Mount ${die.label} in ${tool.label}, then check it.`;
}

/** Why: what a check is due for, or what the tool leaves on the piece. */
export function toolWhy({ state, nest }: ToolCandidate, isTaken: boolean): string {
  return state.state === 'check-due' && !isTaken
    ? (state.reasons.find((r) => r.weight === 'hold')?.text ?? '')
    : `It leaves ${nest.mark} on the piece: read it after the crimp.`;
}
