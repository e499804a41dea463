import { SLIDE_ON_PART_KINDS, type SlideOnPart, type Stripper } from '../prepare';
import {
  FAMILIES,
  SEAMS,
  SHAPES,
  SLEEVE_COLOURS,
  SLIDE_ON_KINDS,
  STRANDING_CLASSES,
  STRIP_RULES,
  type Terminal,
} from '../terminal';
import { GRIPS, NEST_PROFILES, TOOL_KINDS, type Tool } from '../tool';
import { CONDUCTOR_KINDS, CONDUCTOR_MATERIALS, STRAND_LAYS, type Wire } from '../wire';

/** The kinds of parts a cabinet holds that can be edited, compared and exchanged as tables. */
export interface CatalogueParts {
  wire: Wire;
  terminal: Terminal;
  tool: Tool;
  stripper: Stripper;
  covering: SlideOnPart;
}
export type CatalogueKind = keyof CatalogueParts;
export const CATALOGUE_KINDS = ['wire', 'terminal', 'tool', 'stripper', 'covering'] as const;

/**
 * One field of a part, as a column of a table, a line of a form and a line of a comparison. `path` is where it stands
 * in the part; a range ('a..b') is two columns of their own.
 */
export interface Column {
  readonly path: string;
  readonly title: string;
  readonly type: 'text' | 'choice' | 'number' | 'integer' | 'length' | 'flag' | 'size' | 'list' | 'date' | 'share';
  /** Unit behind the number where it is no length; lengths are mm or in. */
  readonly unit?: string;
  readonly options?: readonly string[];
  /** May be left empty (null, or an empty list). */
  readonly optional?: boolean;
  readonly help?: string;
}

/** A list of rows inside a part, e.g. the nests of a tool; columns of its own, one line of the table per row. */
export interface PartTable {
  readonly path: string;
  readonly title: string;
  readonly columns: readonly Column[];
  /** At least this many rows. */
  readonly least: number;
}

export interface Catalogue {
  readonly kind: CatalogueKind;
  /** Name of the kind in sentences, one and many. */
  readonly one: string;
  readonly many: string;
  readonly columns: readonly Column[];
  readonly tables: readonly PartTable[];
}

const part: Column = { path: 'part', title: 'part', type: 'text' };
const label: Column = { path: 'label', title: 'label', type: 'text' };
const range = (path: string, title: string, type: Column['type'] = 'length', optional = true): Column[] => [
  { path: `${path}.min`, title: `${title} min`, type, optional },
  { path: `${path}.max`, title: `${title} max`, type, optional },
];

