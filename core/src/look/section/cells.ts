import type { Picture } from './Micrograph';

/** Colours of a part of a picture, averaged over square cells: rows of columns, each 0 to 255. */
export interface Cells {
  readonly columns: number;
  readonly rows: number;
  readonly red: Float32Array;
  readonly green: Float32Array;
  readonly blue: Float32Array;
}

/** A rectangle of cells: its first column and row, and how many of each. */
export interface CellBox {
  readonly left: number;
  readonly top: number;
  readonly columns: number;
  readonly rows: number;
}

/**
 * Mean colour of each cell of a rectangle of a picture; a cell is so many pixels wide and high.
 * @param every of its rows of pixels are looked at: of a large cell some tell its colour as well as all
 */
export function cellsOf({ width, data }: Picture, cell: number, box: CellBox, every = 1): Cells {
  const { columns, rows } = box;
  const [red, green, blue] = [0, 1, 2].map(() => new Float32Array(columns * rows)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  const share = 1 / (cell * Math.ceil(cell / every));
  for (let row = 0; row < rows; row++) {
    const first = row * columns;
    for (let y = (box.top + row) * cell; y < (box.top + row + 1) * cell; y += every) {
      let at = (y * width + box.left * cell) * 4;
      for (let i = first; i < first + columns; i++) {
        let r = 0;
        let g = 0;
        let b = 0;
        for (let x = 0; x < cell; x++, at += 4) {
          r += data[at] as number;
          g += data[at + 1] as number;
          b += data[at + 2] as number;
        }
        red[i] = (red[i] as number) + r * share;
        green[i] = (green[i] as number) + g * share;
        blue[i] = (blue[i] as number) + b * share;
      }
    }
  }
  return { columns, rows, red, green, blue };
}

/** Red, green and blue of each cell together. */
export function lightOf({ red, green, blue }: Cells): Float32Array {
  const light = new Float32Array(red.length);
  for (let i = 0; i < light.length; i++) light[i] = (red[i] as number) + (green[i] as number) + (blue[i] as number);
  return light;
}

/** Mean over each cell and its eight neighbours; cells of the edge stay as they are. */
export function smooth(values: Float32Array, columns: number, rows: number): Float32Array {
  const across = values.slice();
  for (let i = 1; i < values.length - 1; i++) {
    across[i] = ((values[i - 1] as number) + (values[i] as number) + (values[i + 1] as number)) / 3;
  }
  const out = values.slice();
  for (let y = 1; y < rows - 1; y++) {
    for (let x = 1, at = y * columns + 1; x < columns - 1; x++, at++) {
      out[at] = ((across[at - columns] as number) + (across[at] as number) + (across[at + columns] as number)) / 3;
    }
  }
  return out;
}

export function smoothCells({ columns, rows, red, green, blue }: Cells): Cells {
  return {
    columns,
    rows,
    red: smooth(red, columns, rows),
    green: smooth(green, columns, rows),
    blue: smooth(blue, columns, rows),
  };
}
