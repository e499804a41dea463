import { extentOf, type Extent, type Point2 } from '../geometry';
import type { Drawing } from '../sheet';

/**
 * Where a part lies in a drawing, in its own units: the box around all shapes that show it, their strokes not counted.
 * @returns null when nothing shows the part
 */
export function partExtent(drawing: Drawing, part: string): Extent | null {
  const points = drawing.shapes.flatMap((s) => (s.kind === 'path' && s.part === part ? pathPoints(s.d) : []));
  return points.length ? extentOf(points) : null;
}

/** Corners of path data; of arcs and curves their ends alone, for circles also their width. */
function pathPoints(d: string): Point2[] {
  const points: Point2[] = [];
  let x = 0;
  let y = 0;
  for (const [, command = '', rest = ''] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const n = (rest.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
    const get = (i: number) => n[i] ?? 0;
    const isRelative = command === command.toLowerCase();
    const size = { m: 2, l: 2, h: 1, v: 1, c: 6, a: 7, z: 0 }[command.toLowerCase()] ?? 0;
    for (let i = 0; size > 0 && i < n.length; i += size) {
      const kind = command.toLowerCase();
      const [bx, by] = isRelative ? [x, y] : [0, 0];
      if (kind === 'h') x = bx + get(i);
      else if (kind === 'v') y = by + get(i);
      else {
        x = bx + get(i + size - 2);
        y = by + get(i + size - 1);
      }
      if (kind === 'a') points.push({ x, y: y - get(i) }, { x, y: y + get(i) });
      points.push({ x, y });
    }
  }
  return points;
}
