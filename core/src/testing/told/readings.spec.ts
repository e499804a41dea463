import { writePartTable, readPartTable } from '../../catalogue';
import { CONDITIONS, findTerminations, JOINTS, nearestFits, whichTermination } from '../../match';
import { planRisk } from '../../lot';
import { chooseShrinkTube, type SlideOnPart } from '../../prepare';
import { proposeColumns, readReadings, readWireList } from '../../records';
import { badPoint, drawnItems, judgeStudy, orderFor } from '../../study';
import { computeSetUp } from '../../combination';
import { PLAIN_SHEET, startingRows } from '../../look';
import {
  acceptanceProbability,
  andersonDarling,
  cohenKappa,
  findOutlier,
  fleissKappa,
  forecastLimit,
  heightWindow,
  makeBaseline,
  normalFrom,
  random,
  runSignals,
  sampleForRisk,
  solveToleranceFactor,
  summarise,
  theilSen,
  toleranceFactor,
} from '../../statistics';
import { FAMILIES, readStamp } from '../../terminal';
import { openToolBook } from '../../tool';
import { readLength, readNumber, showBeside, showLength, showNumber, showRange } from '../../units';
import {
  areaToAwg,
  awgArea,
  awgDiameter,
  caliperedWire,
  describeConstruction,
  otherScale,
  PACKINGS,
  readJacket,
  readSize,
  sizeLabel,
  strandingClass,
  whatWire,
} from '../../wire';
import { everyTool, families, familyContext, fourIndent, wireRound } from '../families';
import { dry, NOW, stripper, wet, wire075, wireOf } from '../shop';
import { whole } from './tell';
import { holdTold, type Lines, type Told } from './hold';
import approved from './readings.json';

/* What is read from texts, tables and numbers, and what is ranked by rules: each with its answer. */

const each = <T>(of: readonly T[], tell: (one: T) => unknown): string[] =>
  of.map((one) => `${typeof one === 'string' ? one : whole(one as object)} | ${whole({ is: tell(one) })}`);

const WIRES = [
  wire075,
  wireRound,
  wireOf({ strands: 19, strandDiameter: 0.2 }, { part: 'W-060', insulationDiameter: 2 }),
];
const CABINET = FAMILIES.map((family) => families[family]);

const STAMPS =
  '#8 22-18|NO.10 16-14|NO10|8mm2 5|10SQ MM 6|2-M4|22-16STUD8|5.5-8 10-12|12-10 1/4|1/4 12-10|22-18 #8|22-16 M4|0.5-1.0|1.25-3|2-4|14-16 10|16-14|R 2-6|50-8|70-10|8|38-12|2/0 3/8|1/0-10|AWG 20-18|5.5-8 12-10|1.5-2.5 16-14|10-12 12-10|4-6 mm2 M6|0.5-1,0 M3|x|'.split(
    '|',
  );
const JACKETS =
  'AWG 18 PVC 105C 600V|0.75 mm2 FLRY|H07V-K 1X1.5|18 AWG (0.824mm2) 300V 80°C|2.5MM2|1/0 AWG XLPE|no size'.split('|');
const NUMBERS = '1,5|1.5|1,234|1.234,5|1,234.5|12 N|-3|abc||0x10|1e3|½|3/8|  7 |85 lbf|8.5 kg'.split('|');
const SIZES =
  '0.01|0.02|0.03|1000|1001|AWG 40|awg 0|0.75|0.75 mm2|AWG 18|18|2/0|00|1/0 awg|4/0|5/0|AWG 41|1,5 mm²|abc'.split('|');

