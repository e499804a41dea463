import type { Range } from '../terminal';

export const BRUSH_RULES = ['conductor-diameter', 'fixed', 'just-visible'] as const;
export const GAP_RULES = ['butted', 'small', 'required'] as const;
export const TOOL_POLICIES = ['listed-only', 'suitable-by-geometry'] as const;
export const SECOND_BITES = ['same-plane', 'turned-90'] as const;
export const PULL_EVIDENCE = ['grip-open', 'as-made'] as const;
export const ACCEPTANCES = ['each-and-group', 'minimum-only', 'group-only'] as const;

/**
 * A shop's practice profile: each named choice where practitioners disagree, as far as this version computes with it.
 * A released set-up keeps the revision it was made with.
 */
export interface Practice {
  readonly part: string;
  readonly label: string;
  /** How far the wire stands past the barrel: one conductor diameter, a fixed length, or just visible. */
  readonly brush: (typeof BRUSH_RULES)[number];
  /** Length for the fixed rule, mm. */
  readonly brushFixed: number;
  readonly gap: (typeof GAP_RULES)[number];
  /** Where the insulation edge lies between two grips, as shares of the window from the conductor grip. */
  readonly windowShare: Range;
  /** Share outside the printed range that still counts as edge, e.g. 0.05. */
  readonly edgeBand: number;
  readonly toolPolicy: (typeof TOOL_POLICIES)[number];
  readonly secondBite: (typeof SECOND_BITES)[number];
  readonly pullEvidence: (typeof PULL_EVIDENCE)[number];
  readonly acceptance: (typeof ACCEPTANCES)[number];
  /** Pieces made, looked at and pulled to prove a set-up. */
  readonly setUpPieces: number;
  /** Share of production that must hold, e.g. 0.99. */
  readonly coverage: number;
  /** How sure the group judgement must be, e.g. 0.95. */
  readonly confidence: number;
  /** Strands that may be nicked or cut, by strand count; first row whose `strandsUpTo` is not exceeded. */
  readonly strandDamage: readonly { readonly strandsUpTo: number; readonly nicked: number; readonly cut: number }[];
}
