/**
 * How deep each cell lies below what surrounds it: grey closing (the least of the greatest within `r` cells) less the cell
 * itself. Thin dark lines between bright grains stand out, however faint, and uneven light does not.
 */
export function valleys(light: Float32Array, columns: number, r: number): Float32Array {
  const room = [new Float32Array(light.length), new Float32Array(light.length)] as const;
  const within = (values: Float32Array, isGreatest: boolean) => {
    alongRows(values, columns, r, isGreatest, room);
    return alongColumns(values, columns, r, isGreatest, room);
  };
  const closed = within(within(light.slice(), true), false);
  for (let i = 0; i < closed.length; i++) closed[i] = (closed[i] as number) - (light[i] as number);
  return closed;
}

/** Two lists that runs are put together in by turns. */
type Room = readonly [Float32Array, Float32Array];

/*
 * The greatest or least within `r` cells, put in the place of the values: runs of twice the length are made of two runs until
 * one more step covers the window. The run that ends at cell i covers i - size + 1 to i; cells before the first one of a
 * line count as nothing.
 */

function alongRows(values: Float32Array, columns: number, r: number, isGreatest: boolean, room: Room): Float32Array {
  let run = values;
  let size = 1;
  for (let turn = 0; size < 2 * r + 1; turn++) {
    const shift = Math.min(size, 2 * r + 1 - size);
    const longer = room[turn % 2] as Float32Array;
    for (let start = 0; start < values.length; start += columns) {
      for (let at = start; at < start + Math.min(shift, columns); at++) longer[at] = run[at] as number;
      for (let at = start + shift; at < start + columns; at++) {
        const own = run[at] as number;
        const other = run[at - shift] as number;
        longer[at] = isGreatest === other > own ? other : own;
      }
    }
    run = longer;
    size += shift;
  }
  for (let start = 0; start < values.length; start += columns) {
    const last = start + columns - 1;
    for (let at = start; at <= last; at++) values[at] = run[Math.min(at + r, last)] as number;
  }
  return values;
}

function alongColumns(values: Float32Array, columns: number, r: number, isGreatest: boolean, room: Room): Float32Array {
  let run = values;
  let size = 1;
  for (let turn = 0; size < 2 * r + 1; turn++) {
    const shift = Math.min(size, 2 * r + 1 - size);
    const longer = room[turn % 2] as Float32Array;
    const back = shift * columns;
    longer.set(run.subarray(0, back));
    for (let at = back; at < values.length; at++) {
      const own = run[at] as number;
      const other = run[at - back] as number;
      longer[at] = isGreatest === other > own ? other : own;
    }
    run = longer;
    size += shift;
  }
  const lastRow = values.length - columns;
  const on = Math.min(r * columns, lastRow);
  values.set(run.subarray(on), 0);
  // Below the last row that has one so far on, all take the last row's.
  for (let at = values.length - on; at < values.length; at += columns) values.set(run.subarray(lastRow), at);
  return values;
}
