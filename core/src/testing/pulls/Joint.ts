import type { FailureMode } from '../../tug';
import { Bundle, Rubber, Sliding, Tearing, Wire, type Body, type Link } from './links';

/**
 * A pulled joint of another physics than the stand-in's: a stand draws at one speed on a chain of gauge, jaws, wire, crimp
 * and terminal. The wire yields long before it breaks; the force is what the chain bears at the way drawn, found at
 * each moment, and no more than each of its links bears. Lengths in mm, forces in N, times in s.
 */
export interface Joint {
  /** How it fails, as the eye would tell. */
  readonly mode: FailureMode;
  /** What breaks the wire by itself, N. */
  readonly breaks: number;
  readonly strands: number;
  /** mm/s */
  readonly speed: number;
  /** Elongation of stand, gauge and jaws by one newton, mm. */
  readonly soft: number;
  /** Elastic elongation of the wire at its breaking load, mm. */
  readonly elastic: number;
  /** What has yielded of the wire at its breaking load, mm, and how late that comes. */
  readonly yields: number;
  readonly hardening: number;
  /** Way drawn until the wire is taut, mm. */
  readonly slack: number;
  /** Load of the whole wire at which each strand breaks, N, in order. */
  readonly strandLoads: readonly number[];
  /** How much the wire softens before it breaks, as a share, over mm. */
  readonly neck: { readonly share: number; readonly over: number };
  /** Share of a broken strand's length that carries nothing any more: the lay takes the rest along. */
  readonly unloads: number;
  /** The wire in the barrel; null: it never moves. */
  readonly slide: Slide | null;
  /** The wire in the jaws; null: they hold. */
  readonly jaws: Slide | null;
  /** Tears of the terminal, one after the other; empty: it bears anything. */
  readonly tears: readonly Tear[];
  /** Nothing but insulation holds; null: metal does. */
  readonly rubber: { readonly stiffness: number; readonly tears: number; readonly steps: number } | null;
  /** Strands that are taut one after the other at the crimp, N/mm each; null: all together. */
  readonly bundle: { readonly stiffness: number; readonly strands: readonly { slack: number; load: number }[] } | null;
  /** Whoever pulls stops here, mm, and goes back. */
  readonly stops: number;
}

export interface Slide {
  /** N that hold, by the way slid as a share of all of it. */
  readonly holds: (share: number) => number;
  /** All of the way, mm. */
  readonly way: number;
  /** Share of the hold that is lost when it slips, and how unlike the slips are; 0: it slides without sticking. */
  readonly sticks: number;
  readonly unlike: number;
}

/** A tear opens at a load and takes the force down to a share of it within mm. */
export interface Tear {
  readonly load: number;
  readonly to: number;
  readonly over: number;
}

/** Force in the joint, evenly spaced, and the highest there was, N. */
export interface Pulled {
  /** As the eye tells it. */
  readonly mode: FailureMode;
  readonly rate: number;
  readonly forces: Float64Array;
  readonly peak: number;
}

/** s it takes to go back. */
const BACK = 0.4;
/** Longest pull, s. */
const LONGEST = 40;

/**
 * Draws at a joint until nothing holds or whoever pulls stops.
 * @param rate moments a second it is followed with
 */
export function pullJoint(joint: Joint, rate: number, normal: () => number): Pulled {
  const dx = joint.speed / rate;
  const body: Body = joint.rubber
    ? new Rubber(joint.rubber, joint.soft)
    : joint.bundle
      ? new Bundle(joint.bundle, joint.soft)
      : new Wire(joint);
  const links: Link[] = [];
  if (joint.slide) links.push(new Sliding(joint.slide, normal));
  if (joint.jaws) links.push(new Sliding(joint.jaws, normal));
  if (joint.tears.length) links.push(new Tearing(joint.tears));
  const forces: number[] = [];
  let peak = 0;
  for (let drawn = dx; drawn < joint.stops && forces.length < LONGEST * rate; drawn += dx) {
    const given = links.reduce((sum, link) => sum + link.given, 0);
    let force = body.bears(drawn - given, dx);
    for (const link of links) force = link.give(force, body.springs, dx);
    if (links.some((link) => link.isGone) || body.isGone) force = 0;
    peak = Math.max(peak, force);
    forces.push(force);
    if (force === 0 && (body.isGone || links.some((link) => link.isGone))) break;
  }
  const last = forces.at(-1) ?? 0;
  const back = BACK * rate;
  if (last > 0) for (let i = 1; i <= back; i++) forces.push(last * (1 - i / back));
  return { mode: modeSeen(joint, body), rate, forces: Float64Array.from(forces), peak };
}

/** Share of the strands that, broken at one place of the way, look like one break, and how long that place is, mm. */
const AT_ONCE = 0.85;
const PLACE = 0.1;

/** Strands that were to break one by one and nearly all went at once look like a break. */
function modeSeen({ mode }: Joint, body: Body): FailureMode {
  if (mode !== 'strands-one-by-one' || !(body instanceof Bundle)) return mode;
  const { breaks } = body;
  const most = Math.max(0, ...breaks.map((from) => breaks.filter((way) => way >= from && way <= from + PLACE).length));
  return most >= AT_ONCE * breaks.length ? 'broke-at-crimp' : mode;
}
