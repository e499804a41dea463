import type { CellBox, Cells } from './cells';
import type { Surface } from './surface';
import type { Piece } from './findPiece';

/** The whole picture in cells, and where in it a part begins. */
export interface Place {
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
}

/** Makes the light as it is in the middle of the piece, everywhere. */
export function even(cells: Cells, light: Surface, place: Place): void {
  for (let row = 0, i = 0; row < cells.rows; row++) {
    const y = (row + place.top) / place.rows - 0.5;
    for (let column = 0; column < cells.columns; column++, i++) {
      const share = 1 / light((column + place.left) / place.columns - 0.5, y);
      cells.red[i] = (cells.red[i] as number) * share;
      cells.green[i] = (cells.green[i] as number) * share;
      cells.blue[i] = (cells.blue[i] as number) * share;
    }
  }
}

/** Cells from one place the resin's colour is known at to the next: it changes slowly. */
export const STRIDE = 16;

/** Colour of the resin over a part once the light is even: three numbers a place, rows of places. */
export interface ResinGrid {
  readonly across: number;
  readonly colours: Float32Array;
}

export function resinOver({ resin }: Piece, light: Surface, place: Place, part: CellBox): ResinGrid {
  const across = Math.ceil(part.columns / STRIDE);
  const down = Math.ceil(part.rows / STRIDE);
  const colours = new Float32Array(across * down * 3);
  for (let row = 0, at = 0; row < down; row++) {
    const y = ((row + 0.5) * STRIDE + place.top) / place.rows - 0.5;
    for (let column = 0; column < across; column++, at += 3) {
      const x = ((column + 0.5) * STRIDE + place.left) / place.columns - 0.5;
      const lit = light(x, y);
      colours[at] = resin[0](x, y) / lit;
      colours[at + 1] = resin[1](x, y) / lit;
      colours[at + 2] = resin[2](x, y) / lit;
    }
  }
  return { across, colours };
}
