import type { Point2 } from '../../geometry';

/** How far a point lies outside a shape, below 0 inside it; of size about 1, the way the die closed along y. */
export type Shape = (p: Point2) => number;

const circle =
  (x: number, y: number, r: number): Shape =>
  (p) =>
    Math.sqrt((p.x - x) ** 2 + (p.y - y) ** 2) - r;

const box =
  (w: number, h: number, round: number): Shape =>
  ({ x, y }) => {
    const dx = Math.abs(x) - w + round;
    const dy = Math.abs(y) - h + round;
    return Math.hypot(Math.max(0, dx), Math.max(0, dy)) + Math.min(0, Math.max(dx, dy)) - round;
  };

/** Two shapes run into each other over a stretch of `soft`. */
const joined =
  (soft: number, a: Shape, b: Shape): Shape =>
  (p) => {
    const [m, n] = [a(p), b(p)];
    const share = Math.max(0, soft - Math.abs(m - n)) / soft;
    return Math.min(m, n) - (share * share * soft) / 4;
  };

/** The first without the second, its edge rounded. */
const dented =
  (soft: number, a: Shape, dent: Shape): Shape =>
  (p) => {
    const [m, n] = [a(p), -dent(p)];
    const share = Math.max(0, soft - Math.abs(m - n)) / soft;
    return Math.max(m, n) + (share * share * soft) / 4;
  };

const hexagon =
  (flat: number): Shape =>
  ({ x, y }) => {
    const [ax, ay] = [Math.abs(x), Math.abs(y)];
    return Math.max(ay, ax * Math.cos(Math.PI / 6) + ay * 0.5) - flat;
  };

/** What dies press a barrel to; y grows downwards, as in a picture. */
export const SHAPES: Readonly<Record<string, Shape>> = {
  'two rolls': joined(0.16, joined(0.1, circle(-0.42, -0.16, 0.46), circle(0.42, -0.16, 0.46)), (p) =>
    box(0.86, 0.34, 0.2)({ x: p.x, y: p.y - 0.24 }),
  ),
  'six flats': hexagon(0.82),
  'rounded box': box(0.95, 0.72, 0.22),
  oval: (p) => (Math.hypot(p.x / 1.05, p.y / 0.7) - 1) * 0.7,
  'dented from above': dented(0.2, circle(0, 0, 0.9), circle(0, -1.12, 0.62)),
  'pinched round': (p) => Math.hypot(p.x, p.y) - 0.86 - 0.05 * Math.cos(2 * Math.atan2(p.y, p.x)),
};
