/**
 * How deep each cell lies below what surrounds it: grey closing (the least of the greatest within `r` cells) less the cell
 * itself. Thin dark lines between bright grains stand out, however faint, and uneven light does not.
 */
export function valleys(light: Float32Array, columns: number, r: number): Float32Array {
  const room = [new Float32Array(light.length), new Float32Array(light.length)] as const;
  const within = (values: Float32Array, isGreatest: boolean) => {
    slide(values, columns, 1, r, isGreatest, room);
    // Down the columns all rows are one line, in which the next cell lies a row on.
    return slide(values, values.length, columns, r, isGreatest, room);
  };
  const closed = within(within(light.slice(), true), false);
  for (let i = 0; i < closed.length; i++) closed[i] = (closed[i] as number) - (light[i] as number);
  return closed;
}

/**
 * The greatest or least within `r` cells, put in the place of the values: runs of twice the length are made of two runs until
 * one more step covers the window. The run that ends at cell i covers i - size + 1 to i; cells before the first one of a
 * line count as nothing.
 * @param line cells of a line, and `step` from one of them to the next
 * @param room two lists that runs are put together in by turns
 */
function slide(
  values: Float32Array,
  line: number,
  step: number,
  r: number,
  isGreatest: boolean,
  room: readonly [Float32Array, Float32Array],
): Float32Array {
  let run = values;
  let size = 1;
  for (let turn = 0; size < 2 * r + 1; turn++) {
    const shift = Math.min(size, 2 * r + 1 - size);
    const back = Math.min(shift * step, line);
    const longer = room[turn % 2] as Float32Array;
    for (let start = 0; start < values.length; start += line) {
      longer.set(run.subarray(start, start + back), start);
      for (let at = start + back; at < start + line; at++) {
        const own = run[at] as number;
        const other = run[at - back] as number;
        longer[at] = isGreatest === other > own ? other : own;
      }
    }
    run = longer;
    size += shift;
  }
  const on = Math.min(r * step, line - step);
  for (let start = 0; start < values.length; start += line) {
    const end = start + line;
    values.set(run.subarray(start + on, end), start);
    // Beyond the last that has one so far on, all take the last one's.
    for (let at = end - on; at < end; at += step) values.set(run.subarray(end - step, end), at);
  }
  return values;
}
