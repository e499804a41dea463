import {
  checkLookSheet,
  criteria,
  firstOpenPoint,
  firstRejectedPoint,
  judgeLook,
  judgeMark,
  judgePiece,
  lookHeadline,
  makeMicrograph,
  markAnswers,
  measureMark,
  mendSection,
  numberFinding,
  PLAIN_SHEET,
  POINT_UNITS,
  readPointNumber,
  readSection,
  sectionFigures,
  SOUND_MICROGRAPH,
  squareness,
  startingRows,
  asDrawn,
  faultsOf,
  spoil,
  type LookRow,
  type LookSheet,
  type PhotoMark,
} from '../../look';
import { boxAround } from '../../look/section/boxAround';
import { countGrains } from '../../look/section/countGrains';
import { closeMask, distances, fillHoles, largestPatch, openMask, openRound } from '../../look/section/masks';
import { uprightBox } from '../../look/section/uprightBox';
import { valleys } from '../../look/section/valleys';
import { computeSetUp } from '../../combination';
import { random } from '../../statistics';
import { FAMILIES } from '../../terminal';
import { familyContext } from '../families';
import { NOW } from '../shop';
import { tellAlike, whole } from './tell';
import { holdTold, type Lines, type Told } from './hold';
import approved from './looks.json';

/* What is seen, marked and measured of pieces, and the masks that sections are read by: each small enough to be looked through. */

// ── masks ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const COLUMNS = 24;
const ROWS = 16;
type Shape = (x: number, y: number) => boolean;
const disc =
  (cx: number, cy: number, r: number): Shape =>
  (x, y) =>
    (x + 0.5 - cx) ** 2 + (y + 0.5 - cy) ** 2 < r * r;
/** A box turned by so many degrees about its middle. */
const box =
  (cx: number, cy: number, width: number, height: number, degrees: number): Shape =>
  (x, y) => {
    const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
    const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    return Math.abs(dx * c + dy * s) <= width / 2 && Math.abs(dy * c - dx * s) <= height / 2;
  };
const speckled = (seed: number, share: number): Shape => {
  const dice = random(seed);
  const dots = Array.from({ length: COLUMNS * ROWS }, () => dice() < share);
  return (x, y) => dots[y * COLUMNS + x] === true;
};
const maskOf = (is: Shape, columns = COLUMNS, rows = ROWS) =>
  Uint8Array.from({ length: columns * rows }, (_, i) => (is(i % columns, Math.floor(i / columns)) ? 1 : 0));
const SHAPES: Readonly<Record<string, Shape>> = {
  nothing: () => false,
  everything: () => true,
  'a ring': (x, y) => disc(12, 8, 7)(x, y) && !disc(12, 8, 4)(x, y),
  'a ring cut by the edge': (x, y) => disc(2, 3, 7)(x, y) && !disc(2, 3, 4)(x, y),
  'two discs, touching': (x, y) => disc(7, 8, 5)(x, y) || disc(16, 8, 5)(x, y),
  'a disc and a thread': (x, y) => disc(7, 8, 5)(x, y) || y === 8,
  'turned by 30 degrees': box(12, 8, 14, 7, 30),
  specks: speckled(8, 0.25),
  'a sheet with holes': speckled(9, 0.85),
  corners: (x, y) => (x < 2 || x > 21) && (y < 2 || y > 13),
};
const drawn = (mask: Uint8Array, columns = COLUMNS) =>
  Array.from({ length: mask.length / columns }, (_, y) =>
    Array.from(mask.subarray(y * columns, (y + 1) * columns), (cell) => (cell ? '#' : '.')).join(''),
  );
/** Sums that change with any of the values and with their order. */
const numbersOf = (values: ArrayLike<number>) => {
  let [sum, mixed] = [0, 7];
  for (const each of Array.from(values)) {
    const value = Math.round(1000 * each);
    sum += value;
    mixed = (Math.imul(mixed, 31) + value) | 0;
  }
  return `${sum} ${mixed >>> 0}`;
};