const HEAD = ['Wire ID', 'Wire part', 'Length mm', 'Terminal A', 'Terminal B', 'Qty', 'Place'];
const known = {
  wires: new Set(['W1', 'W2']),
  terminals: new Set(['T1', 'T2', 'S1']),
  splices: new Set(['S1']),
  connectors: new Map([['C1', new Set(['1', '2', '3'])]]),
};
const LISTS: Readonly<Record<string, readonly (readonly string[])[]>> = {
  good: [HEAD, ['A1', 'W1', '100', 'T1', 'T2', '3', 'dry'], ['A2', 'W2', '100,5', 'T1', '-', '1', 'wet']],
  'a faulty one': [
    HEAD,
    ['', 'W1', '100', 'T1', '', '3', ''],
    ['A1', 'W9', '-5', 'T9', '', '1.5', 'moist'],
    ['A1', 'W1', '1,000', '', '', 'x', 'dry'],
    ['A2', 'W1', '', 'S1/a', 'S1/b', '2', 'dry'],
    ['A3', 'W2', '50', 'S1/a', 'T1', '3', 'dry'],
  ],
  'with columns missing': [
    ['Wire ID', 'Length'],
    ['A1', '10'],
  ],
  'with a column twice': [
    [...HEAD, 'Qty'],
    ['A1', 'W1', '1', 'T1', '', '1', 'dry', '1'],
  ],
  'in inches': [
    ['id', 'wire part', 'length (in)', 'end a', 'end b', 'qty'],
    ['A1', 'W1', '10 1/2', 'T1', '', '1'],
  ],
  'with plugs, joints and demands': [
    [
      ...HEAD,
      'Joint A',
      'Joint B',
      'Stud A',
      'Ambient',
      'Current',
      'Voltage',
      'Fuel near',
      'Connector A',
      'Connector part A',
      'Cavity A',
    ],
    ['A1', 'W1', '100', 'T1', 'S1', '2', 'wet', '', 'J1/1', 'M4', '85', '4', '12', 'yes', 'X1', 'C1', '1'],
    ['A2', 'W2', '120', 'T2', 'S1', '2', 'wet', '', 'J1/2', '', '', '', '', 'no', 'X1', '', '2'],
    ['A3', 'W2', '50000.5', 'T2', '-', '100000', 'dry', '', '', '', 'hot', '-1', 'x', 'perhaps', 'X1', 'C1', '1'],
    ['A4', 'W2', '10', 'T1', '-', '1', 'dry', '', '', '', '', '', '', '', 'X2', 'C9', ''],
    ['A5', 'W2', '10', 'T1', '-', '1', 'dry', '', '', '', '', '', '', '', '', '', '7'],
  ],
  'of a splice with three wires': [
    [...HEAD, 'Joint A', 'Joint B'],
    ['A1', 'W1', '100', 'S1', 'T1', '1', 'dry', 'J1', ''],
    ['A2', 'W1', '100', 'S1', 'T1', '1', 'dry', 'J1', ''],
    ['A3', 'W1', '100', 'S1', 'T1', '2', 'wet', 'J1/3', ''],
  ],
  empty: [],
};
const READINGS: Readonly<Record<string, readonly (readonly string[])[]>> = {
  good: [
    ['Piece', 'Force N', 'How it failed', 'Note'],
    ['1', '110', 'slid out', ''],
    ['2', '98,5', '4', 'near the jaw'],
  ],
  'in pounds': [
    ['piece', 'peak force lbf', 'mode'],
    ['1', '25', '1'],
  ],
  faulty: [
    ['piece', 'force N', 'mode'],
    ['1', '110 lbf', 'slid out'],
    ['1', 'x', 'nine'],
    ['0', '-5', '8'],
    ['', '', ''],
  ],
  'of several wires and ends': [
    ['piece', 'force kgf', 'mode', 'note', 'wire', 'end'],
    ['1', '11', 'broke in the wire', '', '1', '1'],
    ['1', '11.5', '2', '', '2', '2'],
    ['2', '12', '3', '', '12', '5'],
    ['3', '12', '7', 'x'.repeat(600), 'x', ''],
  ],
  'of a header alone': [['piece', 'force N', 'mode']],
  'without a unit': [
    ['piece', 'force', 'mode'],
    ['1', '110', '1'],
  ],
  'without columns': [
    ['a', 'b'],
    ['1', '2'],
  ],
};

function samples(seed: number, n: number, drift = 0): number[] {
  const normal = normalFrom(random(seed));
  return Array.from({ length: n }, (_, i) => 120 + 6 * normal() + drift * i);
}

function tellStatistics(): string[] {
  const lists = {
    level: samples(1, 12),
    many: samples(2, 40),
    falling: samples(3, 24, -1.2),
    odd: [...samples(4, 10), 175],
  };
  return Object.entries(lists).flatMap(([name, values]) => {
    const xs = values.map((_, i) => i + 1);
    const trend = theilSen(xs, values);
    const baseline = makeBaseline(values, 1);
    return [
      `${name} | ${whole({ summary: summarise(values), outlier: findOutlier(values), shape: andersonDarling(values) })}`,
      `${name} | ${whole({ trend, forecast: trend && forecastLimit(trend, 85, xs.length) })}`,
      `${name} | ${whole({ baseline, groups: makeBaseline(values, 2), signals: baseline && runSignals(values, baseline.level) })}`,
      `${name} | k ${toleranceFactor(values.length, 0.99, 0.95).toFixed(4)}`,
    ];
  });
}

