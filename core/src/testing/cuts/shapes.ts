/** How far a point lies outside a shape, below 0 inside it; of size about 1, the way the die closed along y. */
export type Shape = (x: number, y: number) => number;

const far = (x: number, y: number): number => Math.sqrt(x * x + y * y);

const circle =
  (atX: number, atY: number, r: number): Shape =>
  (x, y) =>
    far(x - atX, y - atY) - r;

const box =
  (w: number, h: number, round: number): Shape =>
  (x, y) => {
    const dx = Math.abs(x) - w + round;
    const dy = Math.abs(y) - h + round;
    return far(Math.max(0, dx), Math.max(0, dy)) + Math.min(0, Math.max(dx, dy)) - round;
  };

/** Two shapes run into each other over a stretch of `soft`. */
const joined =
  (soft: number, a: Shape, b: Shape): Shape =>
  (x, y) => {
    const m = a(x, y);
    const n = b(x, y);
    const share = Math.max(0, soft - Math.abs(m - n)) / soft;
    return Math.min(m, n) - (share * share * soft) / 4;
  };

/** The first without the second, its edge rounded. */
const dented =
  (soft: number, a: Shape, dent: Shape): Shape =>
  (x, y) => {
    const m = a(x, y);
    const n = -dent(x, y);
    const share = Math.max(0, soft - Math.abs(m - n)) / soft;
    return Math.max(m, n) + (share * share * soft) / 4;
  };

const lowered =
  (by: number, a: Shape): Shape =>
  (x, y) =>
    a(x, y - by);

const hexagon =
  (flat: number): Shape =>
  (x, y) =>
    Math.max(Math.abs(y), Math.abs(x) * Math.cos(Math.PI / 6) + Math.abs(y) * 0.5) - flat;

/** What dies press a barrel to; y grows downwards, as in a picture. */
export const SHAPES: Readonly<Record<string, Shape>> = {
  'two rolls': joined(
    0.16,
    joined(0.1, circle(-0.42, -0.16, 0.46), circle(0.42, -0.16, 0.46)),
    lowered(0.24, box(0.86, 0.34, 0.2)),
  ),
  'six flats': hexagon(0.82),
  'rounded box': box(0.95, 0.72, 0.22),
  oval: (x, y) => (far(x / 1.05, y / 0.7) - 1) * 0.7,
  'dented from above': dented(0.2, circle(0, 0, 0.9), circle(0, -1.12, 0.62)),
  'pinched round': (x, y) => far(x, y) - 0.86 - 0.05 * Math.cos(2 * Math.atan2(y, x)),
};
