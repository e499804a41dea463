/**
 * Whether a kept number is the one that was typed. What is typed is rounded: the two may differ by half of its last digit,
 * and by what a conversion between units costs.
 *
 * @param read what the typed text says, in the unit the value is kept in; null when it cannot be read
 * @param typed the text, for its last digit
 * @example (118.4, 118.4, '118.4') true; (66.72, 150, '15 lbf') false
 */
export function agreesWithTyped(read: number | null, value: number, typed: string): boolean {
  if (read === null) return false;
  const [number = ''] = /\d+(?:[.,]\d+)*/.exec(typed) ?? [];
  const decimals = /[.,](\d+)$/.exec(number)?.[1]?.length ?? 0;
  const digits = Number(number.replace(/[.,]/g, '')) || 1;
  // Half of the last digit as a share of the number, so that it holds in whichever unit it was typed.
  const half = decimals ? 0.5 / digits : 0;
  return Math.abs(read - value) <= Math.abs(read) * (half + 1e-6) + 1e-9;
}
