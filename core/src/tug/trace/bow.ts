import type { CleanTrace } from './cleanTrace';
import { leastSquares, type Fit } from '../../statistics';

/** Longest and shortest piece of the curve a peak is taken from: s, samples. */
const LONGEST = 0.25;
const MOST = 300;
const FEWEST = 5;
/** Swings of the mains that are needed to take them out. */
const SWINGS = 1.2;
/** What is left may be so many times the noise until a piece is too long for one bow. */
const BOWED = 1.25;

/** A bow through a piece of the curve. */
export interface Bow {
  readonly fit: Fit;
  readonly from: number;
  readonly to: number;
  /** Terms of the force, and of its slope in N/s, at a place; the mains are not in it. */
  readonly plain: (i: number) => readonly number[];
  readonly slope: (i: number) => readonly number[];
  /** How much the next shorter piece differs at its end, N. */
  readonly apart: number;
}

/** The longest bow that ends at a place, or goes over it on both sides. */
export function bowBefore(
  { forces, rate }: CleanTrace,
  end: number,
  own: number,
  hum: number | null,
  isTop: boolean,
): Bow | null {
  const n = forces.length;
  let best = null as Bow | null;
  const most = Math.max(FEWEST, Math.min(2 * MOST * Math.max(1, rate / 4000), LONGEST * rate));
  // A piece that spans less than a swing cannot be told from it.
  const shortest = hum === null ? FEWEST : Math.max(FEWEST, Math.ceil((SWINGS * rate) / hum / (isTop ? 2 : 1)));
  for (let length = shortest; length <= most; length = Math.ceil(1.5 * length)) {
    const from = end - length + 1;
    const to = isTop ? Math.min(n - 1, end + length - 1) : end;
    if (from < 0) break;
    const count = to - from + 1;
    const every = Math.max(1, Math.ceil(count / MOST));
    const swings = count >= 10 ? hum : null;
    const isBent = count >= 8;
    const bent = isBent ? 3 : 2;
    const plain = (i: number) => {
      const x = (i - end) / length;
      return [1, x, ...(isBent ? [x * x] : []), 0, 0];
    };
    const turn = swings ? (2 * Math.PI * swings) / rate : 0;
    const fit = leastSquares({
      count: Math.ceil(count / every),
      size: bent + (swings ? 2 : 0),
      terms(k, rows, at) {
        const i = from + k * every;
        const x = (i - end) / length;
        rows[at] = 1;
        rows[at + 1] = x;
        if (isBent) rows[at + 2] = x * x;
        if (!swings) return;
        rows[at + bent] = Math.cos(turn * i);
        rows[at + bent + 1] = Math.sin(turn * i);
      },
      value: (k) => forces[from + k * every] as number,
    });
    if (!fit) continue;
    const allowed = BOWED * own * (hum !== null && swings === null ? 3 : 1);
    if (best && fit.rest > Math.max(allowed, 1.1 * best.fit.rest)) break;
    const slope = (i: number) => {
      const x = (i - end) / length;
      return [0, rate / length, ...(isBent ? [(2 * x * rate) / length] : []), 0, 0];
    };
    const bow = { fit, from, to, plain, slope };
    // What the next shorter piece says differently is not known.
    const before: number | undefined = best?.fit.at(best.plain(end)).value;
    best = { ...bow, apart: before === undefined ? fit.rest : Math.abs(before - fit.at(plain(end)).value) };
  }
  return best;
}
