import { FAULTS, type PointCode } from '../look';
import { isValidMode, type FailureMode } from '../tug';
import { theilSen } from '../statistics';
import type { Range } from '../terminal';
import type { LotChange } from '../entry';
import { AT, type Evidence } from './evidence';

/** What was found on pieces, as far as a diagnosis asks. */
export interface Findings {
  /** Points of pieces that were looked at: with the fault named, without a name, or good. */
  readonly looked: readonly {
    readonly piece: number;
    readonly point: PointCode;
    readonly bad: boolean;
    readonly fault: string | null;
  }[];
  /** Numbers measured at points, mm or the point's unit, with the range they belong in. */
  readonly numbers: readonly { readonly point: PointCode | 'strip'; readonly value: number; readonly range: Range }[];
  /** In the order of the pieces. */
  readonly pulls: readonly { readonly piece: number; readonly force: number; readonly mode: FailureMode }[];
  /** Least force, N; null without a limit. */
  readonly limit: number | null;
  /** Result of the tool's latest check; null when it was not checked since. */
  readonly toolFailed: boolean | null;
  /** Pieces of which something is known, in their order, and what was changed between them; empty outside a lot. */
  readonly course: readonly CourseStep[];
}

/** A piece that was good or bad, or a change after the pieces before it. */
export type CourseStep = { readonly piece: number; readonly bad: boolean } | { readonly changed: LotChange };

/** Which change begins what; what was put right does not begin anything bad. */
const BEGAN_WITH: Readonly<Record<string, readonly LotChange[]>> = {
  'since-wire': ['wire-reel'],
  'since-terminals': ['terminal-reel'],
  'since-tool': ['tool', 'die', 'setting'],
  'since-person': ['person'],
};

/** Which fault a number outside its range stands for, below and above. */
const BY_NUMBER: Readonly<Partial<Record<PointCode | 'strip', readonly [below: string | null, above: string | null]>>> =
  {
    strip: ['strip-too-short', 'strip-too-long'],
    height: ['height-under', 'height-over'],
    width: [null, 'width-over'],
    brush: ['brush-short', 'brush-long'],
    gap: ['insulation-inside', 'gap-long'],
    bellmouth: ['bellmouth-none', 'bellmouth-large'],
    tongue: [null, 'tongue-bent'],
    twist: [null, 'twisted'],
    window: ['window-empty', null],
    strands: [null, 'cut-strands'],
    'wire-seal': [null, 'seal-forward'],
    cover: [null, 'cover-short'],
    seal: [null, 'sleeve-off-centre'],
    voids: [null, 'voids-many'],
    compression: ['pressed-much', null],
  };

/** Pieces a fault has to be seen on, as a share of those looked at since it began: fewer is a mistake of the eye, or chance. */
const SEEN_ON = 0.15;

/**
 * What findings, numbers and forces say, sign by sign. A point looked at and good on every piece says of each of its faults
 * that it is not there; a bad point without a named fault says that something is wrong there, or where the point has one
 * fault, that one. Where one fault is named at a point, nobody looked for the others of that point. A fault seen on fewer
 * pieces than {@link SEEN_ON} says nothing, while another sign is seen on more.
 */
