/* Moments on screen: written alike everywhere, the month as a word. Plain days are core's `showDay`. */

const BENCH = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});
const RECORD = new Intl.DateTimeFormat('en-GB', {
  year: 'numeric',
  month: 'short',
  day: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  hourCycle: 'h23',
  timeZoneName: 'short',
});

const CLOCK = new Intl.DateTimeFormat('en-GB', {
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  hourCycle: 'h23',
});

/** A moment of just now: local time to the second. */
export function showClock(iso: string): string {
  return CLOCK.format(new Date(iso));
}

/** A moment for the bench: local day and minute. */
export function showTime(iso: string): string {
  return BENCH.format(new Date(iso));
}

/** A moment for a record: local, to the second, with its zone. */
export function showRecordTime(iso: string): string {
  return RECORD.format(new Date(iso));
}
