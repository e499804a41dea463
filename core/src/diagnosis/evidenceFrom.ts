import { FAULTS, type PointCode } from '../look';
import { isValidMode, type FailureMode } from '../tug';
import { theilSen } from '../statistics';
import type { Range } from '../terminal';
import { AT, type Evidence } from './evidence';

/** What was found on pieces, as far as a diagnosis asks. */
export interface Findings {
  /** Points of pieces that were looked at: with the fault named, without a name, or good. */
  readonly looked: readonly { readonly point: PointCode; readonly bad: boolean; readonly fault: string | null }[];
  /** Numbers measured at points, mm or the point's unit, with the range they belong in. */
  readonly numbers: readonly { readonly point: PointCode | 'strip'; readonly value: number; readonly range: Range }[];
  /** In the order of the pieces. */
  readonly pulls: readonly { readonly force: number; readonly mode: FailureMode }[];
  /** Least force, N; null without a limit. */
  readonly limit: number | null;
  /** Result of the tool's latest check; null when it was not checked since. */
  readonly toolFailed: boolean | null;
}

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

/**
 * What findings, numbers and forces say, sign by sign. A point looked at and good on every piece says of each of its faults
 * that it is not there; a bad point without a named fault says that something is wrong there, or where the point has one fault, that one.
 */
export function evidenceFrom(found: Findings): Evidence {
  const evidence = new Map<string, boolean>();
  const say = (code: string, shows: boolean) => evidence.set(code, shows || (evidence.get(code) ?? false));
  for (const fault of FAULTS) {
    const own = found.looked.filter((l) => l.point === fault.point);
    if (!own.length) continue;
    const only = FAULTS.filter((f) => f.point === fault.point).length === 1;
    const isNamed = own.some((l) => l.bad && (l.fault === fault.code || (l.fault === null && only)));
    const isOpen = own.some((l) => l.bad && l.fault === null && !only);
    if (isNamed) say(fault.code, true);
    else if (isOpen) say(`${AT}${fault.point}`, true);
    else say(fault.code, false);
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
    if (valid.length >= 5) {
      const forces = valid.map((p) => p.force);
      const mean = forces.reduce((a, b) => a + b, 0) / forces.length;
      const sd = Math.sqrt(forces.reduce((a, b) => a + (b - mean) ** 2, 0) / (forces.length - 1));
      say('force-scattered', sd / mean > 0.12);
      const trend = theilSen(
        forces.map((_, i) => i),
        forces,
      );
      if (trend) say('force-falling', trend.p < 0.05 && trend.slope < 0);
    }
  }
  if (found.toolFailed !== null) say('tool-failed', found.toolFailed);
  return evidence;
}
