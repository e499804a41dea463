import type { Family } from '../../terminal';
import type { Means } from '../floor';

/* What pieces and set-ups took, from what was put on record while they were made: nobody stops a watch for it. */

/** A moment of a lot at which it was known how many pieces were made. */
export interface MadeAt {
  /** ISO instant. */
  readonly at: string;
  readonly made: number;
  /** It is the pull of a checked piece, made before; else the count was said by itself. */
  readonly isCheck: boolean;
}

export interface LotTimes {
  readonly family: Family;
  readonly means: Means;
  /** Minutes of work between two instants: hours of whoever made it, without pauses. */
  readonly worked: (from: string, to: string) => number;
  readonly marks: readonly MadeAt[];
}

/**
 * What is learned beside pieces: a set-up from its tool taken to its last sample; a check from the first thing noted of a piece of a
 * lot to its pull; a release from the last sample to the release, with however long it waited for quality.
 */
export const LEARNED_STEPS = ['set-up', 'check', 'release'] as const;
export type LearnedStepKind = (typeof LEARNED_STEPS)[number];

/** One step as it went, in minutes of work. */
export interface StepTaken {
  readonly family: Family;
  readonly means: Means;
  readonly step: LearnedStepKind;
  readonly minutes: number;
}

/** What was learned of one family and means. */
export interface LearnedTime {
  readonly family: Family;
  readonly means: Means;
  /** Median, by pieces. */
  readonly seconds: number;
  /** Half the way from the quarter to the three-quarter mark: what is usual lies about this far from the median. */
  readonly spread: number;
  /** Pieces it rests on. */
  readonly pieces: number;
  readonly stretches: number;
  /** Enough of them to plan by. */
  readonly isEnough: boolean;
}

/** The newest pieces that count, and the least to plan by. */
const NEWEST = 2000;
const LEAST_PIECES = 30;
const LEAST_STRETCHES = 3;

/** The value at a share of the weights. */
function quantile(all: readonly { readonly value: number; readonly weight: number }[], share: number): number {
  const sorted = all.toSorted((a, b) => a.value - b.value);
  const half = sorted.reduce((sum, { weight }) => sum + weight, 0) * share;
  let sum = 0;
  for (const { value, weight } of sorted) {
    sum += weight;
    if (sum >= half - 1e-9) return value;
  }
  return sorted.at(-1)?.value ?? NaN;
}

/**
 * Seconds a piece by family and means: stretches between two moments at which the number of pieces was known, each by its minutes of
 * work less those of the checks in it, weighed by its pieces; of the newest pieces the median and the half interquartile range. A
 * stretch of no minutes, or of none that were worked, says nothing: somebody wrote down afterwards what was made before.
 *
 * @param checkMinutes what a check takes; where that is too little, the rest of it is in the seconds of the pieces, and a lot that is
 *   planned by both takes as long as it did
 */
export function learnTimes(
  lots: readonly LotTimes[],
  checkMinutes: (family: Family, means: Means) => number,
): LearnedTime[] {
  const groups = new Map<string, { of: LotTimes; all: { at: string; value: number; weight: number }[] }>();
  for (const lot of lots) {
    const key = `${lot.family}/${lot.means}`;
    const group = groups.get(key) ?? { of: lot, all: [] };
    groups.set(key, group);
    const check = checkMinutes(lot.family, lot.means);
    const marks = lot.marks.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.made - b.made));
    let last = marks[0];
    let checks = 0;
    for (const mark of marks.slice(1)) {
      if (!last) break;
      const pieces = mark.made - last.made;
      if (mark.isCheck) checks++;
      // Pieces are counted at once and looked at a moment later: only where more were made a stretch has ended.
      if (pieces <= 0) {
        if (mark.isCheck) last = { ...last, at: mark.at };
        checks = 0;
        continue;
      }
      const minutes = lot.worked(last.at, mark.at) - checks * check;
      if (minutes > 0) group.all.push({ at: mark.at, value: (minutes * 60) / pieces, weight: pieces });
      last = mark;
      checks = 0;
    }
  }
  return [...groups.values()].flatMap(({ of, all }) => {
    const newest: typeof all = [];
    let pieces = 0;
    for (const one of all.toSorted((a, b) => (a.at < b.at ? 1 : -1))) {
      if (pieces >= NEWEST) break;
      newest.push(one);
      pieces += one.weight;
    }
    if (!newest.length) return [];
    const [low, seconds, high] = [0.25, 0.5, 0.75].map((share) => quantile(newest, share)) as [number, number, number];
    return [
      {
        ...{ family: of.family, means: of.means, seconds, spread: (high - low) / 2, pieces, stretches: newest.length },
        isEnough: pieces >= LEAST_PIECES && newest.length >= LEAST_STRETCHES,
      },
    ];
  });
}

/** What was learned of one step by family and means, in minutes. */
export interface LearnedStep {
  readonly family: Family;
  readonly means: Means;
  readonly step: LearnedStepKind;
  readonly minutes: number;
  /** Half the way from the quarter to the three-quarter mark. */
  readonly spread: number;
  /** How often it was done. */
  readonly times: number;
  /** Enough to plan by. Of a release it is never: a plan reckons how long it waits by the hours of quality. */
  readonly isEnough: boolean;
}

/** The newest of each step that count. */
const NEWEST_STEPS = 30;

/**
 * Minutes of each step by family and means: the median of the newest.
 * @param taken in the order of time; what took no minutes was written down afterwards and says nothing
 */
export function learnSteps(taken: readonly StepTaken[]): LearnedStep[] {
  const groups = new Map<string, { of: StepTaken; minutes: number[] }>();
  for (const of of taken) {
    if (!(of.minutes > 0)) continue;
    const key = `${of.step}/${of.family}/${of.means}`;
    const group = groups.get(key) ?? { of, minutes: [] };
    groups.set(key, group);
    group.minutes.push(of.minutes);
  }
  return [...groups.values()].map(({ of: { family, means, step }, minutes }) => {
    const all = minutes.slice(-NEWEST_STEPS).map((value) => ({ value, weight: 1 }));
    const [low, middle, high] = [0.25, 0.5, 0.75].map((share) => quantile(all, share)) as [number, number, number];
    return {
      ...{ family, means, step, minutes: middle, spread: (high - low) / 2, times: all.length },
      isEnough: step !== 'release' && all.length >= LEAST_STRETCHES,
    };
  });
}
