import { at } from '../at';
import { setMinutes, stripMinutes } from '../minutes';
import type { Model } from '../model';
import { jointsOf, type Joint } from './joints';
import { Needs } from './Needs';
import { warmUps } from './warmUps';

/**
 * Least minutes of changeover: each setting that is needed has to be come to once, from another one or from what stands there now.
 * Tools and strippers are counted by themselves; then tools that have to be taken elsewhere, and heaters that have to be warmed up.
 */
export function changeBound(model: Model, rounds: number): number {
  const { tools, benches, jobs, ways } = model;
  const sets = new Needs();
  const strips = new Needs();
  const stripAt: [notch: number, stop: number][] = [];
  const stripOf = new Map<string, number>();
  /** Benches a tool is needed at, job by job, for jobs that no other tool makes. */
  const places = tools.settings.map(() => new Map<string, Set<number>>());
  const hots: { readonly where: ReadonlySet<number>; readonly run: number }[] = [];
  jobs.forEach((_, job) => {
    const own: [number, number][] = [];
    const where = new Set<number>();
    let run = Infinity;
    for (let way = at(ways, job); way < at(ways, job + 1); way++) {
      own.push([at(model.wayTool, way), at(model.waySet, way)]);
      where.add(at(model.wayBench, way));
      run = Math.min(run, at(model.wayRun, way));
    }
    const [only] = own;
    if (!only) return;
    if (own.every(([tool]) => tool >= 0)) sets.add(own);
    if (only[0] >= 0 && own.every(([tool]) => tool === only[0]))
      places[only[0]]?.set([...where].sort((a, b) => a - b).join(), where);
    const [notch, stop] = [at(model.notch, job), at(model.stop, job)];
    if (notch) {
      const key = `${notch} ${stop}`;
      const strip = stripOf.get(key) ?? stripAt.push([notch, stop]) - 1;
      stripOf.set(key, strip);
      strips.add([...where].map((bench) => [bench, strip]));
    }
    if (model.heat[job]) hots.push({ where, run });
  });
  const change = (tool: number, from: number, to: number) => setMinutes(model, tool, from, to);
  const strip = (bench: number, notch: number, stop: number, to: number) =>
    stripMinutes(model, bench, notch, stop, ...(stripAt[to] as [number, number]));
  const firstSet = (tool: number, to: number) => change(tool, at(tools.set, tool), to);
  const firstStrip = (bench: number, to: number) => strip(bench, at(benches.notch, bench), at(benches.stop, bench), to);
  const nextStrip = (bench: number, from: number, to: number) =>
    strip(bench, ...(stripAt[from] as [number, number]), to);
  /** Benches counted with one of their tools, and their other tools by themselves: what is left is counted as above. */
  const least = (joint: readonly Joint[]): number => {
    const own = joint.reduce((sum, one) => sum + one.least, 0);
    const banned = new Set(joint.flatMap((one) => one.tools));
    return (
      own +
      sets.least(firstSet, change, rounds, banned) +
      strips.least(firstStrip, nextStrip, rounds, new Set(joint.map(({ bench }) => bench)))
    );
  };
  const joints = jointsOf(model, stripOf, { firstSet, change, firstStrip, nextStrip }, rounds);
  let chosen: Joint[] = [];
  let settings = least(chosen);
  for (const one of joints) {
    if (chosen.some(({ bench }) => bench === one.bench)) continue;
    const together = least([...chosen, one]);
    if (together <= settings) continue;
    settings = together;
    chosen = [...chosen, one];
  }
  // Benches that have nothing in common, and where the tool does not stand: it is taken to one of each.
  let frames = 0;
  places.forEach((all, tool) => {
    const apart: Set<number>[] = [];
    for (const set of [...all.values()].sort((a, b) => a.size - b.size))
      if (!set.has(at(tools.bench, tool)) && apart.every((other) => [...set].every((bench) => !other.has(bench))))
        apart.push(set);
    frames += apart.length * at(tools.frame, tool);
  });
  return settings + frames + warmUps(model, hots);
}
