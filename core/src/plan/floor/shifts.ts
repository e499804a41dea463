import { Temporal } from 'temporal-polyfill';
import type { PlanSpan, Shift } from '../PlanWork';
import type { Absence, ShopFloor } from './ShopFloor';

/* Hours of the shop's clocks as minutes of a plan: where clocks are changed, a shift is an hour longer or shorter, as it is. */

const MINUTE = 60_000;
type SpanOfDay = Pick<ShopFloor['hours'][number], 'from' | 'to' | 'breaks'>;

/** Minutes from `start` to a moment of the shop's clocks. One that a clock change leaves out is as much later; of two alike the first. */
export function minuteOf(moment: string, zone: string, start: string): number {
  const at = Temporal.PlainDateTime.from(moment).toZonedDateTime(zone, { disambiguation: 'compatible' });
  return Math.round((at.epochMilliseconds - Date.parse(start)) / MINUTE);
}

/** A span of one day, in minutes of the plan; what ends before it begins ends on the next day. */
function onDay(day: string, { from, to, breaks }: SpanOfDay, zone: string, start: string): Shift {
  const next = Temporal.PlainDate.from(day).add({ days: 1 }).toString();
  const at = (time: string) => minuteOf(`${time < from ? next : day}T${time}`, zone, start);
  const end = to <= from ? minuteOf(`${next}T${to}`, zone, start) : at(to);
  return {
    ...{ from: at(from), to: end },
    breaks: breaks.map((pause) => ({ from: at(pause.from), to: at(pause.to) })).sort((a, b) => a.from - b.from),
  };
}

/** What is left of a shift without a stretch of it. */
function without(shift: Shift, { from, to }: PlanSpan): Shift[] {
  if (to <= shift.from || from >= shift.to) return [shift];
  return [
    { ...shift, to: from },
    { ...shift, from: to },
  ].flatMap((part) =>
    part.from < part.to
      ? [{ ...part, breaks: part.breaks.filter((pause) => pause.from < part.to && pause.to > part.from) }]
      : [],
  );
}

/** Stretches that follow on each other or lie over each other are one: nobody works the same minute twice. */
function joined(shifts: readonly Shift[]): Shift[] {
  const all: { from: number; to: number; breaks: readonly PlanSpan[] }[] = [];
  for (const shift of shifts.toSorted((a, b) => a.from - b.from)) {
    const last = all.at(-1);
    if (last && shift.from < last.to) {
      last.to = Math.max(last.to, shift.to);
      last.breaks = [...last.breaks, ...shift.breaks];
    } else all.push({ ...shift });
  }
  return all;
}

/** Days a plan looks at, from the day it begins on: '2026-11-26' and so on. */
export function daysFrom(start: string, zone: string, days: number): string[] {
  const first = Temporal.Instant.from(start).toZonedDateTimeISO(zone).toPlainDate();
  return Array.from({ length: days }, (_, ahead) => first.add({ days: ahead }).toString());
}

const weekday = (day: string) => Temporal.PlainDate.from(day).dayOfWeek;

/**
 * Somebody's shifts in a plan, in order: those of the week and of single days, without closed days and absences, from minute 0 on.
 * @param start ISO instant of minute 0
 * @param days how many days are looked at
 */
export function shiftsOf(
  person: string,
  floor: Pick<ShopFloor, 'hours' | 'extra' | 'away' | 'closed'>,
  zone: string,
  start: string,
  days: number,
): Shift[] {
  const closed = new Set(floor.closed.map(({ day }) => day));
  // The day before as well: its night shift may still be going on.
  const before = Temporal.PlainDate.from(daysFrom(start, zone, 1)[0] as string)
    .subtract({ days: 1 })
    .toString();
  const usual = [before, ...daysFrom(start, zone, days)].flatMap((day) =>
    closed.has(day)
      ? []
      : floor.hours
          .filter((hours) => hours.person === person && hours.days.includes(weekday(day)))
          .map((hours) => onDay(day, hours, zone, start)),
  );
  const extra = floor.extra
    .filter((hours) => hours.person === person)
    .map((hours) => onDay(hours.day, hours, zone, start));
  const last = Math.max(0, ...usual.map(({ to }) => to));
  const away = floor.away.filter((absence) => absence.person === person);
  const spans = [...away.map((absence) => spanOf(absence, zone, start)), { from: -Infinity, to: 0 }];
  const all = joined([...usual, ...extra.filter(({ from }) => from <= last + 1440)]);
  return spans
    .reduce<Shift[]>((shifts, span) => shifts.flatMap((shift) => without(shift, span)), all)
    .map((shift) => ({
      ...shift,
      breaks: shift.breaks.map((pause) => ({
        from: Math.max(pause.from, shift.from),
        to: Math.min(pause.to, shift.to),
      })),
    }));
}

const spanOf = ({ from, to }: Absence, zone: string, start: string): PlanSpan => ({
  from: minuteOf(from, zone, start),
  to: minuteOf(to, zone, start),
});
