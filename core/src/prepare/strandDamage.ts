import type { Practice } from '../practice';

/**
 * Nicked and cut strands the practice allows for a conductor of `strands` strands: the first row whose
 * `strandsUpTo` is not exceeded; none at all beyond the table.
 */
export function strandDamage(strands: number, practice: Practice): { nicked: number; cut: number } {
  const row = practice.strandDamage.find((r) => strands <= r.strandsUpTo);
  return row ? { nicked: row.nicked, cut: row.cut } : { nicked: 0, cut: 0 };
}
