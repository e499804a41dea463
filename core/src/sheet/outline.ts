import type { NestProfile } from '../tool';

/** Outline of the pressed barrel around the origin, in units where the barrel was 50 in radius. */
export const PRESSED: Readonly<Record<NestProfile, string>> = {
  'indent-and-cradle':
    'M-44 -22C-40 -40 -20 -40 -12 -26L0 -6L12 -26C20 -40 40 -40 44 -22C58 30 30 50 0 50C-30 50 -58 30 -44 -22Z',
  'window-indent':
    'M-44 -22C-40 -40 -20 -40 -12 -26L0 -6L12 -26C20 -40 40 -40 44 -22C58 30 30 50 0 50C-30 50 -58 30 -44 -22Z',
  'symmetric-oval': 'M-62 0C-62 -42 62 -42 62 0C62 42 -62 42 -62 0Z',
  'two-bite': 'M-56 4C-50 -44 50 -44 56 4C62 44 -62 44 -56 4Z',
  rolled: 'M-50 -6C-50 -44 -8 -46 0 -18C8 -46 50 -44 50 -6V32C50 40 44 44 36 44H-36C-44 44 -50 40 -50 32Z',
  'four-indent':
    'M-14 -46L0 -30L14 -46C34 -42 42 -34 46 -14L30 0L46 14C42 34 34 42 14 46L0 30L-14 46C-34 42 -42 34 -46 14L-30 0L-46 -14C-42 -34 -34 -42 -14 -46Z',
  hex: 'M-26 -45H26L52 0L26 45H-26L-52 0Z',
  contoured: 'M-46 -10C-40 -54 40 -54 46 -10L50 14C44 54 -44 54 -50 14Z',
  trapezoid: 'M-34 -40H34L50 38H-50Z',
  square: 'M-42 -42H42V42H-42Z',
};

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
