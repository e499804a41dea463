import type { ConductorMaterial, ConductorSize } from '../wire';

/** The families this version can set up. The others of the trade are refused by name, not guessed at. */
export const FAMILIES = ['bare-ring', 'insulated-ring', 'open-barrel-contact', 'window-splice'] as const;
export type Family = (typeof FAMILIES)[number];

export const SEAMS = ['butted', 'brazed', 'seamless', 'hidden', 'open'] as const;
export type Seam = (typeof SEAMS)[number];

export const SLEEVE_COLOURS = ['red', 'blue', 'yellow'] as const;
export type SleeveColour = (typeof SLEEVE_COLOURS)[number];

export const STRIP_RULES = ['barrel', 'stop', 'window'] as const;
/** What locates the wire end: a through barrel, a stop or well bottom, or the window between two grips. */
export type StripRule = (typeof STRIP_RULES)[number];

/** A closed range; canonical units, lower end first. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

export interface Barrel {
  readonly seam: Seam;
  readonly stripRule: StripRule;
  /** Length of the conductor barrel (or conductor grip), mm. */
  readonly length: number;
  readonly innerDiameter: number;
  readonly outerDiameter: number;
  /** Depth from the barrel's mouth to the stop, mm; null where there is none. */
  readonly depth: number | null;
  /** The inspection window, mm from the barrel's mouth; null where there is none. */
  readonly inspection: Range | null;
  /** Distance between the conductor grip and the insulation grip, mm; null where there is one grip only. */
  readonly betweenGrips: number | null;
  /** Length of the insulation grip or the sleeve behind the barrel, mm; 0 where there is none. */
  readonly supportLength: number;
}

/** A stage of the crimp where a part has to be on the wire already. */
export interface SlideOnItem {
  readonly part: string;
  readonly label: string;
  /** Outer or inner sizes are in the part's own sheet; here only the length it covers, mm. */
  readonly length: number;
}

export interface Terminal {
  readonly part: string;
  readonly label: string;
  readonly maker: string;
  readonly family: Family;
  readonly material: 'copper' | 'brass' | 'aluminium';
  readonly barrel: Barrel;
  /** Conductor range as printed on the terminal or its sheet: smallest and largest conductor. */
  readonly conductorRange: { readonly smallest: ConductorSize; readonly largest: ConductorSize };
  /** Insulation diameters the support, sleeve or seal takes, mm; null where it does not touch the insulation. */
  readonly insulationRange: Range | null;
  /** Stud hole or mating size as text, e.g. 'M4'; null for splices. */
  readonly stud: string | null;
  /** Diameter of the stud hole, mm; null without one. */
  readonly studHole: number | null;
  readonly sleeve: SleeveColour | null;
  /** Longest brush the stud or mating area leaves room for, mm. */
  readonly brushMax: number;
  readonly acceptsSolid: boolean;
  readonly sealed: boolean;
  /** Highest temperature of the terminal with its sleeve, degC. */
  readonly temperature: number;
  /** Bites the sheet asks for, on each barrel; null where the sheet is silent. */
  readonly bites: number | null;
  readonly slideOn: readonly SlideOnItem[];
  /** Temperature range for shrinking the sealing sleeve, degC; null without one. */
  readonly sealingHeat: Range | null;
}

/** Whether a wire of this material may go into a terminal of that material; aluminium pairs only with aluminium. */
export function materialsPair(terminal: Terminal['material'], wire: ConductorMaterial): boolean {
  return (terminal === 'aluminium') === (wire === 'aluminium');
}
