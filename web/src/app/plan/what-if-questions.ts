import type { JobAbout, Plan, PlanWork, WhatIf } from '@tug-mark/core';
import type { SelectOption } from '../parts/select';
import type { Edit } from './plan-source';

/* Questions to a plan, and what each changes in the work. */

export const QUESTIONS = [
  { value: 'tool', label: 'a tool fails' },
  { value: 'person', label: 'somebody is away' },
  { value: 'list', label: 'a list comes first' },
  { value: 'wait', label: 'a list waits' },
  { value: 'part', label: 'a part or reel is short' },
  { value: 'longer', label: 'somebody stays longer' },
  { value: 'shift', label: 'there is a second shift' },
] as const;
export type Question = (typeof QUESTIONS)[number]['value'];

/** What is asked for with each. */
export const WHICH: Readonly<Record<Question, string>> = {
  ...{ tool: 'Which tool', person: 'Who', list: 'Which list', wait: 'Which list', part: 'Which part' },
  ...{ longer: 'Who', shift: 'Who works it' },
};

/** Minutes somebody stays longer, and of a second shift. */
const LONGER = 120;
const SHIFT = 480;
const DAY = 1440;

const partsOf = ({ terminal, wire, slidOn }: JobAbout) => [terminal, ...wire.split(' + '), ...slidOn];
const optionsOf = (all: readonly { readonly id: string; readonly label: string }[]): SelectOption[] =>
  all.map(({ id, label }) => ({ value: id, label }));

/** What a question can be asked of: what would make no difference is not offered. */
export function whichOf(question: Question, work: PlanWork, about: readonly JobAbout[], plan: Plan): SelectOption[] {
  const used = new Set(plan.placed.flatMap(({ tool, person, release }) => [tool, person, release?.by]));
  switch (question) {
    case 'tool':
      return optionsOf(work.tools.filter(({ id }) => used.has(id)));
    case 'list':
    case 'wait':
      return optionsOf(work.lists);
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

/** The change to the work that a question means, and how it is told. */
export function editOf(
  question: Question,
  { value: id, label }: SelectOption,
  work: PlanWork,
  about: readonly JobAbout[],
): Edit {
  const edit = (change: WhatIf, text: string): Edit => ({ change, text: `${label} ${text}` });
  const shifts = [...work.people, ...work.quality].find((person) => person.id === id)?.shifts ?? [];
  // The shift that goes on now, or comes next.
  const to = shifts[0]?.to ?? 0;
  switch (question) {
    case 'tool':
      return edit({ what: 'tool-fails', tool: id }, 'fails');
    case 'person':
      return edit({ what: 'person-away', person: id, from: 0, to }, 'is away for this shift');
    case 'list':
      return edit({ what: 'list-first', list: id, due: 0 }, 'comes first');
    case 'wait':
      return edit({ what: 'list-waits', list: id }, 'waits');
    case 'part': {
      const jobs = about.filter((one) => partsOf(one).includes(id)).map(({ job }) => job);
      return edit({ what: 'part-late', jobs, until: DAY }, 'is not there for a day');
    }
    case 'longer':
      return edit({ what: 'longer', person: id, minutes: LONGER }, 'stays two hours longer');
    case 'shift':
      return edit({ what: 'shift', person: id, from: to, to: to + SHIFT }, 'works a second shift');
  }
}
