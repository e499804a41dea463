import { minuteOf } from './shifts';
import type { PlanEnds, ShopSource } from './ShopSource';

/** What ends, and when: a day that is the last one ends with it. */
export function endsOf({ start, zone, tools, people, toMake }: ShopSource): PlanEnds {
  const endOf = (day: string) => minuteOf(`${day}T23:59`, zone, start) + 1;
  const checked = new Map<string, number | null>();
  for (const { setUp } of toMake)
    for (const { tool, state } of setUp.toolChoice.candidates) {
      if (checked.has(tool.part)) continue;
      const last = state.state === 'ready' ? state.lastCheck : null;
      const until = last && Math.floor((Date.parse(last.at) - Date.parse(start)) / 60_000 + tool.checkHours * 60);
      checked.set(tool.part, until);
    }
  const tables = new Map<string, { until: number; combinations: string[] }>();
  for (const { setUp, combination } of toMake) {
    const table = setUp.limit.limit?.table;
    if (!table?.effectiveUntil) continue;
    const name = `${table.document} ${table.revision}`;
    const known = tables.get(name) ?? { until: endOf(table.effectiveUntil), combinations: [] };
    known.combinations.push(combination);
    tables.set(name, known);
  }
  return {
    tools: tools.map((tool) => ({
      tool: tool.part,
      calibratedUntil: endOf(tool.calibrationUntil),
      checkedUntil: checked.get(tool.part) ?? null,
      cyclesLeft: Math.max(0, tool.cycleLimit - tool.cycles),
    })),
    people: people.flatMap(({ id, name, qualifiedUntil, qualifications }): PlanEnds['people'][number][] =>
      qualifications
        ? qualifications.flatMap(({ family, until }) =>
            until === null ? [] : [{ person: id, name, family, until: endOf(until) }],
          )
        : qualifiedUntil === null
          ? []
          : [{ person: id, name, family: null, until: endOf(qualifiedUntil) }],
    ),
    limits: [...tables].map(([document, found]) => ({ document, ...found })),
  };
}