export function evidenceFrom(found: Findings): Evidence {
  const evidence = new Map<string, boolean>();
  const say = (code: string, shows: boolean) => evidence.set(code, shows || (evidence.get(code) ?? false));
  const onset = found.course[onsetOf(found.course)];
  const from = onset && 'bad' in onset ? onset.piece : 0;
  /** What is seen too seldom to be told, should it be all there is. */
  const seldom: string[] = [];
  for (const fault of FAULTS) {
    const own = found.looked.filter((l) => l.point === fault.point);
    if (!own.length) continue;
    const only = FAULTS.filter((f) => f.point === fault.point).length === 1;
    const named = own.filter((l) => l.bad && (l.fault === fault.code || (l.fault === null && only)));
    const open = own.filter((l) => l.bad && l.fault === null && !only);
    const isOften = (some: typeof own) => {
      const since = (list: typeof own) => list.filter((l) => l.piece >= from).length;
      return since(some) > SEEN_ON * since(own);
    };
    for (const [code, some] of [
      [fault.code, named],
      [`${AT}${fault.point}`, open],
    ] as const) {
      if (isOften(some)) say(code, true);
      else if (some.length) seldom.push(code);
    }
    if (!own.some((l) => l.bad)) say(fault.code, false);
  }
  for (const { point, value, range } of found.numbers) {
    const [below = null, above = null] = BY_NUMBER[point] ?? [];
    if (below) say(below, value < range.min - 1e-9);
    if (above) say(above, value > range.max + 1e-9);
  }
  const valid = found.pulls.filter((p) => isValidMode(p.mode));
  if (valid.length && found.limit !== null) {
    const { limit } = found;
    const isLow = valid.some((p) => p.force < limit);
    say('force-low', isLow);
    // How it failed tells something of the low ones; of good pulls it is chance.
    const low = isLow ? valid.filter((p) => p.force < limit) : [];
    if (low.length) {
      const share = (mode: FailureMode) => low.filter((p) => p.mode === mode).length / low.length;
      say('slid-out', share('slid-out') >= 0.5);
      say('broke-at-crimp', share('broke-at-crimp') >= 0.5);
      say('strand-by-strand', share('strands-one-by-one') >= 0.5);
    }
    // Good pieces from before it began beside bad ones since are no scatter, and their difference is no wear.
    const course = courseOf(found.course);
    const forcesFrom = (piece: number) => valid.filter((p) => p.piece >= piece).map((p) => p.force);
    const since = forcesFrom(from);
    if (since.length >= ENOUGH_PULLS) {
      const mean = since.reduce((a, b) => a + b, 0) / since.length;
      const sd = Math.sqrt(since.reduce((a, b) => a + (b - mean) ** 2, 0) / (since.length - 1));
      say('force-scattered', sd / mean > 0.12);
    }
    const worn = Object.keys(BEGAN_WITH).some((code) => course.get(code)) ? since : forcesFrom(0);
    if (worn.length >= ENOUGH_PULLS) {
      const trend = theilSen(
        worn.map((_, i) => i),
        worn,
      );
      if (trend) say('force-falling', trend.p < 0.05 && trend.slope < 0);
    }
  }
  if (found.toolFailed !== null) say('tool-failed', found.toolFailed);
  if (![...evidence.values()].some(Boolean)) for (const code of seldom) say(code, true);
  for (const [code, shows] of courseOf(found.course)) say(code, shows);
  return evidence;
}

/** Pulls that tell how forces scatter and where they go. */
const ENOUGH_PULLS = 5;
/** Pieces from where it began on that tell whether good ones lie between the bad. */
const ENOUGH = 4;
/** Share of good ones among them that is more than one miss. */
const SOME = 0.2;
/** How often a good piece is called bad, or a bad one good, somewhere on it. */
const BY_MISTAKE = 0.05;

/**
 * Where in a course bad pieces began: the bad piece that parts few bad ones before from many after it best, by likelihood
 * (before: bad by mistake alone; after: as often as seen). One piece called bad by mistake begins nothing.
 * @returns its place in the course; -1 where none is bad
 */
function onsetOf(course: readonly CourseStep[]): number {
  let best = -1;
  let most = -Infinity;
  for (const [i, step] of course.entries()) {
    if (!('bad' in step) || !step.bad) continue;
    const count = (steps: readonly CourseStep[]) => {
      const pieces = steps.filter((each) => 'bad' in each);
      return { bad: pieces.filter(({ bad }) => bad).length, all: pieces.length };
    };
    const before = count(course.slice(0, i));
    const after = count(course.slice(i));
    const share = Math.min(1 - BY_MISTAKE, Math.max(BY_MISTAKE, after.bad / after.all));
    const likelihood = (n: { bad: number; all: number }, p: number) =>
      n.bad * Math.log(p) + (n.all - n.bad) * Math.log(1 - p);
    const sum = likelihood(before, BY_MISTAKE) + likelihood(after, share);
    if (sum > most + 1e-9) {
      most = sum;
      best = i;
    }
  }
  return best;
}

/**
 * How bad pieces lie among good ones. A change began them where it lies between the last piece before and the first bad one:
 * without a good piece before, nobody knows when it began.
 */
function courseOf(course: readonly CourseStep[]): Evidence {
  const told = new Map<string, boolean>();
  const first = onsetOf(course);
  if (first < 0) return told;
  const pieces = course.slice(first).filter((step) => 'bad' in step);
  const bad = pieces.slice(0, pieces.findLastIndex((step) => step.bad) + 1);
  if (pieces.length >= ENOUGH) told.set('on-some', bad.filter((step) => !step.bad).length > SOME * bad.length);
  const good = course.slice(0, first).findLastIndex((step) => 'bad' in step);
  if (good < 0) return told;
  const changes = course.slice(good, first).flatMap((step) => ('changed' in step ? [step.changed] : []));
  for (const [code, kinds] of Object.entries(BEGAN_WITH)) {
    told.set(
      code,
      kinds.some((kind) => changes.includes(kind)),
    );
  }
  return told;
}
