import { random } from '../../statistics';
import {
  checkLimitTable,
  compareLimits,
  describeMargin,
  FAILURE_MODES,
  findHold,
  findLimit,
  findPush,
  judgeGroup,
  judgeHold,
  judgeMating,
  judgeRetention,
  openLinePattern,
  packTrace,
  PullWatch,
  readCaliperLine,
  readForce,
  readGaugeLine,
  readLimitRows,
  readTrace,
  readTraceCsv,
  readTypedLine,
  shownForce,
  simulatePull,
  SOUND_PULL,
  unpackTrace,
  writeLimitRows,
  writeTraceCsv,
  type LimitTable,
  type Trace,
  type TraceContext,
} from '../../tug';
import type { Signs } from '../../tug';
import { suggestMode } from '../../tug/trace/suggestMode';
import { FORCE_UNITS } from '../../units';
import { TYPICAL_STRENGTHS } from '../../wire';
import { families, wireRound } from '../families';
import { limitRow, limitTable, practice, wire075 } from '../shop';
import { whole } from './tell';
import { holdTold, type Lines, type Told } from './hold';
import approved from './gauges.json';

/* What comes from a gauge before anybody judges a joint by it, what a force is judged by, and what is refused of both. */

// ── lines ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const PATTERNS: readonly (readonly [pattern: string, unit: 'N' | 'lbf' | 'kgf'])[] = [
  ['F {value} {unit} {status}', 'N'],
  ['{value}', 'kgf'],
  ['{any},{value}', 'lbf'],
  ['  N={value};{status}  ', 'N'],
  ['{unit} {value}', 'N'],
  ['F {unit}', 'N'],
  ['{value} {value}', 'N'],
  ['{any} {any} {value}', 'N'],
  ['{force}', 'N'],
  ['{}', 'N'],
  ['x'.repeat(121), 'N'],
  ['{value}'.padEnd(120, 'x'), 'N'],
];
const LINES: readonly string[] = [
  ...['F +118.4 N OK', 'F -12,5 lbf OL', 'F 12.5 kgf OK', ' F  1e2 N  OK ', 'F .5 N OK', 'F OL N OVER', 'F ---- N OK'],
  ...['F 118.4 Q OK', 'F 118', '-12,5', ' 3 ', 'a,7.5', 'N=4;OK', 'N=4;LOW', 'N 12', 'lbf 2', '12 N OK', '', 'x y 5'],
  ...['12.5 mm', '0.5 in', '-1 mm', '3 kg'],
];

function tellLines(): string[] {
  return PATTERNS.flatMap(([text, unit]) => {
    const read = openLinePattern(text, unit);
    const name = `${text.slice(0, 40)} in ${unit}`;
    if (!read.ok) return [`${name} | ${read.text}`];
    return LINES.map((line) => [line, readGaugeLine(line, read.pattern)] as const)
      .filter(([, { outcome }]) => outcome !== 'garbled')
      .map(([line, found]) => `${name} | '${line}' | ${whole(found)}`);
  });
}

function tellCalipers(): string[] {
  const read = openLinePattern('{any} {value} {unit}', 'mm');
  const plain = openLinePattern('{value}', 'in');
  if (!read.ok || !plain.ok) throw new Error('no pattern');
  return ['D 3.25 mm', 'D 0.125 in', 'D -1 mm', 'D 3 kg', 'D OL mm', '0.5', '.25', '12,5', ''].map(
    (line) => `'${line}' | ${readCaliperLine(line, read.pattern)} | ${readCaliperLine(line, plain.pattern)}`,
  );
}

const TYPED: readonly string[] = [
  ...['118.4', ' 12,5 lbf', '\u0002ST,GS,+00118.4 N\u0003\r', 'PEAK 26.6 LBF OK', 'PK 26.6 lbf OK', 'PK 26.6 Q OK'],
  ...['min 3 N max 118 N', '2012345678903', 'FL-OC-1508', '', ' \r\n', '-3 kgf x', '+7N', 'a\u0001\u0002 5 N'],
];
const tellTyped = (): string[] =>
  TYPED.map((text) => {
    const own = ['lbf', 'furlong'].map((unit) => readTypedLine(text, { pattern: 'PK {value} {unit} {status}', unit }));
    return `${JSON.stringify(text)} | ${[readTypedLine(text, null), ...own].join(' | ')}`;
  });

