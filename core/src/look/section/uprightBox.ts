import type { Point2 } from '../../geometry';

/** How far a piece may lie turned in its picture, degrees. */
export const MOST_TURN = 15;
const RAYS = 720;

/** The box around a piece along its own axis, in cells. */
export interface UprightBox {
  /** Radians the piece is turned. */
  readonly angle: number;
  readonly width: number;
  readonly height: number;
  readonly middle: Point2;
}

/**
 * The box around a mask along its own upright axis: the line through its middle, turned by at most {@link MOST_TURN},
 * about which its outline is most alike on both sides. Every die presses the two sides alike, so this is the way the piece
 * lay in it, whatever the outline looks like.
 */
export function uprightBox(mask: Uint8Array, columns: number, rows: number): UprightBox {
  let [n, sx, sy] = [0, 0, 0];
  const ends: Point2[] = [];
  for (let y = 0; y < rows; y++) {
    let first = -1;
    let last = -1;
    for (let x = 0, at = y * columns; x < columns; x++, at++) {
      if (mask[at] !== 1) continue;
      if (first < 0) first = x;
      last = x;
      n++;
      sx += x + 0.5;
      sy += y + 0.5;
    }
    if (first >= 0) ends.push({ x: first, y: y + 0.5 }, { x: last + 1, y: y + 0.5 });
  }
  for (let x = 0; x < columns; x++) {
    let first = -1;
    let last = -1;
    for (let y = 0; y < rows; y++) {
      if (mask[y * columns + x] !== 1) continue;
      if (first < 0) first = y;
      last = y;
    }
    if (first >= 0) ends.push({ x: x + 0.5, y: first }, { x: x + 0.5, y: last + 1 });
  }
  const centre = { x: sx / Math.max(1, n), y: sy / Math.max(1, n) };
  const reach = rays(ends, centre);
  const at = (angle: number) => {
    const place = ((angle / (2 * Math.PI)) * RAYS + 2 * RAYS) % RAYS;
    const i = Math.floor(place);
    const share = place - i;
    return (reach[i % RAYS] ?? 0) * (1 - share) + (reach[(i + 1) % RAYS] ?? 0) * share;
  };
  const unlike = (turn: number) => {
    let sum = 0;
    for (let k = 1; k < RAYS / 2; k++) {
      const phi = (k / RAYS) * 2 * Math.PI;
      sum += (at(turn + phi) - at(turn - phi)) ** 2;
    }
    return sum;
  };
  // The upright axis points up at 90 degrees (down in a picture's rows); its two ends are one axis.
  const up = Math.PI / 2;
  let best = 0;
  let least = Infinity;
  for (let turn = -MOST_TURN; turn <= MOST_TURN; turn += 0.25) {
    const value = unlike(up + (turn * Math.PI) / 180);
    if (value < least) [least, best] = [value, turn];
  }
  const angle = (best * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of ends) {
    const u = p.x * cos + p.y * sin;
    const v = p.y * cos - p.x * sin;
    if (u < left) left = u;
    if (u > right) right = u;
    if (v < top) top = v;
    if (v > bottom) bottom = v;
  }
  const u = (left + right) / 2;
  const v = (top + bottom) / 2;
  return {
    angle,
    width: right - left,
    height: bottom - top,
    middle: { x: u * cos - v * sin, y: u * sin + v * cos },
  };
}

/** The farthest outline point in each of {@link RAYS} directions from the middle; gaps take the ray before. */
function rays(ends: readonly Point2[], centre: Point2): Float64Array {
  const reach = new Float64Array(RAYS);
  for (const p of ends) {
    const dx = p.x - centre.x;
    const dy = p.y - centre.y;
    const ray = Math.floor(((Math.atan2(dy, dx) + 2 * Math.PI) / (2 * Math.PI)) * RAYS) % RAYS;
    reach[ray] = Math.max(reach[ray] ?? 0, Math.hypot(dx, dy));
  }
  for (let i = 0; i < 2 * RAYS; i++) {
    if (reach[i % RAYS] === 0) reach[i % RAYS] = reach[(i + RAYS - 1) % RAYS] ?? 0;
  }
  return reach;
}
