import { Layout, type Model } from '../plan';

/** Cost of the best of all plans: every order, way and person, with nothing left aside; and how many plans those are. */
export function everyPlan(model: Model): { readonly least: number; readonly plans: number } {
  let least = Infinity;
  let plans = 0;
  const layouts = Array.from({ length: model.jobs.length + 1 }, () => new Layout(model));
  const go = (depth: number): void => {
    const here = layouts[depth] as Layout;
    if (depth === model.jobs.length) {
      plans++;
      least = Math.min(least, here.cost);
      return;
    }
    const next = layouts[depth + 1] as Layout;
    model.jobs.forEach((_, job) => {
      if (here.has(job) || [...(model.after[job] ?? [])].some((before) => !here.has(before))) return;
      for (let way = model.ways[job] ?? 0; way < (model.ways[job + 1] ?? 0); way++)
        for (const person of model.able[job] ?? []) {
          next.copy(here);
          next.put(job, way, person);
          go(depth + 1);
        }
    });
  };
  go(0);
  return { least, plans };
}
