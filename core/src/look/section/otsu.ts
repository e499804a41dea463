/**
 * Otsu's threshold: where a list of values falls into two groups with the least spread inside them. NaN is left out.
 * @returns the threshold, and which share of the spread it explains, 0 to 1
 * @see N. Otsu, A threshold selection method from gray-level histograms, 1979
 */
export function otsu(values: Float32Array): { threshold: number; share: number } {
  let least = Infinity;
  let most = -Infinity;
  for (const v of values) {
    if (v < least) least = v;
    if (v > most) most = v;
  }
  const bins = 256;
  const counts = new Float64Array(bins);
  const scale = most > least ? (bins - 1) / (most - least) : 0;
  let total = 0;
  let sum = 0;
  let squares = 0;
  for (const v of values) {
    if (Number.isNaN(v)) continue;
    const bin = Math.round((v - least) * scale);
    counts[bin] = (counts[bin] ?? 0) + 1;
    total++;
    sum += bin;
    squares += bin * bin;
  }
  if (total === 0) return { threshold: 0, share: 0 };
  const mean = sum / total;
  const spread = squares / total - mean * mean;
  let best = 0;
  let first = 0;
  let last = 0;
  let below = 0;
  let belowSum = 0;
  for (let bin = 0; bin < bins - 1; bin++) {
    below += counts[bin] ?? 0;
    belowSum += bin * (counts[bin] ?? 0);
    if (below === 0 || below === total) continue;
    const apart = (mean * below - belowSum) ** 2 / (below * (total - below));
    if (apart > best * (1 + 1e-12)) {
      best = apart;
      first = bin;
    }
    if (apart >= best * (1 - 1e-12)) last = bin;
  }
  const bin = (first + last) / 2 + 0.5;
  return { threshold: scale ? least + bin / scale : least, share: spread > 0 ? best / spread : 0 };
}