// ── forces ───────────────────────────────────────────────────────────────────────────────────────────────────────────

const FORCES: readonly string[] = [
  ...[
    '0',
    '-5',
    '118.4',
    '12,5',
    '162.5',
    '162.6',
    '8125',
    '8126',
    '27 lbf',
    '27 lb',
    '12 kgf',
    '9 furlongs',
    'abc',
    '',
  ],
  ...['83.9', '84.1', '167.9', '168.1', '27', '533', '1.2e2'],
];
const tellForces = (): string[] =>
  FORCE_UNITS.flatMap((unit) =>
    FORCES.map((text) => {
      const alone = readForce(text, unit, 130);
      const beside = readForce(text, unit, 130, 120);
      return `${text} in ${unit} | ${whole(alone)}${whole(beside) === whole(alone) ? '' : ` | beside 120 N ${whole(beside)}`}`;
    }),
  );

const tellMargins = (): string[] =>
  [149.94, 149.96, 150, 150.04, 180, 80].flatMap((force) =>
    [null, ...FAILURE_MODES.slice(0, 2), 'grip-slipped' as const].flatMap((mode) =>
      (['N', 'lbf'] as const).map((unit) => `${force} ${mode} | ${describeMargin(force, 150, mode, unit)}`),
    ),
  );

// ── limits ───────────────────────────────────────────────────────────────────────────────────────────────────────────

const ROWS: Readonly<Record<string, readonly (readonly string[])[]>> = {
  good: [
    ['size', 'force N', 'percent of breaking load', 'families', 'material', 'hold N'],
    ['0.75 mm2', '85', '', '', '', '40'],
    ['AWG 18', '', '60 %', ' lug ; ferrule|butt-splice;', 'aluminium', ''],
    ['1.5', '150 N', '', 'lug', 'copper', '75 N'],
  ],
  'in pounds': [
    ['Conductor', 'Force (lbf)', 'Hold lbf'],
    ['AWG 18', '20', '10'],
    ['AWG 16', '30 N', '1'],
  ],
  faulty: [
    ['wire', 'force', 'percent', 'families', 'material', 'hold'],
    ['furlong', '0', '', '', '', ''],
    ['0.75', '', '', '', '', ''],
    ['0.75', '85', '60', '', '', ''],
    ['0.75', '', '0', 'lug;lugs', 'gold', ''],
    ['0.75', '', '100.5', '', '', '-1'],
    ['0.75', '', 'x', '', '', '5 furlongs'],
    ['0.75', '8 lbf', '', '', '', ''],
    ['0.75', '', '100', '', '', ''],
  ],
  'of nothing': [['size', 'families']],
  'of a header alone': [['size', 'force N']],
};
const tellRows = (): string[] =>
  Object.entries(ROWS).flatMap(([name, table]) => {
    const read = readLimitRows(table);
    if (!read.ok) return [`${name} | ${read.total}`, ...read.problems.map((problem) => `${name} | ${whole(problem)}`)];
    return [
      ...read.rows.map((row) => `${name} | ${whole(row)}`),
      ...writeLimitRows(read.rows).map((row) => row.join('; ')),
    ];
  });

