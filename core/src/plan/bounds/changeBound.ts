import { at } from '../at';
import { setMinutes, stripMinutes } from '../minutes';
import type { Model } from '../model';
import { divide, type Option } from './divide';
import { warmUps } from './warmUps';

/**
 * Least minutes of changeover: each setting that is needed has to be come to once, from another one or from what stands there now;
 * then heaters that have to be warmed up.
 */
export function changeBound(model: Model, rounds: number): number {
  const { tools, benches, jobs, ways } = model;
  const needs = new Map<string, readonly Option[]>();
  const stripAt: [notch: number, stop: number][] = [];
  const stripOf = new Map<string, number>();
  const hots: { readonly where: ReadonlySet<number>; readonly run: number }[] = [];
  jobs.forEach((_, job) => {
    const own = new Map<string, Option>();
    const where = new Set<number>();
    let run = Infinity;
    const [notch, stop] = [at(model.notch, job), at(model.stop, job)];
    const key = `${notch} ${stop}`;
    const strip = notch ? (stripOf.get(key) ?? stripAt.push([notch, stop]) - 1) : -1;
    if (notch) stripOf.set(key, strip);
    for (let way = at(ways, job); way < at(ways, job + 1); way++) {
      const option = {
        bench: at(model.wayBench, way),
        tool: at(model.wayTool, way),
        set: at(model.waySet, way),
        strip,
      };
      own.set(Object.values(option).join(), option);
      where.add(option.bench);
      run = Math.min(run, at(model.wayRun, way));
    }
    needs.set([...own.keys()].sort().join(' '), [...own.values()]);
    if (model.heat[job]) hots.push({ where, run });
  });
  const stripTo = (bench: number, notch: number, stop: number, to: number) =>
    stripMinutes(model, bench, notch, stop, ...(stripAt[to] as [number, number]));
  const costs = {
    firstSet: (tool: number, to: number) => setMinutes(model, tool, at(tools.set, tool), to),
    change: (tool: number, from: number, to: number) => setMinutes(model, tool, from, to),
    firstStrip: (bench: number, to: number) => stripTo(bench, at(benches.notch, bench), at(benches.stop, bench), to),
    nextStrip: (bench: number, from: number, to: number) => stripTo(bench, ...(stripAt[from] as [number, number]), to),
    frame: (tool: number, bench: number) => (at(tools.bench, tool) === bench ? 0 : at(tools.frame, tool)),
  };
  return divide([...needs.values()], costs, rounds) + warmUps(model, hots);
}
