import type { ShopTime } from '../time';
import type { NestProfile } from './kinds';
import type { Die, Nest, Tool, ToolCheck } from './Tool';
import { judgeTool, type ToolState } from './judgeTool';

/** One nest with the tool and die it belongs to, and the tool's state. */
export interface NestPlace {
  readonly tool: Tool;
  readonly die: Die;
  readonly nest: Nest;
  readonly state: ToolState;
}

/** The shop's tools opened at one moment, so that many choices can be made from them quickly. */
export interface ToolBook {
  readonly places: readonly NestPlace[];
  /** Nests by the terminals their tools' sheets list. */
  readonly listed: ReadonlyMap<string, readonly NestPlace[]>;
  readonly byProfile: ReadonlyMap<NestProfile, readonly NestPlace[]>;
}

/**
 * Opens the register: each tool is judged once, each nest is filed under the terminals it is listed for and under its
 * profile.
 * @param now ISO instant
 */
export function openToolBook(
  tools: readonly Tool[],
  checks: readonly ToolCheck[],
  now: string,
  shop: ShopTime,
): ToolBook {
  const places: NestPlace[] = [];
  const listed = new Map<string, NestPlace[]>();
  const byProfile = new Map<NestProfile, NestPlace[]>();
  const file = <K>(under: Map<K, NestPlace[]>, key: K, place: NestPlace) => {
    const found = under.get(key);
    if (found) found.push(place);
    else under.set(key, [place]);
  };
  for (const tool of tools) {
    const state = judgeTool(tool, checks, now, shop);
    for (const die of tool.dies) {
      for (const nest of die.nests) {
        const place = { tool, die, nest, state };
        places.push(place);
        file(byProfile, nest.profile, place);
        for (const part of new Set(nest.terminals)) file(listed, part, place);
      }
    }
  }
  return { places, listed, byProfile };
}