const table = (changes: Partial<LimitTable>): LimitTable => ({ ...limitTable, ...changes });
const row = (size: number, changes: Parameters<typeof limitRow>[1] = {}) => limitRow(size, changes);
const HOLD = { percent: 50, seconds: 60, force: null };
const TABLES: Readonly<Record<string, readonly LimitTable[]>> = {
  none: [],
  two: [limitTable, table({ document: 'LIM-2' })],
  'not released': [table({ status: 'draft' })],
  'another grade': [table({ class: '3' })],
  'not yet': [table({ effectiveFrom: '2026-12-24' })],
  'no more': [table({ effectiveUntil: '2026-11-01' })],
  'to this day': [table({ effectiveUntil: '2026-11-25', effectiveFrom: '2026-11-25' })],
  'by family and metal': [
    table({
      rows: [
        row(1.5, { force: 150 }),
        row(1.5, { force: 140, material: 'copper' }),
        row(1.5, { force: 130, families: ['bare-terminal'] }),
        row(1.5, { force: 120, families: ['lug'] }),
      ],
    }),
  ],
  'in percent': [table({ rows: [row(1.5, { force: null, percent: 45 })], hold: HOLD })],
  'between rows': [table({ interpolates: true, rows: [row(1, { force: 100 }), row(2.5, { force: 230 })], hold: HOLD })],
  'between rows in percent': [
    table({
      interpolates: true,
      rows: [
        row(0.5, { force: 60 }),
        row(1, { force: null, percent: 40 }),
        row(2.5, { force: 230 }),
        row(4, { force: 300 }),
      ],
    }),
  ],
  'between rows, and not allowed': [table({ rows: [row(1, { force: 100 }), row(2.5, { force: 230 })] })],
  'beyond its rows': [table({ interpolates: true, rows: [row(1, { force: 100 })] })],
  'above the wire': [table({ rows: [row(1.5, { force: 9000 })] })],
  'with holds': [table({ rows: [row(1.5, { force: 150, hold: 300 })], hold: { ...HOLD, percent: null } })],
  'with no hold for it': [table({ rows: [row(1.5, { force: 150 })], hold: { ...HOLD, percent: null } })],
};
const tellLimits = (): string[] =>
  Object.entries(TABLES).flatMap(([name, tables]) =>
    [families['bare-terminal'], families.ferrule].flatMap((terminal) => {
      const { limit, reason } = findLimit(tables, wireRound, terminal, '2', '2026-11-25', TYPICAL_STRENGTHS);
      const hold = limit && findHold(limit, 300);
      const about = limit
        ? { force: limit.force, interpolated: limit.interpolated, ...(limit.row && { row: limit.row }) }
        : {};
      return [
        `${name}, ${terminal.family} | ${reason.weight} ${reason.code}: ${reason.text} | ${whole(about)}`,
        ...(hold ? [`${name}, ${terminal.family} | ${whole(hold)}`] : []),
      ];
    }),
  );

const PUSHES: LimitTable['pushes'] = [
  { contactSize: null, families: [], force: 20 },
  { contactSize: null, families: ['machined-contact'], force: 30 },
  { contactSize: 'Size  16', families: [], force: 40 },
  { contactSize: '0.6 mm pin', families: ['signal-contact', 'ferrule'], force: 50 },
  { contactSize: '1.5 mm CAVITY', families: ['lug'], force: 60 },
];
const tellPushes = (): string[] => [
  ...Object.values(families).map(
    (terminal) =>
      `${terminal.family} | ${findPush({ pushes: PUSHES }, terminal)} | ${findPush({ pushes: PUSHES.slice(1, 2) }, terminal)}`,
  ),
  ...[true, false].flatMap((clicked) =>
    [true, false, null].flatMap((locked) =>
      [null, 19.9, 20].flatMap((force) =>
        [true, false].flatMap((stayed) =>
          [20, null].map((least) => {
            const { verdict, reason } = judgeRetention({ clicked, locked, force, stayed }, least);
            return `${whole({ clicked, locked, force, stayed, least })} | ${verdict}, ${reason.weight} ${reason.code}: ${reason.text}`;
          }),
        ),
      ),
    ),
  ),
];

