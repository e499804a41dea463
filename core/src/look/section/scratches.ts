import { spreadOf } from './colours';
import { distances } from './masks';

/** Half the width of a line that is looked for, cells; and how far from the piece the resin is asked, so that its edge is no line. */
const HALF = 2;
const AWAY = 6;
/** A cell is of a line where it differs so many standard deviations from what lies on either side of it. */
const DIFFERS = 2.2;
/** Directions that are tried, and width of a line, cells. */
const DIRECTIONS = 180;
const WIDTH = 2;
/** Cells of one line at the least, how many of them at the least in a row, and what may lie between two. */
const LEAST = 30;
const LONG = 45;
const GAP = 6;
const DENSE = 0.5;

/**
 * Whether scratches run over a picture, by the resin next to the piece: they are the only straight lines in it. A cell
 * may be of one where it is brighter or darker than what lies on either side of it; those that are lie along few lines
 * where there are scratches, and anywhere where there are none (the transform of Hough).
 *
 * @param light of each cell as it was taken: where uneven light was put right, so was its noise, and it is no longer even
 */
export function hasScratches(light: Float32Array, body: Uint8Array, columns: number, rows: number): boolean {
  const away = distances(
    body.map((is) => 1 - is),
    columns,
    rows,
  );
  const isResin = (x: number, y: number) =>
    x >= HALF && y >= HALF && x < columns - HALF && y < rows - HALF && (away[y * columns + x] as number) > AWAY;
  const steps: number[] = [];
  for (let y = 0; y < rows; y += 3) {
    for (let x = y % 2; x < columns; x += 2) {
      const i = y * columns + x;
      if (isResin(x, y)) steps.push((light[i] as number) - (light[i + HALF] as number));
    }
  }
  const least = DIFFERS * Math.max(1, spreadOf(steps));
  const found: number[] = [];
  for (let y = HALF; y < rows - HALF; y++) {
    for (let x = HALF; x < columns - HALF; x++) {
      const i = y * columns + x;
      if (!isResin(x, y)) continue;
      const own = light[i] as number;
      if (
        stands(own - (light[i - HALF] as number), own - (light[i + HALF] as number), least) ||
        stands(own - (light[i - HALF * columns] as number), own - (light[i + HALF * columns] as number), least)
      )
        found.push(x, y);
    }
  }
  return hasLine(found, columns, rows);
}

/** Whether a cell differs from both sides the same way. */
const stands = (a: number, b: number, least: number) => (a > least && b > least) || (a < -least && b < -least);

/** Whether many of these places, each x and y, lie close to one another along one line. */
function hasLine(found: readonly number[], columns: number, rows: number): boolean {
  const count = found.length / 2;
  const middle = Math.ceil(Math.hypot(columns, rows) / WIDTH);
  const lines = new Int32Array(count);
  const along = new Float64Array(count);
  /** Where the places of each line begin, laid one line after the other. */
  const starts = new Int32Array(2 * middle + 2);
  for (let turn = 0; turn < DIRECTIONS; turn++) {
    const angle = (turn * Math.PI) / DIRECTIONS;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    starts.fill(0);
    for (let k = 0; k < count; k++) {
      const line = Math.round(((found[2 * k] as number) * cos + (found[2 * k + 1] as number) * sin) / WIDTH) + middle;
      lines[k] = line;
      starts[line + 1] = (starts[line + 1] as number) + 1;
    }
    for (let line = 1; line < starts.length; line++) {
      starts[line] = (starts[line] as number) + (starts[line - 1] as number);
    }
    const next = starts.slice();
    for (let k = 0; k < count; k++) {
      const line = lines[k] as number;
      const at = next[line] as number;
      next[line] = at + 1;
      along[at] = (found[2 * k + 1] as number) * cos - (found[2 * k] as number) * sin;
    }
    for (let line = 0; line + 1 < starts.length; line++) {
      const [from, to] = [starts[line] as number, starts[line + 1] as number];
      if (to - from >= LEAST && isDense(along.subarray(from, to).sort())) return true;
    }
  }
  return false;
}

/** Whether places along a line, in order, have a stretch without gaps that is long and dense. */
function isDense(along: Float64Array): boolean {
  let first = 0;
  for (let k = 1; k <= along.length; k++) {
    if (k < along.length && (along[k] as number) - (along[k - 1] as number) <= GAP) continue;
    const long = (along[k - 1] as number) - (along[first] as number);
    if (long >= LONG && k - first >= Math.max(LEAST, DENSE * long)) return true;
    first = k;
  }
  return false;
}
