import { normalFrom, random } from '../../statistics';
import type { Trace } from './Trace';

/** What a simulated pull is made of. Lengths in mm, forces in N, times in s. */
export interface PullModel {
  readonly seed: number;
  /** Samples a second. */
  readonly rate: number;
  /** Speed of the stand, mm/min. */
  readonly speed: number;
  /** Stiffness of wire, terminal and grips together, N/mm. */
  readonly stiffness: number;
  readonly strands: number;
  /** Force at which all strands together would break, and how unevenly they share it (standard deviation as a share). */
  readonly breaks: number;
  readonly uneven: number;
  /** Force the barrel holds before the wire slides, and the share of it that friction keeps while it slides. */
  readonly holds: number;
  readonly friction: number;
  /** Way the wire slides until it is out of the barrel, mm. */
  readonly slide: number;
  /** Forces at which the gauge's own grip gives way, and by how much, mm. */
  readonly gripSlips: readonly number[];
  readonly gripStep: number;
  /** Quiet time before the pull. */
  readonly quiet: number;
  /** Of the gauge: standard deviation of its noise, zero error, drift (N/s), samples lost and spikes a second. */
  readonly noise: number;
  readonly zero: number;
  readonly drift: number;
  readonly dropouts: number;
  readonly spikes: number;
  /** Smallest step the gauge shows, N: 1 over a whole number. */
  readonly resolution: number;
}

/** A sound crimp on a 0.75 mm2 wire, pulled until the wire breaks. */
export const SOUND_PULL: PullModel = {
  seed: 1,
  rate: 1000,
  speed: 50,
  stiffness: 60,
  strands: 24,
  breaks: 130,
  uneven: 0.002,
  holds: 1000,
  friction: 0.7,
  slide: 6,
  gripSlips: [],
  gripStep: 0.4,
  quiet: 0.2,
  noise: 0.15,
  zero: 0.3,
  drift: 0.02,
  dropouts: 0,
  spikes: 0,
  resolution: 0.01,
};

/** Most seconds a pull is followed. */
const LONGEST = 60;

/**
 * A pull as a gauge would record it, by a model of our own: the stand draws at one speed on a spring (wire and grips);
 * the strands share the extension and each breaks at its own force; when they bear more than the barrel holds, the wire
 * slides under friction until it is out; the gauge's grip may give way in steps. Noise, drift, lost samples and spikes
 * belong to the gauge.
 */
export function simulatePull(model: PullModel): Trace {
  const next = random(model.seed);
  const normal = normalFrom(next);
  const share = model.breaks / model.strands;
  const strengths = Float64Array.from({ length: model.strands }, () =>
    Math.max(0.05 * share, share * (1 + model.uneven * normal())),
  ).sort();
  const slips = [...model.gripSlips].sort((a, b) => a - b);
  const perStrand = model.stiffness / model.strands;
  const step = model.speed / 60 / model.rate;
  const forces: number[] = [];
  const scale = Math.round(1 / model.resolution);
  const write = (force: number) => {
    const time = forces.length / model.rate;
    let shown = force + model.zero + model.drift * time + model.noise * normal();
    if (next() < model.dropouts / model.rate) shown = 0;
    if (next() < model.spikes / model.rate) shown += 0.4 * model.breaks * (next() < 0.5 ? -1 : 1);
    forces.push(Math.round(shown * scale) / scale || 0);
  };
  for (let i = 0; i < model.quiet * model.rate; i++) write(0);
  let drawn = 0;
  let slid = 0;
  let given = 0;
  let broken = 0;
  let isSliding = false;
  let nextSlip = 0;
  while (forces.length < LONGEST * model.rate) {
    drawn += step;
    let stretch = Math.max(0, drawn - slid - given);
    while (broken < model.strands && perStrand * stretch > (strengths[broken] ?? Infinity)) broken += 1;
    const alive = model.strands - broken;
    if (perStrand * alive * stretch >= (slips[nextSlip] ?? Infinity)) {
      given += model.gripStep;
      nextSlip += 1;
      stretch = Math.max(0, drawn - slid - given);
    }
    const kept = model.holds * model.friction * Math.max(0, 1 - slid / model.slide);
    if (perStrand * alive * stretch > (isSliding ? kept : model.holds) && alive > 0) {
      isSliding = true;
      slid += Math.max(0, stretch - kept / (perStrand * alive));
      stretch = Math.max(0, drawn - slid - given);
    }
    write(perStrand * alive * stretch);
    if (alive === 0 || slid >= model.slide) break;
  }
  for (let i = 0; i < 0.15 * model.rate; i++) write(0);
  return { rate: model.rate, forces: Float64Array.from(forces) };
}
