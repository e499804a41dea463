import { FAMILIES, familyName, MEANS } from '@tug-mark/core';
import type { SelectOption } from '../parts/select';
import { emptyAway, emptyBench, emptyClosed, emptyExtra, emptyHours, emptySeconds, type FloorForm } from './floor-form';
import type { FloorColumn, FloorGroup } from './floor-rows';

/* What a floor is asked for: its rows, and the fields of each kind of row. */

const SPAN: readonly FloorColumn[] = [
  { name: 'from', label: 'From', width: 'short' },
  { name: 'to', label: 'To', width: 'short' },
  { name: 'breaks', label: 'Breaks', hint: '09:00-09:15' },
];
const personOf = (options: readonly SelectOption[], label = 'Person'): FloorColumn => ({
  ...{ name: 'person', label, kind: 'options', options },
});
const DAY = '2027-01-31';

const benchColumns = (strippers: readonly SelectOption[]): readonly FloorColumn[] => [
  { name: 'id', label: 'Short name' },
  { name: 'label', label: 'Name' },
  { name: 'places', label: 'Places of tools that are this bench', width: 'wide' },
  { name: 'stripper', label: 'Stripper', kind: 'options', options: strippers },
  { name: 'warmUp', label: 'Heater hot after, min', kind: 'number', hint: 'no heat' },
  { name: 'coldAfter', label: 'and cold after, min', kind: 'number' },
];
const hoursColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people),
  { name: 'days', label: 'Days', kind: 'days' },
  ...SPAN,
];
const awayColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people),
  { name: 'from', label: 'From', hint: `${DAY} 06:00` },
  { name: 'to', label: 'To', hint: `${DAY} 14:30` },
  { name: 'why', label: 'Why' },
];
const extraColumns = (people: readonly SelectOption[]): readonly FloorColumn[] => [
  personOf(people, 'In beside the week'),
  { name: 'day', label: 'On', hint: DAY },
  ...SPAN,
];
const CLOSED_COLUMNS: readonly FloorColumn[] = [
  { name: 'day', label: 'Closed on', hint: DAY },
  { name: 'why', label: 'Why' },
];
const SECONDS_COLUMNS: readonly FloorColumn[] = [
  {
    ...{ name: 'family', label: 'Family', kind: 'options', width: 'wide' },
    options: FAMILIES.map((family) => ({ value: family, label: familyName(family) })),
  },
  { name: 'means', label: 'By', kind: 'options', options: MEANS.map((one) => ({ value: one, label: one })) },
  { name: 'seconds', label: 'Seconds', kind: 'number', width: 'short' },
];

/** One part of the form, with one or more kinds of rows. */
export interface FloorPart {
  readonly legend: string;
  readonly groups: readonly FloorGroup[];
}

/** Benches, hours, and the days that are not as every week has them. */
export function floorParts(
  { controls }: FloorForm,
  people: readonly SelectOption[],
  strippers: readonly SelectOption[],
  today: string,
): readonly FloorPart[] {
  const { benches, hours, away, extra, closed } = controls;
  return [
    {
      legend: 'Benches',
      groups: [
        {
          ...{ name: 'bench', called: 'bench', another: 'Another bench', rows: benches },
          columns: benchColumns(strippers),
          add: () => {
            benches.push(emptyBench());
          },
        },
      ],
    },
    {
      legend: 'Hours of every week',
      groups: [
        {
          ...{ name: 'hours', called: 'shift', another: 'Another shift', rows: hours },
          columns: hoursColumns(people),
          add: () => {
            hours.push(emptyHours());
          },
        },
      ],
    },
    {
      legend: 'Away, extra shifts, closed days',
      groups: [
        {
          ...{ name: 'away', called: 'absence', another: 'Somebody is away', rows: away },
          columns: awayColumns(people),
          add: () => {
            away.push(emptyAway(today));
          },
        },
        {
          ...{ name: 'extra', called: 'single day', another: 'An extra shift', rows: extra },
          columns: extraColumns(people),
          add: () => {
            extra.push(emptyExtra(today));
          },
        },
        {
          ...{ name: 'closed', called: 'closed day', another: 'A day is closed', rows: closed },
          columns: CLOSED_COLUMNS,
          add: () => {
            closed.push(emptyClosed(today));
          },
        },
      ],
    },
  ];
}

/** Seconds of one piece by the shop's own knowledge. */
export function secondsRows({ controls: { pieceSeconds } }: FloorForm): FloorGroup {
  return {
    ...{ name: 'seconds', called: 'time', another: 'A time of our own', rows: pieceSeconds, columns: SECONDS_COLUMNS },
    add: () => {
      pieceSeconds.push(emptySeconds());
    },
  };
}
