import type { ShopFloor } from './ShopFloor';

/* Times as people type them, in a form and in a spreadsheet alike. */

/** Days of the week in their order: 1 is Monday. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

type Breaks = ShopFloor['hours'][number]['breaks'];

const TIME = /^([01]?\d|2[0-3])[:.]([0-5]\d)$/;

/** '6.30' and '6:30' are 06:30; null for what is no time of day. */
export function readTimeOfDay(typed: string): string | null {
  const [, hour, minute] = TIME.exec(typed.trim()) ?? [];
  return hour === undefined || minute === undefined ? null : `${hour.padStart(2, '0')}:${minute}`;
}

/** Breaks as they are written: '09:00-09:15 11:30-12:00'. */
export const tellBreaks = (breaks: Breaks): string => breaks.map(({ from, to }) => `${from}-${to}`).join(' ');

/**
 * Breaks as they are typed, between spaces, commas or semicolons. What is no time stands as it was typed: the floor's schema says so.
 */
export function readBreaks(typed: string): Breaks {
  return typed
    .split(/[\s,;]+/)
    .filter((one) => one !== '')
    .map((one) => {
      const [from = '', to = ''] = one.split(/[-–]/);
      return { from: readTimeOfDay(from) ?? from, to: readTimeOfDay(to) ?? to };
    });
}

/** Days as they are written: 'Mon Tue'. */
export const tellDays = (days: readonly number[]): string =>
  days.map((day) => WEEKDAYS[day - 1]?.slice(0, 3) ?? '').join(' ');

/** Days as they are typed, 'Mon Tue', 'Mon-Fri' or 'Sun-Thu', over the end of the week; null where one of them is none. */
export function readDays(typed: string): number[] | null {
  const dayOf = (word: string) =>
    word.length < 2 ? 0 : WEEKDAYS.findIndex((day) => day.toLowerCase().startsWith(word.slice(0, 3).toLowerCase())) + 1;
  const days = new Set<number>();
  for (const word of typed.split(/[\s,;]+/).filter((one) => one !== '')) {
    const [from = 0, to = from] = word.split(/[-–]/).map(dayOf);
    if (!from || !to) return null;
    for (let day = from; day !== to; day = (day % WEEKDAYS.length) + 1) days.add(day);
    days.add(to);
  }
  return days.size ? [...days].sort((a, b) => a - b) : null;
}
