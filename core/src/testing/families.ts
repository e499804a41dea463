import type { SetUpContext } from '../combination';
import type { Family, Terminal } from '../terminal';
import type { Nest, Tool } from '../tool';
import { bareRing, checkAt, dry, limitTable, practice, stripper, tool as handTool, wireRound } from './shop';

/* One terminal of each family for the wire of 7 x 0.5 mm (1.374 mm2, 1.5 mm over the strands), in round numbers. */

const range = { smallest: { scale: 'mm2', value: 1 }, largest: { scale: 'mm2', value: 2 } } as const;
const base: Terminal = { ...bareRing, conductorRange: range, bites: null };
const of = (changes: Partial<Terminal>, barrel: Partial<Terminal['barrel']>): Terminal => ({
  ...base,
  ...changes,
  barrel: { ...base.barrel, ...barrel },
});
const open = { seam: 'open', stripRule: 'window', betweenGrips: 2, supportLength: 2.5 } as const;
const grip = { min: 2.5, max: 3.5 };
const cavity = {
  insertionTool: null,
  removalTool: 'extractor',
  release: 'front',
  secondaryLock: true,
  mostRemovals: null,
} as const;
const tube = { part: 'TU', label: 'shrink tube', kind: 'sleeve', length: 30, wayRound: null, clear: false } as const;
const heat = { min: 120, max: 180 };

export const families = {
  'insulated-terminal': of(
    { part: 'F01', family: 'insulated-terminal', insulationRange: grip, sleeve: 'blue', brushMax: 5, bites: 1 },
    { seam: 'hidden', length: 6, supportLength: 5 },
  ),
  'sealed-sleeve-terminal': of(
    {
      part: 'F02',
      family: 'sealed-sleeve-terminal',
      insulationRange: grip,
      sealed: true,
      sealingHeat: heat,
      brushMax: 5,
      bites: 1,
    },
    { seam: 'hidden', length: 7, supportLength: 9 },
  ),
  'bare-terminal': of({ part: 'F03', family: 'bare-terminal', brushMax: 4, bites: 1 }, { seam: 'butted', length: 6 }),
  'open-barrel-contact': of(
    {
      part: 'F04',
      family: 'open-barrel-contact',
      shape: 'bullet',
      studHole: null,
      stud: '4 mm bullet',
      insulationRange: grip,
      brushMax: 4,
      slideOn: [
        {
          part: 'IN',
          label: 'insulator',
          kind: 'insulator',
          length: 20,
          wayRound: 'narrow end towards the wire',
          clear: false,
        },
      ],
    },
    { ...open, length: 3 },
  ),
  'sealed-contact': of(
    {
      part: 'F05',
      family: 'sealed-contact',
      shape: 'socket',
      studHole: null,
      stud: '1.5 mm cavity',
      insulationRange: grip,
      sealRange: { min: 2.8, max: 3.4 },
      sealed: true,
      brushMax: 4,
      slideOn: [
        { part: 'SE', label: 'wire seal', kind: 'seal', length: 6, wayRound: 'ribs towards the wire', clear: false },
      ],
      crimpHeights: [
        { size: { scale: 'mm2', value: 1.5 }, height: 1.5, tolerance: 0.05, width: null, widthTolerance: null },
      ],
      cavity,
    },
    { ...open, length: 4 },
  ),
  'machined-contact': of(
    {
      part: 'F06',
      family: 'machined-contact',
      shape: 'pin',
      studHole: null,
      stud: 'size 16',
      barrelSize: '16',
      brushMax: 0,
      bites: 1,
      cavity,
    },
    { seam: 'seamless', stripRule: 'stop', length: 6.5, depth: 6, inspection: { min: 4.5, max: 5.5 } },
  ),
  'signal-contact': of(
    {
      part: 'F07',
      family: 'signal-contact',
      shape: 'pin',
      studHole: null,
      stud: '0.6 mm pin',
      insulationRange: grip,
      brushMax: 3,
    },
    { ...open, length: 2, betweenGrips: 1 },
  ),
  'butt-splice': of(
    {
      part: 'F08',
      family: 'butt-splice',
      shape: 'splice',
      studHole: null,
      stud: null,
      insulationRange: grip,
      brushMax: 0,
    },
    { seam: 'hidden', stripRule: 'stop', length: 6, depth: 7, supportLength: 5 },
  ),
  'window-splice': of(
    {
      part: 'F09',
      family: 'window-splice',
      shape: 'splice',
      studHole: null,
      stud: null,
      sealed: true,
      brushMax: 0,
      slideOn: [{ ...tube, label: 'sealing sleeve' }],
      sealingHeat: heat,
    },
    { seam: 'seamless', stripRule: 'stop', length: 6, depth: 7, inspection: { min: 5.4, max: 6.8 } },
  ),
  'open-barrel-splice': of(
    {
      part: 'F10',
      family: 'open-barrel-splice',
      shape: 'splice',
      studHole: null,
      stud: null,
      insulationRange: grip,
      brushMax: 4,
      slideOn: [tube],
      sealingHeat: heat,
    },
    { ...open, length: 4 },
  ),
  ferrule: of(
    {
      part: 'F11',
      family: 'ferrule',
      shape: 'wire-end',
      studHole: null,
      stud: null,
      trimFlush: true,
      brushMax: 0,
      bites: 1,
    },
    { seam: 'seamless', stripRule: 'ferrule', length: 8 },
  ),
  lug: of(
    { part: 'F12', family: 'lug', shape: 'pad', stud: 'M8', studHole: 8.4, dieIndex: '16', brushMax: 0 },
    { seam: 'seamless', stripRule: 'lug', length: 12, depth: 12, growth: 1 },
  ),
} satisfies Record<Terminal['family'], Terminal>;

