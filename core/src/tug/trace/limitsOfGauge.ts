import type { CleanTrace } from './cleanTrace';

/** What the gauge could not show. */
export interface GaugeLimits {
  /** It showed its greatest value where the force went on. */
  readonly isSaturated: boolean;
  /** It kept the highest value and never went back. */
  readonly holdsPeak: boolean;
}

/** Samples at the top that look alike by no chance, and s. */
const ALIKE = 5;
const ALIKE_TIME = 0.03;
/** Times as long at the top as in the step before it. */
const LONGER = 6;

/**
 * A gauge at its end shows one value over and over, where it had shown grain before, and comes to it in mid climb: the step
 * before was passed quickly. One that holds its peak never goes down, not even by the grain of the quiet start.
 */
export function limitsOfGauge({ forces, rate, noise, step, high }: CleanTrace, begins: number): GaugeLimits {
  const n = forces.length;
  const least = high - 0.25 * step;
  let longest = 0;
  let first = n;
  for (let i = begins, last = -1, run = 0; i < n; i++) {
    if ((forces[i] as number) < least) continue;
    if (first === n) first = i;
    run = i === last + 1 ? run + 1 : 1;
    last = i;
    if (run > longest) longest = run;
  }
  let holdsPeak = true;
  let climbs = 0;
  for (let i = begins; i < n && holdsPeak; i++) {
    const change = (forces[i] as number) - (forces[i - 1] as number);
    if (change < -0.5 * step) holdsPeak = false;
    else if (change > 0.5 * step) climbs++;
  }
  const isLong = longest >= Math.max(ALIKE, ALIKE_TIME * rate);
  // The step before the top was passed quickly.
  const band = high - 1.25 * Math.max(step, 3 * noise);
  let before = 0;
  for (let i = first - 1; i >= begins && before < longest && (forces[i] as number) >= band; i--) before++;
  // Grain that is larger than the step comes to rest at no other place.
  const isStill = noise > 0.7 * step;
  return {
    holdsPeak: holdsPeak && climbs >= 5,
    isSaturated: isLong && (isStill || longest > LONGER * Math.max(1, before)),
  };
}
