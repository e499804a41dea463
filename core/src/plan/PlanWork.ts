/*
 * What is planned, in the words of the shop. All times are whole minutes since the plan's first minute, which is an instant of its
 * own: a night, a pause or a clock change is a stretch of minutes in which nobody works, and needs no rule.
 */

/** From a minute up to another, which is no longer in it. */
export interface PlanSpan {
  readonly from: number;
  readonly to: number;
}

/** One shift of somebody, with its breaks. */
export interface Shift extends PlanSpan {
  readonly breaks: readonly PlanSpan[];
}

/** Somebody who makes pieces, or releases set-ups. */
export interface PlanPerson {
  readonly id: string;
  readonly label: string;
  /** In order, none over another. Whoever is absent has no shift there. */
  readonly shifts: readonly Shift[];
}

/** What a wire is stripped by: two things to set. */
export interface StripSetting {
  readonly notch: string;
  readonly stop: string;
}

export interface PlanBench {
  readonly id: string;
  readonly label: string;
  /** Null where no heat is allowed, or no heater stands. */
  readonly heater: { readonly warmUp: number; readonly coldAfter: number } | null;
  /** The stripper that stands here, as it is set now; null where none does. */
  readonly stripper: {
    readonly set: StripSetting | null;
    readonly minutes: Readonly<Record<'notch' | 'stop', number>>;
  } | null;
}

/** Parts of a tool that are set or mounted. A nest takes no minutes, and makes samples necessary. */
export const SETTING_PARTS = ['die', 'nest', 'selector', 'positioner', 'grip', 'reel'] as const;
export type SettingPart = (typeof SETTING_PARTS)[number];
/** What stands in a tool; null: nothing of the kind, and what stood there before is out or forgotten. */
export type ToolSetting = Readonly<Record<SettingPart, string | null>>;

export interface PlanTool {
  readonly id: string;
  readonly label: string;
  /** Bench it stands at when the plan begins. */
  readonly bench: string;
  readonly set: ToolSetting;
  /** Proof whose samples were made with it as it stands and are good; null: none that is known. */
  readonly proof: string | null;
  /** Minutes of each part; `frame` to take it to another bench and mount it there. A locator's trial crimps are in its minutes. */
  readonly minutes: Readonly<Record<SettingPart | 'frame', number>>;
}

/** One way to make a job. */
export interface PlanMeans {
  /** Null for work without a tool of the shop: cutting, insertion. */
  readonly tool: string | null;
  readonly set: ToolSetting | null;
  /** Benches where it can be done so. */
  readonly benches: readonly string[];
  /** Minutes of the lot with its checks and what follows the crimp. */
  readonly run: number;
}

export interface PlanJob {
  readonly id: string;
  readonly label: string;
  readonly list: string;
  readonly means: readonly PlanMeans[];
  /** Who is qualified. */
  readonly people: readonly string[];
  readonly strip: StripSetting | null;
  /** It needs a hot heater. */
  readonly heat: boolean;
  /** Minutes of samples made, looked at, pulled. */
  readonly setUp: number;
  /** Minutes of quality for the release of a set-up; null where none is asked. */
  readonly release: number | null;
  /** Jobs of one proof share a set-up: the next one goes on with it while nothing was set otherwise between. */
  readonly proof: string;
  /** A release stands that holds for this setting: nothing has to be proved while the tool stands as it was. */
  readonly isProved: boolean;
  /** Jobs that have to be ended first. */
  readonly after: readonly string[];
  /** Not before this minute: what it takes arrives then, or its release. */
  readonly from: number;
  /** It stays where it stands. */
  readonly fixed: PlanPlace | null;
}

/** Where a job stays. */
export interface PlanPlace {
  readonly bench: string;
  readonly tool: string | null;
  readonly person: string;
  readonly start: number;
}

/** A wire list: it is ready when the last of its jobs is. */
export interface PlanList {
  readonly id: string;
  readonly label: string;
  /** Null: whenever. */
  readonly due: number | null;
  /** What a quarter of an hour late weighs. */
  readonly weight: number;
}

export interface PlanWork {
  readonly benches: readonly PlanBench[];
  readonly tools: readonly PlanTool[];
  readonly people: readonly PlanPerson[];
  /** Who releases set-ups, and when they are in. */
  readonly quality: readonly PlanPerson[];
  readonly lists: readonly PlanList[];
  readonly jobs: readonly PlanJob[];
  /** Minutes of changeover that ending one minute earlier is worth to the house. */
  readonly endWorth: number;
}

/** One thing that is changed before a job, and its minutes. */
export interface PlanChange {
  readonly part: SettingPart | 'frame' | 'notch' | 'stop' | 'heater';
  readonly minutes: number;
}

/** A job in its place. */
export interface PlacedJob extends PlanPlace {
  readonly job: string;
  readonly changes: readonly PlanChange[];
  /** Whole minutes of all changes together. */
  readonly changeover: number;
  /** Where changeover and samples are done; equal to `start` where nothing is. */
  readonly setUpEnd: number;
  /** When quality releases it, and who; null where nothing has to be released. */
  readonly release: (PlanSpan & { readonly by: string }) | null;
  readonly runStart: number;
  readonly end: number;
}

/** A job that cannot be planned, and why. */
export interface LeftOut {
  readonly job: string;
  readonly code:
    | 'no-tool'
    | 'nobody'
    | 'no-bench'
    | 'no-quality'
    | 'too-long'
    | 'no-hours'
    | 'circle'
    | 'forerunner'
    | 'arrives-late';
  readonly text: string;
}

/** How good a plan is, each figure by itself. */
export interface PlanScore {
  /** Started quarter-hours late of each list, times its weight. */
  readonly lateness: number;
  readonly lateLists: readonly string[];
  /** Minutes of changeover. */
  readonly changeover: number;
  /** Working minutes until all is done; nights do not count. */
  readonly end: number;
}

export interface Plan {
  readonly placed: readonly PlacedJob[];
  readonly left: readonly LeftOut[];
  readonly score: PlanScore;
}
