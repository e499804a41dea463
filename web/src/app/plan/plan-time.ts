import type { Clock } from '@tug-mark/core';

/* Minutes of a plan as the shop's clocks show them. */

export interface PlanClock {
  /** '15:20', with the day where it is not that of the plan's first minute. */
  readonly at: Clock;
  /** '15:20' alone. */
  readonly time: Clock;
  /** 'Thursday' */
  readonly weekday: Clock;
  /** ISO day of a minute. */
  readonly day: Clock;
  /** Minute of an ISO instant. */
  readonly minute: (at: string) => number;
}

/**
 * @param start ISO instant of minute 0
 * @param zone of the shop
 */
export function planClock(start: string, zone: string): PlanClock {
  const first = Date.parse(start);
  const instant = (minute: number) => new Date(first + minute * 60_000);
  const times = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  const days = new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'long' });
  const dates = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
  const time = (minute: number) => times.format(instant(minute));
  const weekday = (minute: number) => days.format(instant(minute));
  const day = (minute: number) => dates.format(instant(minute));
  // What ends at midnight ends on the day before.
  const at: Clock = (minute) =>
    day(Math.max(0, minute - 1)) === day(0) ? time(minute) : `${weekday(minute).slice(0, 3)} ${time(minute)}`;
  return { at, time, weekday, day, minute: (instantAt) => Math.floor((Date.parse(instantAt) - first) / 60_000) };
}
