import { readTimeOfDay, type JobAbout, type Plan, type PlanWork, type WhatIf } from '@tug-mark/core';
import type { SelectOption } from '../parts/select';
import type { Edit } from './plan-source';
import type { PlanClock } from './plan-time';

/* Questions to a plan, and what each changes in the work. */

export const QUESTIONS = [
  { value: 'tool', label: 'a tool fails' },
  { value: 'person', label: 'somebody is away' },
  { value: 'list', label: 'a list comes first' },
  { value: 'again', label: 'a list comes in' },
  { value: 'wait', label: 'a list waits' },
  { value: 'part', label: 'a part is short' },
  { value: 'longer', label: 'somebody stays longer' },
  { value: 'shift', label: 'a second shift' },
] as const;
export type Question = (typeof QUESTIONS)[number]['value'];

/** What is asked for with each: of which thing, from when, for how many hours. Null: nothing. */
interface Asked {
  readonly which: string;
  readonly from: string | null;
  readonly hours: string | null;
}
export const ASKED: Readonly<Record<Question, Asked>> = {
  tool: { which: 'Which tool', from: null, hours: null },
  person: { which: 'Who', from: 'Away from', hours: 'Hours away' },
  list: { which: 'Which list', from: null, hours: null },
  again: { which: 'Another one like', from: null, hours: 'Due in, hours' },
  wait: { which: 'Which list', from: null, hours: null },
  part: { which: 'Which part', from: null, hours: 'Hours without it' },
  longer: { which: 'Who', from: null, hours: 'Hours longer' },
  shift: { which: 'Who works it', from: 'It begins at', hours: 'Hours of it' },
};

/** From which minute of the plan, and for how many hours. */
export interface When {
  readonly from: number;
  readonly hours: number;
}

const HOUR = 60;
const DAY = 24;

const partsOf = ({ terminal, wire, slidOn }: JobAbout) => [terminal, ...wire.split(' + '), ...slidOn];
const optionsOf = (all: readonly { readonly id: string; readonly label: string }[]): SelectOption[] =>
  all.map(({ id, label }) => ({ value: id, label }));
/** The shift of somebody that goes on now, or comes next. */
const shiftOf = (id: string, { people, quality }: PlanWork) =>
  [...people, ...quality].find((person) => person.id === id)?.shifts[0];

/** What a question can be asked of: what would make no difference is not offered. */
export function whichOf(question: Question, work: PlanWork, about: readonly JobAbout[], plan: Plan): SelectOption[] {
  const used = new Set(plan.placed.flatMap(({ tool, person, release }) => [tool, person, release?.by]));
  switch (question) {
    case 'tool':
      return optionsOf(work.tools.filter(({ id }) => used.has(id)));
    case 'list':
    case 'wait':
    case 'again':
      return optionsOf(work.lists.filter(({ id }) => work.jobs.some(({ list }) => list === id)));
    case 'part':
      return [...new Set(about.flatMap(partsOf))]
        .filter((part) => part !== '')
        .sort()
        .map((part) => ({ value: part, label: part }));
    case 'person':
      return optionsOf([...work.people, ...work.quality].filter(({ id }) => used.has(id)));
    case 'longer':
    case 'shift':
      return optionsOf(work.people.filter(({ shifts }) => shifts.length));
  }
}

/** What is likely meant, to begin with: away for the rest of the shift, a part a day late, a list due in a day, two hours longer, a shift of eight. */
export function whenOf(question: Question, id: string, work: PlanWork): When {
  const shift = shiftOf(id, work);
  switch (question) {
    case 'person': {
      const from = Math.max(0, shift?.from ?? 0);
      return { from, hours: Math.ceil((4 * ((shift?.to ?? from + 8 * HOUR) - from)) / HOUR) / 4 };
    }
    case 'shift':
      return { from: shift?.to ?? 0, hours: 8 };
    case 'longer':
      return { from: 0, hours: 2 };
    default:
      return { from: 0, hours: DAY };
  }
}

/** The next minute of a plan at which the clock shows a time as it is typed; null where that is none. */
export function minuteAt(typed: string, clock: PlanClock): number | null {
  const time = readTimeOfDay(typed);
  if (time === null) return null;
  // A day that loses an hour shows a time a day later.
  for (let minute = 0; minute < 2 * DAY * HOUR; minute++) if (clock.time(minute) === time) return minute;
  return null;
}

/** The change to the work that a question means, and how it is told. */
export function editOf(
  question: Question,
  { value: id, label }: SelectOption,
  { from, hours }: When,
  about: readonly JobAbout[],
  clock: PlanClock,
): Edit {
  const edit = (change: WhatIf, text: string): Edit => ({ change, text: `${label} ${text}` });
  const minutes = Math.round(hours * HOUR);
  const to = from + minutes;
  const long = `${Number(hours.toFixed(2))} h`;
  switch (question) {
    case 'tool':
      return edit({ what: 'tool-fails', tool: id }, 'fails');
    case 'person':
      return edit({ what: 'person-away', person: id, from, to }, `is away from ${clock.at(from)} for ${long}`);
    case 'list':
      return edit({ what: 'list-first', list: id, due: 0 }, 'comes first');
    case 'wait':
      return edit({ what: 'list-waits', list: id }, 'waits');
    case 'again':
      return edit({ what: 'list-again', list: id, due: minutes }, `comes in once more, due in ${long}`);
    case 'part': {
      const jobs = about.filter((one) => partsOf(one).includes(id)).map(({ job }) => job);
      return edit({ what: 'part-late', jobs, until: minutes }, `is not there for ${long}`);
    }
    case 'longer':
      return edit({ what: 'longer', person: id, minutes }, `stays ${long} longer`);
    case 'shift':
      return edit({ what: 'shift', person: id, from, to }, `works a second shift from ${clock.at(from)} for ${long}`);
  }
}

/** Whether an answer can be made the plan: what is not on the bench yet has to be brought in first. */
export const isKeepable = ({ change }: Edit): boolean => change.what !== 'list-again';
