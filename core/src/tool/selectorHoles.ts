import { nominalArea, sizeLabel } from '../wire';
import type { Tool } from './Tool';

/** A setting the table ought to have: a size between the barrel's smallest and largest that other barrels name. */
export interface SelectorHole {
  readonly barrelSize: string;
  readonly size: string;
}

/**
 * Holes in a tool's selector table: wire sizes that lie between the smallest and the largest one a barrel size names
 * and that the table knows from another barrel size. Told when a tool is entered, so that nobody finds it at the bench.
 */
export function selectorHoles(tool: Pick<Tool, 'selector'>): SelectorHole[] {
  const sizes = new Map(tool.selector.map((row) => [sizeLabel(row.size), row.size]));
  return [...new Set(tool.selector.map((row) => row.barrelSize))].flatMap((barrelSize) => {
    const own = tool.selector.filter((row) => row.barrelSize === barrelSize);
    const areas = own.map((row) => nominalArea(row.size));
    const has = new Set(own.map((row) => sizeLabel(row.size)));
    return [...sizes]
      .filter(([label, size]) => {
        const area = nominalArea(size);
        return !has.has(label) && area > Math.min(...areas) && area < Math.max(...areas);
      })
      .map(([size]) => ({ barrelSize, size }));
  });
}
