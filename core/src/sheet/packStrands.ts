/**
 * Centres of `count` equal strands in a circle of `radius`: places of a hexagonal lattice, nearest to the middle first
 * and, among equally near ones, the lowest first, as strands settle. Strand radius is chosen so that the farthest
 * strand touches the circle.
 */
export function packStrands(
  count: number,
  radius: number,
): { readonly r: number; readonly at: readonly { x: number; y: number }[] } {
  const reach = Math.ceil(Math.sqrt(count)) + 1;
  const places: { x: number; y: number; distance: number }[] = [];
  for (let row = -reach; row <= reach; row++) {
    for (let column = -reach; column <= reach; column++) {
      const x = 2 * column + (row % 2 === 0 ? 0 : 1);
      const y = Math.sqrt(3) * row;
      places.push({ x, y, distance: Number(Math.hypot(x, y).toFixed(9)) });
    }
  }
  places.sort((a, b) => a.distance - b.distance || b.y - a.y || a.x - b.x);
  const taken = places.slice(0, count);
  const r = radius / (Math.max(0, ...taken.map((p) => p.distance)) + 1);
  return { r, at: taken.map(({ x, y }) => ({ x: x * r, y: y * r })) };
}
