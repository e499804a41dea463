import { at } from './at';
import { stripChanges, toolChanges } from './changesBefore';
import { NO_PLACE, type Layout } from './Layout';
import type { LeftOut, Plan, PlanChange, PlacedJob, StripSetting, ToolSetting } from './PlanWork';

/** A layout in the words of the shop: clock minutes, names, and what is changed before each job. */
export function asPlan(layout: Layout): Plan {
  const { model } = layout;
  const { work, axis, jobs } = model;
  const startOf = (place: number) => at(axis.clock, Math.min(place, axis.length - 1));
  const endOf = (place: number) => (place > 0 ? at(axis.clock, place - 1) + 1 : 0);
  const standing = work.tools.map(({ set, bench }) => ({ set, bench }));
  const strips: (StripSetting | null)[] = work.benches.map(({ stripper }) => stripper?.set ?? null);
  const hotUntil = work.benches.map(() => -Infinity);
  const placed: PlacedJob[] = [];
  const left: LeftOut[] = [...model.left];
  for (let i = 0; i < layout.placed; i++) {
    const j = at(layout.order, i);
    const job = jobs[j];
    if (!job) continue;
    const way = at(layout.way, j);
    const b = at(model.wayBench, way);
    const t = at(model.wayTool, way);
    const person = at(layout.person, j);
    if (person < 0) {
      const text = `${job.label} finds no room before the hours of this plan end: give more hours, or take jobs out.`;
      left.push({ job: job.id, code: 'no-hours', text });
      continue;
    }
    const bench = work.benches[b];
    const tool = work.tools[t];
    const stands = standing[t];
    const set: ToolSetting | null = job.means[at(model.wayMeans, way)]?.set ?? null;
    const [start, end] = [startOf(at(layout.start, j)), endOf(at(layout.end, j))];
    const runStart = startOf(at(layout.runStart, j));
    const changes: PlanChange[] = [];
    if (tool && stands && set) {
      changes.push(...toolChanges(tool, stands.set, set));
      if (stands.bench !== bench?.id) changes.push({ part: 'frame', minutes: tool.minutes.frame });
      standing[t] = { set, bench: bench?.id ?? '' };
    }
    changes.push(...stripChanges(bench?.stripper ?? null, strips[b] ?? null, job.strip));
    if (job.strip) strips[b] = job.strip;
    if (job.heat && bench?.heater && runStart - (hotUntil[b] ?? 0) > bench.heater.coldAfter)
      changes.push({ part: 'heater', minutes: bench.heater.warmUp });
    if (job.heat) hotUntil[b] = end;
    const by = at(layout.releasedBy, j);
    placed.push({
      ...{ job: job.id, bench: bench?.id ?? '', tool: tool?.id ?? null, person: work.people[person]?.id ?? '' },
      ...{ start, changes, changeover: at(layout.changeover, j) },
      setUpEnd: at(layout.setUpEnd, j) > at(layout.start, j) ? endOf(at(layout.setUpEnd, j)) : start,
      release:
        by < 0
          ? null
          : {
              from: startOf(at(layout.releaseStart, j)),
              to: endOf(at(layout.releaseEnd, j)),
              by: work.quality[by]?.id ?? '',
            },
      runStart,
      end,
    });
  }
  const lateLists = work.lists.filter((_, l) => at(layout.listEnd, l) > at(model.due, l)).map(({ id }) => id);
  const lateness = layout.lateness - layout.lost * NO_PLACE;
  return { placed, left, score: { lateness, lateLists, changeover: layout.total, end: layout.last } };
}
