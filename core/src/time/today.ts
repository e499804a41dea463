/** The part of a shop that days are counted by. */
export interface ShopTime {
  /** IANA time zone, e.g. 'Europe/Berlin'. */
  readonly zone: string;
}

const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = FORMATS.get(zone);
  if (known) return known;
  // Swedish writes a date as ISO 8601 does.
  const made = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
  FORMATS.set(zone, made);
  return made;
}

/** The last minute asked for in a zone, and its day: asked for at every entry, the calendar costs more than judging it. */
const LAST = new Map<string, { readonly minute: number; readonly day: string }>();
/** Before this some zones were set off by odd seconds; since then a day begins with a minute everywhere. */
const WHOLE_MINUTES_SINCE = Date.UTC(1973, 0, 1);

/**
 * The calendar day it is in the shop. A date on a document or a calibration has no zone of its own: it begins and ends
 * with the shop's day, wherever the server stands.
 * @param now ISO instant
 * @returns ISO date
 * @example ({ zone: 'Europe/Berlin' }, '2026-11-25T23:30:00.000Z'): '2026-11-26'
 */
export function today({ zone }: ShopTime, now: string): string {
  const at = Date.parse(now);
  const minute = Math.floor(at / 60_000);
  const last = LAST.get(zone);
  if (last?.minute === minute && at >= WHOLE_MINUTES_SINCE) return last.day;
  const day = formatOf(zone).format(new Date(now));
  LAST.set(zone, { minute, day });
  return day;
}

/** Whether a name is a time zone this runtime knows. */
export function isZone(zone: string): boolean {
  try {
    formatOf(zone);
    return true;
  } catch {
    return false;
  }
}
