import type { LimitKey } from '../tug';
import { PLAIN_SHEET, type LookSheet } from './LookSheet';

/**
 * The sheet pieces of a class are looked at by on `day`: the one in effect, else {@link PLAIN_SHEET}. The server lets no
 * two be in effect for the same days; should two be there all the same, the one that took effect last.
 *
 * @param day ISO date
 * @param pinned a sheet findings were judged by already: it alone is used then. 'plain' where they were judged by none
 */
export function findLookSheet(
  sheets: readonly LookSheet[],
  className: string,
  day: string,
  pinned: LimitKey | 'plain' | null = null,
): LookSheet {
  if (pinned === 'plain') return PLAIN_SHEET;
  const found = sheets.filter(
    pinned
      ? (s) => s.document === pinned.document && s.revision === pinned.revision && s.class === pinned.class
      : (s) =>
          s.status === 'released' &&
          s.class === className &&
          s.effectiveFrom <= day &&
          (s.effectiveUntil === null || day <= s.effectiveUntil),
  );
  return [...found].sort((a, b) => a.effectiveFrom.localeCompare(b.effectiveFrom)).at(-1) ?? PLAIN_SHEET;
}