const FAULTY: Readonly<Record<string, LimitTable>> = {
  'ends before it begins': table({ effectiveFrom: '2026-12-01', effectiveUntil: '2026-11-30' }),
  'ended already': table({ effectiveUntil: '2026-11-24' }),
  'begins and ends today': table({ effectiveFrom: '2026-11-25', effectiveUntil: '2026-11-25' }),
  'in the past': table({ effectiveFrom: '2026-11-01' }),
  'no rows': table({ rows: [] }),
  'two rows for one size': table({ rows: [row(1.5, { force: 150 }), row(1.5, { force: 151 })] }),
  'one for a family': table({ rows: [row(1.5, { force: 150 }), row(1.5, { force: 151, families: ['lug'] })] }),
  'neither force nor percent': table({ rows: [row(1.5, { force: null })] }),
  'above the wires': table({ rows: [row(1.5, { force: 900 }), row(0.75, { force: 400, material: 'aluminium' })] }),
  holds: table({ rows: [row(1.5, { force: 150, hold: 160 })], hold: HOLD }),
  'a percent': table({ rows: [row(1.5, { force: null, percent: 120 })] }),
};
const tellFaulty = (): string[] => [
  ...Object.entries(FAULTY).flatMap(([name, faulty]) =>
    checkLimitTable(faulty, [wireRound, wire075], '2026-11-25').map((problem) => `${name} | ${whole(problem)}`),
  ),
  ...compareLimits(
    table({
      rows: [
        row(1, { force: 100 }),
        row(1.5, { force: 150 }),
        row(2, { force: null, percent: 50 }),
        row(4, { force: 300 }),
      ],
    }),
    table({
      rows: [
        row(1, { force: 100 }),
        row(1.5, { force: 165, hold: 70 }),
        row(2, { force: 200 }),
        row(6, { force: 400, families: ['lug'] }),
      ],
    }),
  ).map((each) => `from revision to revision | ${whole(each)}`),
  ...compareLimits(
    table({ rows: [row(1, { force: 100, hold: 1 })] }),
    table({ rows: [row(1, { force: 100, hold: 2 })] }),
  ).map((each) => `another hold | ${whole(each)}`),
];

// ── groups ───────────────────────────────────────────────────────────────────────────────────────────────────────────

const GROUPS: Readonly<Record<string, readonly number[]>> = {
  none: [],
  one: [180],
  'one, low': [149.97],
  'five alike': [180, 180, 180, 180, 180],
  five: [180, 176, 183, 179, 181],
  'five, spread': [180, 150, 210, 160, 200],
  'five, one low': [180, 176, 149, 179, 181],
  seven: [180, 176, 183, 179, 181, 178, 182],
  eight: [180, 176, 183, 179, 181, 178, 182, 177],
  'two kinds': [
    ...Array.from({ length: 12 }, (_, i) => 180 + (i % 3)),
    ...Array.from({ length: 12 }, (_, i) => 230 + (i % 3)),
  ],
  'one apart': [...Array.from({ length: 11 }, (_, i) => 180 + ((i * 7) % 5)), 240],
  'many of two kinds': Array.from({ length: 90 }, (_, i) => (i % 2 ? 180 : 230) + (i % 7)),
};
const tellGroups = (): string[] =>
  (['minimum-only', 'each-and-group', 'group-only'] as const).flatMap((acceptance) =>
    Object.entries(GROUPS).flatMap(([name, forces]) => {
      const { reasons, ...numbers } = judgeGroup(forces, 150, { ...practice, acceptance }, 5);
      return [
        `${acceptance}, ${name} | ${whole(numbers)}`,
        ...reasons.map(
          (each) => `${acceptance}, ${name} | ${each.weight} ${each.code}: ${each.text} ${whole(each.numbers)}`,
        ),
      ];
    }),
  );

const cycle = (number: number, withdrawal: number, insertion: number | null = null) => ({
  cycle: number,
  insertion,
  withdrawal,
});
const MATINGS = {
  none: [],
  first: [cycle(1, 30)],
  good: [cycle(1, 30, 40), cycle(2, 29, 40), cycle(5, 27, 41), cycle(10, 26, 60)],
  'in another order': [cycle(10, 26), cycle(1, 30), cycle(5, 27), cycle(2, 29)],
  worn: [cycle(1, 30), cycle(2, 21), cycle(5, 20.9)],
  loose: [cycle(1, 19.96), cycle(2, 19)],
  stiff: [cycle(1, 30, 60.04), cycle(2, 30, 60.06)],
  'none lost': [cycle(1, 30), cycle(2, 31), cycle(5, 32), cycle(10, 33)],
  'one left out': [cycle(1, 30), cycle(5, 29), cycle(10, 28)],
} as const;
const tellMatings = (): string[] =>
  Object.entries(MATINGS).flatMap(([name, cycles]) =>
    [
      { insertion: 60, withdrawal: 20 },
      { insertion: null, withdrawal: null },
    ].map((asked) => {
      const { reasons, ...of } = judgeMating(cycles, asked);
      return `${name}, ${asked.withdrawal} | ${whole(of)} | ${reasons.map((r) => `${r.weight} ${r.code}: ${r.text} ${whole(r.numbers)}`).join(' | ')}`;
    }),
  );

