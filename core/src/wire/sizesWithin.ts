import { awgArea } from './awgArea';
import { AWG_SIZES, METRIC_SIZES } from './sizes';
import type { ConductorSize } from './Wire';

/** A size the metal may be. */
export interface SizeGuess {
  readonly size: ConductorSize;
  /** How far the metal is off the size's own, in percent of that. */
  readonly offPercent: number;
}

/** Constructions of one size differ by as much in their metal, of its nominal: the label is rounded. */
export const MADE_WITHIN = 0.12;

/**
 * Sizes whose nominal metal lies between two areas, widened by the 12 % constructions of one size differ by; metric ones first, the
 * nearest first on each scale.
 * @param area the likeliest, mm2
 */
export function sizesWithin(area: number, least: number, most: number): SizeGuess[] {
  const isNear = (nominal: number) => nominal * (1 + MADE_WITHIN) >= least && nominal * (1 - MADE_WITHIN) <= most;
  const onScale = (scale: ConductorSize['scale'], values: readonly number[], areaOf: (value: number) => number) =>
    values
      .filter((value) => isNear(areaOf(value)))
      .map((value): SizeGuess => ({ size: { scale, value }, offPercent: (area / areaOf(value) - 1) * 100 }))
      .sort((a, b) => Math.abs(a.offPercent) - Math.abs(b.offPercent));
  return [...onScale('mm2', METRIC_SIZES, (value) => value), ...onScale('awg', AWG_SIZES, awgArea)];
}
