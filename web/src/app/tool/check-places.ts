import { gaugeOf, type Die, type Nest, type Tool } from '@tug-mark/core';

/** What one check of a tool is of: a die with all its nests, or a nest that has pins of its own. */
export interface CheckPlace {
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
      gauge: gaugeOf(tool, nest ?? undefined),
    });
    return [...(own.length < die.nests.length ? [place(null)] : []), ...own.map(place)];
  });
}

/** The one a nest is checked in. */
export function placeOf(tool: Tool, die: Pick<Die, 'id'>, nest: Pick<Nest, 'id' | 'gauge'>): CheckPlace | undefined {
  const key = nest.gauge ? `${die.id}/${nest.id}` : die.id;
  return checkPlaces(tool).find((place) => place.key === key);
}
