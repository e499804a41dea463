import type { Range } from '../terminal';
import type { ConductorSize } from '../wire';

export const NEST_PROFILES = [
  'indent-and-cradle',
  'symmetric-oval',
  'two-bite',
  'rolled',
  'window-indent',
  'four-indent',
  'hex',
  'contoured',
  'trapezoid',
  'square',
] as const;
/** Shape a nest presses. */
export type NestProfile = (typeof NEST_PROFILES)[number];

export const TOOL_KINDS = ['plier', 'full-cycle', 'press', 'hydraulic'] as const;

export const GRIPS = ['conductor', 'both'] as const;

export interface Nest {
  readonly id: string;
  readonly label: string;
  readonly profile: NestProfile;
  /** Conductor areas it makes, mm2. */
  readonly area: Range;
  /** Width of the die along the barrel, mm. */
  readonly width: number;
  /** Mark it leaves on the piece, in words. */
  readonly mark: string;
  /** Index number of a lug die; null for all others. */
  readonly index: string | null;
  /** Whether one stroke makes the insulation grip too. */
  readonly grips: (typeof GRIPS)[number];
  /** Terminals the tool's sheet lists for this nest. */
  readonly terminals: readonly string[];
}

export interface Die {
  readonly id: string;
  readonly label: string;
  readonly mounted: boolean;
  readonly nests: readonly Nest[];
}

/** What holds the terminal at the right depth. */
export interface Positioner {
  readonly id: string;
  readonly label: string;
  readonly mounted: boolean;
  /** Whether its depth is set by a screw. */
  readonly adjustable: boolean;
  /** Depth to set, mm from the face; null for a fixed one. */
  readonly depth: number | null;
  readonly terminals: readonly string[];
}

/** Setting of a four-indent tool for one barrel size and wire size. */
export interface SelectorRow {
  readonly barrelSize: string;
  readonly size: ConductorSize;
  readonly setting: string;
}

/** One tool of the shop with everything that can be mounted in it. */
export interface Tool {
  readonly part: string;
  readonly label: string;
  readonly kind: (typeof TOOL_KINDS)[number];
  /** Where it stands; null when it is carried about. */
  readonly station: string | null;
  /** Hours a go/no-go check stays good. */
  readonly checkHours: number;
  /** Cycles after which a check is due whatever the clock says; null without such a rule. */
  readonly checkCycles: number | null;
  /** Gauge for the check: pin diameters, mm, and the selector setting to take first; null where a sample is used. */
  readonly gauge: { readonly go: number; readonly noGo: number; readonly setting: string | null } | null;
  /** Last day of the calibration, ISO date. */
  readonly calibrationUntil: string;
  readonly cycles: number;
  readonly cycleLimit: number;
  readonly dies: readonly Die[];
  readonly selector: readonly SelectorRow[];
  readonly positioners: readonly Positioner[];
  /** Positions of the insulation grip by insulation diameter. */
  /** How far one step of the height adjustment moves the ram, mm; null where the tool has none. */
  readonly heightStep: number | null;
  readonly insulationPositions: readonly { readonly label: string; readonly diameters: Range }[];
  /** Minutes it takes to change a die, a positioner, a setting. */
  readonly changeMinutes: { readonly die: number; readonly positioner: number; readonly setting: number };
}

/** One go/no-go check of a tool. `at` is an ISO instant. */
export interface ToolCheck {
  readonly tool: string;
  readonly at: string;
  readonly goPassed: boolean;
  readonly noGoStopped: boolean;
  readonly by: string;
  /** The selector setting the gauge was tried at; null where the tool has none. */
  readonly setting: string | null;
  /** Cycles on the counter at the check; null when not read. */
  readonly cycles: number | null;
}
