import { showNumber } from '../units';
import { reason, type Reason } from '../verdict';
import { isValidMode, type FailureMode } from './failureModes';

export interface ReadingVerdict {
  /**
   * 'holds' / 'below' the limit; 'invalid': no test of the crimp, a replacement is due; 'quality': low and called
   * invalid, so quality rules; 'no-limit': kept, but nothing to judge it by.
   */
  readonly verdict: 'holds' | 'below' | 'invalid' | 'quality' | 'no-limit';
  /** Force above the limit, N; negative below; null without a limit. */
  readonly margin: number | null;
  readonly reason: Reason;
}

/**
 * Judges one pull against its limit. The value is never rounded: 89.96 N against 90 N is below.
 *
 * @param force peak force, N
 * @param limit least force, N, or null when no limit applies
 * @param mode how it let go; null while that is still to be said (the force alone is judged then)
 */
export function judgeReading(force: number, limit: number | null, mode: FailureMode | null): ReadingVerdict {
  if (limit === null) {
    return {
      verdict: 'no-limit',
      margin: null,
      reason: reason('no-limit', 'hold', 'Kept, but no limit applies: it can be judged once quality releases one.', {
        force,
      }),
    };
  }
  const margin = force - limit;
  const percent = Math.abs((margin / limit) * 100).toFixed(0);
  const numbers = { force, limit, margin };
  if (mode !== null && !isValidMode(mode)) {
    if (margin < 0) {
      return {
        verdict: 'quality',
        margin,
        reason: reason(
          'low-and-invalid',
          'hold',
          `${showNumber(-margin, 1, 0)} N below the limit and called not valid: quality decides whether it counts.`,
          numbers,
        ),
      };
    }
    return {
      verdict: 'invalid',
      margin,
      reason: reason('not-a-test', 'hold', 'Not a test of the crimp: pull a replacement piece.', numbers),
    };
  }
  if (margin < 0) {
    return {
      verdict: 'below',
      margin,
      reason: reason(
        'below-limit',
        'bad',
        `Does not hold: ${showNumber(-margin, 1, 0)} N below the limit (${percent} %).`,
        numbers,
      ),
    };
  }
  return {
    verdict: 'holds',
    margin,
    reason: reason(
      'holds',
      'good',
      margin === 0
        ? 'Holds: exactly at the limit.'
        : `Holds: ${showNumber(margin, 1, 0)} N above the limit (${percent} %).`,
      numbers,
    ),
  };
}
