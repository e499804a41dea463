import { FormArray, FormControl, FormGroup } from '@angular/forms';
import { readBreaks, readTimeOfDay, tellBreaks, type ShopFloor } from '@tug-mark/core';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';

/* The floor as a form: what is typed stays as it is typed until it is kept. */

const text = (start: string) => typedText(start);

const benchForm = ({ id, label, places, heater, stripper }: ShopFloor['benches'][number]) =>
  new FormGroup({
    ...{ id: text(id), label: text(label), places: text(places.join(', ')), stripper: text(stripper ?? '') },
    ...{ warmUp: text(heater ? String(heater.warmUp) : ''), coldAfter: text(heater ? String(heater.coldAfter) : '') },
  });
const hoursForm = ({ person, days, from, to, breaks }: ShopFloor['hours'][number]) =>
  new FormGroup({
    ...{ person: text(person), from: text(from), to: text(to), breaks: text(tellBreaks(breaks)) },
    days: new FormControl<readonly number[]>(days, { nonNullable: true }),
  });
const awayForm = ({ person, from, to, why }: ShopFloor['away'][number]) =>
  new FormGroup({
    ...{ person: text(person), from: text(from.replace('T', ' ')), to: text(to.replace('T', ' ')), why: text(why) },
  });
const extraForm = ({ person, day, from, to, breaks }: ShopFloor['extra'][number]) =>
  new FormGroup({
    person: text(person),
    day: text(day),
    from: text(from),
    to: text(to),
    breaks: text(tellBreaks(breaks)),
  });
const secondsForm = ({ family, means, seconds }: ShopFloor['pieceSeconds'][number]) =>
  new FormGroup({ family: text(family), means: text(means), seconds: text(String(seconds)) });
const closedForm = ({ day, why }: ShopFloor['closed'][number]) => new FormGroup({ day: text(day), why: text(why) });

export const NUMBERS = {
  lotMinutes: 'Most minutes of one job',
  frozen: 'Minutes from now that stay as they are',
  endWorth: 'Minutes of change an earlier minute of end is worth',
  rework: 'Ends made again, in 100',
  sampleLength: 'Wire of a sample, mm',
  keepLength: 'Shortest rest that is kept, mm',
  cutSeconds: 'Seconds to cut a wire',
  insertSeconds: 'Seconds to put a contact in',
  leadDays: 'Days an order takes',
  reserveDays: 'Days of reserve beside that',
} as const;
export const MINUTES = {
  sample: 'A sample made, looked at, pulled',
  check: 'A piece of a lot looked at and pulled',
  release: 'A release by quality',
  toolCheck: 'A go/no-go check',
  notch: 'A stripper notch',
  stop: 'A length stop',
  reel: 'A reel in a press',
  frame: 'A tool moved to another bench',
  fetch: 'A hand tool fetched',
} as const;
type NumberName = keyof typeof NUMBERS;
type MinuteName = keyof typeof MINUTES;

/** In the form a share stands as so many in 100. */
const shown = (floor: ShopFloor, name: NumberName) =>
  String(name === 'rework' ? Number((100 * floor.rework).toFixed(2)) : floor[name]);
const typedGroup = <K extends string>(names: readonly K[], value: (name: K) => string) =>
  new FormGroup(Object.fromEntries(names.map((name) => [name, text(value(name))])) as Record<K, FormControl<string>>);

export function floorForm(floor: ShopFloor) {
  return new FormGroup({
    benches: new FormArray(floor.benches.map(benchForm)),
    hours: new FormArray(floor.hours.map(hoursForm)),
    away: new FormArray(floor.away.map(awayForm)),
    closed: new FormArray(floor.closed.map(closedForm)),
    extra: new FormArray(floor.extra.map(extraForm)),
    pieceSeconds: new FormArray(floor.pieceSeconds.map(secondsForm)),
    dueBy: text(floor.dueBy),
    numbers: typedGroup(Object.keys(NUMBERS) as NumberName[], (name) => shown(floor, name)),
    minutes: typedGroup(Object.keys(MINUTES) as MinuteName[], (name) => String(floor.minutes[name])),
  });
}
export type FloorForm = ReturnType<typeof floorForm>;

export const emptyBench = () => benchForm({ id: '', label: '', places: [], heater: null, stripper: null });
export const emptyHours = () =>
  hoursForm({ person: '', days: [1, 2, 3, 4, 5], from: '06:00', to: '14:30', breaks: [] });
export const emptyAway = (day: string) => awayForm({ person: '', from: `${day}T06:00`, to: `${day}T14:30`, why: '' });
export const emptyExtra = (day: string) => extraForm({ person: '', day, from: '08:00', to: '12:00', breaks: [] });
export const emptySeconds = () =>
  new FormGroup({ family: text('insulated-terminal'), means: text('hand'), seconds: text('') });
export const emptyClosed = (day: string) => closedForm({ day, why: '' });

/** What is no time of day stands as it was typed: the schema says so. */
const time = (typed: string) => readTimeOfDay(typed) ?? typed.trim();
const number = (typed: string) => plainNumber(typed) ?? NaN;
const listed = (typed: string) =>
  typed
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter((one) => one !== '');

/** What was typed, as the contract takes it: its schema and the server say what of it cannot be meant. */
export function floorOf(form: FloorForm, before: ShopFloor): unknown {
  const { benches, hours, away, closed, extra, pieceSeconds, dueBy, numbers, minutes } = form.getRawValue();
  return {
    ...before,
    benches: benches.map(({ id, label, places, stripper, warmUp, coldAfter }) => ({
      ...{ id: id.trim(), label: label.trim() || id.trim(), places: listed(places), stripper: stripper || null },
      heater:
        warmUp.trim() === '' && coldAfter.trim() === ''
          ? null
          : { warmUp: number(warmUp), coldAfter: number(coldAfter) },
    })),
    hours: hours.map(({ person, days, from, to, breaks }) => ({
      ...{ person, days: [...days].sort(), from: time(from), to: time(to) },
      breaks: readBreaks(breaks),
    })),
    away: away.map(({ person, from, to, why }) => ({
      person,
      why,
      from: from.trim().replace(' ', 'T'),
      to: to.trim().replace(' ', 'T'),
    })),
    closed: closed.map(({ day, why }) => ({ day: day.trim(), why })),
    extra: extra.map(({ person, day, from, to, breaks }) => ({
      ...{ person, day: day.trim(), from: time(from), to: time(to), breaks: readBreaks(breaks) },
    })),
    pieceSeconds: pieceSeconds.map(({ family, means, seconds }) => ({ family, means, seconds: number(seconds) })),
    dueBy: time(dueBy),
    ...Object.fromEntries(
      Object.entries(numbers).map(([name, typed]) => [name, name === 'rework' ? number(typed) / 100 : number(typed)]),
    ),
    minutes: Object.fromEntries(Object.entries(minutes).map(([name, typed]) => [name, number(typed)])),
  };
}
