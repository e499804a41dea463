import { showNumber } from './showNumber';

/** The step above a whole number of places that is binary rounding and no length. */
const NOISE = 1e-6;

/**
 * A range as it is shown and measured against: its ends rounded inwards, so that whatever reads as inside is inside. A
 * window from 5.56 to 6.36 is '5.6–6.3': 6.4 would read as good and is judged as too long. A range too narrow for its
 * places gets as many more as it takes.
 *
 * @param decimals places normally shown, 0 to 6
 * @param joint between the two ends
 */
export function showRange(
  { min, max }: { readonly min: number; readonly max: number },
  decimals: number,
  joint = '–',
): string {
  const { low, high, places } = roundInward({ min, max }, decimals);
  if (places !== null) return [low, high].map((end) => (end + 0).toFixed(places)).join(joint);
  return [min, max].map((end) => showNumber(end, decimals)).join(joint);
}

/**
 * The ends of a range as they are shown: rounded inwards, with as many places as leave something between them.
 *
 * @param decimals places normally shown, 0 to 6
 * @returns the ends and their places; the range as it is, and no places, where none leaves anything
 */
export function roundInward(
  { min, max }: { readonly min: number; readonly max: number },
  decimals: number,
): { readonly low: number; readonly high: number; readonly places: number | null } {
  for (let places = decimals; min <= max && places <= 6; places++) {
    const scale = 10 ** places;
    const low = Math.ceil(min * scale - NOISE) / scale;
    const high = Math.floor(max * scale + NOISE) / scale;
    if (low <= high) return { low, high, places };
  }
  return { low: min, high: max, places: null };
}
