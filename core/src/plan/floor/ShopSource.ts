import type { SetUp } from '../../combination';
import type { Standing } from '../../entry';
import type { Qualified } from '../../shop';
import type { Family, Terminal } from '../../terminal';
import type { Tool } from '../../tool';
import type { Wire } from '../../wire';
import type { LeftOut, PlanWork, ToolSetting } from '../PlanWork';
import type { Means, ShopFloor } from './ShopFloor';
import type { SupplyOf } from './Supply';

/* What a plan of a shop is made from, and what comes of it. */

/** Somebody with an account, as far as a plan is concerned. */
export interface FloorPerson extends Qualified {
  readonly id: string;
  readonly name: string;
  readonly makes: boolean;
  readonly releases: boolean;
}

/** A wire list that is on the bench. */
export interface ListToMake {
  readonly name: string;
  /** ISO date; null: whenever. */
  readonly due: string | null;
  /** What a quarter of an hour late weighs. */
  readonly weight: number;
  /** Its wires are cut; else that is a job of its own, before all others. */
  readonly isCut: boolean;
  /** Wires to cut. */
  readonly wires: number;
  /** Connectors its contacts go into, by name, with the combinations that have to be there first. */
  readonly connectors: readonly {
    readonly name: string;
    readonly contacts: number;
    readonly combinations: readonly string[];
  }[];
  /** Combinations of which the first has to be made before the second, and why. */
  readonly order: readonly { readonly first: string; readonly then: string; readonly why: string }[];
}

/** One combination with what is still to be made of it. */
export interface ToMake {
  readonly combination: string;
  readonly list: string;
  readonly terminal: Terminal;
  readonly wires: readonly Wire[];
  readonly setUp: SetUp;
  /** What a release that holds stands on; null where none does. */
  readonly released: Standing | null;
  readonly pieces: number;
  readonly samples: number;
  readonly everyPieces: number | null;
  /** Why nothing more can be made of it now; null where it can. */
  readonly held: string | null;
}

/** How a tool stands since it was set last, as far as that is on record. */
export interface StandingTool {
  readonly tool: string;
  readonly set: ToolSetting;
  /** Combination it was set for. */
  readonly combination: string;
  /** The samples of that set-up are good: at most its release is missing. */
  readonly isProved: boolean;
}

/** What one piece takes, and where the number is from. */
export interface PieceTime {
  readonly seconds: number;
  /** Pieces it rests on; 0: the shop's own number. */
  readonly pieces: number;
}

export interface ShopSource {
  /** ISO instant of minute 0. */
  readonly start: string;
  readonly zone: string;
  readonly days: number;
  readonly floor: ShopFloor;
  readonly people: readonly FloorPerson[];
  readonly tools: readonly Tool[];
  /** Tools that stand as they were set for a combination. */
  readonly standing: readonly StandingTool[];
  readonly lists: readonly ListToMake[];
  readonly toMake: readonly ToMake[];
  readonly timeOf: (family: Family, means: Means) => PieceTime;
  /** Minutes a set-up or a check takes by what was learned; null: by the floor's minutes. */
  readonly stepTime: (step: 'set-up' | 'check', family: Family, means: Means) => number | null;
  /** What there is of a part; null where nobody has counted it. */
  readonly supplyOf: SupplyOf;
}

/** What a job is, for people. */
export interface JobAbout {
  readonly job: string;
  readonly does: 'crimp' | 'cut' | 'insert';
  /** Null for work that belongs to no combination. */
  readonly combination: string | null;
  readonly list: string;
  readonly label: string;
  readonly terminal: string;
  readonly wire: string;
  readonly wireLabel: string;
  readonly family: Family | null;
  /** Parts slid on, one a piece. */
  readonly slidOn: readonly string[];
  /** Strokes of the tool a piece takes. */
  readonly strokes: number;
  readonly pieces: number;
  /** Which of how many jobs of this combination. */
  readonly part: number;
  readonly parts: number;
  readonly samples: number;
  readonly checks: number;
  /** Ends that are expected to be made again. */
  readonly rework: number;
  /** By the first means. */
  readonly seconds: number;
  readonly learnedFrom: number;
}

/** What ends by and by, in minutes of the plan. */
export interface PlanEnds {
  readonly tools: readonly {
    readonly tool: string;
    readonly calibratedUntil: number;
    /** Null: it has to be checked first. */
    readonly checkedUntil: number | null;
    /** Null where nobody counts them. */
    readonly cyclesLeft: number | null;
  }[];
  readonly people: readonly {
    readonly person: string;
    readonly name: string;
    /** Null: for all families. */
    readonly family: Family | null;
    readonly until: number;
  }[];
  readonly limits: readonly {
    readonly document: string;
    readonly until: number;
    readonly combinations: readonly string[];
  }[];
}

/** Something that is not in the plan, or in it with a warning. */
export interface PlanNote {
  readonly combination: string | null;
  readonly text: string;
}

export interface ShopPlan {
  readonly work: PlanWork;
  readonly about: readonly JobAbout[];
  readonly ends: PlanEnds;
  /** What cannot be planned at all. */
  readonly cannot: readonly (Omit<LeftOut, 'job' | 'code'> & {
    readonly combination: string;
    readonly code: CannotCode;
  })[];
  readonly notes: readonly PlanNote[];
}
export type CannotCode = 'held' | 'no-fit' | 'no-tool' | 'no-bench' | 'no-stock';
