import {
  HOW_SURE,
  isValidMode,
  readTrace,
  simulatePull,
  SOUND_PULL,
  type FailureMode,
  type PullModel,
} from '@tug-mark/core';
import { GAUGES, makePull, WAYS } from '../../core/src/testing/pulls';
import { median } from './median';
import { say } from './stations';
import { writeDoc } from './writeDoc';

/** Pulls of each way on each gauge, of seeds no bound was fitted on. */
const TIMES = 6;
const FAST = 100;
/** Speed a limit table asks for, mm/min: all that is known of the stand's. */
const SPEED = { min: 25, max: 60 };

interface Told {
  readonly way: string;
  readonly gauge: string;
  readonly rate: number;
  readonly truth: FailureMode;
  readonly told: FailureMode | null;
  /** Of the peak: as a share, in standard deviations of the noise, and whether it lay within what was told. */
  readonly off: number;
  readonly inNoise: number;
  readonly isCovered: boolean;
  readonly isLeast: boolean;
}

function tellAll(): { told: Told[]; refused: number } {
  const told: Told[] = [];
  let refused = 0;
  let seed = 2;
  for (const way of Object.keys(WAYS)) {
    for (const gauge of GAUGES) {
      for (let k = 0; k < TIMES; k++) {
        const pull = makePull(way, gauge, (seed += 2));
        const result = readTrace(pull.trace, { ...pull.about, loadingRate: null, speed: SPEED });
        if (!result.ok) {
          refused++;
          continue;
        }
        const { peak, suggestion } = result.read;
        const off = peak.force - pull.truth.peak;
        told.push({
          way,
          gauge: gauge.name,
          rate: gauge.rate,
          truth: pull.truth.mode,
          told: suggestion.mode,
          off: off / pull.truth.peak,
          inNoise: off / pull.truth.noise,
          isCovered: Math.abs(off) <= peak.within,
          isLeast: peak.isLeast,
        });
      }
    }
  }
  return { told, refused };
}

const share = (part: number, of: number) => (of ? (100 * part) / of : 0);
const percent = (part: number, of: number) => `${share(part, of).toFixed(0)} %`;
const count = <T>(list: readonly T[], is: (item: T) => boolean) => list.filter(is).length;
const isWrong = ({ told, truth }: Told) => told !== null && told !== truth;
const isGiven = ({ told }: Told) => told !== null;

function groupBy<T>(list: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}

/** The stand-in's own physics beside it: each ending over sizes, speeds and rates. */
function tellStandIn(): { all: number; given: number; wrong: number } {
  const endings: readonly [FailureMode, Partial<PullModel>][] = [
    ['broke-in-wire', { breaks: 168 }],
    ['broke-at-crimp', { breaks: 105 }],
    ['slid-out', { breaks: 177, holds: 95 }],
    ['strands-one-by-one', { breaks: 150, uneven: 0.25 }],
    ['grip-slipped', { breaks: 177, holds: 130, gripSlips: [40, 60, 85] }],
    ['insulation-only', { breaks: 177, holds: 17, friction: 0.9 }],
  ];
  let given = 0;
  let wrong = 0;
  let all = 0;
  for (const [mode, model] of endings) {
    for (let seed = 2; seed <= 80; seed += 2) {
      const size = [0.3, 1, 6][(seed / 2) % 3] ?? 1;
      const trace = simulatePull({
        ...SOUND_PULL,
        ...model,
        seed,
        rate: [100, 1000, 10_000][(seed / 2) % 3] ?? 1000,
        speed: 25 + (seed % 30),
        stiffness: 60 * size,
        breaks: (model.breaks ?? 177) * size,
        holds: (model.holds ?? 1000) * size,
        gripSlips: (model.gripSlips ?? []).map((force) => force * size),
        noise: 0.1 * size,
        spikes: 0.5,
        dropouts: 0.3,
      });
      const result = readTrace(trace, { breaks: 177 * size, strands: 24, loadingRate: null, speed: SPEED });
      all++;
      if (!result.ok || result.read.suggestion.mode === null) continue;
      given++;
      if (result.read.suggestion.mode !== mode) wrong++;
    }
  }
  return { all, given, wrong };
}

