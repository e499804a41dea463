import { FAMILIES, familyName, MEANS } from '@tug-mark/core';
import type { SelectOption } from '../parts/select';
import type { FloorColumn } from './floor-rows';

/* What each kind of row of the floor is asked for. */

const SPAN: readonly FloorColumn[] = [
  { name: 'from', label: 'From', width: 'short' },
  { name: 'to', label: 'To', width: 'short' },
  { name: 'breaks', label: 'Breaks', hint: '09:00-09:15' },
];
const personOf = (options: readonly SelectOption[], label = 'Person'): FloorColumn => ({
  ...{ name: 'person', label, kind: 'options', options },
});
const DAY = '2027-01-31';

export const benchColumns = (strippers: readonly SelectOption[]): readonly FloorColumn[] => [
  { name: 'id', label: 'Short name' },
  { name: 'label', label: 'Name' },
  { name: 'places', label: 'Places of tools that are this bench', width: 'wide' },
  { name: 'stripper', label: 'Stripper', kind: 'options', options: strippers },
  { name: 'warmUp', label: 'Heater hot after, min', kind: 'number', hint: 'no heat' },
  { name: 'coldAfter', label: 'and cold after, min', kind: 'number' },
];
export const hoursColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people),
  { name: 'days', label: 'Days', kind: 'days' },
  ...SPAN,
];
export const awayColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people),
  { name: 'from', label: 'From', hint: `${DAY} 06:00` },
  { name: 'to', label: 'To', hint: `${DAY} 14:30` },
  { name: 'why', label: 'Why' },
];
export const extraColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people, 'In beside the week'),
  { name: 'day', label: 'On', hint: DAY },
  ...SPAN,
];
export const CLOSED_COLUMNS: readonly FloorColumn[] = [
  { name: 'day', label: 'Closed on', hint: DAY },
  { name: 'why', label: 'Why' },
];
export const SECONDS_COLUMNS: readonly FloorColumn[] = [
  {
    ...{ name: 'family', label: 'Family', kind: 'options', width: 'wide' },
    options: FAMILIES.map((family) => ({ value: family, label: familyName(family) })),
  },
  { name: 'means', label: 'By', kind: 'options', options: MEANS.map((one) => ({ value: one, label: one })) },
  { name: 'seconds', label: 'Seconds', kind: 'number', width: 'short' },
];
