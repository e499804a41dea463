/* One way to write a day and a moment, on screen and paper alike: the month is a word, so that nobody reads it the other way. */

/** Languages days and moments can be written in. */
export const LANGUAGES = [
  'en-GB',
  'en-US',
  'cs-CZ',
  'de-DE',
  'el-GR',
  'es-ES',
  'fi-FI',
  'fr-FR',
  'hi-IN',
  'it-IT',
  'ja-JP',
  'ko-KR',
  'nl-NL',
  'pl-PL',
  'pt-BR',
  'pt-PT',
  'sv-SE',
  'tr-TR',
  'uk-UA',
  'zh-CN',
] as const;
export type Language = (typeof LANGUAGES)[number];

// Each made once: a certificate has a thousand moments, and making what writes them costs more than they do.
const days = new Map<Language, Intl.DateTimeFormat>();
const moments = new Map<string, Intl.DateTimeFormat>();

const DAY = { day: 'numeric', month: 'short', year: 'numeric' } as const;

/** What a map has of a key, made when it is first asked for. */
function once<K>(made: Map<K, Intl.DateTimeFormat>, key: K, make: () => Intl.DateTimeFormat): Intl.DateTimeFormat {
  const writes = made.get(key) ?? make();
  made.set(key, writes);
  return writes;
}

/** A plain day, '2027-01-31', as '31 Jan 2027': no instant, so no zone may move it. What is no day is shown as it is. */
export function showDay(day: string, language: Language = 'en-GB'): string {
  const at = new Date(`${day}T00:00:00Z`);
  const make = () => new Intl.DateTimeFormat(language, { ...DAY, timeZone: 'UTC' });
  return Number.isNaN(at.getTime()) ? day : once(days, language, make).format(at);
}

/** An ISO instant as the shop's clocks showed it, with their zone: '26 Nov 2026, 13:17 CET'. */
export function showMoment(at: string, zone: string, language: Language = 'en-GB'): string {
  const make = () =>
    new Intl.DateTimeFormat(language, {
      ...DAY,
      ...{ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
      ...{ timeZone: zone, timeZoneName: 'short' },
    });
  return once(moments, `${zone} ${language}`, make).format(new Date(at));
}