const tellHolds = (): string[] =>
  [
    ...[
      [75, 60, 0],
      [75, 60, 0.1],
      [75, 60, 0.11],
      [74.97, 59, 0.4],
      [74, 60, 0],
    ],
  ].flatMap(([force = 0, seconds = 0, moved = 0]) =>
    [{ force: 75, seconds: 60 }, null].map((wanted) => {
      const { verdict, reason } = judgeHold({ force, seconds, moved }, wanted);
      return `${force} N, ${seconds} s, ${moved} mm${wanted ? '' : ', nothing asked'} | ${verdict}, ${reason.code}: ${reason.text}`;
    }),
  );

// ── live gauges and curves ───────────────────────────────────────────────────────────────────────────────────────────

const RATE = 100;
const quiet = (seconds: number, at = 0.3) => Array.from({ length: seconds * RATE }, (_, i) => at + 0.05 * Math.sin(i));
const ramp = (to: number, seconds: number, at = 0.3) =>
  Array.from({ length: seconds * RATE }, (_, i) => at + (to * i) / (seconds * RATE));
const level = (value: number, seconds: number) => Array.from({ length: seconds * RATE }, () => value);
const wavy = (value: number, seconds: number) =>
  Array.from({ length: seconds * RATE }, (_, i) => value + 2.5 * Math.sin(i / 4));
const PULL = [...ramp(120, 1.5), ...level(0.3, 0.6)];
/** What a gauge sends: samples, or that it was lost. */
type Sent = readonly (readonly number[] | 'lost' | 'overload')[];
const STREAMS: Readonly<Record<string, Sent>> = {
  'one pull': [quiet(1.5), PULL, quiet(2)],
  'three pulls': [quiet(1), PULL, quiet(1), ramp(90, 1), quiet(1), ramp(60, 1), quiet(1)],
  'a slide with a tail': [quiet(1), ramp(100, 1), wavy(20, 3), wavy(6, 5), quiet(1), PULL, quiet(1)],
  'a zero that moved': [quiet(1), ramp(100, 1), quiet(5, 8.3), ramp(100, 1, 8), quiet(2, 8.3)],
  'long quiet before': [quiet(25), quiet(25, 1.2), PULL, quiet(1)],
  'lost on the way': [quiet(1), ramp(60, 1), 'lost', ramp(60, 1, 60), quiet(1)],
  'lost and not found': [quiet(1), ramp(60, 1), 'lost'],
  'lost while waiting': [quiet(1), 'lost', quiet(1), PULL, quiet(1)],
  overload: [quiet(1), ramp(60, 1), 'overload', level(60, 0.3), quiet(1)],
  'stuck at its peak': [quiet(1), ramp(60, 1), level(60, 3), quiet(1)],
  'pushed, not pulled': [quiet(1), ramp(-60, 1), level(0.3, 1), quiet(1)],
  'pushed, then pulled': [quiet(1), ramp(-20, 0.5), ramp(80, 1), quiet(1)],
  'no numbers': [quiet(1), [NaN, NaN], PULL.map((f, i) => (i % 40 ? f : NaN)), quiet(1)],
  'without end': [quiet(1), ramp(110, 125), quiet(1)],
  'below its start': [quiet(1), ramp(2.5, 1), quiet(1)],
};
const tellStreams = (): string[] =>
  Object.entries(STREAMS).flatMap(([name, sent]) => {
    const watch = new PullWatch({ rate: RATE, starts: 3 });
    const lines: string[] = [];
    const tell = (pull: ReturnType<PullWatch['take']>) => {
      if (!pull) return;
      const { forces, ...about } = pull;
      lines.push(
        `${name} | ${whole(about)} | ${forces.length} samples from ${forces[0]?.toFixed(2)} to ${forces.at(-1)?.toFixed(2)}`,
      );
    };
    let before = '';
    for (const part of sent) {
      if (part === 'lost') watch.lost();
      else if (part === 'overload') tell(watch.take([], true));
      else
        for (let i = 0; i < part.length; i += 7) {
          tell(watch.take(part.slice(i, i + 7)));
          const now = `${watch.state}`;
          if (now !== before) lines.push(`${name} | ${now}`);
          before = now;
        }
      lines.push(`${name} | so far ${watch.peakSoFar.toFixed(2)}, ${whole({ snapshot: watch.snapshot })}`);
    }
    const { snapshot } = watch;
    tell(watch.settle());
    lines.push(`${name} | settled, ${watch.state}`);
    if (snapshot) {
      const later = new PullWatch({ rate: RATE, starts: 3 }, snapshot);
      for (const part of [ramp(40, 0.5), quiet(2)]) tell(later.take(part));
      tell(later.settle());
    }
    return lines;
  });

