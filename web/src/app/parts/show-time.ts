import { showDay as writeDay, type Language } from '@tug-mark/core';

/* Days and moments on screen: written alike everywhere, the month as a word, in the language the shop has set. */

let language: Language = 'en-GB';
const TIME = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } as const;
const DAY = { day: 'numeric', month: 'short' } as const;

const made = () => ({
  clock: new Intl.DateTimeFormat(language, { ...TIME, second: '2-digit' }),
  bench: new Intl.DateTimeFormat(language, { ...DAY, ...TIME }),
  record: new Intl.DateTimeFormat(language, {
    ...{ ...DAY, ...TIME, year: 'numeric', second: '2-digit' },
    timeZoneName: 'short',
  }),
});
let writes = made();

/** Has every day and moment from now on written so. */
export function writeTimesIn(chosen: Language): void {
  if (chosen === language) return;
  language = chosen;
  writes = made();
}

/** A plain day, such as the last one of a calibration: '2 Jan 2027'. */
export function showDay(day: string): string {
  return writeDay(day, language);
}

/** A moment of just now: local time to the second. */
export function showClock(iso: string): string {
  return writes.clock.format(new Date(iso));
}

/** A moment for the bench: local day and minute. */
export function showTime(iso: string): string {
  return writes.bench.format(new Date(iso));
}

/** A moment for a record: local, to the second, with its zone. */
export function showRecordTime(iso: string): string {
  return writes.record.format(new Date(iso));
}
