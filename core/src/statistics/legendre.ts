/**
 * Nodes and weights of the Gauss-Legendre rule on [-1, 1]: roots of the Legendre polynomial by Newton's method from
 * cos(pi (i + 3/4) / (n + 1/2)), weights 2 / ((1 - x^2) P'(x)^2).
 * @param n number of nodes
 */
export function legendre(n: number): { readonly nodes: Float64Array; readonly weights: Float64Array } {
  const nodes = new Float64Array(n);
  const weights = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let round = 0; round < 100; round++) {
      let value = 1;
      let before = 0;
      for (let j = 1; j <= n; j++) {
        [before, value] = [value, ((2 * j - 1) * x * value - (j - 1) * before) / j];
      }
      slope = (n * (x * value - before)) / (x * x - 1);
      const step = value / slope;
      x -= step;
      if (Math.abs(step) < 1e-15) break;
    }
    nodes[i] = x;
    weights[i] = 2 / ((1 - x * x) * slope * slope);
  }
  return { nodes, weights };
}
