import type { ConductorMaterial, ConductorSize } from '../wire';

/** The twelve families of the trade. Every one has its row in every stage. */
export const FAMILIES = [
  'insulated-terminal',
  'sealed-sleeve-terminal',
  'bare-terminal',
  'open-barrel-contact',
  'sealed-contact',
  'machined-contact',
  'signal-contact',
  'butt-splice',
  'window-splice',
  'open-barrel-splice',
  'ferrule',
  'lug',
] as const;
export type Family = (typeof FAMILIES)[number];

export const SHAPES = [
  'ring',
  'fork',
  'tab',
  'receptacle',
  'bullet',
  'pin',
  'socket',
  'splice',
  'wire-end',
  'pad',
] as const;
/** The end that is not on the wire: what it goes onto or into. */
export type Shape = (typeof SHAPES)[number];

export const SEAMS = ['butted', 'brazed', 'seamless', 'hidden', 'open'] as const;
export type Seam = (typeof SEAMS)[number];

export const SLEEVE_COLOURS = ['red', 'blue', 'yellow'] as const;
export type SleeveColour = (typeof SLEEVE_COLOURS)[number];

export const STRIP_RULES = ['barrel', 'stop', 'window', 'ferrule', 'lug'] as const;
/**
 * What locates the wire end: a through barrel, a stop or well bottom, the window between two grips, a ferrule's
 * barrel to its funnel, or a lug's well bottom with the growth of its barrel.
 */
export type StripRule = (typeof STRIP_RULES)[number];

export const STRANDING_CLASSES = ['1', '2', '5', '6'] as const;
/** Classes of conductors: 1 solid, 2 stranded of few thick wires, 5 flexible, 6 extra flexible. */
export type StrandingClass = (typeof STRANDING_CLASSES)[number];

/** A closed range; canonical units, lower end first. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

/** Dimensions the sheet may leave out are null: what rests on them is then not given, and said so. */
export interface Barrel {
  readonly seam: Seam;
  readonly stripRule: StripRule;
  /** Length of the conductor barrel (or conductor grip), mm. */
  readonly length: number | null;
  readonly innerDiameter: number | null;
  readonly outerDiameter: number | null;
  /** Depth from the barrel's mouth to the stop or well bottom, mm; null where there is none. */
  readonly depth: number | null;
  /** The inspection window or hole, mm from the barrel's mouth; null where there is none. */
  readonly inspection: Range | null;
  /** Distance between the conductor grip and the insulation grip, mm; null where there is one grip only. */
  readonly betweenGrips: number | null;
  /** Length of the insulation grip or the sleeve behind the barrel, mm; 0 where there is none. */
  readonly supportLength: number;
  /** By how much the barrel grows longer in the crimp, mm. */
  readonly growth: number;
}

export const SLIDE_ON_KINDS = ['sleeve', 'boot', 'seal', 'insulator', 'collar'] as const;

/** A part that has to be on the wire before the crimp. */
export interface SlideOnItem {
  readonly part: string;
  readonly label: string;
  readonly kind: (typeof SLIDE_ON_KINDS)[number];
  /** Outer or inner sizes are in the part's own sheet; here only the length it covers, mm. */
  readonly length: number;
  /** Which way round it goes on, as an instruction, e.g. 'ribs towards the wire'; null where both ways are alike. */
  readonly wayRound: string | null;
}

/** Crimp height, and where the sheet gives it the width, for one wire size, mm. */
export interface CrimpHeight {
  readonly size: ConductorSize;
  readonly height: number;
  /** Plus or minus, mm. */
  readonly tolerance: number;
  readonly width: number | null;
  readonly widthTolerance: number | null;
}

export interface Terminal {
  readonly part: string;
  readonly label: string;
  readonly maker: string;
  readonly family: Family;
  readonly shape: Shape;
  readonly material: 'copper' | 'brass' | 'aluminium';
  readonly barrel: Barrel;
  /** Conductor range as printed on the terminal or its sheet: smallest and largest conductor. */
  readonly conductorRange: { readonly smallest: ConductorSize; readonly largest: ConductorSize };
  /** Most wires that may share the barrel. */
  readonly mostWires: number;
  /** Whether the sheet allows a thin conductor to be folded back to double its area. */
  readonly foldBack: boolean;
  /** Stranding classes the sheet names; empty: any. */
  readonly strandingClasses: readonly StrandingClass[];
  /** Insulation diameters the support or sleeve takes, mm; null where it does not touch the insulation. */
  readonly insulationRange: Range | null;
  /** Insulation diameters the wire seal takes, mm; null without one. */
  readonly sealRange: Range | null;
  /** Stud hole or mating size as text, e.g. 'M4'; null for splices. */
  readonly stud: string | null;
  /** Diameter of the stud hole, mm; null without one. */
  readonly studHole: number | null;
  readonly sleeve: SleeveColour | null;
  /** What is stamped on the terminal; null when nothing is. */
  readonly stamp: string | null;
  /** Longest brush the stud or mating area leaves room for, mm. */
  readonly brushMax: number;
  /** Whether the clamp it goes into needs the wire end cut flush after the crimp. */
  readonly trimFlush: boolean;
  readonly acceptsSolid: boolean;
  readonly sealed: boolean;
  /** Highest temperature of the terminal with its sleeve, degC. */
  readonly temperature: number;
  /** Most current the contact family carries, A, and its voltage, V; null where the sheet is silent. */
  readonly current: number | null;
  readonly voltage: number | null;
  /** Bites the sheet asks for, on each barrel; null where the sheet is silent. */
  readonly bites: number | null;
  /** Index number of the die the lug is made with; null for all others. */
  readonly dieIndex: string | null;
  /** Row of a selector table a machined contact belongs to; null for all others. */
  readonly barrelSize: string | null;
  readonly crimpHeights: readonly CrimpHeight[];
  readonly slideOn: readonly SlideOnItem[];
  /** Temperature range for shrinking the sealing sleeve, degC; null without one. */
  readonly sealingHeat: Range | null;
  /** How a contact goes into its cavity and out again; null for all that have none. */
  readonly cavity: {
    readonly insertionTool: string | null;
    readonly removalTool: string | null;
    readonly release: 'front' | 'rear';
    readonly secondaryLock: boolean;
  } | null;
}

/** Whether a wire of this material may go into a terminal of that material; aluminium pairs only with aluminium. */
export function materialsPair(terminal: Terminal['material'], wire: ConductorMaterial): boolean {
  return (terminal === 'aluminium') === (wire === 'aluminium');
}
