import type { Plan, PlanWork } from '@tug-mark/core';
import { counted, endOfPlan, named, partsChanged } from '@tug-mark/core';
import type { PlanBeside } from '../../workers/plan.messages';
import type { PlanClock } from './plan-time';

const labelsOf = (lists: readonly string[], work: PlanWork) =>
  lists.map((id) => work.lists.find((list) => list.id === id)?.label ?? id);

const tellLists = (lists: readonly string[]) => (lists.length === 2 ? lists.join(' and ') : named(lists));

/** Lists as people call them: 'Chassis and Mast'. */
export const listNames = (lists: readonly string[], work: PlanWork): string => tellLists(labelsOf(lists, work));

/**
 * 'Thursday is done at 15:20, nothing late. 5 die changes instead of 11.'
 * @param out jobs that are not in the plan
 */
export function planHeadline(
  plan: Plan,
  work: PlanWork,
  clock: PlanClock,
  beside: PlanBeside | null,
  out: number,
): string {
  if (!plan.placed.length)
    return out ? `Nothing can be planned: see why ${counted(out, 'job')} cannot.` : 'Nothing to plan.';
  const end = endOfPlan(plan);
  const isToday = clock.day(Math.max(0, end - 1)) === clock.day(0);
  const done = isToday
    ? `${clock.weekday(0)} is done at ${clock.time(end)}`
    : `All is done on ${clock.weekday(end - 1)} at ${clock.time(end)}`;
  const { lateLists } = plan.score;
  const late = lateLists.length ? `late: ${listNames(lateLists, work)}` : 'nothing late';
  // What is not in it is not ready by then, whatever else is in time.
  const without = out ? `, without ${counted(out, 'job')} that cannot be made now` : '';
  return `${done}, ${late}${without}. ${changesWords(plan, beside)}`;
}

/** '5 die changes instead of 11.', or where no die is changed the minutes of all changes. */
function changesWords(plan: Plan, beside: PlanBeside | null): string {
  const dies = partsChanged(plan).die.count;
  const other = beside && partsChanged(beside.byDue).die.count;
  if (!dies && !other) return `${plan.score.changeover} min of changes.`;
  return other === null || other === dies
    ? `${counted(dies, 'die change')}.`
    : `${counted(dies, 'die change')} instead of ${other}.`;
}

/** What bounds a plan, and what the order of due dates would come to. */
export function planUnder(
  plan: Plan,
  work: PlanWork,
  clock: PlanClock,
  { byDue, bounds, leastEnd }: PlanBeside,
): string {
  if (!plan.placed.length) return '';
  const late = labelsOf(byDue.score.lateLists, work);
  const lost = byDue.left.length - plan.left.length;
  const end = endOfPlan(byDue);
  return [
    `No order of this work can end before ${clock.at(leastEnd)} or needs fewer than ${bounds.changeover.least} min of changes; this one has ${plan.score.changeover}.`,
    `By due date alone it would end at ${clock.at(end)} with ${byDue.score.changeover} min of changes${late.length ? ` and ${tellLists(late)} late` : ''}${lost > 0 ? `, and ${counted(lost, 'job')} without a place` : ''}.`,
  ].join(' ');
}

/** How far the search is. */
export function searchWords(share: number, isProven: boolean, isLast: boolean): string {
  if (isProven) return 'Proven: no order, way or person is better, each job as early as it can be.';
  return isLast
    ? 'The best that was found in the time. Search longer, and it may get better.'
    : `Searching: ${Math.round(100 * share)} %.`;
}
