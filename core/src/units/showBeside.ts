import { showNumber } from './showNumber';

/**
 * A value beside the limit it is judged by, both with the same places: `decimals`, or as many more as it takes so that they
 * stand to each other as shown the way they do unrounded. 89.96 against 90 is '89.96' and '90.00', 84.93 against 84.94 is
 * not twice '84.9'.
 *
 * @param value, limit finite, in the unit that is shown
 * @param decimals places normally shown, 0 to 6
 */
export function showBeside(
  value: number,
  limit: number,
  decimals: number,
): { readonly value: string; readonly limit: string } {
  const order = Math.sign(value - limit);
  for (let places = decimals; places <= 12; places++) {
    const shown = { value: value.toFixed(places), limit: limit.toFixed(places) };
    if (Math.sign(Number(shown.value) - Number(shown.limit)) === order) return shown;
  }
  return { value: showNumber(value, decimals, limit), limit: String(limit) };
}

/**
 * A limit that many values stand beside: `decimals` places where that is all of it, else two more, so that nothing that is shown by
 * {@link showNumber} against it reads like the other verdict.
 * @example showLimit(85, 1) // '85.0'; showLimit(84.94, 1) // '84.94'
 */
export function showLimit(limit: number, decimals: number): string {
  for (let places = decimals; places < decimals + 2; places++) {
    const text = limit.toFixed(places);
    if (Math.abs(Number(text) - limit) < 1e-9) return text;
  }
  return limit.toFixed(decimals + 2);
}
