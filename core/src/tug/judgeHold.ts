import { reason, type Reason } from '../verdict';

/** Movement that is not seen by eye and caliper, mm. */
const STILL = 0.1;

/**
 * A hold test: reach the force, hold it for the time, without the wire moving in the barrel.
 * @param held force kept throughout (N), time (s), movement (mm)
 * @param wanted what the limit table asks; null where it asks for none
 */
export function judgeHold(
  held: { readonly force: number; readonly seconds: number; readonly moved: number },
  wanted: { readonly force: number; readonly seconds: number } | null,
): { readonly verdict: 'holds' | 'below' | 'no-limit'; readonly reason: Reason } {
  if (!wanted) {
    return {
      verdict: 'no-limit',
      reason: reason('hold-no-limit', 'hold', 'The limit table names no force and time to hold.'),
    };
  }
  const numbers = { force: held.force, seconds: held.seconds, moved: held.moved };
  const short = [
    ...(held.force < wanted.force ? [`${held.force} N is below the ${wanted.force} N to hold`] : []),
    ...(held.seconds < wanted.seconds ? [`${held.seconds} s is less than ${wanted.seconds} s`] : []),
    ...(held.moved > STILL ? [`the wire moved ${held.moved} mm`] : []),
  ];
  return short.length
    ? { verdict: 'below', reason: reason('hold-failed', 'bad', `Does not hold: ${short.join(', ')}.`, numbers) }
    : {
        verdict: 'holds',
        reason: reason('held', 'good', `Held ${held.force} N for ${held.seconds} s without moving.`, numbers),
      };
}
