import { Layout } from '../Layout';
import type { Model } from '../model';
import { dispatch } from './dispatch';

/* What a shop does without a planner: what a plan is shown beside, and measured against. */

/** List after list as they are due, each job as early as it can be then. */
export const byDueDate = (model: Model): Layout => inOrder(model, (job) => model.due[model.list[job] ?? 0] ?? 0);

/** Everything of one tool and setting together. */
export const toolByTool = (model: Model): Layout =>
  inOrder(
    model,
    (job) => (model.wayTool[model.ways[job] ?? 0] ?? 0) * 1000 + (model.waySet[model.ways[job] ?? 0] ?? 0),
  );

/** Always the job that changes least. */
export const nearestChangeover = (model: Model): Layout => dispatch(model, { change: 100, urgency: 0, reach: 1 });

function inOrder(model: Model, key: (job: number) => number): Layout {
  const order = Array.from(model.jobs.keys()).sort((a, b) => key(a) - key(b) || a - b);
  return new Layout(model).layOut(order, model.ways.slice(0, -1));
}
