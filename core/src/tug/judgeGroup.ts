import type { Practice } from '../practice';
import { summarise, toleranceFactor, type Summary } from '../statistics';
import { showNumber } from '../units';
import { reason, type Reason } from '../verdict';

export interface GroupVerdict {
  readonly state: 'pass' | 'fail' | 'missing';
  readonly summary: Summary | null;
  /** (mean - limit) / (3 s); null below two readings or with no spread. */
  readonly cpl: number | null;
  /** Tolerance factor used; null below two readings. */
  readonly k: number | null;
  /** mean - k s, N: the force that `coverage` of pieces like these hold with `confidence`; null below two readings. */
  readonly lowerBound: number | null;
  readonly reasons: readonly Reason[];
}

/**
 * Judges the valid readings of one group against their limit: minimum, mean, s, Cpl and the lower tolerance bound
 * mean - k s. Normality is assumed and said; with so few readings no test could show otherwise.
 *
 * Which of 'each reading' and 'group bound' decide is the practice's choice.
 *
 * @param forces valid readings in force, N
 * @param limit least force, N
 * @param wanted number of valid readings the practice asks for
 */
export function judgeGroup(forces: ArrayLike<number>, limit: number, practice: Practice, wanted: number): GroupVerdict {
  const summary = summarise(forces);
  const reasons: Reason[] = [];
  if (!summary) {
    return {
      state: 'missing',
      summary: null,
      cpl: null,
      k: null,
      lowerBound: null,
      reasons: [reason('no-readings', 'hold', `No valid reading yet; ${wanted} are due.`, { wanted })],
    };
  }
  const { n, min, mean, s } = summary;
  const k = s === null ? null : toleranceFactor(n, practice.coverage, practice.confidence);
  const lowerBound = s === null || k === null ? null : mean - k * s;
  const cpl = s ? (mean - limit) / (3 * s) : null;

  let failed = false;
  if (practice.acceptance !== 'group-only' && min < limit) {
    failed = true;
    reasons.push(
      reason(
        'reading-below',
        'bad',
        `The lowest reading, ${showNumber(min, 1, limit)} N, is below the limit of ${showNumber(limit, 1)} N.`,
        { min, limit },
      ),
    );
  }
  if (n < wanted) {
    reasons.push(reason('too-few', 'hold', `${n} of ${wanted} valid readings are made.`, { n, wanted }));
  }
  if (lowerBound !== null && practice.acceptance !== 'minimum-only') {
    const bound = showNumber(lowerBound, 1, limit);
    const text = `${n} like these: ${practice.confidence * 100} % sure that ${practice.coverage * 100} % hold above ${bound} N; limit ${showNumber(limit, 1)} N. Taken as normal.`;
    const enough = lowerBound >= limit;
    reasons.push(
      reason(enough ? 'bound-holds' : 'bound-below', enough ? 'good' : n < wanted ? 'hold' : 'bad', text, {
        lowerBound,
        limit,
        n,
      }),
    );
    if (!enough && n >= wanted) failed = true;
  }
  if (s === 0) {
    reasons.push(reason('no-spread', 'note', 'All readings are equal: is the gauge holding an old peak?', { n }));
  }
  return { state: failed ? 'fail' : n < wanted ? 'missing' : 'pass', summary, cpl, k, lowerBound, reasons };
}