const tellMasks = (is: Shape): Lines => {
  return () => {
    const mask = maskOf(is);
    const size = [COLUMNS, ROWS] as const;
    const made: Readonly<Record<string, Uint8Array>> = {
      'as it is': mask,
      'closed by 1': closeMask(mask, ...size, 1),
      'closed by 2': closeMask(mask, ...size, 2),
      'opened by 1': openMask(mask, ...size, 1),
      'opened by 2': openMask(mask, ...size, 2),
      'opened round': openRound(mask, ...size, 1.5),
      'its largest patch': largestPatch(mask, ...size),
      'its holes filled': fillHoles(mask, ...size),
    };
    const deep = distances(mask, ...size);
    const light = Float32Array.from(mask, (cell, i) => 100 * cell + ((i * 37) % 19));
    return [
      ...Object.entries(made).flatMap(([what, own]) => [what, ...drawn(own)]),
      `distances | deepest ${Math.max(...deep).toFixed(4)}, ${numbersOf(deep)}`,
      `valleys | deepest ${Math.max(...valleys(light, size[0], 2)).toFixed(4)}, ${numbersOf(valleys(light, size[0], 2))}, ${numbersOf(valleys(light, size[0], 3))}`,
      `box | ${whole({ is: boxAround(mask, ...size) })}`,
    ];
  };
};

const tellTurned = (): string[] =>
  [0, 12, 30, 46, 75, 90, 120].flatMap((degrees) => {
    const forms: Readonly<Record<string, Shape>> = {
      box: box(60, 50, 60, 38, degrees),
      'a box with a lug': (x, y) => box(60, 50, 60, 38, degrees)(x, y) || disc(60, 22, 6)(x, y),
      square: box(60, 50, 48, 48, degrees),
    };
    return Object.entries(forms).map(
      ([name, is]) => `${name} turned by ${degrees} | ${whole(uprightBox(maskOf(is, 120, 100), 120, 100))}`,
    );
  });

/** Grains laid out as the strands of a wire. */
const tellGrains = (): string[] => {
  const ring = (r: number, n: number) =>
    Array.from({ length: n }, (_, i) => [
      60 + r * Math.cos((2 * Math.PI * i) / n),
      50 + r * Math.sin((2 * Math.PI * i) / n),
    ]);
  const laid: Readonly<Record<string, Shape>> = {
    'seven apart': (x, y) => [[60, 50], ...ring(26, 6)].some(([cx = 0, cy = 0]) => disc(cx, cy, 10)(x, y)),
    'seven that touch': (x, y) => [[60, 50], ...ring(20, 6)].some(([cx = 0, cy = 0]) => disc(cx, cy, 11)(x, y)),
    'seven run together': (x, y) => [[60, 50], ...ring(14, 6)].some(([cx = 0, cy = 0]) => disc(cx, cy, 11)(x, y)),
    'six, one twice as large': (x, y) =>
      disc(60, 50, 18)(x, y) || ring(36, 6).some(([cx = 0, cy = 0]) => disc(cx, cy, 9)(x, y)),
    'three with crumbs': (x, y) =>
      ring(26, 3).some(([cx = 0, cy = 0]) => disc(cx, cy, 12)(x, y)) || ((x * 7 + y * 13) % 97 === 0 && x % 3 === 0),
    bars: (x, y) => y % 25 < 15 && x > 10 && x < 110,
    one: disc(60, 50, 30),
    none: () => false,
  };
  return Object.entries(laid).map(([name, is]) => {
    const mask = maskOf(is, 120, 100);
    const thinner = openRound(mask, 120, 100, 3);
    return `${name} | ${whole({ is: countGrains([mask], 120, 100) })} | by two masks ${whole({ is: countGrains([mask, thinner], 120, 100) })}`;
  });
};

