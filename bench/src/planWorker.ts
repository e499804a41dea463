import { improve, Layout, modelOf, type PlanWork } from '@tug-mark/core';
import { parentPort, workerData } from 'node:worker_threads';

/* One search on one core: says the best it found when its time is over. */

const { work, seed, milliseconds } = workerData as { work: PlanWork; seed: number; milliseconds: number };
const begun = performance.now();
const model = modelOf(work);
let best = null;
let first = 0;
for (const found of improve(model, seed, () => (performance.now() - begun) / milliseconds)) {
  if (!best) first = performance.now() - begun;
  best = found;
}
if (!best) throw new Error('nothing can be planned');
const { lateness, total, last, lost } = new Layout(model).layOut(best.order, best.ways, best.people, best.isFirm);
parentPort?.postMessage({
  ...{ cost: best.cost, lateness, changeover: total, end: last, lost, first },
  heap: process.memoryUsage().heapUsed / 1e6,
});
