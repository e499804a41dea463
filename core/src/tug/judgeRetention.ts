import { reason, type Reason } from '../verdict';

export interface Retention {
  readonly clicked: boolean;
  readonly locked: boolean | null;
  /** Push it withstood, N; null when it was not pushed. */
  readonly force: number | null;
  readonly stayed: boolean;
}

/**
 * Whether a seated contact stays in its cavity: it clicked, the secondary lock went home, it was pushed with the force
 * the limit table asks and stayed.
 * @param least push to withstand, N; null where the table names none
 */
export function judgeRetention(
  seen: Retention,
  least: number | null,
): { readonly verdict: 'stays' | 'loose' | 'open'; readonly reason: Reason } {
  const loose = (code: string, text: string) => ({ verdict: 'loose' as const, reason: reason(code, 'bad', text) });
  if (!seen.clicked)
    return loose('not-clicked', 'It did not click home. Take it out, look at its lance, seat it again.');
  if (seen.locked === false) return loose('not-locked', 'The secondary lock does not go home: a contact stands proud.');
  if (!seen.stayed) return loose('pushed-out', `It came out${seen.force === null ? '' : ` at ${seen.force} N`}.`);
  if (least === null) {
    return {
      verdict: 'open',
      reason: reason('retention-no-limit', 'hold', 'Seated; the limit table names no push to withstand.'),
    };
  }
  if (seen.force === null) {
    return { verdict: 'open', reason: reason('not-pushed', 'hold', `Seated, not pushed yet: ${least} N.`) };
  }
  return seen.force < least
    ? {
        verdict: 'open',
        reason: reason('pushed-less', 'hold', `Pushed with ${seen.force} N only; ${least} N is asked.`, {
          force: seen.force,
        }),
      }
    : {
        verdict: 'stays',
        reason: reason('stays', 'good', `Clicked, and stays at ${seen.force} N.`, { force: seen.force, least }),
      };
}