/** A picture no larger than it has to be, read, turned and drawn over. */
function tellSmall(): string[] {
  const { picture } = makeMicrograph({ ...SOUND_MICROGRAPH, width: 300, height: 240, pxPerMm: 120 });
  const { width, height, data } = picture;
  const turned = { width: height, height: width, data: new Uint8ClampedArray(data.length) };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const to = 4 * (x * height + (height - 1 - y));
      const from = 4 * (y * width + x);
      for (let k = 0; k < 4; k++) turned.data[to + k] = data[from + k] as number;
    }
  }
  const blank = { width: 200, height: 200, data: new Uint8ClampedArray(160_000).fill(200) };
  const tiny = { width: 100, height: 200, data: new Uint8ClampedArray(80_000) };
  return [
    ...Object.entries({ small: picture, turned, blank, tiny }).flatMap(([name, own]) => {
      const result = readSection(own);
      if (!result.ok) return result.reasons.map((r) => `${name} | declined ${r.code}: ${r.text}`);
      const strokes = [
        { label: 'void' as const, radius: 3, points: [{ x: 150, y: 120 }] },
        {
          label: 'outside' as const,
          radius: 2,
          points: [
            { x: -5, y: 10 },
            { x: 60, y: 20 },
          ],
        },
      ];
      const drawnOver = mendSection(result.reading, strokes);
      const told = [result.reading, drawnOver].map((reading) => whole(sectionFigures(reading, 120, 0.754)));
      return [
        ...told.map((figures) => `${name} | ${figures}`),
        `${name} | ${numbersOf(result.reading.labels)} ${numbersOf(drawnOver.labels)} ${numbersOf(result.reading.cover)}`,
        ...[
          { height: 1.2, width: 1.9 },
          { height: 1.35, width: 1.5 },
          { height: 1.5, width: null },
          { height: 9, width: 1.5 },
        ].flatMap((measured) => {
          const figures = sectionFigures(result.reading, 120, 0.754, measured);
          return [
            `${name} beside ${whole(measured)} | ${whole(figures)}`,
            `${name} beside ${whole(measured)} | ${whole(squareness(figures, measured))}`,
          ];
        }),
      ];
    }),
  ];
}

// ── marks ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const at = (x: number, y: number) => ({ x, y });
const MARKS: Readonly<Record<string, Pick<PhotoMark, 'kind' | 'points'>>> = {
  'a length': { kind: 'length', points: [at(10, 10), at(630, 10)] },
  'a length of nothing': { kind: 'length', points: [at(10, 10), at(10, 10)] },
  'half a length': { kind: 'length', points: [at(10, 10)] },
  'an angle': { kind: 'angle', points: [at(100, 0), at(0, 0), at(100, 20)] },
  'an angle over the back': { kind: 'angle', points: [at(-100, 10), at(0, 0), at(-100, -10)] },
  'an angle without an arm': { kind: 'angle', points: [at(0, 0), at(0, 0), at(100, 20)] },
  'an angle without its other arm': { kind: 'angle', points: [at(3, 0), at(0, 0), at(0, 0)] },
  'a circle': { kind: 'circle', points: [at(0, 0), at(200, 0), at(100, 100)] },
  'a circle in a line': { kind: 'circle', points: [at(0, 0), at(100, 0), at(200, 0)] },
  'an area': { kind: 'area', points: [at(0, 0), at(300, 0), at(300, 200), at(0, 200)] },
  'an area the other way': { kind: 'area', points: [at(0, 200), at(300, 200), at(300, 0), at(0, 0)] },
};
const SCALES = {
  none: null,
  good: { from: at(0, 0), to: at(310, 0), length: 1 },
  'of nothing': { from: at(0, 0), to: at(0, 0), length: 1 },
};
const tellMarks = (): string[] => [
  ...Object.entries(MARKS).flatMap(([name, mark]) =>
    Object.entries(SCALES).map(([scale, own]) => `${name}, scale ${scale} | ${whole({ is: measureMark(mark, own) })}`),
  ),
  ...(['length', 'angle', 'circle', 'area'] as const).map(
    (kind) => `${kind} | ${POINT_UNITS.map((unit) => markAnswers(kind, unit)).join(' ')}`,
  ),
];

