import type { ShopFile } from '@tug-mark/contract';
import {
  combine,
  computeSetUp,
  findTerminations,
  metalArea,
  NO_DEMAND,
  nominalArea,
  openToolBook,
  type Practice,
  type SetUpContext,
  type Terminal,
  type Tool,
  type Wire,
  type WireListRow,
} from '@tug-mark/core';
import { median } from './median';

const ROUNDS = 9;
/** A large shop made of copies of the demo's parts under other numbers, each tool listing its own copies. */
export function largeShop(shop: ShopFile, terminals: number, tools: number): { terminals: Terminal[]; tools: Tool[] } {
  const copies = Math.ceil(terminals / shop.terminals.length);
  const cabinet = Array.from({ length: copies }, (_, copy) =>
    shop.terminals.map((t) => ({ ...t, part: `${t.part}-${copy}` })),
  )
    .flat()
    .slice(0, terminals);
  const register = Array.from({ length: Math.ceil(tools / shop.tools.length) }, (_, copy) =>
    shop.tools.map((tool) => ({
      ...tool,
      part: `${tool.part}-${copy}`,
      dies: tool.dies.map((die) => ({
        ...die,
        nests: die.nests.map((nest) => ({
          ...nest,
          terminals: nest.terminals.flatMap((part) => Array.from({ length: 8 }, (_, i) => `${part}-${copy * 8 + i}`)),
        })),
      })),
    })),
  )
    .flat()
    .slice(0, tools);
  return { terminals: cabinet, tools: register };
}

/** The least any finder has to do: compare the wire's area with the ranges of every terminal and every nest. */
function plainLoop(wire: Wire, terminals: readonly Terminal[], tools: readonly Tool[]): number {
  const area = metalArea(wire.conductor);
  let found = 0;
  for (const terminal of terminals) {
    const { smallest, largest } = terminal.conductorRange;
    if (area < nominalArea(smallest) || area > nominalArea(largest)) continue;
    for (const tool of tools) {
      for (const die of tool.dies) {
        for (const nest of die.nests) {
          if (area >= nest.area.min && area <= nest.area.max && nest.terminals.includes(terminal.part)) found += 1;
        }
      }
    }
  }
  return found;
}

/** One search over 5,000 terminals and 200 tools against the plain loop over the same pairs. */
export function benchFinder(shop: ShopFile, practice: Practice) {
  const { terminals, tools } = largeShop(shop, 5000, 200);
  const now = '2026-11-25T12:00:00.000Z';
  const checks = tools.map((tool) => ({
    tool: tool.part,
    die: null,
    nest: null,
    at: '2026-11-25T08:00:00.000Z',
    goPassed: true,
    noGoStopped: true,
    by: 'Odile',
    setting: null,
    cycles: null,
  }));
  const wires = shop.wires.filter((w) => w.conductor.kind === 'stranded');
  const book = openToolBook(tools, { checks, returns: [] }, now, { zone: 'UTC' });
  const ours: number[] = [];
  const plain: number[] = [];
  let sink = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const wire = wires[round % wires.length];
    if (!wire) throw new Error('the demo shop has no wire');
    let before = performance.now();
    sink += plainLoop(wire, terminals, tools);
    plain.push(performance.now() - before);
    before = performance.now();
    const query = { wires: [wire], use: { ...NO_DEMAND, place: 'dry' as const }, families: [] };
    sink += findTerminations(query, terminals, book, practice).makes.length;
    ours.push(performance.now() - before);
  }
  if (!Number.isFinite(sink)) throw new Error('no result');
  return {
    ratio: median(ours) / median(plain),
    milliseconds: median(ours),
    slowest: Math.max(...ours),
    baseline: median(plain),
  };
}

/** Every set-up of a loom of so many wires with both ends, as the wire list gathers them, against the plain loop. */
export function benchLoom(shop: ShopFile, practice: Practice, wires: number) {
  const part = <T>(list: readonly T[], index: number): T => list[index % list.length] as T;
  const rows: WireListRow[] = Array.from({ length: wires }, (_, i) => ({
    row: i + 2,
    wireId: `W${i}`,
    wirePart: part(shop.wires, i * 7).part,
    length: 500,
    terminalA: part(shop.terminals, i * 13).part,
    terminalB: part(shop.terminals, i * 17 + 5).part,
    quantity: 2,
    place: 'dry',
    jointA: '',
    jointB: '',
    demandA: NO_DEMAND,
    demandB: NO_DEMAND,
    plugA: null,
    plugB: null,
  }));
  const terminals = new Map(shop.terminals.map((t) => [t.part, t]));
  const conductors = new Map(shop.wires.map((w) => [w.part, w]));
  const pairs = (counts: readonly { terminal: string; wire: string }[]) =>
    counts.map(({ terminal, wire }) => ({
      terminal: terminals.get(terminal) as Terminal,
      wire: conductors.get(wire) as Wire,
    }));
  const now = '2026-11-25T12:00:00.000Z';
  const once = { terminal: 1, wire: 1, together: [], practice: 1 };
  let before = performance.now();
  let sink = 0;
  const ends = rows.flatMap((row) => [
    { terminal: row.terminalA, wire: row.wirePart },
    { terminal: row.terminalB, wire: row.wirePart },
  ]);
  for (const { wire, terminal } of pairs(ends)) sink += plainLoop(wire, [terminal], shop.tools);
  const baseline = performance.now() - before;
  before = performance.now();
  const combinations = combine(rows, new Set());
  const book = openToolBook(shop.tools, { checks: [], returns: [] }, now, { zone: 'UTC' });
  for (const { wire, terminal } of pairs(combinations)) {
    const context: SetUpContext = {
      zone: 'UTC',
      terminal,
      wire,
      together: [],
      opposite: [],
      use: { ...NO_DEMAND, place: 'dry' },
      class: 'standard',
      practice,
      strippers: shop.strippers,
      tools: shop.tools,
      checks: [],
      returns: [],
      limits: shop.limits,
      looks: [],
      cabinet: [],
      revisions: once,
      newest: once,
    };
    sink += computeSetUp(context, [], now, book).bites.length;
  }
  const milliseconds = performance.now() - before;
  if (!Number.isFinite(sink)) throw new Error('no result');
  return { ratio: milliseconds / baseline, milliseconds, baseline, combinations: combinations.length };
}
