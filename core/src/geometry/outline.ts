export interface Point2 {
  readonly x: number;
  readonly y: number;
}

/** Steps a curve is broken into. */
const STEPS = 16;

/**
 * The corners of one closed outline given as path data of the absolute commands M, L, H, V, C and Z; curves are broken
 * into short straight pieces.
 */
export function outlineCorners(d: string): Point2[] {
  const corners: Point2[] = [];
  let at: Point2 = { x: 0, y: 0 };
  const go = (x: number, y: number) => {
    at = { x, y };
    corners.push(at);
  };
  for (const [, command, rest = ''] of d.matchAll(/([MLHVCZ])([^MLHVCZ]*)/g)) {
    const n = (rest.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
    const get = (i: number) => n[i] ?? 0;
    if (command === 'M' || command === 'L') for (let i = 0; i < n.length; i += 2) go(get(i), get(i + 1));
    else if (command === 'H') go(get(0), at.y);
    else if (command === 'V') go(at.x, get(0));
    else if (command === 'C') {
      for (let i = 0; i < n.length; i += 6) {
        const from = at;
        for (let step = 1; step <= STEPS; step++) {
          const t = step / STEPS;
          const u = 1 - t;
          const mix = (a: number, b: number, c: number, e: number) =>
            u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * e;
          go(mix(from.x, get(i), get(i + 2), get(i + 4)), mix(from.y, get(i + 1), get(i + 3), get(i + 5)));
        }
      }
    }
  }
  return corners;
}

/** Path data of a closed outline. */
export function outlinePath(corners: readonly Point2[]): string {
  return `M${corners.map(({ x, y }) => `${Number(x.toFixed(2))} ${Number(y.toFixed(2))}`).join('L')}Z`;
}

export interface Extent {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The smallest upright box around points. */
export function extentOf(points: readonly Point2[]): Extent {
  const extent = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const { x, y } of points) {
    extent.left = Math.min(extent.left, x);
    extent.right = Math.max(extent.right, x);
    extent.top = Math.min(extent.top, y);
    extent.bottom = Math.max(extent.bottom, y);
  }
  return extent;
}

/**
 * The circle through three points: where their perpendicular bisectors meet.
 * @returns null where the three lie in line
 */
export function circleThrough(
  a: Point2,
  b: Point2,
  c: Point2,
): { readonly middle: Point2; readonly radius: number } | null {
  // From one of the points, so that far from the origin no figures are lost.
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const d = 2 * (bx * cy - by * cx);
  if (Math.abs(d) < 1e-6) return null;
  const [bb, cc] = [bx * bx + by * by, cx * cx + cy * cy];
  const x = (cy * bb - by * cc) / d;
  const y = (bx * cc - cx * bb) / d;
  return { middle: { x: a.x + x, y: a.y + y }, radius: Math.hypot(x, y) };
}

/** Area of a closed outline, by the shoelace formula. */
export function areaOf(corners: readonly Point2[]): number {
  let twice = 0;
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] ?? a;
    twice += a.x * b.y - b.x * a.y;
  });
  return Math.abs(twice) / 2;
}

/** Whether a point lies inside a closed outline: an odd number of its sides lies to the right of it. */
export function isInside(corners: readonly Point2[], { x, y }: Point2): boolean {
  let inside = false;
  for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
    const [a, b] = [corners[i] as Point2, corners[j] as Point2];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}
