import { reason, type Reason } from '../verdict';
import type { SlideOnPart } from './SlideOn';

/** What a tube has to do. Lengths and diameters mm. */
export interface TubeTask {
  /** Largest diameter it has to pass when it is moved over the joint. */
  readonly passes: number;
  /** Smallest diameter it has to grip after shrinking. */
  readonly grips: number;
  /** Length of the joint that has to be covered. */
  readonly covers: number;
  /** How far it reaches past the joint on each side. */
  readonly overlap: number;
}

export interface TubeCandidate {
  readonly tube: SlideOnPart;
  readonly fits: boolean;
  /** Length to cut, mm; for pieces of a fixed length, what is needed; null where the tube's own figures give none. */
  readonly cut: number | null;
  readonly reasons: readonly Reason[];
}

/** Bore that passes: 5 % more than what it has to pass. Bore that grips: 10 % less than what it has to grip. */
const PASSES = 1.05;
const GRIPS = 0.9;

/**
 * Every tube of the shop for one joint, those that do it first, the tightest of them first. It has to pass (supplied
 * bore at least 1.05 x the largest diameter) and to grip (recovered bore at most 0.9 x the smallest diameter); the
 * length to cut is (covered + overlap on both sides) / (1 - longitudinal shrink).
 *
 * @param wet where adhesive is needed to seal
 * @example passes 3.3, grips 2.2, covers 6, overlap 6, shrink 0.10: bore 3.47 or more, 1.98 or less, cut 20.0
 */
export function chooseShrinkTube(tubes: readonly SlideOnPart[], task: TubeTask, wet = false): TubeCandidate[] {
  const needs = PASSES * task.passes;
  const most = GRIPS * task.grips;
  return tubes
    .filter((tube) => tube.recoveredBore !== null)
    .map((tube): TubeCandidate => {
      const left = 1 - tube.longitudinalShrink;
      const cut = left > 0 ? (task.covers + 2 * task.overlap) / left : null;
      const recovered = tube.recoveredBore ?? Infinity;
      const passes = tube.suppliedBore >= needs - 1e-9;
      const grips = recovered <= most + 1e-9;
      const reasons = [
        reason(
          'tube-passes',
          passes ? 'good' : 'bad',
          `Bore ${tube.suppliedBore} mm as supplied ${passes ? 'passes' : 'does not pass'} ${task.passes.toFixed(2)} mm: ${needs.toFixed(2)} mm or more is needed.`,
          { bore: tube.suppliedBore, needs },
        ),
        reason(
          'tube-grips',
          grips ? 'good' : 'bad',
          `Recovered to ${recovered} mm it ${grips ? 'grips' : 'does not grip'} ${task.grips.toFixed(2)} mm: ${most.toFixed(2)} mm or less is needed.`,
          { bore: recovered, most },
        ),
        ...(cut === null
          ? [
              reason(
                'tube-shrinks-away',
                'bad',
                `By the cabinet it loses ${(tube.longitudinalShrink * 100).toFixed(0)} % of its length in the heat. No tube does: correct it there.`,
                { shrink: tube.longitudinalShrink },
              ),
            ]
          : []),
        ...(tube.length !== null && cut !== null && tube.length < cut - 1e-9
          ? [
              reason('tube-short', 'bad', `The piece is ${tube.length} mm long and ${cut.toFixed(1)} mm are needed.`, {
                length: tube.length,
                cut,
              }),
            ]
          : []),
        ...(wet && !tube.adhesive
          ? [reason('tube-no-adhesive', 'bad', 'The place is wet and this tube has no adhesive.')]
          : []),
      ];
      return { tube, fits: !reasons.some((r) => r.weight === 'bad'), cut, reasons };
    })
    .sort(
      (a, b) =>
        Number(b.fits) - Number(a.fits) ||
        a.tube.suppliedBore - b.tube.suppliedBore ||
        a.tube.part.localeCompare(b.tube.part),
    );
}
