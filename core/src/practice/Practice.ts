import type { Range } from '../terminal';
import type { TensileStrengths } from '../wire';

export const STRAND_LAYS_KEPT = ['factory-lay', 'slight-twist'] as const;
export const BRUSH_RULES = ['conductor-diameter', 'fixed', 'just-visible'] as const;
export const GAP_RULES = ['butted', 'small', 'required'] as const;
export const THIN_WIRES = ['right-terminal', 'fold-back', 'fold-always'] as const;
export const TWO_GRIPS = ['one-stroke', 'conductor-first'] as const;
export const SECOND_BITES = ['same-plane', 'turned-90'] as const;
export const SPLICE_BITES = ['one-each-side', 'centre-out-two'] as const;
export const BRAZED_SEAMS = ['opposite-the-seam', 'any-side'] as const;
export const LOOSE_IN_NEST = ['stop', 'step-down'] as const;
export const SEALING_HEATS = ['hot-air', 'flame'] as const;
/** Where sleeves with adhesive are used: where the place of use asks for a seal, or everywhere. */
export const ADHESIVE_RULES = ['by-place', 'always'] as const;
export const SOLDER_RULES = ['forbidden', 'trace-at-tip', 'drawn-in'] as const;
export const TOOL_POLICIES = ['listed-only', 'suitable-by-geometry'] as const;
export const PULL_EVIDENCE = ['grip-open', 'as-made'] as const;
export const LOOK_RECORDS = ['each-point', 'whole-piece'] as const;
/** Who may release a set-up: whoever may release at all, or somebody whose hands made none of its evidence. */
export const SET_UP_RELEASERS = ['anyone', 'second-person'] as const;
/** Whether any strand may be hurt at all, or as many as the table beside it says. */
export const STRANDS_HURT = ['none', 'by-table'] as const;
/** Whether anything is ever pressed a second time. */
export const SECOND_STROKES = ['never', 'once-stopped', 'forming'] as const;
/** Steps that a house can ask for one by one, or leave to the step they belong to. */
export const STEPS_ASKED = ['in-one', 'by-steps'] as const;
export const STRAY_STRANDS = ['end-again', 'snipped'] as const;
export const FOLDED_EDGES = ['doubled', 'none'] as const;
export const INSULATED_PARTS = ['as-listed', 'insulated', 'bare-and-tube'] as const;
export const STRAIN_RELIEFS = ['by-part', 'long-tube'] as const;
export const INSULATOR_ORDERS = ['before-strip', 'after-strip'] as const;
export const SLIGHT_BOWS = ['rejected', 'straightened'] as const;
export const ACCEPTANCES = ['each-and-group', 'minimum-only', 'group-only'] as const;

