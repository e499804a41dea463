import { fromNewtons, showNumber, type ForceUnit } from '../units';
import { isValidMode, type FailureMode } from './failureModes';

/**
 * What a pull says about its limit, in one sentence and in the reader's unit. The verdict itself does not depend on the
 * unit; the shown margin never rounds to nothing.
 *
 * @param force peak force, N
 * @param limit least force, N
 * @param mode how it failed; null while that is still to be said
 * @example describeMargin(118.4, 85, null, 'N') // 'Holds: 33.4 N above the limit (39 %).'
 */
export function describeMargin(force: number, limit: number, mode: FailureMode | null, unit: ForceUnit): string {
  const by = `${showNumber(fromNewtons(Math.abs(force - limit), unit), 1, 0)} ${unit}`;
  if (mode !== null && !isValidMode(mode)) {
    return force < limit
      ? `Low and called not valid, ${by} below the limit: quality decides whether it counts.`
      : 'Not a test of the crimp: pull a replacement piece.';
  }
  if (force === limit) return 'Holds: exactly at the limit.';
  const percent = Math.abs((force / limit - 1) * 100).toFixed(0);
  return force > limit
    ? `Holds: ${by} above the limit (${percent} %).`
    : `Does not hold: ${by} below the limit (${percent} %).`;
}
