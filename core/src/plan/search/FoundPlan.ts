import { asPlan } from '../asPlan';
import { Layout } from '../Layout';
import type { Model } from '../model';
import type { Plan } from '../PlanWork';
import { changesOf, standingOf } from './changesOf';

/** A plan as the search has it: what was decided, and what came of it. */
export interface FoundPlan {
  readonly order: Int32Array;
  readonly ways: Int32Array;
  readonly people: Int32Array;
  readonly cost: number;
  /** Minutes of change without those of heaters. */
  readonly changes: number;
  readonly isLate: boolean;
  /** Each job is made by the one named, and not by whoever ends it first. */
  readonly isFirm?: true;
}

export const asFound = (layout: Layout): FoundPlan => ({
  order: layout.order.slice(),
  ways: layout.way.slice(),
  people: layout.person.slice(),
  cost: layout.cost,
  changes: changesOf(layout.model, layout.order, layout.way, standingOf(layout.model)),
  isLate: layout.lateness > 0,
});

/** What was decided, in the words of the shop. */
export const planFrom = (model: Model, { order, ways, people, isFirm }: FoundPlan): Plan =>
  asPlan(new Layout(model).layOut(order, ways, people, isFirm));
