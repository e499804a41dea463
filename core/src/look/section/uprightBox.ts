import type { Point2 } from '../../geometry';

const RAYS = 720;
/** Degrees from one axis tried to the next. */
const STEP = 0.5;
/** Unlikeness up to which an axis is as good as the best one: so many times its, or so much of the mean reach. */
const ALIKE_TIMES = 2;
const ALIKE_SHARE = 0.04;
/** Up to which one side may have been pressed farther than the other, so that another axis looks better than the die's own. */
const LEANING = 0.1;

/** What sticks out on one side alone, over so many rays at the most and by so much of the mean reach at the least. */
const NARROW = 60;
const STICKS_OUT = 0.018;

/** Heights so close to the shortest may be the one the die closed along. */
const NEAR = 1.06;

/** The box around a piece along its own axis, in cells. */
export interface UprightBox {
  /** Radians the piece is turned. */
  readonly angle: number;
  readonly width: number;
  readonly height: number;
  readonly middle: Point2;
  /** The most it may be where that is a little more: along another axis as alike, or with what sticks out on one side. */
  readonly heightMost: number;
}

/**
 * The box around a mask along its own upright axis: a line through its middle about which its outline is alike on both
 * sides. Every die presses the two sides alike, so this is the way the piece lay in it, whatever the outline looks like and
 * however it is turned. Dies that are alike about several axes close along the shortest: across the flats of a hexagon,
 * along the short way of an oval. Which end was up cannot be told: the one that needs less than a quarter turn.
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
  const mean = reach.reduce((sum, r) => sum + r, 0) / RAYS || 1;
  const at = (place: number) => reach[((place % RAYS) + RAYS) % RAYS] as number;
  // The axis points along 90 degrees where nothing is turned. Half a ray is a step of the axis, so that rays meet rays.
  const steps = Math.round(180 / STEP);
  const unlike = Array.from({ length: steps }, (_, turn) => {
    let sum = 0;
    for (let k = 0; k < RAYS / 2; k++) sum += (at(turn + RAYS / 4 + k) - at(turn + RAYS / 4 - k)) ** 2;
    return Math.sqrt(sum / (RAYS / 2)) / mean;
  });
  const least = Math.min(...unlike);
  const bound = Math.max(ALIKE_TIMES * least, ALIKE_SHARE);
  const boxes: Box[] = [];
  const leaning: number[] = [];
  for (let turn = 0; turn < steps; turn++) {
    const own = unlike[turn] as number;
    const isValley =
      own <= (unlike[(turn + steps - 1) % steps] as number) && own <= (unlike[(turn + 1) % steps] as number);
    if (!isValley || own > Math.max(bound, LEANING)) continue;
    const degrees = turn * STEP;
    const angle = ((degrees > 90 ? degrees - 180 : degrees) * Math.PI) / 180;
    leaning.push(boxAlong(ends, angle).height);
    if (own > bound) continue;
    boxes.push(boxAlong(withoutBumps(ends, centre, reach, turn, mean), angle));
  }
  if (!boxes.length) boxes.push(boxAlong(ends, 0));
  const best = boxes.reduce((a, b) => (b.height < a.height ? b : a));
  const near = leaning.filter((height) => height < NEAR * best.height);
  return { ...best, heightMost: Math.max(best.height, ...near) };
}

type Box = Omit<UprightBox, 'heightMost'>;

const rayOf = (dx: number, dy: number) =>
  Math.floor(((Math.atan2(dy, dx) + 2 * Math.PI) / (2 * Math.PI)) * RAYS) % RAYS;

/**
 * The outline without what sticks out narrowly on one side of the axis alone: a speck or a bubble of the resin that looks
 * like the barrel. One side that was pressed farther than the other is unlike over a long way, and stays.
 */
function withoutBumps(ends: readonly Point2[], centre: Point2, reach: Float64Array, turn: number, mean: number) {
  const at = (place: number) => reach[((place % RAYS) + RAYS) % RAYS] as number;
  const axis = turn + RAYS / 4;
  const more = Array.from({ length: RAYS }, (_, ray) => at(ray) - at(2 * axis - ray));
  const isBump = more.map((own, ray) => {
    if (own < STICKS_OUT * mean) return false;
    const around = [-NARROW, -NARROW / 2, NARROW / 2, NARROW].map((by) => more[(ray + by + RAYS) % RAYS] as number);
    return own - Math.max(...around) > STICKS_OUT * mean;
  });
  if (!isBump.includes(true)) return ends;
  return ends.filter(({ x, y }) => !isBump[rayOf(x - centre.x, y - centre.y)]);
}

function boxAlong(ends: readonly Point2[], angle: number): Box {
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
    const ray = rayOf(dx, dy);
    reach[ray] = Math.max(reach[ray] as number, Math.hypot(dx, dy));
  }
  for (let i = 0; i < 2 * RAYS; i++) {
    if (reach[i % RAYS] === 0) reach[i % RAYS] = reach[(i + RAYS - 1) % RAYS] as number;
  }
  return reach;
}
