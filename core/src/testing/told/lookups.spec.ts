import {
  CATALOGUE_KINDS,
  CATALOGUES,
  compareParts,
  countChanges,
  familyHas,
  familyStart,
  FIELD_GROUPS,
  headingsLeft,
  indexParts,
  readPart,
  readPartTable,
  searchParts,
  writePart,
  writePartTable,
} from '../../catalogue';
import { connectorSchema } from '../../connector';
import { judgeCombination } from '../../combination';
import { ofCurrentRun } from '../../entry';
import { PLAIN_SHEET, startingRows } from '../../look';
import { orderEnds } from '../../loom';
import type { SlideOnPart } from '../../prepare';
import { FAMILIES, readStamp, terminalSchema, type Terminal } from '../../terminal';
import { toolSchema } from '../../tool';
import {
  caliperedWire,
  conductorSizeSchema,
  describeConstruction,
  otherScale,
  PACKINGS,
  printedWire,
  readJacket,
  readSize,
  whatWire,
  wireSchema,
  type Wire,
} from '../../wire';
import { construction } from '../../wire/construction';
import { sizesWithin } from '../../wire/sizesWithin';
import { Bench } from '../bench';
import { everyTool, families, fourIndent, wireRound } from '../families';
import { running } from '../lotBench';
import { checkAt, limitRow, limitTable, stripper, wire075, wireOf } from '../shop';
import { tellParsed, tellReason, whole } from './tell';
import { holdTold, type Lines, type Told } from './hold';
import approved from './lookups.json';

/* What is looked up: parts by words, side by side and from tables; wires by what is seen of them; ends of a loom in their order; and
   what a release lapses by. */

const TERMINALS = FAMILIES.map((family): Terminal => families[family]);
const WIRES: readonly Wire[] = [
  wire075,
  wireRound,
  wireOf(
    { strands: 19, strandDiameter: 0.2, size: { scale: 'awg', value: 20 } },
    { part: 'W-AWG', insulationDiameter: 2 },
  ),
  wireOf({ kind: 'solid', strands: 1, strandDiameter: 1.38 }, { part: 'W-SOLID', insulation: 'XLPE' }),
  wireOf({ strands: 7, strandDiameter: 0.4, material: 'tinned-copper' }, { part: 'W-TIN', insulationDiameter: 2.8 }),
];
const TUBE: SlideOnPart = {
  ...{ part: 'TU', label: 'shrink tube', kind: 'shrink-tube', suppliedBore: 6, recoveredBore: 2, outerDiameter: 6.8 },
  ...{ length: 30, longitudinalShrink: 0.08, adhesive: true, heat: { min: 120, max: 180 }, wireRange: null },
  ...{ temperature: 105, wayRound: null },
};

// ── parts ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const QUESTIONS: readonly string[] = [
  '',
  ' ',
  'ring',
  'F0',
  'LUG m8',
  'socket  seal',
  'copper 1 mm',
  'M4 butted',
  'blue',
  'nothing',
];
const tellSearches = (): string[] => {
  const [terminals, wires] = [indexParts('terminal', TERMINALS), indexParts('wire', WIRES)];
  const [tools, tubes] = [indexParts('tool', [everyTool, fourIndent]), indexParts('covering', [TUBE])];
  return [
    ...terminals.words.map((words) => `words | ${words}`),
    ...[...wires.words, ...tools.words, ...tubes.words].map((words) => `words | ${words}`),
    ...QUESTIONS.map(
      (text) =>
        `'${text}' | ${searchParts(terminals, text)
          .map(({ part }) => part)
          .join(' ')} | ${searchParts(wires, text)
          .map(({ part }) => part)
          .join(' ')}`,
    ),
    ...['awg', 'solid tinned', 'tinned', 'xlpe', 'tube', 'tool'].map(
      (text) =>
        `'${text}' | ${[searchParts(wires, text), searchParts(tools, text), searchParts(tubes, text)].map((found) => found.map(({ part }) => part).join(' ')).join(' | ')}`,
    ),
  ];
};