const CONTACT = familyContext('sealed-contact');
const lookOf = () => {
  const { look } = computeSetUp(CONTACT, [], NOW);
  if (!look) throw new Error('nothing to look at');
  return look;
};
const tellJudgedMarks = (): string[] => {
  const points = criteria(lookOf());
  return points.flatMap((point) =>
    [0.5, 0.99, 1, 1.01, 2].map((share) => {
      const to = (point.number ? (point.number.range.min + point.number.range.max) / 2 : 1) * share * 310;
      const mark = { kind: 'length' as const, point: point.code, points: [at(0, 0), at(to, 0)], note: '' } as PhotoMark;
      return `${point.code} at ${share} | ${whole({ is: judgeMark(mark, SCALES.good, points) })}`;
    }),
  );
};

// ── looks ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const rows = (change: (row: LookRow) => Partial<LookRow> | null): LookRow[] =>
  startingRows().flatMap((row) => {
    const own = change(row);
    return own ? [{ ...row, ...own }] : [];
  });
const sheet = (changes: Partial<LookSheet>): LookSheet => ({
  ...PLAIN_SHEET,
  ...{ document: 'LOOK', revision: 'A', effectiveFrom: '2026-11-25', effectiveUntil: null, rows: startingRows() },
  ...changes,
});
const SHEETS: Readonly<Record<string, LookSheet>> = {
  'as it starts': sheet({}),
  'that ends before it begins': sheet({ effectiveUntil: '2026-11-24' }),
  'that ends today': sheet({ effectiveUntil: '2026-11-25' }),
  'without points': sheet({ rows: [] }),
  'with a point twice': sheet({ rows: [...startingRows(), ...startingRows().slice(0, 2)] }),
  'with a point for a family twice': sheet({
    rows: [
      ...startingRows(),
      ...startingRows()
        .slice(0, 1)
        .map((row) => ({ ...row, families: ['lug' as const, 'lug' as const] })),
    ],
  }),
  'where nothing is good': sheet({ rows: rows(() => ({ findings: ['reject'] })) }),
  'where nothing is bad': sheet({ rows: rows(() => ({ findings: ['accept', 'note'] })) }),
  'where all is measured': sheet({ rows: rows(() => ({ measured: 'each' })) }),
  'with ranges': sheet({ rows: rows(() => ({ min: 1, max: 2 })) }),
  'with ranges turned round': sheet({
    rows: rows(({ measured }) => ({ min: measured === 'never' ? null : 2, max: 1 })),
  }),
  'with one end of a range, by eye': sheet({ rows: rows(() => ({ measured: 'never', min: 1 })) }),
  'with the other end, by eye': sheet({ rows: rows(() => ({ measured: 'never', max: 1 })) }),
  'that accepts what is outside': sheet({ rows: rows(() => ({ outside: 'accept' })) }),
  'that reworks what is outside': sheet({ rows: rows(() => ({ outside: 'rework', measured: 'may' })) }),
};
const tellSheets = (): string[] =>
  Object.entries(SHEETS).flatMap(([name, own]) => {
    const today = name === 'that ends before it begins' ? '2026-11-26' : '2026-11-25';
    return tellAlike(
      checkLookSheet(own, today).map(({ row, field, weight, text }) => [`${field} ${weight}: ${text}`, row] as const),
    ).map(([said, at]) => `${name} | ${said} | rows ${at.join(' ')}`);
  });

