import { compareSetUps, computeSetUp, type SetUpContext } from '../../combination';
import type { Practice } from '../../practice';
import { FAMILIES, type Family, type Terminal } from '../../terminal';
import type { Nest, Tool, ToolKind } from '../../tool';
import { everyTool, families, familyContext, fourIndent, wireRound } from '../families';
import { dry, limitRow, limitTable, NOW, practice, stripper, wet, wireOf } from '../shop';
import { tellChange, tellSetUp } from './tell';
import { holdTold, type Told } from './hold';
import approved from './setUps.json';

/* Set-ups whose every word is read and approved: each family as the house makes it, by the other schools, with other tools,
   and with each thing that a sheet may ask for. */

/** Every choice of a practice the other way, as far as there are two. */
const OTHER: Partial<Practice> = {
  lay: 'slight-twist',
  strandsHurt: 'none',
  strayStrand: 'snipped',
  foldedEdge: 'none',
  insulatedParts: 'insulated',
  strainRelief: 'long-tube',
  insulatorOrder: 'after-strip',
  slightBow: 'straightened',
  mounting: 'by-steps',
  secondStroke: 'once-stopped',
  biteSteps: 'by-steps',
  loading: 'by-steps',
  covering: 'by-steps',
  brush: 'fixed',
  gap: 'butted',
  thinWire: 'fold-back',
  twoGrips: 'conductor-first',
  secondBite: 'turned-90',
  spliceBites: 'centre-out-two',
  brazedSeam: 'any-side',
  looseInNest: 'step-down',
  sealingHeat: 'flame',
  adhesive: 'always',
  solder: 'trace-at-tip',
  toolPolicy: 'suitable-by-geometry',
  pullEvidence: 'as-made',
  lookRecord: 'whole-piece',
  acceptance: 'minimum-only',
  setUpReleasedBy: 'second-person',
};
/** The third way where there is one. */
const THIRD: Partial<Practice> = {
  insulatedParts: 'bare-and-tube',
  secondStroke: 'forming',
  brush: 'just-visible',
  gap: 'required',
  thinWire: 'fold-always',
  solder: 'drawn-in',
  acceptance: 'group-only',
};

const withNests = (tool: Tool, change: (nest: Nest) => Partial<Nest>): Tool => ({
  ...tool,
  dies: tool.dies.map((die) => ({ ...die, nests: die.nests.map((nest) => ({ ...nest, ...change(nest) })) })),
});
/** Both tools changed alike. */
const tools = (tool: Partial<Tool>, nest: (nest: Nest) => Partial<Nest> = () => ({})): Partial<SetUpContext> => ({
  tools: [everyTool, fourIndent].map((each) => withNests({ ...each, ...tool }, nest)),
});
const ofKind = (kind: ToolKind) => tools({ kind });
const terminal = (family: Family, changes: Partial<Terminal>): Partial<SetUpContext> => ({
  terminal: { ...families[family], ...changes },
});
const barrel = (family: Family, changes: Partial<Terminal['barrel']>): Partial<SetUpContext> => ({
  terminal: { ...families[family], barrel: { ...families[family].barrel, ...changes } },
});
const house = (changes: Partial<Practice>): Partial<SetUpContext> => ({
  practice: { ...practice, measuredPieces: 1, ...changes },
});
const profile = (part: string, own: Nest['profile'], more: Partial<Nest> = {}) =>
  tools({}, (nest) => (nest.terminals.includes(part) ? { profile: own, ...more } : {}));
const wire = (changes: Parameters<typeof wireOf>[0], rest: Parameters<typeof wireOf>[1] = {}) => ({
  wire: wireOf({ ...wireRound.conductor, ...changes }, { part: 'W-OWN', insulationDiameter: 3, ...rest }),
});
const tube = { part: 'TU', label: 'shrink tube', kind: 'sleeve', length: 30, wayRound: null, clear: true } as const;
const row = limitRow(1.5, { force: 150 });

/** Both tools with two smaller nests of the first profile, of which one alone is the next. */
const smaller = (kind: ToolKind): Partial<SetUpContext> =>
  tools({
    kind,
    dies: everyTool.dies.map((die) => ({
      ...die,
      nests: die.nests.flatMap((nest, i) =>
        i
          ? [nest]
          : [
              nest,
              { ...nest, id: 'small', label: 'small', area: { min: 0.3, max: 1.2 }, terminals: [] },
              { ...nest, id: 'smallest', label: 'smallest', area: { min: 0.1, max: 0.4 }, terminals: [] },
              { ...nest, id: 'other', label: 'other', profile: 'hex', area: { min: 0.3, max: 1.8 }, terminals: [] },
            ],
      ),
    })),
  });

/** What differs from the family as the house makes it. */
type Change = readonly [name: string, family: Family, changes: Partial<SetUpContext>];

