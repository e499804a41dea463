import { reason, type Reason } from '../verdict';
import { describeMargin } from './describeMargin';
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
 * @param mode how it failed; null while that is still to be said (the force alone is judged then)
 */
export function judgeReading(force: number, limit: number | null, mode: FailureMode | null): ReadingVerdict {
  if (!Number.isFinite(force)) {
    // NaN is neither below nor above any limit: it must never pass as the one that is not below.
    const text = 'No force was read: pull a replacement piece.';
    return { verdict: 'invalid', margin: null, reason: reason('no-force', 'hold', text) };
  }
  if (limit === null || !Number.isFinite(limit)) {
    const text = 'Kept, but no limit applies: it can be judged once quality releases one.';
    return { verdict: 'no-limit', margin: null, reason: reason('no-limit', 'hold', text, { force }) };
  }
  const margin = force - limit;
  const numbers = { force, limit, margin };
  const text = describeMargin(force, limit, mode, 'N');
  if (mode !== null && !isValidMode(mode)) {
    return margin < 0
      ? { verdict: 'quality', margin, reason: reason('low-and-invalid', 'hold', text, numbers) }
      : { verdict: 'invalid', margin, reason: reason('not-a-test', 'hold', text, numbers) };
  }
  return margin < 0
    ? { verdict: 'below', margin, reason: reason('below-limit', 'bad', text, numbers) }
    : { verdict: 'holds', margin, reason: reason('holds', 'good', text, numbers) };
}
