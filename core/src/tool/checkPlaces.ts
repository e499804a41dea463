import { gaugeOf } from './judgeTool';
import type { Die, Nest, Tool } from './Tool';

/** What one check of a tool is of: a die with all its nests, or a nest that has pins of its own. */
export interface CheckPlace {
  /** Tells the places of one tool apart. */
  readonly key: string;
  readonly die: Die;
  /** Null for all nests of the die that have no pins of their own. */
  readonly nest: Nest | null;
  readonly label: string;
  readonly gauge: Tool['gauge'];
}

/** Everything of a tool that is checked by itself, die by die. */
export function checkPlaces(tool: Tool): CheckPlace[] {
  return tool.dies.flatMap((die) => {
    const own = die.nests.filter((nest) => nest.gauge !== null);
    const place = (nest: Nest | null): CheckPlace => ({
      key: nest ? `${die.id}/${nest.id}` : die.id,
      die,
      nest,
      label: nest && die.nests.length > 1 ? `${die.label}, nest ${nest.label}` : die.label,
      gauge: gaugeOf(tool, nest),
    });
    return [...(own.length < die.nests.length ? [place(null)] : []), ...own.map(place)];
  });
}

/** The place a check speaks for; undefined where the tool has none such. */
export function findCheckPlace(tool: Tool, die: string | undefined, nest: string | null): CheckPlace | undefined {
  return checkPlaces(tool).find(
    (place) =>
      (place.die.id === die || (die === undefined && tool.dies.length === 1)) && (place.nest?.id ?? null) === nest,
  );
}
