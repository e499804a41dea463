import { normalFrom, random } from '../../statistics';
import type { FailureMode, Trace } from '../../tug';
import { followedWith, showPull, type Gauge } from './gauges';
import { pullJoint } from './Joint';
import { WAYS, type Dice } from './ways';

export { GAUGES, type Gauge } from './gauges';
export { WAYS } from './ways';

/** A curve of another physics with what is true of it. */
export interface KnownPull {
  readonly way: string;
  readonly gauge: Gauge;
  readonly trace: Trace;
  readonly truth: { readonly mode: FailureMode; readonly peak: number; readonly noise: number };
  /** What the shop knows of the wire: its load by the book, which no wire keeps to exactly. */
  readonly about: { readonly breaks: number; readonly strands: number; readonly speed: number };
}

/** A pull of another physics, seen by a gauge. */
export function makePull(way: string, gauge: Gauge, seed: number): KnownPull {
  const next = random(seed);
  const normal = normalFrom(next);
  const among = (low: number, high: number) => low + (high - low) * next();
  const dice: Dice = {
    among,
    normal,
    whole: (low, high) => Math.min(high, Math.floor(among(low, high + 1))),
    isSo: (chance) => next() < chance,
  };
  const joint = WAYS[way]?.(dice);
  if (!joint) throw new Error(`no way is called ${way}`);
  const pulled = pullJoint(joint, followedWith(gauge.rate), normal);
  return {
    way,
    gauge,
    trace: showPull(gauge, pulled, joint.breaks, next, normal),
    truth: { mode: pulled.mode, peak: pulled.peak, noise: gauge.noise * joint.breaks },
    about: { breaks: joint.breaks * among(0.94, 1.03), strands: joint.strands, speed: joint.speed * 60 },
  };
}