function tellRisks(): string[] {
  const answers = ['a', 'b', 'b', 'a', 'a', 'b', 'b', 'a', 'a', 'a'];
  const others = ['a', 'b', 'a', 'a', 'a', 'b', 'b', 'b', 'a', 'a'];
  const pairs = samples(5, 16).map((force, i) => ({
    height: 1.3 + 0.02 * (i % 6),
    force: force - 90 * (0.05 - 0.02 * (i % 6)) ** 2,
  }));
  return [
    ...[
      [400, 5, 0.02],
      [100, 13, 0.05],
      [1, 1, 0.1],
      [40, 0, 0.1],
    ].map(
      ([pieces = 0, pulls = 0, share = 0]) =>
        `${pieces}, ${pulls}, ${share} | ${whole(planRisk(pieces, pulls, share, 0.1))}`,
    ),
    `passes | ${acceptanceProbability(200, 6, 13, 1).toFixed(6)}, needs ${sampleForRisk(200, 6, 0.1, 0)}`,
    `kappa | ${whole(cohenKappa(answers.map((one, i) => [one, others[i] ?? 'a'] as const)))}`,
    `kappa of several | ${whole(fleissKappa(answers.map((one, i) => [one, others[i] ?? 'a', i % 3 ? 'a' : 'b'])))}`,
    `heights | ${whole(heightWindow(pairs, 105) ?? {})}`,
  ];
}

function tellFinder(): string[] {
  const { practice } = familyContext('lug');
  const book = openToolBook([everyTool, fourIndent], { checks: [], returns: [] }, NOW, { zone: 'UTC' });
  return [dry, wet].flatMap((use) =>
    WIRES.flatMap((wire) => {
      const finder = findTerminations({ wires: [wire], use, families: [] }, CABINET, book, practice);
      const near = nearestFits(families['bare-terminal'], [wire], use, practice, CABINET);
      return [
        ...Object.entries(finder).map(
          ([what, found]) =>
            `${use.place} ${wire.part} | ${what}: ${Array.isArray(found) ? found.map((one: { terminal: { part: string } }) => one.terminal.part).join(', ') || 'none' : whole({ found })}`,
        ),
        `${use.place} ${wire.part} | nearest: ${near.map(({ terminal, fit }) => `${terminal.part} ${fit.verdict}`).join(', ') || 'none'}`,
      ];
    }),
  );
}

/** Strands and their diameter, mm, at the limits between two classes and beyond them. */
const STRANDINGS: readonly (readonly [strands: number, diameter: number])[] = [
  ...([
    [1, 1.38],
    [7, 0.52],
    [7, 0.2],
    [19, 0.32],
    [24, 0.2],
    [30, 0.25],
    [50, 0.25],
  ] as const),
  ...([
    [56, 0.15],
    [84, 0.15],
    [84, 0.1],
    [192, 0.1],
    [392, 0.07],
    [7, 0.4],
    [2, 0.3],
  ] as const),
];

function tellConstructions(): string[] {
  return STRANDINGS.flatMap(([strands, strandDiameter]) =>
    (['concentric', 'bunched'] as const).map((lay) => {
      const size = { scale: 'mm2' as const, value: Number((strands * (Math.PI / 4) * strandDiameter ** 2).toFixed(2)) };
      const conductor = {
        size,
        lay,
        strands,
        strandDiameter,
        kind: strands === 1 ? ('solid' as const) : ('stranded' as const),
      };
      return `${strands} x ${strandDiameter}, ${lay} | ${strandingClass(conductor)} | ${describeConstruction(conductor).join(' | ')}`;
    }),
  );
}

