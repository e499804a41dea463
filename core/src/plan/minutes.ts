import { at, real } from './at';
import type { Model } from './model';

/** Whole minutes of changing a tool from one of its settings to another. */
export const setMinutes = ({ tools }: Model, tool: number, from: number, to: number): number =>
  at(tools.changes[tool] as Int32Array, from * at(tools.count, tool) + to);

/** Whole minutes of setting a bench's stripper from one notch and stop to others; none where the job strips nothing. */
export function stripMinutes(
  { benches }: Model,
  bench: number,
  notch: number,
  stop: number,
  toNotch: number,
  toStop: number,
): number {
  if (!toNotch) return 0;
  const minutes =
    (notch === toNotch ? 0 : real(benches.notchMinutes, bench)) +
    (stop === toStop ? 0 : real(benches.stopMinutes, bench));
  return Math.ceil(minutes - 1e-9);
}
