import {
  HOW_SURE_SECTION,
  makeMicrograph,
  readSection,
  sectionFigures,
  SOUND_MICROGRAPH,
  type MicrographModel,
} from '@tug-mark/core';
import { KINDS, makeCut, type KnownCut } from '../../core/src/testing/cuts';
import { median } from './median';
import { say } from './stations';
import { writeDoc } from './writeDoc';

const PROFILES = [
  ...(['rolled', 'indent-and-cradle', 'symmetric-oval', 'four-indent', 'hex'] as const),
  ...(['square', 'trapezoid', 'two-bite', 'contoured', 'window-indent'] as const),
];
const STRANDS = [7, 19, 24, 37, 61] as const;
/** Cuts of each kind, of seeds no bound was fitted on; and made-up micrographs of the demo shop's own. */
const TIMES = 6;
const FIRST_SEED = 101;
const OWN = 102;
const ROUNDS = 5;

const before = ({ strands, strandDiameter }: MicrographModel) => strands * (Math.PI / 4) * strandDiameter ** 2;

/** Time to read a section of 12 megapixels as a ratio to one pass that adds up the same pixels. */
export function benchSection(): { ratio: number; milliseconds: number; baseline: number } {
  const model = { ...SOUND_MICROGRAPH, width: 4000, height: 3000, pxPerMm: 1550 };
  const { picture } = makeMicrograph(model);
  const { data } = picture;
  const ours: number[] = [];
  const plain: number[] = [];
  let sink = 0;
  for (let round = 0; round < ROUNDS; round++) {
    let at = performance.now();
    let sum = 0;
    for (let i = 0; i < data.length; i += 4)
      sum += (data[i] as number) + (data[i + 1] as number) + (data[i + 2] as number);
    plain.push(performance.now() - at);
    at = performance.now();
    const result = readSection(picture);
    if (!result.ok) throw new Error(result.reasons[0]?.text ?? '');
    sink += sectionFigures(result.reading, model.pxPerMm, before(model)).metal + sum;
    ours.push(performance.now() - at);
  }
  if (!Number.isFinite(sink)) throw new Error('no result');
  return { ratio: median(ours) / median(plain), milliseconds: median(ours), baseline: median(plain) };
}

type Shown = Omit<KnownCut, 'turn'> & { readonly kind: string };

/** Of the demo shop's own generator: every mix of profile, strands, noise, light, blur and turn. */
function ownPicture(i: number): Shown {
  const strands = STRANDS[i % STRANDS.length] ?? 24;
  const model: MicrographModel = {
    ...SOUND_MICROGRAPH,
    ...{ width: 900, height: 800, pxPerMm: 390, seed: 7000 + i, strands },
    profile: PROFILES[(7 * i) % PROFILES.length] ?? 'rolled',
    strandDiameter: Math.sqrt((0.75 / strands) * (4 / Math.PI)),
    compression: 0.74 + 0.02 * (i % 12),
    voids: 0.01 + 0.012 * (i % 8),
    lean: 0.07 * (i % 4),
    turn: ((i * 37) % 360) - 180,
    noise: 2 + 3 * (i % 9),
    light: 0.05 * (i % 10),
    blur: i % 3,
  };
  return { kind: "the demo shop's own", pxPerMm: model.pxPerMm, wireArea: before(model), ...makeMicrograph(model) };
}

function* pictures(): Generator<Shown> {
  for (let i = 0; i < OWN; i++) yield ownPicture(i);
  for (const kind of Object.keys(KINDS)) {
    for (let seed = FIRST_SEED; seed < FIRST_SEED + TIMES; seed++) yield { kind, ...makeCut(kind, seed) };
  }
}

const MOST = { metal: 0.05, voids: 0.03, height: 0.03 };

interface Row {
  all: number;
  declined: Map<string, number>;
  /** Off by more than {@link MOST} beyond what is told. */
  wrong: number;
  counted: number;
  miscounted: number;
  ranges: number;
  outside: number;
  metal: number[];
  voids: number[];
  height: number[];
}

/** How far a value lies outside a range. */
const beyond = (value: number, low: number, high: number) => Math.max(0, low - value, value - high);