const CHANGES: readonly Change[] = [
  ...FAMILIES.flatMap((family): Change[] => [
    ['the other schools', family, house(OTHER)],
    ['the third schools', family, house({ ...OTHER, ...THIRD })],
  ]),
  // Tools
  ['a plier tool', 'bare-terminal', { ...ofKind('plier'), ...house({ looseInNest: 'step-down' }) }],
  [
    'a plier tool with a smaller nest',
    'insulated-terminal',
    { ...smaller('plier'), ...house({ looseInNest: 'step-down' }) },
  ],
  [
    'a full-cycle tool with a smaller nest',
    'insulated-terminal',
    { ...smaller('full-cycle'), ...house({ looseInNest: 'step-down' }) },
  ],
  ['a smaller nest, and the house stops', 'insulated-terminal', smaller('plier')],
  ['a hydraulic tool', 'lug', { ...ofKind('hydraulic'), ...house({ secondStroke: 'once-stopped' }) }],
  ['a press', 'sealed-contact', { ...ofKind('press'), ...house({ mounting: 'by-steps', loading: 'by-steps' }) }],
  [
    'a part stroke, a release, a way when it sticks',
    'open-barrel-contact',
    {
      ...tools({
        partStroke: true,
        release: 'Turn the ring to OPEN',
        whenStuck: 'Push it out with the rod',
        cycleEnd: 'It clicks twice',
      }),
      ...house({ loading: 'by-steps' }),
    },
  ],
  ['the punch in the moving half', 'bare-terminal', tools({}, () => ({ punch: 'moving' }))],
  ['the punch in the fixed half', 'bare-terminal', tools({}, () => ({ punch: 'fixed' }))],
  ['a punch in both halves', 'insulated-terminal', profile('F01', 'indent-and-cradle', { punch: 'both' })],
  ['an indent through the sleeve', 'insulated-terminal', profile('F01', 'indent-and-cradle')],
  ['a trapezoid', 'ferrule', profile('F11', 'trapezoid')],
  ['a hexagon', 'ferrule', profile('F11', 'hex')],
  ['a contoured die', 'lug', profile('F12', 'contoured')],
  ['another die index', 'lug', profile('F12', 'hex', { index: '18' })],
  ['an oval', 'bare-terminal', profile('F03', 'symmetric-oval')],
  [
    'a die that is not mounted',
    'bare-terminal',
    {
      tools: [{ ...everyTool, dies: everyTool.dies.map((die) => ({ ...die, mounted: false })) }],
      ...house({ mounting: 'by-steps' }),
    },
  ],
  [
    'two dies',
    'butt-splice',
    {
      tools: [
        {
          ...everyTool,
          dies: [...everyTool.dies, { id: 'B', label: 'die B', mounted: false, nests: everyTool.dies[0]?.nests ?? [] }],
        },
      ],
      ...house({ mounting: 'by-steps' }),
    },
  ],
  [
    'positions of the insulation grip',
    'signal-contact',
    tools({
      insulationPositions: [
        { label: '1', diameters: { min: 1, max: 2.4 } },
        { label: '2', diameters: { min: 2.4, max: 3.2 } },
      ],
    }),
  ],
  [
    'no position for this insulation',
    'signal-contact',
    tools({ insulationPositions: [{ label: '1', diameters: { min: 1, max: 2.4 } }] }),
  ],
  [
    'a locator set by trial',
    'machined-contact',
    {
      tools: [{ ...fourIndent, positioners: fourIndent.positioners.map((p) => ({ ...p, depth: null, perTurn: 0.5 })) }],
    },
  ],
  [
    'no positioner for it',
    'machined-contact',
    {
      tools: [{ ...fourIndent, positioners: fourIndent.positioners.map((p) => ({ ...p, terminals: [] })) }],
    },
  ],
  ['a hole in the selector table', 'machined-contact', { tools: [{ ...fourIndent, selector: [] }] }],
  ['no tool', 'lug', { tools: [] }],
  ['a tool whose check is due', 'bare-terminal', { checks: [] }],
  [
    'suitable by geometry',
    'bare-terminal',
    { ...tools({}, () => ({ terminals: [] })), ...house({ toolPolicy: 'suitable-by-geometry' }) },
  ],
  // Barrels and sheets
  ['a brazed seam', 'bare-terminal', barrel('bare-terminal', { seam: 'brazed' })],
  [
    'a brazed seam, any side',
    'bare-terminal',
    { ...barrel('bare-terminal', { seam: 'brazed' }), ...house({ brazedSeam: 'any-side' }) },
  ],
  ['no seam', 'bare-terminal', barrel('bare-terminal', { seam: 'seamless' })],
  [
    'a strip length of its own',
    'bare-terminal',
    barrel('bare-terminal', { sheetStrip: { length: 7.5, tolerance: 0.4 } }),
  ],
  ['three bites', 'lug', terminal('lug', { bites: 3 })],
  ['three bites, each by itself', 'lug', { ...terminal('lug', { bites: 3 }), ...house({ biteSteps: 'by-steps' }) }],
  [
    'bites of the sheet',
    'lug',
    terminal('lug', {
      sheetBites: [
        { from: 1, to: 6 },
        { from: 6.5, to: 11.5 },
      ],
    }),
  ],
  [
    'a dimension of the die',
    'lug',
    terminal('lug', { dieDimensions: [{ index: '16', across: 'flats', from: 9.5, to: 9.9 }] }),
  ],
  [
    'forming strokes',
    'open-barrel-contact',
    {
      ...terminal('open-barrel-contact', { formingStrokes: true }),
      ...tools({ kind: 'plier' }),
      ...house({ secondStroke: 'forming' }),
    },
  ],
  [
    'forming strokes, and the house strikes once',
    'open-barrel-contact',
    { ...terminal('open-barrel-contact', { formingStrokes: true }), ...ofKind('plier') },
  ],
  [
    'forming strokes, and a full-cycle tool',
    'open-barrel-contact',
    { ...terminal('open-barrel-contact', { formingStrokes: true }), ...house({ secondStroke: 'forming' }) },
  ],
  ['not cut flush', 'ferrule', terminal('ferrule', { trimFlush: false })],
  ['a stud of another size', 'bare-terminal', { use: { ...wet, stud: 'M6' } }],
  ['hotter than it bears', 'bare-terminal', { use: { ...dry, temperature: 120, current: 12, voltage: 400 } }],
  [
    'a current and a voltage it is not made for',
    'sealed-contact',
    { ...terminal('sealed-contact', { current: 10, voltage: 60 }), use: { ...dry, current: 12, voltage: 400 } },
  ],
  ['a sleeve of another colour', 'insulated-terminal', terminal('insulated-terminal', { sleeve: 'yellow' })],
  ['a stamp that agrees', 'bare-terminal', terminal('bare-terminal', { stamp: '1.25-4' })],
  ['a stamp of another part', 'bare-terminal', terminal('bare-terminal', { stamp: '8-6' })],
  ['a stamp nobody can read', 'bare-terminal', terminal('bare-terminal', { stamp: 'QX' })],
  ['a stranding it is not for', 'bare-terminal', terminal('bare-terminal', { strandingClasses: ['5'] })],
  [
    'a range on the other scale',
    'bare-terminal',
    {
      ...terminal('bare-terminal', {
        otherRange: { smallest: { scale: 'awg', value: 18 }, largest: { scale: 'awg', value: 14 } },
      }),
      ...wire({ size: { scale: 'awg', value: 16 } }),
    },
  ],
  ['insulation at the edge', 'open-barrel-contact', wire({}, { insulationDiameter: 3.6 })],
  ['insulation at its least', 'open-barrel-contact', wire({}, { insulationDiameter: 2.5 })],
  ['insulation at its most', 'open-barrel-contact', wire({}, { insulationDiameter: 3.5 })],
  ['as hot as it bears', 'bare-terminal', { use: { ...dry, temperature: 90 } }],
  ['a stud without its hole', 'lug', { use: { ...dry, stud: 'm 8' } }],
  ['a stud where it has none', 'ferrule', { use: { ...dry, stud: 'M4' } }],
  ['insulation too thin', 'open-barrel-contact', wire({}, { insulationDiameter: 1.8 })],
  ['a seal too small', 'sealed-contact', wire({}, { insulationDiameter: 3.45 })],
  ['two wires, one too many', 'ferrule', { together: [wireRound] }],
  [
    'two wires',
    'ferrule',
    {
      ...terminal('ferrule', { mostWires: 2 }),
      together: [wireOf({ strands: 7, strandDiameter: 0.2 }, { part: 'W-2' })],
    },
  ],
  [
    'a thin wire folded back',
    'bare-terminal',
    {
      ...terminal('bare-terminal', { foldBack: true }),
      ...wire({ strands: 19, strandDiameter: 0.2, size: { scale: 'mm2', value: 0.6 } }),
      ...house({ thinWire: 'fold-back' }),
    },
  ],
  [
    'grease',
    'open-barrel-contact',
    terminal('open-barrel-contact', {
      mating: { counterpart: 'its socket', insertion: 60, withdrawal: 20, grease: true },
    }),
  ],
  [
    'an insertion tool',
    'machined-contact',
    terminal('machined-contact', {
      cavity: {
        insertionTool: 'tool IN-1',
        removalTool: 'tool RE-1',
        release: 'rear',
        secondaryLock: false,
        mostRemovals: 3,
      },
    }),
  ],
  [
    'a heater setting',
    'sealed-sleeve-terminal',
    { ...terminal('sealed-sleeve-terminal', { heaterSetting: 260 }), ...house({ covering: 'by-steps' }) },
  ],
  [
    'a clear tube',
    'open-barrel-splice',
    { ...terminal('open-barrel-splice', { slideOn: [tube] }), ...house({ covering: 'by-steps' }) },
  ],
  ['a flame near fuel', 'window-splice', { use: { ...wet, fuelNear: true }, ...house({ sealingHeat: 'flame' }) }],
  [
    'a boot',
    'insulated-terminal',
    terminal('insulated-terminal', {
      slideOn: [{ ...tube, part: 'BO', label: 'boot', kind: 'boot', wayRound: 'wide end towards the terminal' }],
    }),
  ],
  ['a wire at its other end', 'butt-splice', { opposite: [wireRound] }],
  [
    'a thinner wire at its other end',
    'open-barrel-splice',
    {
      opposite: [
        wireOf(
          { strands: 7, strandDiameter: 0.43, size: { scale: 'mm2', value: 1 } },
          { part: 'W-1', insulationDiameter: 2.6 },
        ),
      ],
    },
  ],
  [
    'its other end turned',
    'window-splice',
    { opposite: [wireRound], ...house({ secondBite: 'turned-90', loading: 'by-steps' }) },
  ],
  [
    'a height on its sheet',
    'signal-contact',
    terminal('signal-contact', {
      crimpHeights: [
        { size: { scale: 'mm2', value: 1.5 }, height: 1.2, tolerance: 0.05, width: 1.8, widthTolerance: 0.1 },
      ],
    }),
  ],
  // Wires
  ['a solid wire', 'bare-terminal', wire({ kind: 'solid', strands: 1, strandDiameter: 1.32 })],
  ['a soldered wire', 'ferrule', wire({ kind: 'soldered' })],
  ['an aluminium wire', 'lug', wire({ material: 'aluminium' })],
  ['a wire too thin', 'bare-terminal', wire({ strands: 7, strandDiameter: 0.3, size: { scale: 'mm2', value: 0.5 } })],
  ['a wire too thick', 'signal-contact', wire({ strands: 37, strandDiameter: 0.32, size: { scale: 'mm2', value: 3 } })],
  ['insulation too thick', 'open-barrel-contact', wire({}, { insulationDiameter: 4.2 })],
  ['insulation the stripper is not listed for', 'bare-terminal', wire({}, { insulation: 'ETFE' })],
  ['no stripper', 'bare-terminal', { strippers: [] }],
  ['a stripper without a notch for it', 'bare-terminal', { strippers: [{ ...stripper, notches: [] }] }],
  ['a wet place', 'bare-terminal', { use: wet }],
  // Limits
  ['no table', 'bare-terminal', { limits: [] }],
  ['two tables', 'bare-terminal', { limits: [limitTable, { ...limitTable, document: 'FL-SPEC-08' }] }],
  ['a row in percent', 'bare-terminal', { limits: [{ ...limitTable, rows: [{ ...row, force: null, percent: 60 }] }] }],
  ['between rows', 'bare-terminal', { limits: [{ ...limitTable, interpolates: false }] }],
  ['interpolated', 'bare-terminal', { limits: [limitTable] }],
  [
    'a hold',
    'bare-terminal',
    { limits: [{ ...limitTable, rows: [{ ...row, hold: 75 }], hold: { percent: 50, seconds: 60, force: null } }] },
  ],
  ['more than the wire bears', 'bare-terminal', { limits: [{ ...limitTable, rows: [{ ...row, force: 900 }] }] }],
];

/** Both side by side, as far as they differ. */
const tellBeside = (usual: SetUpContext, own: SetUpContext): string[] =>
  compareSetUps(computeSetUp(usual, [], NOW), computeSetUp(own, [], NOW)).flatMap(({ about, a, b, differs }) =>
    differs ? [`beside | ${about}: ${a.replaceAll('\n', ' / ')} | ${b.replaceAll('\n', ' / ')}`] : [],
  );

/** Each set-up by its name: of the family as the house makes it all that is told, of what is changed about it what differs. */
const told: Told = new Map([
  ...FAMILIES.map((family) => [family, () => tellSetUp(familyContext(family))] as const),
  ...CHANGES.map(
    ([name, family, changes]) =>
      [
        `${family}: ${name}`,
        () => [
          ...tellChange(tellSetUp(familyContext(family)), tellSetUp(familyContext(family, changes))),
          ...tellBeside(familyContext(family), familyContext(family, changes)),
        ],
      ] as const,
  ),
]);

holdTold({ in: 'setUps', of: 'a set-up before anything is made', inSentences: true }, told, approved);