const tellCompared = (): string[] => {
  const differing = <K extends 'terminal' | 'wire' | 'tool'>(
    kind: K,
    a: Parameters<typeof compareParts<K>>[1],
    b: typeof a,
  ) =>
    compareParts(kind, a, b).map(
      ({ title, unit, a: x, b: y, differs }) =>
        `${kind} | ${title}${unit ? `, ${unit}` : ''}: ${JSON.stringify(x)}${differs ? ` differs from ${JSON.stringify(y)}` : ''}`,
    );
  return [
    ...differing('terminal', families['sealed-contact'], families['machined-contact']),
    ...differing('wire', wire075, wireRound),
    ...differing('tool', everyTool, fourIndent),
    whole(countChanges('wire', [wire075, wireRound], [wire075, { ...wireRound, label: 'another' }, ...WIRES.slice(2)])),
    whole(countChanges('wire', [], [])),
  ];
};

const PARTS = {
  terminal: TERMINALS,
  wire: WIRES,
  tool: [everyTool, fourIndent],
  stripper: [stripper],
  covering: [TUBE],
  connector: [],
} as const;
/** Every kind written as cells and read back; in inches as well. */
const tellCells = (): string[] =>
  CATALOGUE_KINDS.flatMap((kind) =>
    PARTS[kind].flatMap((part) => {
      const cells = writePart(kind, part as never);
      const read = readPart(kind, cells);
      const inches = readPart(kind, cells, () => ({ unit: 'in', isFixed: false }));
      const of = ({ ...found }: typeof read) => whole(found);
      return [
        `${part.part} | ${whole(cells)}`,
        `${part.part} | ${of(read) === whole({ ok: true, part }) ? 'read as it was written' : of(read)}`,
        `${part.part} in inches | ${of(inches)}`,
      ];
    }),
  );

/** What is missing, half said or contradicts itself in the form of one part. */
function tellForms(): string[] {
  const written = writePart('terminal', families['sealed-contact']);
  return [
    ...Object.keys(written.cells).flatMap((path) =>
      ['', 'x', '-1', '0', '99999'].map((wrong) => {
        const read = readPart('terminal', { ...written, cells: { ...written.cells, [path]: wrong } });
        return `${path} '${wrong}' | ${read.ok ? 'taken' : read.problems.map((problem) => whole(problem)).join(' ')}`;
      }),
    ),
    ...Object.entries(written.tables).flatMap(([path, rows]) =>
      rows.flatMap((row, at) =>
        Object.keys(row).flatMap((cell) =>
          ['', 'x', '-1'].map((wrong) => {
            const tables = { ...written.tables, [path]: rows.with(at, { ...row, [cell]: wrong }) };
            const read = readPart('terminal', { ...written, tables });
            return `${path} ${at} ${cell} '${wrong}' | ${read.ok ? 'taken' : read.problems.map((problem) => whole(problem)).join(' ')}`;
          }),
        ),
      ),
    ),
  ];
}

const tellTables = (): string[] => {
  const [head = [], ...rows] = writePartTable('terminal', TERMINALS.slice(0, 3));
  const other = head.map((title) => title.toUpperCase());
  const tables: Readonly<Record<string, string[][]>> = {
    'in capitals': [other, ...rows],
    'a part twice': [head, ...rows, ...rows.slice(0, 1)],
    'an empty row': [head, ...rows, head.map(() => '')],
    'a column twice': [[...head, head[0] ?? ''], ...rows.map((row) => [...row, ''])],
    'an unknown column': [[...head, 'moon'], ...rows.map((row) => [...row, 'full'])],
    'no number': [head, ['', ...(rows[0] ?? []).slice(1)]],
    'a header alone': [head],
    nothing: [],
  };
  return [
    ...CATALOGUE_KINDS.map((kind) => `${kind} | ${(writePartTable(kind, [])[0] ?? []).join('; ')}`),
    ...Object.entries(tables).map(([name, table]) => {
      const read = readPartTable('terminal', table);
      return `${name} | ${read.ok ? `${read.parts.length} parts` : read.problems.map((problem) => whole(problem)).join(' ')} | ${headingsLeft('terminal', table[0] ?? []).join('; ')}`;
    }),
    `in inches | ${whole(
      readPartTable('wire', [
        ['Part', 'Insulation diameter in'],
        ['W', '0.1'],
      ]),
    )}`,
  ];
};

