import { at } from './at';
import type { Model } from './model';

/** Minutes a job is held up by samples at least, should it be the first of its proof. */
const leastSamples = (model: Model, job: number): number =>
  model.isProved[job] || model.tools.proof.includes(at(model.proof, job)) ? 0 : at(model.setUp, job);

/** How many jobs each proof has. */
function usersOf(model: Model): Map<number, number> {
  const users = new Map<number, number>();
  for (const proof of model.proof) users.set(proof, (users.get(proof) ?? 0) + 1);
  return users;
}

/** Least own minutes of each job: its shortest way, and its samples where no other job can make them for it. */
export function leastWork(model: Model): Int32Array {
  const users = usersOf(model);
  return Int32Array.from(
    model.jobs.keys(),
    (job) => at(model.leastRun, job) + (users.get(at(model.proof, job)) === 1 ? leastSamples(model, job) : 0),
  );
}

/** Least minutes of samples that several jobs share: one of each proof makes them. */
export function sharedSamples(model: Model): number {
  const users = usersOf(model);
  const least = new Map<number, number>();
  model.jobs.forEach((_, job) => {
    const proof = at(model.proof, job);
    if ((users.get(proof) ?? 0) > 1) least.set(proof, Math.min(least.get(proof) ?? Infinity, leastSamples(model, job)));
  });
  return [...least.values()].reduce((sum, minutes) => sum + minutes, 0);
}