/** Every choice where practitioners disagree, and the numbers that go with it. */
export interface PracticeChoices extends TensileStrengths {
  /** Whether the factory lay is left or restored, or the strands are gathered by a slight twist. */
  readonly lay: (typeof STRAND_LAYS_KEPT)[number];
  readonly strandsHurt: (typeof STRANDS_HURT)[number];
  /** What is done with a strand that stays outside the barrel. */
  readonly strayStrand: (typeof STRAY_STRANDS)[number];
  /** Whether the edge band counts for the doubled area of a folded wire, or that has to be in the range itself. */
  readonly foldedEdge: (typeof FOLDED_EDGES)[number];
  /** Whether terminals come with a sleeve of their own, or bare with a shrink tube over them. */
  readonly insulatedParts: (typeof INSULATED_PARTS)[number];
  /** What keeps the wire from working at the barrel: wings or sleeve of the part, or a long tube. */
  readonly strainRelief: (typeof STRAIN_RELIEFS)[number];
  /** Whether covers are slid on before or after the end is stripped. */
  readonly insulatorOrder: (typeof INSULATOR_ORDERS)[number];
  /** What is done with a tongue that is bowed a little beyond its limit. */
  readonly slightBow: (typeof SLIGHT_BOWS)[number];
  /** Whether what is looked at on a die that was put in is asked step by step, or by the tool’s check alone. */
  readonly mounting: (typeof STEPS_ASKED)[number];
  /** Whether each bite of several has a step of its own. */
  readonly secondStroke: (typeof SECOND_STROKES)[number];
  readonly biteSteps: (typeof STEPS_ASKED)[number];
  /** Whether seat, hold and wire are each asked for. */
  readonly loading: (typeof STEPS_ASKED)[number];
  /** Whether the look before a sleeve covers the joint, its heat and its cooling are each asked for. */
  readonly covering: (typeof STEPS_ASKED)[number];
  /** How far the wire stands past the barrel: one conductor diameter, a fixed length, or just visible. */
  readonly brush: (typeof BRUSH_RULES)[number];
  /** Length for the fixed rule, mm. */
  readonly brushFixed: number;
  readonly gap: (typeof GAP_RULES)[number];
  /** Where the insulation edge lies between two grips, as shares of the window from the conductor grip. */
  readonly windowShare: Range;
  /** Most bare conductor behind a lug's barrel after the crimp, mm. */
  readonly lugBare: number;
  readonly thinWire: (typeof THIN_WIRES)[number];
  /** Share outside the printed range that still counts as edge, e.g. 0.05. */
  readonly edgeBand: number;
  readonly twoGrips: (typeof TWO_GRIPS)[number];
  readonly secondBite: (typeof SECOND_BITES)[number];
  readonly spliceBites: (typeof SPLICE_BITES)[number];
  readonly brazedSeam: (typeof BRAZED_SEAMS)[number];
  readonly looseInNest: (typeof LOOSE_IN_NEST)[number];
  readonly sealingHeat: (typeof SEALING_HEATS)[number];
  readonly adhesive: (typeof ADHESIVE_RULES)[number];
  readonly solder: (typeof SOLDER_RULES)[number];
  readonly toolPolicy: (typeof TOOL_POLICIES)[number];
  readonly pullEvidence: (typeof PULL_EVIDENCE)[number];
  /** Whether each point of a good sample piece is answered by itself, or the piece may be said to be as drawn. */
  readonly lookRecord: (typeof LOOK_RECORDS)[number];
  readonly acceptance: (typeof ACCEPTANCES)[number];
  readonly setUpReleasedBy: (typeof SET_UP_RELEASERS)[number];
  /** Pieces made, looked at and pulled to prove a set-up. */
  readonly setUpPieces: number;
  /** Of these, pieces whose strip length and crimp height are measured. */
  readonly measuredPieces: number;
  /** Share of production that must hold, e.g. 0.99. */
  readonly coverage: number;
  /** How sure the group judgement must be, e.g. 0.95. */
  readonly confidence: number;
  /** Whether a limit table has to be released by someone else than its drafter. */
  readonly secondPersonReleases: boolean;
  /** How much shorter than cut a wire may become by ends that are cut off and made again, mm. */
  readonly wireSpare: number;
  /** Wire a fresh square cut takes, mm. */
  readonly freshCut: number;
  /** Strands that may be nicked or cut, by strand count; first row whose `strandsUpTo` is not exceeded. */
  readonly strandDamage: readonly { readonly strandsUpTo: number; readonly nicked: number; readonly cut: number }[];
}

/**
 * A practice profile with every choice resolved. A released set-up keeps the revision it was made with.
 */
export interface Practice extends PracticeChoices {
  readonly part: string;
  readonly label: string;
  /** Who it is for; null: everyone. The most particular profile wins (see {@link choosePractice}). */
  readonly customer: string | null;
  readonly class: string | null;
  /** The profile it takes its other choices from; null for one that makes every choice itself. */
  readonly base: string | null;
  /** Choices it makes itself; all of them when it has no base. */
  readonly own: readonly (keyof PracticeChoices)[];
}
