import { at } from '../at';
import { setMinutes, stripMinutes } from '../minutes';
import type { Model } from '../model';

/** Minutes of change of an order without its heaters, which depend on the hours. */
export function changesOf(
  model: Model,
  order: Int32Array | readonly number[],
  ways: Int32Array,
  standing: Standing,
): number {
  const { tools, benches } = model;
  standing.set.set(tools.set);
  standing.bench.set(tools.bench);
  standing.notch.set(benches.notch);
  standing.stop.set(benches.stop);
  let minutes = 0;
  for (const job of order) {
    const way = at(ways, job);
    const bench = at(model.wayBench, way);
    const tool = at(model.wayTool, way);
    if (tool >= 0) {
      const set = at(model.waySet, way);
      minutes += setMinutes(model, tool, at(standing.set, tool), set);
      if (at(standing.bench, tool) !== bench) minutes += at(tools.frame, tool);
      standing.set[tool] = set;
      standing.bench[tool] = bench;
    }
    const [notch, stop] = [at(model.notch, job), at(model.stop, job)];
    if (!notch) continue;
    minutes += stripMinutes(model, bench, at(standing.notch, bench), at(standing.stop, bench), notch, stop);
    standing.notch[bench] = notch;
    standing.stop[bench] = stop;
  }
  return minutes;
}

/** What tools and strippers are set to, to be written over again and again. */
export interface Standing {
  readonly set: Int32Array;
  readonly bench: Int32Array;
  readonly notch: Int32Array;
  readonly stop: Int32Array;
}

export const standingOf = ({ tools, benches }: Model): Standing => ({
  set: tools.set.slice(),
  bench: tools.bench.slice(),
  notch: benches.notch.slice(),
  stop: benches.stop.slice(),
});