/** What does not look like chance, each by a row of points made for it. */
const CHARTS: Readonly<Record<string, readonly number[]>> = {
  outside: [0, 1, -1, 4, 0, -4, 1],
  'one side': [...Array.from({ length: 10 }, () => 0.5), -1, ...Array.from({ length: 9 }, () => -0.5)],
  climbing: [-3, -2, -1, 0, 1, 2, 2.5],
  falling: [2.5, 2, 1, 0, -1, -2, -2.5],
  'far out': [0, 2.2, 0, 2.4, 0, -2.1, -2.2, -2.3],
  'see-saw': Array.from({ length: 16 }, (_, i) => (i % 2 ? 0.6 : -0.6)),
};

function tellCharts(): string[] {
  const pairs = Array.from({ length: 24 }, (_, i) => [i % 3 ? 'a' : 'b', i % 4 ? 'a' : 'b'] as const);
  return [
    ...Object.entries(CHARTS).map(
      ([name, points]) => `${name} | ${whole(runSignals(points, { centre: 0, lower: -3, upper: 3 }))}`,
    ),
    ...[1, 2, 5, 10].map((n) => `groups of ${n} | ${whole(makeBaseline(samples(6, 60), n) ?? {})}`),
    ...[3, 7, 21].flatMap((n) =>
      [0.9, 0.99].map((share) => `k ${n}, ${share} | ${solveToleranceFactor(n, share, 0.95).toFixed(6)}`),
    ),
    `kappa by item | ${whole(
      cohenKappa(
        pairs,
        pairs.map((_, i) => i % 8),
      ),
    )}`,
    `line | ${whole(theilSen([1, 2, 4, 4, 7, 9, 12, 15], [3, 3, 2, 5, 1, 1, 0, -2]) ?? {})}`,
  ];
}

function tellStudies(): string[] {
  const { look } = computeSetUp(familyContext('sealed-contact'), [], NOW);
  if (!look) throw new Error('nothing to look at');
  const items = drawnItems(look, { ...PLAIN_SHEET, rows: startingRows() }, 12, 5);
  const answers = ['Odile', 'Bram', 'Ines'].flatMap((person, p) =>
    [1, 2].flatMap((round) =>
      items.map((item, i) => {
        const isOff = (i * 7 + p * 3 + round) % 5 === 0;
        const answer = isOff === (item.key === 'accept') ? ('reject' as const) : ('accept' as const);
        return { person, round, item: i, answer, point: answer === 'reject' ? badPoint(item) : null };
      }),
    ),
  );
  return [
    ...items.map((item) => `item | ${whole(item)} | ${badPoint(item)}`),
    ...['Odile', 'Bram'].flatMap((person) =>
      [1, 2].map((round) => `order of ${person}, ${round} | ${orderFor(12, 5, person, round).join(' ')}`),
    ),
    `found | ${whole(judgeStudy(items, answers))}`,
    `of one person | ${whole(
      judgeStudy(
        items,
        answers.filter(({ person }) => person === 'Odile'),
      ),
    )}`,
  ];
}

const PARTS = {
  terminal: CABINET.slice(0, 1),
  tool: [everyTool],
  stripper: [stripper],
  wire: WIRES.slice(0, 1),
} as const;

/** A table of one kind of part with one cell wrong: every kind of field with what it is not. */
function tellFaults(kind: keyof typeof PARTS): string[] {
  const [head = [], row = []] = writePartTable(kind, PARTS[kind] as never);
  return head.flatMap((title, column) =>
    ['', 'x', '-1', '1e9'].map((wrong) => {
      const read = readPartTable(kind, [head, row.with(column, wrong)]);
      return `${title}: '${wrong}' | ${read.ok ? 'taken' : read.problems.map(({ text }) => text).join(' ')}`;
    }),
  );
}

const TUBES: readonly SlideOnPart[] = [3, 6, 9].map((bore) => ({
  part: `TU-${bore}`,
  label: `tube ${bore}`,
  kind: bore === 9 ? 'boot' : 'shrink-tube',
  suppliedBore: bore,
  recoveredBore: bore === 9 ? null : bore / 3,
  outerDiameter: null,
  length: bore === 6 ? 40 : null,
  longitudinalShrink: 0.08,
  adhesive: bore === 6,
  heat: { min: 120, max: 180 },
  wireRange: null,
  temperature: 105,
  wayRound: null,
}));

