import { at, real } from '../at';
import { arborescence } from './arborescence';

/** Owners with so many settings are gone through in every order; beyond, a tree stands for the best one. */
const EVERY_ORDER = 12;

/** Least cost of a line, or a bound of it where the orders are too many. */
export const lineBound = (...asked: Parameters<typeof treeBound>): number =>
  asked[0] <= EVERY_ORDER ? shortestLine(asked[0], asked[1], asked[2]) : treeBound(...asked);

/** Least cost of one line through all of n nodes from a start, by every order (Bellman 1962, Held and Karp 1962). */
function shortestLine(n: number, first: (v: number) => number, between: (u: number, v: number) => number): number {
  if (!n) return 0;
  const whole = (1 << n) - 1;
  const best = new Float64Array((whole + 1) * n).fill(Infinity);
  for (let v = 0; v < n; v++) best[(1 << v) * n + v] = first(v);
  for (let mask = 1; mask <= whole; mask++) {
    for (let u = 0; u < n; u++) {
      const cost = real(best, mask * n + u);
      if (cost === Infinity) continue;
      for (let v = 0; v < n; v++) {
        if (mask & (1 << v)) continue;
        const place = (mask | (1 << v)) * n + v;
        best[place] = Math.min(real(best, place), cost + between(u, v));
      }
    }
  }
  let least = Infinity;
  for (let v = 0; v < n; v++) least = Math.min(least, real(best, whole * n + v));
  return least;
}

/**
 * Least cost of a line through n nodes from a start, bounded from below by a tree in which no node has two branches; the branches
 * are forbidden by prices on them (Held and Karp 1970). In whole minutes, rounded up.
 */
export function treeBound(
  n: number,
  root: (v: number) => number,
  between: (u: number, v: number) => number,
  rounds: number,
): number {
  if (!n) return 0;
  const size = n + 1;
  const costs = new Float64Array(size * size).fill(Infinity);
  for (let v = 0; v < n; v++) {
    costs[v + 1] = root(v);
    for (let u = 0; u < n; u++) if (u !== v) costs[(u + 1) * size + v + 1] = between(u, v);
  }
  const prices = new Float64Array(size);
  let best = 0;
  let step = 1;
  const priced = new Float64Array(size * size);
  let since = 0;
  for (let round = 0; round < rounds; round++) {
    let paid = 0;
    for (let u = 0; u < size; u++) {
      const price = real(prices, u);
      paid += price;
      for (let v = 0; v < size; v++) priced[u * size + v] = real(costs, u * size + v) + price;
    }
    const tree = arborescence(size, priced);
    if (!tree) break;
    const least = tree.cost - paid;
    if (least > best + 1e-9) {
      best = least;
      since = 0;
    } else if (++since >= 5) {
      step /= 2;
      since = 0;
    }
    const branches = new Int32Array(size);
    for (let v = 1; v < size; v++) {
      const u = at(tree.parent, v);
      branches[u] = at(branches, u) + 1;
    }
    // A line begins once: the start is priced as the others are. The most branched of all moves by one step.
    const most = Math.max(1, ...branches.map((own) => own - 1));
    let isFlat = true;
    for (let u = 0; u < size; u++) {
      const over = at(branches, u) - 1;
      const price = Math.max(0, real(prices, u) + (step * over) / most);
      if (over > 0 || (over < 0 && real(prices, u) > 0)) isFlat = false;
      prices[u] = price;
    }
    if (isFlat || step < 0.02) break;
  }
  return Math.ceil(best - 1e-6);
}
