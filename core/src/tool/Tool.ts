import type { Range } from '../terminal';

export const NEST_PROFILES = ['indent-and-cradle', 'symmetric-oval', 'two-bite', 'rolled', 'window-indent'] as const;
/** Shape a nest presses, as far as the families of this version need it. */
export type NestProfile = (typeof NEST_PROFILES)[number];

export const TOOL_KINDS = ['plier', 'full-cycle', 'press'] as const;

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
  /** Terminals the tool's sheet lists for this nest. */
  readonly terminals: readonly string[];
}

export interface Die {
  readonly id: string;
  readonly label: string;
  readonly mounted: boolean;
  readonly nests: readonly Nest[];
}

/** One tool of the shop with everything that can be mounted in it. */
export interface Tool {
  readonly part: string;
  readonly label: string;
  readonly kind: (typeof TOOL_KINDS)[number];
  /** Hours a go/no-go check stays good. */
  readonly checkHours: number;
  /** Last day of the calibration, ISO date. */
  readonly calibrationUntil: string;
  readonly cycles: number;
  readonly cycleLimit: number;
  readonly dies: readonly Die[];
}

/** One go/no-go check of a tool. `at` is an ISO instant. */
export interface ToolCheck {
  readonly tool: string;
  readonly at: string;
  readonly goPassed: boolean;
  readonly noGoStopped: boolean;
  readonly by: string;
}