const nest = (
  id: string,
  profile: Nest['profile'],
  width: number,
  terminals: string[],
  changes: Partial<Nest> = {},
): Nest => ({
  id,
  label: id,
  profile,
  area: { min: 1, max: 2 },
  width,
  mark: `mark ${id}`,
  index: null,
  grips: 'both',
  punch: null,
  presses: [],
  gauge: null,
  terminals,
  ...changes,
});
const die = (id: string, nests: Nest[], mounted = true) => ({ id, label: `die ${id}`, mounted, nests });

/** A tool that makes every one of them, checked and in date. */
export const everyTool: Tool = {
  ...handTool,
  dies: [
    die('A', [
      nest('oval', 'symmetric-oval', 4, ['F01', 'F02', 'F08']),
      nest('indent', 'indent-and-cradle', 3, ['F03']),
      nest('roll', 'rolled', 3, ['F04', 'F05', 'F07', 'F10']),
      nest('window', 'window-indent', 3, ['F09']),
      nest('square', 'square', 6, ['F11']),
      nest('hex', 'hex', 6, ['F12'], { index: '16' }),
    ]),
  ],
};
/** The four-indent tool with its selector and positioner. */
export const fourIndent: Tool = {
  ...handTool,
  part: 'FI',
  label: 'Four-indent tool FI',
  dies: [die('-', [nest('four', 'four-indent', 1.2, ['F06'])])],
  selector: [
    { barrelSize: '16', size: { scale: 'mm2', value: 1 }, setting: '4' },
    { barrelSize: '16', size: { scale: 'mm2', value: 1.5 }, setting: '5' },
  ],
  positioners: [
    {
      id: 'PO',
      label: 'positioner PO',
      mounted: false,
      adjustable: true,
      perTurn: null,
      depth: 9.5,
      terminals: ['F06'],
    },
  ],
};
export { wireRound };

/** Everything one family is set up from, on the wire of 7 x 0.5 mm, with every tool fit for use. */
export const familyContext = (family: Family, changes: Partial<SetUpContext> = {}): SetUpContext => ({
  zone: 'UTC',
  terminal: families[family],
  wire: wireRound,
  together: [],
  opposite: [],
  use: dry,
  class: '2',
  practice: { ...practice, measuredPieces: 1 },
  strippers: [stripper],
  tools: [everyTool, fourIndent],
  checks: [checkAt('2026-11-25T06:00:00.000Z'), { ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'FI' }],
  returns: [],
  limits: [
    {
      ...limitTable,
      rows: [
        { size: { scale: 'mm2', value: 1.5 }, families: [], material: null, force: 150, percent: null, hold: null },
      ],
    },
  ],
  looks: [],
  cabinet: [],
  revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
  newest: { terminal: 1, wire: 1, together: [], practice: 1 },
  ...changes,
});
