/** First and last column and row. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The box of the cells a mask has; null when it is empty. */
export function boxAround(mask: Uint8Array, columns: number, rows: number): Box | null {
  const box = { left: columns, right: -1, top: rows, bottom: -1 };
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns; x++) {
      if (!mask[y * columns + x]) continue;
      if (x < box.left) box.left = x;
      if (x > box.right) box.right = x;
      if (y < box.top) box.top = y;
      if (y > box.bottom) box.bottom = y;
    }
  }
  return box.right < 0 ? null : box;
}
