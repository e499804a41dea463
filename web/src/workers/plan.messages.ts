import type { PlacedJob, Plan, PlanBounds, PlanWork } from '@tug-mark/core';

export interface PlanAsked {
  readonly work: PlanWork;
  readonly seed: number;
  readonly milliseconds: number;
  /** A plan to begin from, and to move as little of as need be; null: none. */
  readonly before: readonly PlacedJob[] | null;
}

/** The best plan so far. */
export interface PlanFound {
  readonly plan: Plan;
  /** How much of the time is used up, from 0 to 1. */
  readonly share: number;
  /** Nothing is better: every order was looked at, or ruled out. */
  readonly isProven: boolean;
  /** It is the last one of this search. */
  readonly isLast: boolean;
}

export interface PlanBeside {
  /** The same work in the order of due dates alone. */
  readonly byDue: Plan;
  readonly bounds: PlanBounds;
  /** Minute of the clock before which no order of this work ends. */
  readonly leastEnd: number;
}

/** Something a shop could do about what is late, and what it brings. */
export interface Remedy {
  readonly text: string;
  readonly plan: Plan;
}
