import { judgeGroup, type Practice } from '@tug-mark/core';
import { median } from './median';

const COUNT = 1_000_000;
const ROUNDS = 15;

/** A plain two-pass mean and variance over the same array: the least any group verdict can cost. */
/* eslint-disable @typescript-eslint/prefer-for-of -- the plainest loop is the fastest, and a slow baseline flatters */
function plainLoop(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] as number;
  const mean = sum / values.length;
  let squares = 0;
  for (let i = 0; i < values.length; i++) squares += ((values[i] as number) - mean) ** 2;
  return mean + Math.sqrt(squares / (values.length - 1));
}

/* eslint-enable @typescript-eslint/prefer-for-of */

/** Time of a group verdict of a million readings as a ratio to the plain loop, in turn in one run. */
export function benchGroup(practice: Practice): { ratio: number; milliseconds: number; baseline: number } {
  const forces = new Float64Array(COUNT);
  // A small congruential generator with a fixed seed: the same readings every run.
  let state = 12345;
  for (let i = 0; i < COUNT; i++) {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    forces[i] = 115 + (state / 2_147_483_648) * 10;
  }
  const ours: number[] = [];
  const plain: number[] = [];
  let sink = 0;
  for (let round = 0; round < ROUNDS; round++) {
    // One reading fewer each round, so that no round finds its tolerance factor computed already.
    const group = forces.subarray(round);
    let before = performance.now();
    sink += plainLoop(group);
    plain.push(performance.now() - before);
    before = performance.now();
    sink += judgeGroup(group, 85, practice, 5).lowerBound ?? 0;
    ours.push(performance.now() - before);
  }
  if (!Number.isFinite(sink)) throw new Error('no result');
  return { ratio: median(ours) / median(plain), milliseconds: median(ours), baseline: median(plain) };
}
