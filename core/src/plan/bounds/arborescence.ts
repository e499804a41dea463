import { real } from '../at';

export interface Arborescence {
  readonly cost: number;
  /** The node each one is entered from; -1 for the root, which is node 0. */
  readonly parent: Int32Array;
}

/**
 * The cheapest tree that leads from node 0 to every other node, by contraction of cycles (Chu and Liu 1965, Edmonds 1967; the
 * order of the steps is Tarjan's for dense graphs, 1977): O(n^2).
 *
 * @param n nodes
 * @param costs row by row: costs[u * n + v] from u to v; Infinity where there is no way. Is used up.
 * @returns null where some node cannot be reached
 * @example three nodes, 0 to 1 costs 5, 0 to 2 costs 5, 1 to 2 costs 1, 2 to 1 costs 1: 6
 */
export function arborescence(n: number, costs: Float64Array): Arborescence | null {
  const most = 2 * n;
  /** Cheapest way into each component from each original node, and the node within at which it comes in. */
  const into: (Float64Array | null)[] = new Array<Float64Array | null>(most).fill(null);
  const enters: (Int32Array | null)[] = new Array<Int32Array | null>(most).fill(null);
  for (let v = 1; v < n; v++) {
    const column = new Float64Array(n);
    for (let u = 0; u < n; u++) column[u] = u === v ? Infinity : real(costs, u * n + v);
    into[v] = column;
    enters[v] = new Int32Array(n).fill(v);
  }
  const component = Int32Array.from({ length: n }, (_, v) => v);
  const holder = new Int32Array(most).fill(-1);
  const chosenFrom = new Int32Array(most).fill(-1);
  const chosenAt = new Int32Array(most).fill(-1);
  const members: (number[] | null)[] = Array.from({ length: most }, (_, v) => (v < n ? [v] : null));
  const isDone = new Uint8Array(most);
  isDone[0] = 1;
  let next = n;
  let cost = 0;
  for (let first = 1; first < n; first++) {
    let at = component[first] as number;
    const path: number[] = [];
    const onPath = new Map<number, number>();
    while (!isDone[at]) {
      onPath.set(at, path.length);
      path.push(at);
      const column = into[at] as Float64Array;
      let best = Infinity;
      let from = -1;
      for (let u = 0; u < n; u++) {
        const c = real(column, u);
        if (c < best && component[u] !== at) {
          best = c;
          from = u;
        }
      }
      if (from < 0) return null;
      cost += best;
      for (let u = 0; u < n; u++) column[u] = real(column, u) - best;
      chosenFrom[at] = from;
      chosenAt[at] = (enters[at] as Int32Array)[from] as number;
      const other = component[from] as number;
      const place = onPath.get(other);
      if (place === undefined) {
        at = other;
        continue;
      }
      // A cycle: its members become one, entered wherever that is cheapest.
      const cycle = path.splice(place);
      const whole = new Float64Array(n).fill(Infinity);
      const door = new Int32Array(n);
      const all: number[] = [];
      for (const one of cycle) {
        onPath.delete(one);
        holder[one] = next;
        const own = into[one] as Float64Array;
        const doors = enters[one] as Int32Array;
        for (let u = 0; u < n; u++) {
          const c = real(own, u);
          if (c < real(whole, u)) {
            whole[u] = c;
            door[u] = doors[u] as number;
          }
        }
        into[one] = enters[one] = null;
        for (const v of members[one] as number[]) all.push(v);
        members[one] = null;
      }
      for (const v of all) component[v] = next;
      into[next] = whole;
      enters[next] = door;
      members[next] = all;
      at = next++;
    }
    for (const one of path) isDone[one] = 1;
  }
  // From the outside in: where a component is entered, the cycle it was is broken.
  const parent = new Int32Array(n).fill(-1);
  const isFixed = new Uint8Array(most);
  for (let one = next - 1; one >= 1; one--) {
    if (isFixed[one] || (one < n && parent[one] !== -1)) continue;
    const entered = chosenAt[one] as number;
    const from = chosenFrom[one] as number;
    parent[entered] = from;
    for (let inner = entered; inner !== one; inner = holder[inner] as number) isFixed[inner] = 1;
    isFixed[one] = 1;
  }
  return { cost, parent };
}