const context: TraceContext = { breaks: 320, strands: 7, loadingRate: { min: 20, max: 60 }, speed: null };
const noisy = (of: readonly number[], seed = 3) => {
  const dice = random(seed);
  return of.map((force) => force + 0.1 * (dice() - 0.5));
};
const CURVES: Readonly<Record<string, Trace>> = {
  'no rate': { rate: 0, forces: PULL },
  'a rate no gauge has': { rate: 0.001, forces: PULL },
  'a rate far too fast': { rate: 1e9, forces: PULL },
  '1 sample': { rate: 100, forces: [1] },
  '19 samples': { rate: 100, forces: level(1, 0.19) },
  'not numbers': { rate: 100, forces: [...PULL, NaN] },
  stuck: { rate: 100, forces: level(88.2, 1) },
  'nothing pulled': { rate: 100, forces: noisy(level(0.3, 2)) },
  'no quiet start': { rate: 100, forces: noisy([...ramp(60, 1, 80), ...level(0, 0.5)]) },
  'a high zero': { rate: 100, forces: noisy([...level(70, 1), ...ramp(60, 2, 70), ...level(70, 0.5)]) },
  'counting down': { rate: 100, forces: noisy([...level(0, 0.5), ...ramp(-120, 3, 0), ...level(0, 0.5)]) },
  'a jerk': { rate: 1000, forces: noisy([...level(0, 2), ...ramp(120, 0.8, 0), ...level(0, 2)]) },
  slow: { rate: 10, forces: noisy([...level(0, 0.2), ...ramp(120, 0.6, 0), ...level(0, 0.2)]) },
  'too fast for its table': { rate: 100, forces: noisy([...level(0, 0.5), ...ramp(120, 1, 0), ...level(0, 0.5)]) },
  'too slow for its table': { rate: 100, forces: noisy([...level(0, 0.5), ...ramp(120, 9, 0), ...level(0, 0.5)]) },
  'cut off at its end': { rate: 100, forces: noisy([...level(0, 0.5), ...ramp(120, 3, 0), ...level(100, 0.5)]) },
  saturated: {
    rate: 100,
    forces: noisy([...level(0, 0.5), ...ramp(120, 3, 0).map((f) => Math.min(f, 90)), ...level(0, 0.5)], 0),
  },
  'holding its peak': { rate: 100, forces: [...level(0, 0.5), ...ramp(120, 3, 0), ...level(119.6, 1)] },
  preloaded: { rate: 100, forces: noisy([...level(0, 0.3), ...level(8, 0.7), ...ramp(120, 3, 8), ...level(0, 0.5)]) },
};
const tellReadings = (): string[] =>
  Object.entries(CURVES).flatMap(([name, trace]) => {
    const read = readTrace(trace, context);
    if (!read.ok) return [`${name} | ${read.reason.code}: ${read.reason.text} ${whole(read.reason.numbers)}`];
    const { reasons, suggestion, signs, ...numbers } = read.read;
    return [
      `${name} | ${whole(numbers)} | shown ${shownForce(50, read.read).toFixed(3)}`,
      `${name} | ${whole(signs)}`,
      `${name} | ${whole(suggestion)}`,
      ...reasons.map((r) => `${name} | ${r.weight} ${r.code}: ${r.text} ${whole(r.numbers)}`),
    ];
  });

