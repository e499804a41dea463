import type { ShopTime } from '../time';
import type { NestProfile } from '../terminal';
import type { Die, Nest, Tool } from './Tool';
import { isMounted, judgeTool, type ToolRecords, type ToolState } from './judgeTool';

/** One nest with the tool and die it belongs to, and the tool's state. */
export interface NestPlace {
  readonly tool: Tool;
  readonly die: Die;
  readonly nest: Nest;
  /** Whether its die is mounted now. */
  readonly mounted: boolean;
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
 * Opens the register: each nest is judged once, and is filed under the terminals it is listed for and under its
 * profile.
 * @param now ISO instant
 */
export function openToolBook(tools: readonly Tool[], records: ToolRecords, now: string, shop: ShopTime): ToolBook {
  const places: NestPlace[] = [];
  const listed = new Map<string, NestPlace[]>();
  const byProfile = new Map<NestProfile, NestPlace[]>();
  const file = <K>(under: Map<K, NestPlace[]>, key: K, place: NestPlace) => {
    const found = under.get(key);
    if (found) found.push(place);
    else under.set(key, [place]);
  };
  const checks = byTool(records.checks);
  const returns = byTool(records.returns);
  for (const tool of tools) {
    const own = { checks: checks.get(tool.part) ?? [], returns: returns.get(tool.part) ?? [] };
    for (const die of tool.dies) {
      const mounted = isMounted(tool, die, own);
      for (const nest of die.nests) {
        const place = { tool, die, nest, mounted, state: judgeTool(tool, own, now, shop, { die, nest }) };
        places.push(place);
        file(byProfile, nest.profile, place);
        for (const part of new Set(nest.terminals)) file(listed, part, place);
      }
    }
  }
  return { places, listed, byProfile };
}

function byTool<T extends { readonly tool: string }>(all: readonly T[]): ReadonlyMap<string, readonly T[]> {
  const found = new Map<string, T[]>();
  for (const one of all) {
    const own = found.get(one.tool);
    if (own) own.push(one);
    else found.set(one.tool, [one]);
  }
  return found;
}
