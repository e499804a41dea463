/**
 * How deep each cell lies below what surrounds it: grey closing (the least of the greatest within `r` cells) less the cell
 * itself. Thin dark lines between bright grains stand out, however faint, and uneven light does not.
 */
export function valleys(light: Float32Array, columns: number, rows: number, r: number): Float32Array {
  const greatest = slide(slide(light, columns, rows, r, true, true), columns, rows, r, false, true);
  const closed = slide(slide(greatest, columns, rows, r, true, false), columns, rows, r, false, false);
  for (let i = 0; i < closed.length; i++) closed[i] = (closed[i] ?? 0) - (light[i] ?? 0);
  return closed;
}

/**
 * Greatest or least within `r` cells along rows or columns: runs of twice the length are made of two runs until one more
 * step covers the window.
 */
function slide(
  values: Float32Array,
  columns: number,
  rows: number,
  r: number,
  alongRows: boolean,
  greatest: boolean,
): Float32Array {
  const step = alongRows ? 1 : columns;
  const far = greatest ? -Infinity : Infinity;
  const length = alongRows ? columns : rows;
  // Cells before the first one of a line count as nothing: the run that ends at cell i covers i - size + 1 to i.
  let run = values;
  let size = 1;
  while (size < 2 * r + 1) {
    const shift = Math.min(size, 2 * r + 1 - size);
    const longer = new Float32Array(values.length);
    for (let at = 0, x = 0, y = 0; at < values.length; at++) {
      const place = alongRows ? x : y;
      const own = run[at] ?? 0;
      const other = place >= shift ? (run[at - shift * step] ?? 0) : far;
      longer[at] = greatest === other > own ? other : own;
      if (++x === columns) [x, y] = [0, y + 1];
    }
    run = longer;
    size += shift;
  }
  const out = new Float32Array(values.length);
  for (let at = 0, x = 0, y = 0; at < values.length; at++) {
    const place = alongRows ? x : y;
    out[at] = run[at + Math.min(r, length - 1 - place) * step] ?? 0;
    if (++x === columns) [x, y] = [0, y + 1];
  }
  return out;
}