const tellFields = (): string[] => [
  ...CATALOGUE_KINDS.flatMap((kind) => [
    ...CATALOGUES[kind].columns.map((column) => `${kind} | ${whole(column)}`),
    ...CATALOGUES[kind].tables.map(
      ({ title, path, columns }) => `${kind} | ${title} ${path}: ${columns.map((column) => whole(column)).join(' ')}`,
    ),
    ...FIELD_GROUPS[kind].map((group) => `${kind} | ${whole(group)}`),
  ]),
  ...FAMILIES.map((family) => `${family} | ${whole(familyStart(family))}`),
  ...FAMILIES.map(
    (family) =>
      `${family} has | ${CATALOGUES.terminal.columns
        .filter(({ path }) => familyHas(family, path))
        .map(({ path }) => path)
        .join(' ')}`,
  ),
];

/** Every two numbers that stand on parts, with what may stand beside them: how they can be read. */
const NUMBERS: readonly string[] = ['0.5', '1.25', '2', '5', '5.5', '8', '12', '16', '22', '4/0'];
const BESIDE: readonly string[] = ['', ' 8', ' M5', ' 1/4', ' 2.5 mm2', ' AWG'];
const tellStamps = (): string[] => {
  const how = (text: string) => {
    const { readings, contradiction } = readStamp(text);
    return [...readings.map((r) => `${r.wire} ${r.stud ?? '-'} (${r.how})`), contradiction ?? '']
      .filter(Boolean)
      .join(' | ');
  };
  const pairs = NUMBERS.flatMap((one) => NUMBERS.filter((two) => two !== one).map((two) => `${one}-${two}`));
  const all = [
    ...pairs.flatMap((pair) => BESIDE.map((beside) => `${pair}${beside}`)),
    ...pairs
      .filter((_, i) => i % 4 === 0)
      .flatMap((one) => ['12-10', '1.5-2.5', '2-5'].flatMap((two) => [`${one} ${two}`, `M4 ${one} ${two}`])),
    ...NUMBERS.flatMap((one) =>
      ['', ' M8', ' #6', ' 3/8', ' 6', ' NO.10', ' x', ' 8 10'].flatMap((beside) => [
        `${one}${beside}`,
        `${beside} ${one}mm2`,
      ]),
    ),
    ...[
      '1-2-3',
      '1-2 3-4 5-6',
      '1 2 3',
      '8 x-y',
      'M4',
      'M4.5',
      '#7',
      '5/16',
      '14–16',
      '0,5-1,0',
      '22-18 # 8',
      '16-14 M 5',
      '6 "',
    ],
  ];
  // What cannot be read in any way is told once.
  const none = all.filter((text) => how(text) === '');
  return [
    ...all.flatMap((text) => (how(text) ? [`'${text}' | ${how(text)}`] : [])),
    `in no way | ${none.map((text) => `'${text}'`).join(' ')}`,
  ];
};

