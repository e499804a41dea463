import { GATE_NAMES } from '../crimp';
import type { Entry, EntryBody } from '../entry';
import type { ReterminationBudget } from '../prepare';

/** Ends of the set-up that were cut off and made again. */
export interface CutOffs {
  readonly count: number;
  /** Why, the most frequent first. */
  readonly reasons: readonly { readonly reason: string; readonly count: number }[];
  /** What they come to, against what the wire has to spare; empty where none was. */
  readonly text: string;
}

/** Why an end was cut off, in a few words; null where it was not. */
function reasonOf(body: EntryBody): string | null {
  if (body.kind === 'gate' && body.remedy === 'cut-off')
    return body.fault?.replaceAll('-', ' ') ?? GATE_NAMES[body.gate];
  return body.kind === 'measure' && body.after === 'cut-off' ? 'strip length out of range' : null;
}

/**
 * Ends of a set-up that were cut off, counted by their reasons and against the budget of the wire. One that was cut off and answered
 * with yes afterwards counts all the same: the wire is gone.
 *
 * @param entries of the current run, corrected ones among them
 * @param budget what the wire's spare allows; null until there is a strip length
 */
export function cutOffs(entries: readonly Entry[], budget: ReterminationBudget | null): CutOffs {
  const counts = new Map<string, number>();
  for (const { body } of entries) {
    const reason = reasonOf(body);
    if (reason !== null) counts.set(reason, (counts.get(reason) ?? 0) + 1);
  }
  const reasons = [...counts].map(([reason, count]) => ({ reason, count })).sort((a, b) => b.count - a.count);
  const count = reasons.reduce((sum, each) => sum + each.count, 0);
  if (!count) return { count, reasons, text: '' };
  const by = reasons.map((each) => `${each.reason} ${each.count}`).join(', ');
  const lost = budget ? `, ${(count * budget.perAttempt).toFixed(1)} mm of wire` : '';
  const left = budget ? budget.attempts - count : 0;
  const stands = !budget
    ? ''
    : left < 0
      ? ` The spare of one wire allows ${budget.attempts}: this took more than one wire. Look for what is behind it before the next.`
      : ` ${left === 0 ? 'None' : left} of ${budget.attempts} that one wire’s spare allows ${left === 1 ? 'is' : 'are'} left.`;
  return { count, reasons, text: `${count} cut off and made again${lost}: ${by}.${stands}` };
}