const told: Told = new Map<string, Lines>([
  ['stamps', () => each(STAMPS, readStamp)],
  ['words on a jacket', () => each(JACKETS, readJacket)],
  ['typed numbers', () => each(NUMBERS, readNumber)],
  ['typed lengths', () => each(NUMBERS, (text) => [readLength(text, 'mm'), readLength(text, 'in')])],
  [
    'sizes',
    () =>
      each(SIZES, (text) => {
        const size = readSize(text);
        return size && [size, sizeLabel(size), otherScale(size)];
      }),
  ],
  [
    'gauges',
    () =>
      [-3, 0, 4, 10, 18, 24, 30, 40].map(
        (n) => `${n} | ${whole({ area: awgArea(n), diameter: awgDiameter(n), back: areaToAwg(awgArea(n)) })}`,
      ),
  ],
  [
    'shown numbers',
    () =>
      [89.96, 90.04, 0.049, 12.345, -3.2].map(
        (v) =>
          `${v} | ${showNumber(v, 1)} ${showNumber(v, 1, 90)} ${whole(showBeside(v, 90, 1))} ${showLength(v, 'mm')} ${showLength(v, 'in')} ${showRange({ min: v - 0.25, max: v + 0.25 }, 1)}`,
      ),
  ],
  [
    'wires without a label',
    () =>
      [
        [24, 0.2, 0.005, 2.2],
        [7, 0.5, 0.01, null],
        [19, 0.2, 0.02, 2],
        [3, 0.9, 0.01, 1],
      ].map(
        ([strands, d, u, i]) =>
          `${strands} x ${d} | ${whole(whatWire({ strands: strands ?? 1, strandDiameter: d ?? 1, uncertainty: u ?? 0, insulationDiameter: i ?? null }, WIRES))}`,
      ),
  ],
  [
    'wires by the caliper',
    () =>
      PACKINGS.map(
        (packing) =>
          `${whole({ packing })} | ${whole({ is: caliperedWire({ diameter: 1.5, uncertainty: 0.05, packing }, WIRES) })}`,
      ),
  ],
  ...JOINTS.map((joint): [string, Lines] => [
    `termination on ${joint}`,
    () =>
      [null, 0.3, 4, 16].flatMap((area) =>
        [...CONDITIONS.map((one) => [one]), [], [...CONDITIONS]].map(
          (conditions) =>
            `${area}, ${conditions.join(' ') || 'nothing'} | ${whole(whichTermination(joint, new Set(conditions), area))}`,
        ),
      ),
  ]),
  ['terminations found', tellFinder],
  [
    'shrink tubes',
    () =>
      [
        [5, 1.4, 25, 5],
        [2, 0.9, 30, 3],
        [12, 4, 20, 5],
      ].map(
        ([passes = 0, grips = 0, covers = 0, overlap = 0]) =>
          `${passes}, ${grips} | ${whole({ is: chooseShrinkTube(TUBES, { passes, grips, covers, overlap }, passes === 2) })}`,
      ),
  ],
  ...Object.entries(LISTS).map(([name, table]): [string, Lines] => [
    `wire list, ${name}`,
    () => [whole(readWireList(table, known))],
  ]),
  ...Object.entries(READINGS).map(([name, table]): [string, Lines] => [
    `pulls, ${name}`,
    () => [whole(readReadings(table))],
  ]),
  [
    'tables of parts',
    () => [
      ...writePartTable('terminal', CABINET).map((row) => row.join('; ')),
      ...writePartTable('tool', [everyTool, fourIndent]).map((row) => row.join('; ')),
      ...writePartTable('stripper', [stripper]).map((row) => row.join('; ')),
      whole(
        readPartTable('wire', [
          ['part', 'label', 'nonsense'],
          ['W', '', 'x'],
          ['W', 'y', ''],
        ]),
      ),
    ],
  ],
  ['constructions', tellConstructions],
  ['statistics', tellStatistics],
  ['charts', tellCharts],
  ['studies', tellStudies],
  [
    'columns proposed',
    () => Object.entries(LISTS).map(([name, table]) => `${name} | ${proposeColumns(table, known).join(', ')}`),
  ],
  ...(Object.keys(PARTS) as (keyof typeof PARTS)[]).map((kind): [string, Lines] => [
    `a ${kind} with faults`,
    () => tellFaults(kind),
  ]),
  ['risks and agreement', tellRisks],
]);

holdTold({ in: 'readings', of: 'what was typed, printed or counted' }, told, approved);
