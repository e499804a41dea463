/* The turns and steps of a curve seen block by block. */

/** Means of so many values each. */
export function blocksOf(forces: Float64Array, width: number): Float64Array {
  if (width === 1) return forces;
  const blocks = new Float64Array(Math.ceil(forces.length / width));
  for (let block = 0, i = 0; block < blocks.length; block++) {
    const end = Math.min(forces.length, i + width);
    const size = end - i;
    let sum = 0;
    for (; i < end; i++) sum += forces[i] as number;
    blocks[block] = sum / size;
  }
  return blocks;
}

/** Block where a curve turns. */
export interface Turn {
  readonly at: number;
  readonly isTop: boolean;
}

/** Tops and bottoms by turns, each at least so far from the next. */
export function turnsOf(blocks: Float64Array, least: number): Turn[] {
  const turns: Turn[] = [];
  let high = 0;
  let low = 0;
  let isUp = true;
  for (let k = 1; k < blocks.length; k++) {
    const value = blocks[k] as number;
    if (isUp) {
      if (value > (blocks[high] as number)) high = k;
      else if ((blocks[high] as number) - value > least) {
        turns.push({ at: high, isTop: true });
        isUp = false;
        low = k;
      }
    } else if (value < (blocks[low] as number)) low = k;
    else if (value - (blocks[low] as number) > least) {
      turns.push({ at: low, isTop: false });
      isUp = true;
      high = k;
    }
  }
  if (!isUp) turns.push({ at: low, isTop: false });
  return turns;
}

/** A step takes so many times what goes in the times beside it. */
const STANDS_OUT = 3;

/** A step down: when, s, and from where to where, N. */
export interface Step {
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** Steps down from a place on, each within so many blocks. */
export function stepsOf(
  blocks: Float64Array,
  from: number,
  reach: number,
  { least, second }: { least: number; second: number },
): Step[] {
  const steps: Step[] = [];
  const at = (k: number) => blocks[Math.max(0, Math.min(blocks.length - 1, k))] as number;
  for (let k = from; k + 1 < blocks.length; k++) {
    if (at(k) - at(k + reach) < least) continue;
    // The steepest place of it, and from there both ways as long as it falls.
    let steep = k;
    for (let i = k; i < k + reach; i++) if (at(i) - at(i + 1) > at(steep) - at(steep + 1)) steep = i;
    let top = steep;
    while (top > 0 && steep - top < reach && at(top - 1) > at(top)) top--;
    let end = steep + 1;
    while (end < blocks.length - 1 && end - steep < reach && at(end + 1) < at(end)) end++;
    const drop = at(top) - at(end);
    const length = end - top;
    const beside = Math.max(0, at(top - length) - at(top), at(end) - at(end + length));
    if (drop >= least && drop > STANDS_OUT * beside) steps.push({ at: top * second, from: at(top), to: at(end) });
    k = Math.max(k, end - 1);
  }
  return steps;
}
