import type { Practice } from '../practice';

/**
 * Nicked and cut strands the practice allows for a conductor of `strands` strands: the row with the lowest
 * `strandsUpTo` that is not exceeded, in whatever order the rows stand; none at all beyond the table, and none where the
 * house rules take no hurt strand.
 */
export function strandDamage(strands: number, practice: Practice): { nicked: number; cut: number } {
  if (practice.strandsHurt === 'none') return { nicked: 0, cut: 0 };
  const row = [...practice.strandDamage]
    .sort((a, b) => a.strandsUpTo - b.strandsUpTo)
    .find((r) => strands <= r.strandsUpTo);
  return row ? { nicked: row.nicked, cut: row.cut } : { nicked: 0, cut: 0 };
}

/** What may be hurt, in words; '' where nothing may. @example '3 nicked and 1 cut' */
export function strandDamageSaid({ nicked, cut }: ReturnType<typeof strandDamage>): string {
  return [...(nicked ? [`${nicked} nicked`] : []), ...(cut ? [`${cut} cut`] : [])].join(' and ');
}
