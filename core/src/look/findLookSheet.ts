import { inEffect, type DocumentKey } from '../document';
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
  pinned: DocumentKey | 'plain' | null = null,
): LookSheet {
  if (pinned === 'plain') return PLAIN_SHEET;
  const found = inEffect(sheets, className, day, pinned);
  return found.sort((a, b) => a.effectiveFrom.localeCompare(b.effectiveFrom)).at(-1) ?? PLAIN_SHEET;
}
