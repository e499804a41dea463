import { BY_CHANCE, CAUSES, type Cause } from './causes';
import { FAULTS } from '../look';
import {
  AT,
  COURSE,
  EVIDENCE,
  evidenceTitle,
  readEvidence,
  eachOnce,
  type Evidence,
  type EvidenceKind,
} from './evidence';

/** A cause this shop has confirmed, with what was known then. */
export interface ConfirmedCase {
  readonly cause: string;
  readonly evidence: readonly string[];
}

export interface RankedCause {
  readonly cause: Cause;
  /** How likely it is against the others, 0 to 1. */
  readonly share: number;
  /** What speaks for it and against it, most telling first. */
  readonly speaksFor: readonly string[];
  readonly speaksAgainst: readonly string[];
  /** Confirmed cases of it in this shop. */
  readonly cases: number;
}

export interface Diagnosis {
  readonly ranked: readonly RankedCause[];
  /** What would best tell the first from the second; null when nothing that is not known yet would. */
  readonly next: {
    readonly evidence: EvidenceKind;
    /** Which of the two it speaks for when it shows. */
    readonly speaksFor: Cause;
    readonly between: readonly [Cause, Cause];
  } | null;
  /** Confirmed cases of this shop it rests on. */
  readonly cases: number;
  /** Whether the first is that much likelier than all others that it may be called the likeliest. */
  readonly isSure: boolean;
}

/** How many cases the built-in numbers weigh as much as. */
const WEIGHT = 8;
/** A sign that goes with a cause at least this often is one it is known by. */
const TELLING = 0.5;
/** Neither certain nor impossible: evidence is given by people. */
const LEAST = 0.01;
/** How often a sign is of something else than the cause: it shows as often then as over all causes. */
const OF_ANOTHER = 0.05;
/**
 * What a sign is worth of its full weight. Signs come together (low, slid out and full of voids is one thing told three
 * times), so that full weights would be too sure: chosen so that at most 3 in 100 are 'most likely' and wrong, on simulated
 * lots of which the most telling sign was taken away.
 */
const WORTH = 0.8;
/** From this share on the first is called the likeliest. */
const SURE = 0.8;

/**
 * Ranks the causes by what is known, each sign by itself (naive Bayes): a cause's weight is how often this shop had it,
 * times how likely each sign, and each sign looked for and not found, is with it.
 *
 * The built-in numbers count as {@link WEIGHT} cases of each cause; every confirmed case of the shop moves them:
 * p = (8 p0 + n with the sign) / (8 + n where the sign was looked for), prior = (1 + n of the cause) / (causes + n).
 * A sign speaks for the cause alone 19 times in 20 ({@link OF_ANOTHER}), and for less than it would were signs independent
 * ({@link WORTH}).
 *
 * @param impossible signs this combination cannot show: causes known by these alone are left out
 * @returns null while nothing bad is known
 */
export function diagnose(
  evidence: Evidence,
  confirmed: readonly ConfirmedCase[] = [],
  impossible: ReadonlySet<string> = new Set(),
): Diagnosis | null {
  if (![...evidence.values()].some(Boolean)) return null;
  const learnt = learn(confirmed);
  // A ring without an insulation grip is never bad because of it.
  const causes = CAUSES.filter(({ shows }) =>
    Object.entries(shows).some(([code, p]) => p >= TELLING && !COURSE.has(code) && !impossible.has(code)),
  );
  const known = eachOnce(evidence);
  const averages = new Map<string, number>();
  const weights = causes.map((cause) => {
    let log = Math.log((1 + learnt.cases(cause)) / (CAUSES.length + confirmed.length));
    for (const [code, found] of known) {
      const p = (1 - OF_ANOTHER) * learnt.chance(cause, code) + OF_ANOTHER * average(code);
      log += WORTH * Math.log(found ? p : 1 - p);
    }
    return log;
  });
  const most = Math.max(...weights);
  const shares = weights.map((w) => Math.exp(w - most));
  const sum = shares.reduce((total, s) => total + s, 0);
  const ranked = causes
    .map((cause, i) => ({
      cause,
      share: (shares[i] ?? 0) / sum,
      ...speaks(cause),
      cases: learnt.cases(cause),
    }))
    .sort((a, b) => b.share - a.share);
  const [first, second] = ranked;
  return {
    ranked,
    next: first && second ? tellApart(first.cause, second.cause) : null,
    cases: confirmed.length,
    isSure: (first?.share ?? 0) > SURE,
  };

  /** Signs whose chance with this cause differs most from chance alone. */
  function speaks(cause: Cause): { speaksFor: string[]; speaksAgainst: string[] } {
    const told = [...evidence].map(([code, found]) => {
      const p = learnt.chance(cause, code);
      const usual = average(code);
      return { code, found, weight: Math.log(found ? p / usual : (1 - p) / (1 - usual)) };
    });
    const say = ({ code, found }: { code: string; found: boolean }) => {
      const title = evidenceTitle(code);
      return found ? title : `not seen: ${title.toLowerCase()}`;
    };
    const sorted = told.sort((a, b) => b.weight - a.weight);
    return {
      speaksFor: sorted.filter((t) => t.weight > 0.4).map(say),
      speaksAgainst: sorted
        .filter((t) => t.weight < -0.4)
        .reverse()
        .map(say),
    };
  }

  function average(code: string): number {
    const known = averages.get(code);
    if (known !== undefined) return known;
    const own = causes.reduce((total, cause) => total + learnt.chance(cause, code), 0) / causes.length;
    averages.set(code, own);
    return own;
  }

  function tellApart(a: Cause, b: Cause): Diagnosis['next'] {
    const open = EVIDENCE.filter((e) => !evidence.has(e.code) && !impossible.has(e.code))
      .map((e) => ({ e, gain: learnt.chance(a, e.code) - learnt.chance(b, e.code) }))
      .sort((x, y) => Math.abs(y.gain) - Math.abs(x.gain));
    const [best] = open;
    if (!best || Math.abs(best.gain) < 0.15) return null;
    return { evidence: best.e, speaksFor: best.gain > 0 ? a : b, between: [a, b] };
  }
}

/** What the confirmed cases of a shop add to the built-in numbers. */
function learn(confirmed: readonly ConfirmedCase[]) {
  const seen = new Map<string, { cases: number; looked: Map<string, number>; found: Map<string, number> }>();
  for (const { cause, evidence } of confirmed) {
    const own = seen.get(cause) ?? { cases: 0, looked: new Map<string, number>(), found: new Map<string, number>() };
    own.cases++;
    for (const [code, found] of readEvidence(evidence)) {
      own.looked.set(code, (own.looked.get(code) ?? 0) + 1);
      if (found) own.found.set(code, (own.found.get(code) ?? 0) + 1);
    }
    seen.set(cause, own);
  }
  /** Something wrong at a point: any of its faults, each by itself. */
  const anyOf = (cause: Cause, point: string) =>
    1 - FAULTS.filter((f) => f.point === point).reduce((none, f) => none * (1 - chance(cause, f.code)), 1);
  return { cases: (cause: Cause) => seen.get(cause.code)?.cases ?? 0, chance };

  function chance(cause: Cause, code: string): number {
    if (code.startsWith(AT)) return anyOf(cause, code.slice(AT.length));
    const own = seen.get(cause.code);
    const usual = cause.shows[code] ?? BY_CHANCE;
    const p = (WEIGHT * usual + (own?.found.get(code) ?? 0)) / (WEIGHT + (own?.looked.get(code) ?? 0));
    return Math.min(1 - LEAST, Math.max(LEAST, p));
  }
}
