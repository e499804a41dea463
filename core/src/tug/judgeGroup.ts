import { percentOf } from '../text';
import type { Practice } from '../practice';
import {
  andersonDarling,
  findOutlier,
  LEAST_FOR_NORMALITY,
  summarise,
  toleranceFactor,
  type Outlier,
  type Summary,
} from '../statistics';
import { showBeside, showNumber } from '../units';
import { reason, type Reason } from '../verdict';

export interface GroupVerdict {
  /** 'hold': no reading fails, but the bound that is asked for cannot be formed: one reading, or too few that are not normal. */
  readonly state: 'pass' | 'hold' | 'fail' | 'missing';
  readonly summary: Summary | null;
  /** (mean - limit) / (3 s); null below two readings or with no spread. */
  readonly cpl: number | null;
  /** Tolerance factor used; null below two readings and where the readings are not normal. */
  readonly k: number | null;
  /** The force, N, that `coverage` of pieces like these hold with `confidence`; null where nothing supports one. */
  readonly lowerBound: number | null;
  /** 'assumed' below eight readings, where no test can tell. */
  readonly shape: 'assumed' | 'normal' | 'not-normal' | null;
  /** p of the normality test; null where it was not made. */
  readonly p: number | null;
  /** The reading that stands apart from the others; it stays in. */
  readonly outlier: Outlier | null;
  readonly reasons: readonly Reason[];
}

/** Below this p the readings are not taken as normal. */
const LEAST_P = 0.05;
/** Of more readings than this, an even selection is tested for shape: more would call every process not normal. */
const MOST_TESTED = 500;

/**
 * Judges the valid readings of one group against their limit: minimum, mean, s, Cpl and a lower bound for `coverage` of
 * pieces like these. Its assumption is checked and said:
 *
 * - one reading has no spread: no bound, and nothing that asks for one passes;
 * - below 8 readings normality is assumed: the bound is mean - k s;
 * - from 8 on Anderson-Darling decides; while p is 0.05 or more the bound is mean - k s;
 * - not normal: with n readings one is 1 - coverage^n sure that `coverage` hold above the lowest one, whatever the shape;
 *   where that is sure enough the lowest is the bound, else a person decides.
 *
 * A reading that stands apart (Grubbs, 5 %) is told and stays in. Which of 'each reading' and 'group bound' decide is the
 * practice's choice.
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
      shape: null,
      p: null,
      outlier: null,
      reasons: [reason('no-readings', 'hold', `No valid reading yet; ${wanted} are due.`, { wanted })],
    };
  }
  const { n, min, mean, s } = summary;
  const test = n >= LEAST_FOR_NORMALITY ? andersonDarling(thin(forces)) : null;
  const shape = s === null || s === 0 ? null : !test ? 'assumed' : test.p >= LEAST_P ? 'normal' : 'not-normal';
  const sure = 1 - practice.coverage ** n;
  const isFree = shape === 'not-normal';
  const k = s === null || isFree ? null : toleranceFactor(n, practice.coverage, practice.confidence);
  const lowerBound = isFree
    ? sure >= practice.confidence
      ? min
      : null
    : s === null || k === null
      ? null
      : mean - k * s;
  const cpl = s ? (mean - limit) / (3 * s) : null;
  const outlier = n <= MOST_TESTED ? findOutlier(forces) : null;
  const judgesGroup = practice.acceptance !== 'minimum-only';

  let failed = false;
  let doubtful = false;
  if (practice.acceptance !== 'group-only' && min < limit) {
    failed = true;
    const shown = showBeside(min, limit, 1);
    reasons.push(
      reason('reading-below', 'bad', `The lowest reading, ${shown.value} N, is below the limit of ${shown.limit} N.`, {
        min,
        limit,
      }),
    );
  }
  if (n < wanted) {
    reasons.push(reason('too-few', 'hold', `${n} of ${wanted} valid readings are made.`, { n, wanted }));
  }
  const share = percentOf(practice.coverage);
  if (judgesGroup && isFree && lowerBound === null) {
    doubtful = true;
    const enough = Math.ceil(Math.log(1 - practice.confidence) / Math.log(practice.coverage));
    reasons.push(
      reason(
        'not-normal',
        'hold',
        `${n} like these, and not normal (${test && test.p >= 0.001 ? `p = ${test.p.toFixed(3)}` : 'p below 0.001'}): one is ${percentOf(sure, 2)} sure that ${share} hold above the lowest, ${showNumber(min, 1, limit)} N. Look for two kinds of joint among them; ${enough} readings would do without a shape.`,
        { n, p: test?.p ?? 0, sure, enough },
      ),
    );
  } else if (judgesGroup && lowerBound === null) {
    doubtful = true;
    reasons.push(
      reason(
        'no-bound',
        'hold',
        `One reading says nothing about others: the house rules judge by a bound for ${share} of pieces like these, and that takes two at the least. Pull another, or have the rules judge each reading alone.`,
        { n },
      ),
    );
  } else if (judgesGroup && lowerBound !== null) {
    const bound = showBeside(lowerBound, limit, 1);
    const how = isFree
      ? 'Not normal, so the lowest itself is the bound.'
      : shape === 'normal'
        ? `They look normal (p = ${(test?.p ?? 0).toFixed(2)}).`
        : 'Taken as normal.';
    const certain = isFree ? percentOf(sure, 2) : percentOf(practice.confidence);
    const text =
      lowerBound <= 0
        ? `${n} like these scatter too much to say that ${share} hold at all; limit ${bound.limit} N. ${how}`
        : `${n} like these: ${certain} sure that ${share} hold above ${bound.value} N; limit ${bound.limit} N. ${how}`;
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
  if (outlier) {
    reasons.push(
      reason(
        'stands-apart',
        'note',
        `${showNumber(outlier.value, 1)} N stands apart from the others: ${outlier.g.toFixed(2)} standard deviations off, where ${outlier.critical.toFixed(2)} is still chance. It stays in; find out why.`,
        { value: outlier.value, g: outlier.g, critical: outlier.critical, index: outlier.index },
      ),
    );
  }
  if (s === 0) {
    reasons.push(reason('no-spread', 'note', 'All readings are equal: is the gauge holding an old peak?', { n }));
  }
  const state = failed ? 'fail' : n < wanted ? 'missing' : doubtful ? 'hold' : 'pass';
  return { state, summary, cpl, k, lowerBound, shape, p: test?.p ?? null, outlier, reasons };
}

function thin(forces: ArrayLike<number>): number[] {
  const step = Math.max(1, Math.ceil(forces.length / MOST_TESTED));
  const kept: number[] = [];
  for (let i = 0; i < forces.length; i += step) kept.push(forces[i] as number);
  return kept;
}