/** Signs thrown from lists that hold the bounds themselves and what lies beside them; which mode they are sure of, or between which two. */
function tellSuggestions(seed: number): string[] {
  const dice = random(seed);
  const one = <T>(of: readonly T[]) => of[Math.floor(dice() * of.length)] as T;
  return Array.from({ length: 150 }, () => {
    const count = one([0, 1, 1, 2, 3, 4, 5, 6, 8, 10, 14]);
    const fall = { from: 1, to: 1.1, high: 90, low: 80, climbs: 5, climbRate: 40 };
    const first = one([
      [100, 9],
      [100, 10],
      [100, 11],
      [100, 60],
    ] as const);
    const signs: Signs = {
      ...{ before: Array.from({ length: one([0, 0, 0, 0, 0, 1, 1, 2, 3, 4, 10]) }, () => fall), after: [fall] },
      ...{ left: one([0, 0, 0, 0.1, 0.3, 0.31]), tail: one([0.05, 0.9, 1, 1.1, 4]), rise: one([1, 3, 6]) },
      ...{ plateau: one([0, 0.1, 0.3, 0.31, 0.5]), gone: one([0.01, 0.12, 0.13, 0.5, 0.8, 0.9, 3]) },
      steps: Array.from({ length: count }, (_, i) => ({ at: 3 + i, from: first[0] - i, to: first[1] })),
      ...{
        sees: one([0.015, 0.06, 0.061]),
        stepped: one([0.1, 0.75, 0.76, 1]),
        slid: one([0, 0.15, 0.2, 0.25, 0.3, 0.6]),
      },
      ...{ stays: one([0.2, 0.6, 0.9]), lastTop: one([0.2, 0.5, 0.55, 0.8]), fullness: one([0.3, 0.5, 0.79, 0.8]) },
      ...{ fade: one([0, 0.14, 0.15, 0.4, 0.6]), uneven: one([0.1, 0.3, 0.31, 0.5, 0.61, 0.8, 1]) },
      softening: one([
        null,
        { value: 0.2, error: 0.1 },
        { value: 0.5, error: 0.1 },
        { value: 0.7, error: 0.39 },
        { value: 0.9, error: 0.4 },
      ]),
      relative: one([
        [0.1, 0.1],
        [0.1, 0.14],
        [0.1, 0.17],
        [0.1, 0.19],
        [0.1, 0.05],
        [0.2, 0.5],
      ] as const),
    };
    const known = {
      ...{ height: one([0.1, 0.2, 0.25, 0.4, 0.47, 0.6, 0.85, 0.86, 0.92, 1]), strands: one([1, 7, 7, 7, 19]) },
      ...{ rate: one([59, 60, 1000, 1000, 1000, 1000, 1000]), speed: one([null, 0.8, 5]), late: one([0, 0, 0.02]) },
      limits: { isSaturated: dice() < 0.05, holdsPeak: dice() < 0.03 },
    };
    const { mode, evidence, between } = suggestMode(signs, known);
    return `${mode ?? `open between ${between.join(' and ') || 'nothing'}`} | ${evidence}`;
  });
}

const MODELS = {
  sound: {},
  'one that slides': { holds: 60, friction: 0.6 },
  'jaws that slip': { gripSlips: [80, 40], gripStep: 0.6 },
  'a poor gauge': { dropouts: 4, spikes: 6, noise: 0.4, drift: 0.5, resolution: 0.5 },
  'uneven strands': { uneven: 0.05, strands: 7 },
} as const;
const tellModels = (): string[] =>
  Object.entries(MODELS).map(([name, changes]) => {
    const { rate, forces } = simulatePull({ ...SOUND_PULL, rate: 50, ...changes });
    const shown = Array.from(forces, (f) => Number(f.toFixed(3)));
    return `${name} | ${rate}, ${shown.length} | ${shown.filter((_, i) => i % 6 === 0).join(' ')}`;
  });

const csv = (header: readonly string[], rows: readonly (readonly string[])[]) => [header, ...rows];
const timed = (n: number, step = 0.01, of = (i: number) => String(i)) =>
  Array.from({ length: n }, (_, i) => [String(i * step), of(i)]);
