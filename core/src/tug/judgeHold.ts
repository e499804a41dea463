import { showBeside } from '../units';
import { reason, type Reason } from '../verdict';

/** Movement that is not seen by eye and caliper, mm. */
const STILL = 0.1;

/**
 * A hold test: reach the force, hold it for the time, without the wire moving in the barrel. A wire that moved failed, whatever
 * was asked.
 * @param held force kept throughout (N), time (s), movement (mm)
 * @param wanted what the limit table asks of this wire; null where it asks for none
 */
export function judgeHold(
  held: { readonly force: number; readonly seconds: number; readonly moved: number },
  wanted: { readonly force: number; readonly seconds: number } | null,
): { readonly verdict: 'holds' | 'below' | 'no-limit'; readonly reason: Reason } {
  if (!wanted && held.moved <= STILL) {
    return {
      verdict: 'no-limit',
      reason: reason('hold-no-limit', 'hold', 'The limit table names no force to hold for this size.'),
    };
  }
  const numbers = { force: held.force, seconds: held.seconds, moved: held.moved };
  const short = [
    ...(wanted && held.force < wanted.force ? [below(held.force, wanted.force)] : []),
    ...(wanted && held.seconds < wanted.seconds ? [`${held.seconds} s is less than ${wanted.seconds} s`] : []),
    ...(held.moved > STILL ? [`the wire moved ${held.moved} mm`] : []),
  ];
  return short.length
    ? { verdict: 'below', reason: reason('hold-failed', 'bad', `Does not hold: ${short.join(', ')}.`, numbers) }
    : {
        verdict: 'holds',
        reason: reason('held', 'good', `Held ${held.force} N for ${held.seconds} s without moving.`, numbers),
      };
}

function below(held: number, wanted: number): string {
  const shown = showBeside(held, wanted, 1);
  return `${shown.value} N is below the ${shown.limit} N to hold`;
}