/**
 * How often a curve's mode and peak are right, on both generators, and the confusion table of it as docs/curves.md.
 * Says so when what the application tells of itself no longer holds.
 */
export async function benchCurves(): Promise<void> {
  const { told, refused } = tellAll();
  const fast = told.filter(({ rate }) => rate >= FAST);
  const valid = fast.filter(({ truth }) => isValidMode(truth));
  const given = fast.filter(isGiven);
  const wrong = given.filter(isWrong);
  const terminals = count(wrong, ({ truth }) => truth === 'terminal-broke');
  const measured = told.filter(({ isLeast }) => !isLeast);
  const covered = share(
    count(measured, ({ isCovered }) => isCovered),
    measured.length,
  );
  const own = {
    given: share(count(valid, isGiven), valid.length),
    wrong: share(wrong.length, given.length),
    covered,
  };
  const standIn = tellStandIn();
  say(
    `mode from ${told.length} curves of another physics, ${Object.keys(WAYS).length} ways, ${GAUGES.length} gauges (${refused} refused)   at ${FAST} readings a second or more: given ${percent(given.length, fast.length)} of all (goal 60), ${own.given.toFixed(0)} % of valid pulls; wrong ${own.wrong.toFixed(1)} of 100 given (goal 5), ${terminals} of ${wrong.length} of them terminals that broke; invalid told ${count(told, (t) => t.told !== null && !isValidMode(t.told))} times`,
  );
  say(
    `  the stand-in's physics, ${standIn.all} curves         given ${percent(standIn.given, standIn.all)}, wrong ${percent(standIn.wrong, standIn.given)}`,
  );
  say(`  peak within what is told                          ${covered.toFixed(0)} of 100 (goal 95)`);
  const lines = [
    '# Curves: how often they are right',
    '',
    'Written by `npm run bench -- curves`: pulls of another physics than the stand-in’s, on seeds no bound was fitted on.',
    '',
    `| way it failed | seen as | ${['slid out', 'at the crimp', 'one by one', 'in the wire', 'left open'].join(' | ')} |`,
    '|---|---|---|---|---|---|---|',
  ];
  const columns = ['slid-out', 'broke-at-crimp', 'strands-one-by-one', 'broke-in-wire', null] as const;
  for (const [way, list] of groupBy(fast, (t) => t.way)) {
    const truths = [...groupBy(list, (t) => t.truth).keys()].join(', ');
    lines.push(`| ${way} | ${truths} | ${columns.map((mode) => count(list, (t) => t.told === mode)).join(' | ')} |`);
  }
  lines.push(
    '',
    `Readings at ${FAST} a second or more alone. Below, all of them; bias is the median, in 100 of the peak and in standard deviations of the noise.`,
    '',
    '| gauge | a second | given | wrong of these | peak: bias | in noise | mean | within what was told |',
    '|---|---|---|---|---|---|---|---|',
  );
  for (const [gauge, list] of groupBy(told, (t) => t.gauge)) {
    const peaks = list.filter(({ isLeast }) => !isLeast);
    const mean = peaks.reduce((sum, { off }) => sum + off, 0) / Math.max(1, peaks.length);
    const told = list.filter(isGiven);
    lines.push(
      `| ${gauge} | ${list[0]?.rate ?? 0} | ${percent(told.length, list.length)} | ${percent(told.filter(isWrong).length, told.length)} | ${(100 * median(peaks.map(({ off }) => off))).toFixed(2)} % | ${median(peaks.map(({ inNoise }) => inNoise)).toFixed(2)} | ${(100 * mean).toFixed(2)} % | ${percent(
        count(peaks, ({ isCovered }) => isCovered),
        peaks.length,
      )} |`,
    );
  }
  await writeDoc('curves.md', lines);
  const off = (['given', 'wrong', 'covered'] as const).filter((key) => Math.abs(own[key] - HOW_SURE[key]) > 2.5);
  if (off.length) {
    say(
      `  THE APPLICATION SAYS OTHERWISE (core/src/tug/trace/howSure.ts): ${off.map((key) => `${key} ${HOW_SURE[key]}, measured ${own[key].toFixed(1)}`).join('; ')}`,
    );
  }
}
