/**
 * A number for the reader: `decimals` places, more only where rounding would move the value across
 * `boundary` (then the shown value would contradict its verdict: 89.96 against 90 shows 89.96, not 90.0).
 *
 * @param value finite number in whatever unit is shown
 * @param decimals places normally shown, 0 to 6
 * @param boundary the limit the value is judged against, in the same unit
 * @returns text with a decimal point and no grouping
 * @example showNumber(89.96, 1, 90) // '89.96'
 */
export function showNumber(value: number, decimals: number, boundary?: number): string {
  if (boundary === undefined || value === boundary) return value.toFixed(decimals);
  for (let places = decimals; places <= 12; places++) {
    const text = value.toFixed(places);
    const shown = Number(text);
    if (shown !== boundary && shown < boundary === value < boundary) return text;
  }
  return String(value);
}