function judge({ picture, pxPerMm, wireArea, truth }: Shown, row: Row): void {
  row.all++;
  const result = readSection(picture);
  if (!result.ok) {
    const code = result.reasons[0]?.code ?? '';
    row.declined.set(code, (row.declined.get(code) ?? 0) + 1);
    return;
  }
  // Measured before the cut as calipers do: a little off.
  const measured = { height: 1.004 * truth.height, width: 0.996 * truth.width };
  const own = sectionFigures(result.reading, pxPerMm, wireArea, measured);
  const lines = own.lines ?? 0;
  const room = own.metal / (1 - own.voids);
  const off = {
    metal: beyond(truth.metal, own.metal, own.metal + lines * room) / truth.metal,
    voids: beyond(truth.voids, own.voids - lines, own.voids),
    height: beyond(truth.height, own.height, own.heightMost ?? own.height) / truth.height,
  };
  row.metal.push(Math.abs(own.metal / truth.metal - 1));
  row.voids.push(Math.abs(own.voids - truth.voids));
  row.height.push(Math.abs(own.height / truth.height - 1));
  if (off.metal > MOST.metal || off.voids > MOST.voids || off.height > MOST.height) row.wrong++;
  if (own.strands === 0) return;
  if (own.strandsMost === undefined) {
    row.counted++;
    if (own.strands !== truth.strands) row.miscounted++;
  } else {
    row.ranges++;
    if (truth.strands < own.strands || truth.strands > own.strandsMost) row.outside++;
  }
}

/** Sections of two generators, against the truth; the table of them is docs/sections.md. */
export async function benchSections(): Promise<void> {
  const rows = new Map<string, Row>();
  for (const shown of pictures()) {
    let row = rows.get(shown.kind);
    if (!row) {
      row = {
        ...{ all: 0, declined: new Map(), wrong: 0, counted: 0, miscounted: 0, ranges: 0, outside: 0 },
        ...{ metal: [], voids: [], height: [] },
      };
      rows.set(shown.kind, row);
    }
    judge(shown, row);
  }
  const sum = (of: (row: Row) => number) => [...rows.values()].reduce((total, row) => total + of(row), 0);
  const all = sum((row) => row.all);
  const read = sum((row) => row.metal.length);
  const share = (n: number, of: number) => (100 * n) / Math.max(1, of);
  const most = (values: readonly number[]) => (values.length ? `${(100 * Math.max(...values)).toFixed(1)}` : '');
  const percents = (of: (row: Row) => number[]) => {
    const sorted = [...rows.values()].flatMap(of).sort((a, b) => a - b);
    return [0.5, 0.95, 1].map((q) => (100 * (sorted[Math.ceil(q * sorted.length) - 1] ?? 0)).toFixed(1)).join(' / ');
  };
  const now = {
    declined: share(all - read, all),
    wrong: share(
      sum((row) => row.wrong),
      read,
    ),
    counted: share(
      sum((row) => row.counted),
      read,
    ),
    miscounted: share(
      sum((row) => row.miscounted),
      sum((row) => row.counted),
    ),
    ranged: share(
      sum((row) => row.ranges),
      read,
    ),
    missed: share(
      sum((row) => row.outside),
      sum((row) => row.ranges),
    ),
  };
  say(
    `sections of two generators, ${all} pictures            not read ${now.declined.toFixed(1)} of 100; of those read, silently wrong ${sum((row) => row.wrong)} (goal 0); metal off by ${percents((row) => row.metal)} %, voids by ${percents((row) => row.voids)} points, height by ${percents((row) => row.height)} % (median / 95th / most)`,
  );
  say(
    `  strands                                           one number in ${now.counted.toFixed(0)} of 100, wrong ${sum((row) => row.miscounted)}; a range in ${sum((row) => row.ranges)}, outside it ${sum((row) => row.outside)}`,
  );
  await writeDoc('sections.md', [
    '# Sections: how often they are right',
    '',
    'Written by `npm run bench -- accuracy`: pictures of two generators on seeds no bound was fitted on, turned any way, with height and width as they were measured before the cut. Metal in %, voids in points, height in %: the greatest error of those read. Silently wrong is off by more than 5 %, 3 points or 3 % beyond the range that is told.',
    '',
    '| kind | pictures | not read | silently wrong | metal | voids | height | strands told, wrong | as a range, outside it |',
    '|---|---|---|---|---|---|---|---|---|',
    ...[...rows].map(
      ([kind, row]) =>
        `| ${kind} | ${row.all} | ${[...row.declined].map(([code, n]) => `${n} ${code}`).join(', ') || '0'} | ${row.wrong} | ${most(row.metal)} | ${most(row.voids)} | ${most(row.height)} | ${row.counted}, ${row.miscounted} | ${row.ranges}, ${row.outside} |`,
    ),
  ]);
  const off = (['declined', 'wrong', 'counted', 'miscounted', 'ranged', 'missed'] as const).filter(
    (key) => Math.abs(now[key] - HOW_SURE_SECTION[key]) > (key === 'counted' || key === 'ranged' ? 4 : 1),
  );
  if (off.length) {
    say(
      `  THE APPLICATION SAYS OTHERWISE (core/src/look/section/howSureSection.ts): ${off.map((key) => `${key} ${HOW_SURE_SECTION[key]}, measured ${now[key].toFixed(1)}`).join('; ')}`,
    );
  }
}
