const BENCH = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});
const RECORD = new Intl.DateTimeFormat(undefined, {
  year: 'numeric',
  month: 'short',
  day: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  hourCycle: 'h23',
  timeZoneName: 'short',
});

const CLOCK = new Intl.DateTimeFormat(undefined, {
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  hourCycle: 'h23',
});

const DAY = new Intl.DateTimeFormat(undefined, { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });

/** A plain day, '2027-01-31': no instant, so no zone may move it. */
export function showDay(day: string): string {
  return DAY.format(new Date(`${day}T00:00:00Z`));
}

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
