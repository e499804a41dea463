import { isValidMode, runOf, type EntryBody } from '@tug-mark/core';

/** Places of a journal in one block. */
export const BLOCK = 1024;

/** Bytes of a point: at, force and share as float64, lot and piece as int32, five facets as uint16, two to spare. */
const POINT = 44;
const [AT, FORCE, SHARE, LOT, PIECE, FACETS] = [0, 8, 16, 24, 28, 32];
const NAMED = 5;

/** What came before a block and bears on its points. */
export interface ChartState {
  /** By run: the tool taken, and its nest. */
  readonly tools: Readonly<Record<string, { readonly tool: string; readonly nest: string }>>;
  /** By lot and change: the reel on the machine. */
  readonly reels: Readonly<Record<string, string>>;
}

export const NOTHING_YET: ChartState = { tools: {}, reels: {} };

/** An entry as a block needs it. */
export interface BlockEntry {
  /** ms since 1970 */
  readonly at: number;
  readonly by: string;
  readonly body: EntryBody;
  /** N; null where no limit applied. */
  readonly limit: number | null;
}

export interface Glance {
  readonly facet: string;
  readonly n: number;
  readonly least: number;
  readonly greatest: number;
  readonly mean: number;
  readonly from: number;
  readonly to: number;
}

export interface PackedBlock {
  readonly points: Buffer;
  readonly facets: readonly string[];
  readonly state: ChartState;
  readonly glances: readonly Glance[];
}

export const facetOf = (kind: string, value: string) => `${kind}:${value}`;

/**
 * Packs the valid readings among a block's entries, and says what stands at its end.
 * @param entries in the order of the journal, each with what stands in its place now
 */
export function packBlock(combination: string, entries: readonly BlockEntry[], before: ChartState): PackedBlock {
  const tools = { ...before.tools };
  const reels = { ...before.reels };
  const facets: string[] = [];
  const places = new Map<string, number>();
  const sums = new Map<string, { n: number; least: number; greatest: number; sum: number; from: number; to: number }>();
  const placeOf = (facet: string) => {
    const known = places.get(facet);
    if (known !== undefined) return known;
    facets.push(facet);
    places.set(facet, facets.length);
    return facets.length;
  };
  const add = (facet: string, value: number, at: number) => {
    const sum = sums.get(facet);
    if (!sum) sums.set(facet, { n: 1, least: value, greatest: value, sum: value, from: at, to: at });
    else {
      sum.n += 1;
      sum.least = Math.min(sum.least, value);
      sum.greatest = Math.max(sum.greatest, value);
      sum.sum += value;
      sum.from = Math.min(sum.from, at);
      sum.to = Math.max(sum.to, at);
    }
  };
  const points = Buffer.alloc(entries.length * POINT);
  let end = 0;
  for (const { at, by, body, limit } of entries) {
    const run = String(runOf(body));
    if (body.kind === 'tool') {
      tools[run] = { tool: body.tool, nest: JSON.stringify([body.tool, body.die, body.nest]) };
    }
    if (body.kind === 'progress' && (body.change === 'wire-reel' || body.change === 'terminal-reel')) {
      const key = `${body.lot}/${body.change}`;
      if (body.to === undefined || body.to === '') Reflect.deleteProperty(reels, key);
      else reels[key] = body.to;
    }
    if (body.kind !== 'reading' || !isValidMode(body.mode)) continue;
    const { lot, force, piece } = body;
    const taken = tools[run];
    const named = [
      ...(taken ? [facetOf('tool', taken.tool), facetOf('nest', taken.nest)] : []),
      facetOf('person', by),
      ...(lot === undefined
        ? []
        : ['wire-reel', 'terminal-reel'].flatMap((change) => reels[`${lot}/${change}`] ?? [])
      ).map((reel) => facetOf('reel', reel)),
    ];
    const share = limit === null ? NaN : (100 * force) / limit;
    points.writeDoubleLE(at, end + AT);
    points.writeDoubleLE(force, end + FORCE);
    points.writeDoubleLE(share, end + SHARE);
    points.writeInt32LE(lot ?? 0, end + LOT);
    points.writeInt32LE(piece, end + PIECE);
    for (const [i, facet] of named.entries()) points.writeUInt16LE(placeOf(facet), end + FACETS + 2 * i);
    end += POINT;
    add(facetOf('combination', combination), force, at);
    if (!Number.isNaN(share)) for (const facet of new Set(named)) add(facet, share, at);
  }
  return {
    points: points.subarray(0, end),
    facets,
    state: { tools, reels },
    glances: [...sums].map(([facet, { sum, ...rest }]) => ({ facet, ...rest, mean: sum / rest.n })),
  };
}

/**
 * Writes the points of a block that belong to a chart, in the order of the journal, as a chart's points are sent
 * (POINT_NUMBERS).
 *
 * @param facet null: all, by force in N; else those that belong to it and have a limit, in per cent of it
 * @param groupOf number of the group a lot's points stand in
 * @param into float64s, from `place` on; with room for the block
 * @returns the place behind the last number written
 */
export function drawBlock(
  points: Buffer,
  facets: readonly string[],
  facet: string | null,
  groupOf: (lot: number) => number,
  into: Float64Array,
  place: number,
): number {
  const wanted = facet === null ? null : facets.indexOf(facet) + 1;
  if (wanted === 0) return place;
  const view = new DataView(points.buffer, points.byteOffset, points.length);
  let to = place;
  for (let base = 0; base < points.length; base += POINT) {
    if (wanted !== null && !belongs(view, base, wanted)) continue;
    const value = view.getFloat64(base + (wanted === null ? FORCE : SHARE), true);
    if (Number.isNaN(value)) continue;
    into[to++] = view.getFloat64(base + AT, true);
    into[to++] = value;
    into[to++] = groupOf(view.getInt32(base + LOT, true));
    into[to++] = view.getInt32(base + PIECE, true);
  }
  return to;
}

function belongs(view: DataView, base: number, wanted: number): boolean {
  for (let i = 0; i < NAMED; i++) if (view.getUint16(base + FACETS + 2 * i, true) === wanted) return true;
  return false;
}