const FILES: Readonly<Record<string, readonly (readonly string[])[]>> = {
  good: csv(['time s', 'force N'], timed(20)),
  'in ms and lbf': csv([' Time (ms) ', 'Load lbf'], timed(22, 10)),
  'with empty rows': csv(['t', 'f kgf'], [...timed(21), ['', ''], [' ', '']]),
  'with commas': csv(
    ['time s', 'force N'],
    timed(20, 0.01, (i) => `${i},5`),
  ),
  'no time': csv(['clock', 'force N'], timed(20)),
  'no force': csv(['time', 'pull'], timed(20)),
  'no unit': csv(['time', 'force'], timed(20)),
  'too short': csv(['time s', 'force N'], timed(19)),
  'a word for a time': csv(['time s', 'force N'], timed(20).with(4, ['soon', '1'])),
  'a word for a force': csv(['time s', 'force N'], timed(20).with(5, ['0.05', 'a lot'])),
  'an empty force': csv(['time s', 'force N'], timed(20).with(5, ['0.05', ' '])),
  'a unit in a cell': csv(['time s', 'force N'], timed(20).with(5, ['0.05', '5 lbf'])),
  'a clock that stands': csv(['time s', 'force N'], timed(20, 0)),
  'a clock that runs back': csv(['time s', 'force N'], timed(20).with(9, ['0.05', '1'])),
  'a clock that jumps': csv(['time s', 'force N'], timed(20).with(9, ['0.0925', '1'])),
  'a clock that is a little off': csv(['time s', 'force N'], timed(20).with(9, ['0.0901', '1'])),
  'far too slow': csv(['time s', 'force N'], timed(20, 5000)),
  nothing: [],
};
const tellFiles = (): string[] =>
  Object.entries(FILES).map(([name, rows]) => {
    const read = readTraceCsv(rows);
    return `${name} | ${read.ok ? `${read.trace.rate} a second: ${Array.from(read.trace.forces).slice(0, 8).join(' ')}, ${read.trace.forces.length}` : whole(read)}`;
  });

function tellPacked(): string[] {
  const traces: Readonly<Record<string, readonly number[]>> = {
    whole: [0, 1, -1, 64, -64, 200, 1e6, -1e6],
    decimals: [0.1, 0.25, -0.125, 3],
    many: [1.0000001, 2],
    large: [1e12, 1e13],
    none: [],
  };
  return Object.entries(traces).flatMap(([name, forces]) => {
    const bytes = packTrace({ rate: 100, forces: Float64Array.from(forces) });
    const back = unpackTrace(bytes);
    const broken = [bytes.slice(0, 16), bytes.slice(0, -1), Uint8Array.from([...bytes, 0]), bytes.with(0, 1)];
    const other = bytes.with(16, 7);
    return [
      `${name} | ${[...bytes].join(' ')}`,
      `${name} | ${back && Array.from(back.forces).join(' ')} | broken ${[...broken, other].map((each) => unpackTrace(each) === null).join(' ')}`,
    ];
  });
}

const tellWritten = (): string[] => [
  JSON.stringify(writeTraceCsv({ rate: 3, forces: Float64Array.from([0, 1.5, -2]) })),
];

const told: Told = new Map<string, Lines>([
  ['lines by patterns', tellLines],
  ['lines of a caliper', tellCalipers],
  ['lines that were typed', tellTyped],
  ['forces', tellForces],
  ['margins', tellMargins],
  ['rows of limits', tellRows],
  ['limits', tellLimits],
  ['pushes', tellPushes],
  ['tables with faults', tellFaulty],
  ['groups', tellGroups],
  ['pairs that are mated', tellMatings],
  ['holds', tellHolds],
  ['what a gauge sends', tellStreams],
  ['curves that are refused, and plain ones', tellReadings],
  ['simulated pulls', tellModels],
  ...[1, 2, 3].map((seed): [string, Lines] => [`modes by signs ${seed}`, () => tellSuggestions(7300 + seed)]),
  ['files of curves', tellFiles],
  ['packed curves', tellPacked],
  ['written curves', tellWritten],
]);

holdTold({ in: 'gauges', of: 'what comes from a gauge' }, told, approved);
