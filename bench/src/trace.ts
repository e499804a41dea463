import { readTrace, simulatePull, SOUND_PULL } from '@tug-mark/core';
import { median } from './median';

const SAMPLES = 50_000;
/** Not counted: code runs as fast as it will only after some curves. */
const WARM_UP = 40;
const ROUNDS = 60;

/** Time to read a curve of 50,000 samples as a ratio to one pass of Math.max over the same array, both warmed up. */
export function benchTrace(): { ratio: number; milliseconds: number; baseline: number } {
  const pull = simulatePull({ ...SOUND_PULL, rate: 10_000, speed: 42 });
  const forces = Float64Array.from({ length: SAMPLES }, (_, i) => Number(pull.forces[i % pull.forces.length]));
  // Quiet at both ends, as a gauge sends it.
  forces.fill(0.3, pull.forces.length);
  const context = { breaks: 140, strands: 24, loadingRate: null };
  const ours: number[] = [];
  const plain: number[] = [];
  let sink = 0;
  for (let round = 0; round < WARM_UP + ROUNDS; round++) {
    let before = performance.now();
    let most = -Infinity;
    // eslint-disable-next-line @typescript-eslint/prefer-for-of -- the plainest loop is the fastest
    for (let i = 0; i < forces.length; i++) most = Math.max(most, forces[i] as number);
    const pass = performance.now() - before;
    before = performance.now();
    const read = readTrace({ rate: 10_000, forces }, context);
    const own = performance.now() - before;
    if (round >= WARM_UP) {
      plain.push(pass);
      ours.push(own);
    }
    if (!read.ok) throw new Error(read.reason.text);
    sink += most + read.read.peak.force;
  }
  if (!Number.isFinite(sink)) throw new Error('no result');
  return { ratio: median(ours) / median(plain), milliseconds: median(ours), baseline: median(plain) };
}
