import { leastSquares } from '../../statistics';

/** A smooth surface over a picture: of second order in x and y, from -0.5 to 0.5. */
export type Surface = (x: number, y: number) => number;

/** Values at places, to which a surface is fitted. */
export class Spots {
  private readonly x: number[] = [];
  private readonly y: number[] = [];
  private readonly values: number[] = [];

  add(x: number, y: number, value: number): void {
    this.x.push(x);
    this.y.push(y);
    this.values.push(value);
  }

  /** The surface through them; null when they lie so that none is determined. */
  surface(): Surface | null {
    const fit = leastSquares({
      count: this.values.length,
      size: 6,
      terms: (k, rows, at) => {
        const [x, y] = [this.x[k] as number, this.y[k] as number];
        rows[at] = 1;
        rows[at + 1] = x;
        rows[at + 2] = y;
        rows[at + 3] = x * x;
        rows[at + 4] = x * y;
        rows[at + 5] = y * y;
      },
      value: (k) => this.values[k] as number,
    });
    if (!fit) return null;
    const part = (term: number) => fit.at([0, 1, 2, 3, 4, 5].map((t) => (t === term ? 1 : 0))).value;
    const [c, cx, cy] = [part(0), part(1), part(2)];
    const [cxx, cxy, cyy] = [part(3), part(4), part(5)];
    return (x, y) => c + x * (cx + cxx * x + cxy * y) + y * (cy + cyy * y);
  }
}