/** What a terminal or a tool may not say of itself. */
const tellContradictions = (): string[] => {
  const [contact, lug] = [families['sealed-contact'], families.lug];
  const size = (value: number) => ({ scale: 'mm2' as const, value });
  const terminals: Readonly<Record<string, object>> = {
    'as it is': contact,
    'as wide inside as outside': { ...contact, barrel: { ...contact.barrel, innerDiameter: 3.3 } },
    'grips without a distance': { ...contact, barrel: { ...contact.barrel, betweenGrips: null } },
    'a stop without a depth': { ...lug, barrel: { ...lug.barrel, stripRule: 'stop', depth: null, length: null } },
    'a stop with a length': { ...lug, barrel: { ...lug.barrel, stripRule: 'stop', depth: null } },
    'a range turned round': { ...contact, conductorRange: { smallest: size(2), largest: size(1) } },
    'a range of one': { ...contact, conductorRange: { smallest: size(2), largest: size(2) } },
    'a second range on two scales': {
      ...contact,
      otherRange: { smallest: { scale: 'awg', value: 18 }, largest: size(2) },
    },
    'a second range on the first scale': { ...contact, otherRange: { smallest: size(1), largest: size(2) } },
    'insulation turned round': { ...contact, insulationRange: { min: 3, max: 2 } },
    'a bite that ends before it begins': { ...lug, sheetBites: [{ from: 6, to: 5 }] },
    'a bite of nothing': { ...lug, sheetBites: [{ from: 5, to: 5 }] },
    'more bites than bands': { ...lug, bites: 3, sheetBites: [{ from: 1, to: 5 }] },
    'as many bites as bands': { ...lug, bites: 1, sheetBites: [{ from: 1, to: 5 }] },
    'a die turned round': { ...lug, dieDimensions: [{ index: '16', across: 'flats', from: 9, to: 8 }] },
    'a die of one size': { ...lug, dieDimensions: [{ index: '16', across: 'flats', from: 9, to: 9 }] },
  };
  const gauges = [
    { setting: '3', go: 2, noGo: 2.1 },
    { setting: '3', go: 2.1, noGo: 2 },
    { setting: '3', go: 2, noGo: 2 },
  ];
  return [
    ...Object.entries(terminals).map(([name, one]) => {
      const read = terminalSchema.safeParse(one);
      return `${name} | ${tellParsed(read, 'a terminal')}`;
    }),
    ...gauges.map((gauge) => {
      const dies = everyTool.dies.map((die) => ({ ...die, nests: die.nests.map((nest) => ({ ...nest, gauge })) }));
      const read = toolSchema.safeParse({ ...everyTool, dies });
      return `${whole(gauge)} | ${tellParsed(read, 'a tool', 1)}`;
    }),
    ...[
      { cavities: [{ id: '1', column: 1, row: 1, terminals: [] }] },
      { cavities: [] },
      {
        cavities: [
          { id: '1', column: 1, row: 1, terminals: [] },
          { id: '1', column: 2, row: 1, terminals: [] },
        ],
      },
      {
        cavities: [
          { id: '1', column: 1, row: 1, terminals: [] },
          { id: '2', column: 1, row: 1, terminals: [] },
        ],
      },
    ].map((own) => {
      const read = connectorSchema.safeParse({
        part: 'C',
        label: 'connector',
        maker: 'Larkspur Stampings',
        lock: null,
        sheet: null,
        ...own,
      });
      return `${own.cavities.map(({ id, column }) => `${id} at ${column}`).join(', ')} | ${tellParsed(read, 'a connector')}`;
    }),
  ];
};

// ── wires ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const tellSeen = (): string[] => [
  ...[1.1, 1.2, 1.38, 1.5, 1.7, 2.6].flatMap((diameter) =>
    PACKINGS.flatMap((packing) =>
      [0.01, 0.1].map(
        (uncertainty) =>
          `${diameter} within ${uncertainty}, ${packing} | ${whole({ is: caliperedWire({ diameter, uncertainty, packing }, WIRES) })}`,
      ),
    ),
  ),
  ...[
    [7, 0.5, 0.01, 3],
    [7, 0.5, 0.01, 2.5],
    [7, 0.49, 0.005, null],
    [24, 0.2, 0.002, 2.2],
    [23, 0.2, 0.002, 2.2],
    [1, 1.38, 0.01, null],
    [100, 2, 0.1, 20],
    [1, 0.01, 0.001, null],
  ].map(
    ([strands, d, u, i]) =>
      `${strands} x ${d} | ${whole(whatWire({ strands: strands ?? 1, strandDiameter: d ?? 1, uncertainty: u ?? 0, insulationDiameter: i ?? null }, WIRES))}`,
  ),
  ...[0.004, 0.1, 0.75, 0.754, 1.374, 1.5, 120, 2000].map(
    (area) => `${area} mm² | ${whole(sizesWithin(area, area * 0.95, area * 1.05))}`,
  ),
];

