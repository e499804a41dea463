/* One way to write a day and a moment, on screen and paper alike: the month is a word, so that nobody reads it the other way. */

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

/** A plain day, '2027-01-31', as '31 Jan 2027': no instant, so no zone may move it. What is no day is shown as it is. */
export function showDay(day: string): string {
  const at = new Date(`${day}T00:00:00Z`);
  return Number.isNaN(at.getTime()) ? day : DAY.format(at);
}

const moments = new Map<string, Intl.DateTimeFormat>();

/** An ISO instant as the shop's clocks showed it, with their zone: '26 Nov 2026, 13:17 CET'. */
export function showMoment(at: string, zone: string): string {
  // Made once for a zone: a certificate has a thousand moments, and making what writes them costs more than they do.
  const writes =
    moments.get(zone) ??
    new Intl.DateTimeFormat('en-GB', {
      ...{ day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
      ...{ timeZone: zone, timeZoneName: 'short' },
    });
  moments.set(zone, writes);
  return writes.format(new Date(at));
}