const OUT = { range: { min: 1, max: 2 }, outside: 'reject', mends: { min: 2, max: 2.2 } } as const;
const tellNumbers = (): string[] => [
  ...[0.99, 1, 1.5, 2, 2.0000000001, 2.1, 2.21].map(
    (value) => `${value} | ${numberFinding(value, OUT)}, ${numberFinding(value, { ...OUT, mends: null })}`,
  ),
  ...POINT_UNITS.flatMap((unit) =>
    ['1.8', '0.071 in', '12°', '7 strands', '1 strand', '5 %', '3 mm', 'x', '', ' 4 '].map(
      (text) => `'${text}' in ${unit} | ${whole(readPointNumber(text, unit))}`,
    ),
  ),
];

const DEGREES = ['borderline', 'wrong'] as const;
/** Pieces with each of their faults, as an inspector who misses nothing finds them. */
const tellFaults = (): string[] =>
  FAMILIES.flatMap((family) => {
    const { look } = computeSetUp(familyContext(family), [], NOW);
    if (!look) return [];
    const points = criteria(look);
    const told = (piece: ReturnType<typeof asDrawn>) =>
      [...judgePiece(look, points, piece)]
        .filter(([, finding]) => finding !== 'accept')
        .map(([code, finding]) => `${code} ${finding}`)
        .join(', ') || 'nothing';
    return [
      `${family} | as drawn: ${told(asDrawn(look))}`,
      ...faultsOf(look).flatMap((fault) =>
        DEGREES.map(
          (degree) => `${family} | ${fault.code}, ${degree}: ${told(spoil(fault, asDrawn(look), look, degree))}`,
        ),
      ),
    ];
  });

/** Looks thrown by dice: what each piece comes to, and what is asked next. */
function tellLooks(seed: number): string[] {
  const dice = random(seed);
  const points = criteria(lookOf(), sheet({ rows: startingRows() }));
  const lines: string[] = [];
  for (let turn = 0; turn < 8; turn++) {
    const [findings, numbers]: [
      { piece: number; criterion: string; finding: 'accept' | 'reject' | 'note' | 'rework' }[],
      { piece: number; what: string; value: number }[],
    ] = [[], []];
    for (const piece of [1, 2, 3]) {
      if (dice() < 0.15) findings.push({ piece, criterion: 'as-drawn', finding: 'accept' });
      for (const { key, findings: allowed, number } of points) {
        const bad = allowed[1 + Math.floor(dice() * (allowed.length - 1))];
        if (dice() < 0.9) findings.push({ piece, criterion: key, finding: dice() < 0.96 || !bad ? 'accept' : bad });
        if (number && dice() < 0.8)
          numbers.push({
            piece,
            what: key,
            value: number.range.min + (number.range.max - number.range.min) * (dice() < 0.9 ? dice() : 1.4),
          });
      }
    }
    const look = judgeLook(points, { findings, numbers, count: 3, measured: turn % 4 } as never);
    const next = firstOpenPoint(look, 2);
    lines.push(
      `${turn} | ${look.state} | ${look.pieces.join(', ')} | next ${whole({ next, rejected: firstRejectedPoint(look) })} | ${lookHeadline(look, next ? points[next.point] : undefined, next?.piece ?? 1)}`,
      ...look.reasons.map((r) => `${turn} | ${r.weight} ${r.code}: ${r.text} ${whole(r.numbers)}`),
    );
  }
  return lines;
}

const told: Told = new Map<string, Lines>([
  ...Object.entries(SHAPES).map(([name, is]): [string, Lines] => [`masks: ${name}`, tellMasks(is)]),
  ['pieces that lie turned', tellTurned],
  ['grains', tellGrains],
  ['a small picture', tellSmall],
  ['marks', tellMarks],
  ['marks beside their points', tellJudgedMarks],
  ['sheets to look by', tellSheets],
  ['numbers of points', tellNumbers],
  ['faults', tellFaults],
  ...[1, 2].map((seed): [string, Lines] => [`looks ${seed}`, () => tellLooks(seed)]),
]);

holdTold({ in: 'looks', of: 'what is seen of a piece' }, told, approved);