const JACKETS: readonly string[] = [
  ...[
    'AWG 18 PVC 105C 600V',
    '18 AWG 1.0 MM2 300V',
    '0.75 mm2 AWG 18 AWG 20',
    '24x0.20 0.75',
    '24/0.2',
    '19/32 AWG 20',
    '7 STRANDS 0.5',
  ],
  ...[
    'TINNED COPPER 0.75',
    'XLPE 1.5 90°C -40C',
    '600 V 300 V',
    '3G1.5',
    '2X0.75',
    'size 8',
    '105 C 221 F',
    '0x0.2 1.5',
    '1x0 1.5',
    '',
  ],
];
const tellJackets = (): string[] =>
  JACKETS.flatMap((text) => {
    const read = readJacket(text);
    return [`'${text}' | ${whole(read)}`, `'${text}' | ${whole({ is: printedWire(read, WIRES) })}`];
  });

const tellSizes = (): string[] => [
  ...['0.005', '0.0049', '1000', '1000.1', '24/0.2', '24 x 0.2', '1.5mm²', 'awg-1', 'AWG 3/0', 'mm2', '-2', '0'].map(
    (text) => {
      const size = readSize(text);
      return `'${text}' | ${whole({ size, other: size && otherScale(size) })}`;
    },
  ),
  ...[0.01, 0.05, 0.75, 1.5, 95, 200, 900].map(
    (value) => `${value} mm² | ${whole(otherScale({ scale: 'mm2', value }))}`,
  ),
  ...[-3, 0, 1, 18, 40].map((value) => `AWG ${value} | ${whole(otherScale({ scale: 'awg', value }))}`),
  ...[
    { strands: 24, strandDiameter: 0.2 },
    { strands: 24, area: 0.75 },
    { strandDiameter: 0.2, area: 0.75 },
    { area: 0.75 },
    { strands: 0, strandDiameter: 0.2 },
    {},
  ].map((known) => `${whole(known)} | ${whole({ is: construction(known) })}`),
  ...WIRES.map(({ part, conductor }) => `${part} | ${describeConstruction(conductor).join(' | ')}`),
  ...[
    { scale: 'awg', value: 41 },
    { scale: 'awg', value: -3 },
    { scale: 'awg', value: 60 },
    { scale: 'awg', value: 61 },
    { scale: 'awg', value: 1.5 },
    { scale: 'mm2', value: 1.5 },
    { scale: 'mm2', value: 0 },
    { scale: 'mm2', value: 61 },
  ].map((size) => {
    const read = conductorSizeSchema.safeParse(size);
    return `${whole(size)} | ${tellParsed(read, 'a size')}`;
  }),
  ...[
    { kind: 'solid', strands: 1 },
    { kind: 'solid', strands: 7 },
    { strands: 0 },
    { strandDiameter: 0 },
    { kind: 'moon' },
  ].map((changes) => {
    const read = wireSchema.safeParse({ ...wire075, conductor: { ...wire075.conductor, ...changes } });
    return `${whole(changes)} | ${tellParsed(read, 'a wire')}`;
  }),
];

// ── looms ────────────────────────────────────────────────────────────────────────────────────────────────────────────

const tellEnds = (): string[] => {
  const ends = ['bare-terminal', 'open-barrel-contact', 'sealed-contact', 'window-splice', 'lug'] as const;
  const bores: readonly (number | null)[] = [null, 3, 8];
  const coverings = (bore: number | null) =>
    new Map(
      bore === null ? [] : ['IN', 'SE', 'TU'].map((part) => [part, { ...TUBE, part, suppliedBore: bore }] as const),
    );
  return bores.flatMap((bore) =>
    ends.flatMap((a) =>
      [...ends, null].flatMap((b) => {
        const end = (family: (typeof ends)[number] | null, joined = false) => ({
          terminal: family && families[family],
          joined,
        });
        const { first, why, steps, reasons } = orderEnds(
          wireRound,
          end(a),
          end(b, b === 'window-splice'),
          coverings(bore),
        );
        return [
          `${a}, ${b ?? 'nothing'}, bore ${bore} | ${first}: ${why}`,
          `${a}, ${b ?? 'nothing'}, bore ${bore} | ${steps.map(({ end: at, does, text }) => `${at} ${does} ${text}`).join(' | ')}`,
          ...reasons.map((each) => tellReason(`${a}, ${b ?? 'nothing'}, bore ${bore}`, each)),
        ];
      }),
    ),
  );
};

