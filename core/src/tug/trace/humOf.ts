import type { Baseline } from './baseline';
import type { CleanTrace } from './cleanTrace';
import { leastSquares } from '../../statistics';
import { FAST } from './Trace';

/** Mains frequencies, Hz. */
const MAINS = [50, 60] as const;
/** Samples it is looked for in. */
const MOST = 300;

/** The mains' frequency where its swing shows in the quiet start or on the way up; null: it does not. */
export function humOf({ forces, rate, noise, step }: CleanTrace, { begins }: Baseline, about: number): number | null {
  if (rate < FAST) return null;
  const length = Math.round(0.3 * rate);
  for (const end of [begins - 1, about - Math.round(0.02 * rate)]) {
    const from = Math.max(0, end - length);
    if (end - from < 12) continue;
    const every = Math.max(1, Math.ceil((end - from) / MOST));
    let found: number | null = null;
    let most = Math.max(0.25 * noise, 0.5 * step);
    for (const frequency of MAINS) {
      const turn = (2 * Math.PI * frequency) / rate;
      const fit = leastSquares({
        count: Math.ceil((end - from) / every),
        size: 5,
        terms(k, rows, at) {
          const x = (k * every) / length;
          const phase = turn * (from + k * every);
          rows[at] = 1;
          rows[at + 1] = x;
          rows[at + 2] = x * x;
          rows[at + 3] = Math.cos(phase);
          rows[at + 4] = Math.sin(phase);
        },
        value: (k) => forces[from + k * every] as number,
      });
      if (!fit) continue;
      const [cos, sin] = [fit.at([0, 0, 0, 1, 0]), fit.at([0, 0, 0, 0, 1])];
      const swing = Math.hypot(cos.value, sin.value);
      if (swing > most && swing > 6 * Math.hypot(cos.error, sin.error)) {
        most = swing;
        found = frequency;
      }
    }
    if (found !== null) return found;
  }
  return null;
}