export const CATALOGUES: Readonly<Record<CatalogueKind, Catalogue>> = {
  wire: {
    kind: 'wire',
    one: 'wire',
    many: 'wires',
    columns: [
      part,
      label,
      { path: 'conductor.size', title: 'size', type: 'size', help: 'as printed: 0.75 mm2 or AWG 18' },
      { path: 'conductor.kind', title: 'conductor', type: 'choice', options: CONDUCTOR_KINDS },
      { path: 'conductor.material', title: 'material', type: 'choice', options: CONDUCTOR_MATERIALS },
      { path: 'conductor.strands', title: 'strands', type: 'integer' },
      { path: 'conductor.strandDiameter', title: 'strand diameter', type: 'length' },
      { path: 'conductor.lay', title: 'lay', type: 'choice', options: STRAND_LAYS },
      { path: 'insulationDiameter', title: 'insulation diameter', type: 'length' },
      { path: 'insulation', title: 'insulation', type: 'text' },
      { path: 'temperature', title: 'temperature', type: 'number', unit: '°C' },
    ],
    tables: [],
  },
  terminal: {
    kind: 'terminal',
    one: 'terminal',
    many: 'terminals',
    columns: [
      part,
      label,
      { path: 'maker', title: 'maker', type: 'text' },
      { path: 'family', title: 'family', type: 'choice', options: FAMILIES },
      { path: 'shape', title: 'shape', type: 'choice', options: SHAPES },
      { path: 'material', title: 'material', type: 'choice', options: ['copper', 'brass', 'aluminium'] },
      { path: 'stud', title: 'stud or mating size', type: 'text', optional: true },
      { path: 'studHole', title: 'stud hole', type: 'length', optional: true },
      { path: 'stamp', title: 'stamp', type: 'text', optional: true, help: 'what is stamped on it' },
      { path: 'sleeve', title: 'sleeve colour', type: 'choice', options: SLEEVE_COLOURS, optional: true },
      { path: 'conductorRange.smallest', title: 'smallest conductor', type: 'size' },
      { path: 'conductorRange.largest', title: 'largest conductor', type: 'size' },
      { path: 'mostWires', title: 'most wires', type: 'integer' },
      { path: 'foldBack', title: 'fold back allowed', type: 'flag' },
      {
        path: 'strandingClasses',
        title: 'stranding classes',
        type: 'list',
        options: STRANDING_CLASSES,
        optional: true,
      },
      ...range('insulationRange', 'insulation'),
      ...range('sealRange', 'seal'),
      { path: 'barrel.seam', title: 'seam', type: 'choice', options: SEAMS },
      { path: 'barrel.stripRule', title: 'strip rule', type: 'choice', options: STRIP_RULES },
      { path: 'barrel.length', title: 'barrel length', type: 'length', optional: true },
      { path: 'barrel.innerDiameter', title: 'inner diameter', type: 'length', optional: true },
      { path: 'barrel.outerDiameter', title: 'outer diameter', type: 'length', optional: true },
      { path: 'barrel.depth', title: 'depth to stop', type: 'length', optional: true },
      ...range('barrel.inspection', 'inspection hole'),
      { path: 'barrel.betweenGrips', title: 'between grips', type: 'length', optional: true },
      { path: 'barrel.supportLength', title: 'support length', type: 'length' },
      { path: 'barrel.growth', title: 'growth in the crimp', type: 'length' },
      { path: 'brushMax', title: 'longest brush', type: 'length' },
      { path: 'trimFlush', title: 'trim flush', type: 'flag' },
      { path: 'acceptsSolid', title: 'accepts solid', type: 'flag' },
      { path: 'sealed', title: 'sealed', type: 'flag' },
      { path: 'temperature', title: 'temperature', type: 'number', unit: '°C' },
      { path: 'current', title: 'current', type: 'number', unit: 'A', optional: true },
      { path: 'voltage', title: 'voltage', type: 'number', unit: 'V', optional: true },
      { path: 'bites', title: 'bites', type: 'integer', optional: true },
      { path: 'dieIndex', title: 'die index', type: 'text', optional: true },
      { path: 'barrelSize', title: 'barrel size', type: 'text', optional: true },
      ...range('sealingHeat', 'sealing heat', 'number').map((column) => ({ ...column, unit: '°C' })),
      { path: 'cavity.release', title: 'cavity release', type: 'choice', options: ['front', 'rear'], optional: true },
      { path: 'cavity.insertionTool', title: 'insertion tool', type: 'text', optional: true },
      { path: 'cavity.removalTool', title: 'removal tool', type: 'text', optional: true },
      { path: 'cavity.secondaryLock', title: 'secondary lock', type: 'flag', optional: true },
    ],
    tables: [
      {
        path: 'slideOn',
        title: 'slide on',
        least: 0,
        columns: [
          part,
          label,
          { path: 'kind', title: 'kind', type: 'choice', options: SLIDE_ON_KINDS },
          { path: 'length', title: 'length', type: 'length' },
          { path: 'wayRound', title: 'way round', type: 'text', optional: true },
        ],
      },
      {
        path: 'crimpHeights',
        title: 'crimp height',
        least: 0,
        columns: [
          { path: 'size', title: 'size', type: 'size' },
          { path: 'height', title: 'height', type: 'length' },
          { path: 'tolerance', title: 'tolerance', type: 'length' },
          { path: 'width', title: 'width', type: 'length', optional: true },
          { path: 'widthTolerance', title: 'width tolerance', type: 'length', optional: true },
        ],
      },
    ],
  },
  tool: {
    kind: 'tool',
    one: 'tool',
    many: 'tools',
    columns: [
      part,
      label,
      { path: 'kind', title: 'kind', type: 'choice', options: TOOL_KINDS },
      { path: 'station', title: 'station', type: 'text', optional: true },
      { path: 'checkHours', title: 'check every', type: 'number', unit: 'h' },
      { path: 'checkCycles', title: 'check every cycles', type: 'integer', optional: true },
      { path: 'gauge.go', title: 'gauge go', type: 'length', optional: true },
      { path: 'gauge.noGo', title: 'gauge no-go', type: 'length', optional: true },
      { path: 'gauge.setting', title: 'gauge setting', type: 'text', optional: true },
      { path: 'calibrationUntil', title: 'calibration until', type: 'date' },
      { path: 'cycles', title: 'cycles', type: 'integer' },
      { path: 'cycleLimit', title: 'cycle limit', type: 'integer' },
      { path: 'heightStep', title: 'height step', type: 'length', optional: true },
      { path: 'changeMinutes.die', title: 'die change', type: 'number', unit: 'min' },
      { path: 'changeMinutes.positioner', title: 'positioner change', type: 'number', unit: 'min' },
      { path: 'changeMinutes.setting', title: 'setting change', type: 'number', unit: 'min' },
    ],
    tables: [
      {
        path: 'nests',
        title: 'nest',
        least: 1,
        columns: [
          { path: 'die', title: 'die', type: 'text' },
          { path: 'dieLabel', title: 'die label', type: 'text' },
          { path: 'mounted', title: 'mounted', type: 'flag' },
          { path: 'id', title: 'id', type: 'text' },
          label,
          { path: 'profile', title: 'profile', type: 'choice', options: NEST_PROFILES },
          ...range('area', 'area', 'number', false).map((column) => ({ ...column, unit: 'mm²' })),
          { path: 'width', title: 'width', type: 'length' },
          { path: 'mark', title: 'mark', type: 'text' },
          { path: 'index', title: 'index', type: 'text', optional: true },
          { path: 'grips', title: 'grips', type: 'choice', options: GRIPS },
          { path: 'terminals', title: 'terminals', type: 'list', optional: true },
        ],
      },
      {
        path: 'selector',
        title: 'selector',
        least: 0,
        columns: [
          { path: 'barrelSize', title: 'barrel size', type: 'text' },
          { path: 'size', title: 'size', type: 'size' },
          { path: 'setting', title: 'setting', type: 'text' },
        ],
      },
      {
        path: 'positioners',
        title: 'positioner',
        least: 0,
        columns: [
          { path: 'id', title: 'id', type: 'text' },
          label,
          { path: 'mounted', title: 'mounted', type: 'flag' },
          { path: 'adjustable', title: 'adjustable', type: 'flag' },
          { path: 'depth', title: 'depth', type: 'length', optional: true },
          { path: 'terminals', title: 'terminals', type: 'list', optional: true },
        ],
      },
      {
        path: 'insulationPositions',
        title: 'insulation grip',
        least: 0,
        columns: [label, ...range('diameters', 'diameter', 'length', false)],
      },
    ],
  },
  stripper: {
    kind: 'stripper',
    one: 'stripper',
    many: 'strippers',
    columns: [
      part,
      label,
      { path: 'repeatability', title: 'repeatability', type: 'length', help: 'plus or minus' },
      { path: 'step', title: 'step', type: 'length', help: 'of its length stop' },
      { path: 'insulations', title: 'insulations', type: 'list' },
    ],
    tables: [
      {
        path: 'notches',
        title: 'notch',
        least: 1,
        columns: [
          label,
          { path: 'for', title: 'for', type: 'choice', options: ['solid', 'stranded'] },
          { path: 'bore', title: 'bore', type: 'length' },
        ],
      },
    ],
  },
  covering: {
    kind: 'covering',
    one: 'sleeve or seal',
    many: 'sleeves and seals',
    columns: [
      part,
      label,
      { path: 'kind', title: 'kind', type: 'choice', options: SLIDE_ON_PART_KINDS },
      { path: 'suppliedBore', title: 'supplied bore', type: 'length' },
      { path: 'recoveredBore', title: 'recovered bore', type: 'length', optional: true },
      { path: 'length', title: 'length', type: 'length', optional: true, help: 'empty for tube cut from the reel' },
      { path: 'longitudinalShrink', title: 'longitudinal shrink', type: 'share', unit: '%' },
      { path: 'adhesive', title: 'adhesive', type: 'flag' },
      ...range('heat', 'heat', 'number').map((column) => ({ ...column, unit: '°C' })),
      ...range('wireRange', 'wire'),
      { path: 'temperature', title: 'temperature', type: 'number', unit: '°C' },
      { path: 'wayRound', title: 'way round', type: 'text', optional: true },
    ],
    tables: [],
  },
};