// ── releases ─────────────────────────────────────────────────────────────────────────────────────────────────────────

/** What changes under a released set-up, and what its release lapses by. */
function tellLapses(): string[] {
  const from = running();
  const { context } = from;
  const revisions = (changes: object) => ({ ...context.newest, ...changes });
  const changes: Readonly<Record<string, Partial<typeof context>>> = {
    nothing: {},
    'no table': { limits: [] },
    'another revision of the table': { limits: context.limits.map((each) => ({ ...each, revision: 'D' })) },
    'a limit above the readings': { limits: [{ ...limitTable, rows: [limitRow(1.5, { force: 200 })] }] },
    'a newer terminal': { newest: revisions({ terminal: 2 }) },
    'a newer wire': { newest: revisions({ wire: 3 }) },
    'newer rules': { newest: revisions({ practice: 2 }) },
    'all newer': { newest: revisions({ terminal: 2, wire: 2, practice: 2 }) },
    'a tool that failed its check': { checks: [...context.checks, checkAt(from.now, true, false)] },
    'a tool that is gone': { tools: context.tools.slice(1) },
    'a tool not checked': { checks: [] },
    'a tool taken from another die': { tools: context.tools.map((tool) => ({ ...tool, dies: [] })) },
    'a sheet to look by': {
      looks: [
        {
          ...PLAIN_SHEET,
          document: 'LOOK',
          class: '2',
          effectiveFrom: '2026-01-01',
          status: 'released',
          rows: startingRows(),
        } as never,
      ],
    },
    'other wires beside it': { newest: revisions({ together: [4], opposite: [5] }) },
    'other house rules': { practice: { ...context.practice, setUpPieces: 3 } },
  };
  return Object.entries(changes).flatMap(([name, own]) => {
    const later = new Bench({ ...context, ...own });
    // As if it had been released with wires beside it, where they have changed.
    const beside = own.newest?.together.length ? { together: [1], opposite: [1] } : {};
    for (const entry of ofCurrentRun(from.entries)) {
      const { body } = entry;
      const stands =
        body.kind === 'release' ? { ...body.stands, revisions: { ...body.stands.revisions, ...beside } } : null;
      later.entries.push(stands ? { ...entry, body: { ...body, stands } as typeof body } : entry);
    }
    const { release, verdict, headline, holding } = judgeCombination(
      later.setUp,
      later.entries,
      later.context,
      later.now,
    );
    return [
      `${name} | ${verdict}: ${headline} | ${release.state} by ${release.by ?? 'nobody'}`,
      ...holding.map(({ stage, text }) => `${name} | holds ${stage}: ${text}`),
      ...release.reasons.map((each) => tellReason(name, each)),
    ];
  });
}

const told: Told = new Map<string, Lines>([
  ['parts that are searched', tellSearches],
  ['parts side by side', tellCompared],
  ['parts as cells', tellCells],
  ['a form with faults', tellForms],
  ['tables of parts', tellTables],
  ['fields of parts', tellFields],
  ['wires that are seen', tellSeen],
  ['jackets', tellJackets],
  ['sizes and constructions', tellSizes],
  ['stamps', tellStamps],
  ['what contradicts itself', tellContradictions],
  ['ends of a loom', tellEnds],
  ['what a release lapses by', tellLapses],
]);

holdTold({ in: 'lookups', of: 'what is looked up' }, told, approved);
