import type { Joint, Slide, Tear } from './Joint';

/** What is stretched between the jaws and the terminal. */
export interface Body {
  /** Elongation by one newton as it is now, mm. */
  readonly springs: number;
  readonly isGone: boolean;
  /** Force at an elongation of all of it, N; dx is how much farther than before it was drawn. */
  bears(way: number, dx: number): number;
}

/** A place in the chain that gives way once it bears no more. */
export interface Link {
  /** How far it has given way, mm. */
  readonly given: number;
  readonly isGone: boolean;
  /** @returns what is left of a force, N */
  give(force: number, springs: number, dx: number): number;
}

/** Strands that yield together and break each at its own load. */
export class Wire implements Body {
  private readonly loads: readonly number[];
  private broken = 0;
  private yielded = 0;
  private necked = 0;
  /** Force of the moment before, N. */
  private before = 0;

  constructor(private readonly joint: Joint) {
    this.loads = [...joint.strandLoads].sort((a, b) => a - b);
  }

  get isGone(): boolean {
    return this.broken === this.loads.length;
  }

  get springs(): number {
    return this.joint.soft + this.joint.elastic / (this.joint.breaks * this.inBody);
  }

  bears(way: number, dx: number): number {
    for (;;) {
      const { neck } = this.joint;
      const force = this.stretched(way) * (1 - this.necked * neck.share);
      const load = this.loads[this.broken];
      if (load === undefined) return 0;
      if (force / (1 - this.necked * neck.share) / this.alive < load) return force;
      if (neck.over > 0 && this.necked < 1) {
        this.necked = Math.min(1, this.necked + dx / neck.over);
        return force;
      }
      this.broken += 1;
    }
  }

  private get alive(): number {
    return 1 - this.broken / this.loads.length;
  }

  /** Share of the wire that carries, along its length: what broke at the crimp is taken along by the lay. */
  private get inBody(): number {
    return 1 - this.joint.unloads * (1 - this.alive);
  }

  private stretched(way: number): number {
    const { slack, breaks, yields, hardening } = this.joint;
    const taut = way <= 0 ? 0 : way < slack ? (way * way) / (2 * slack) : way - slack / 2;
    const trial = (taut - this.yielded) / this.springs;
    if (trial <= 0) return 0;
    const whole = breaks * this.inBody;
    if (yields * (trial / whole) ** hardening <= this.yielded) return (this.before = trial);
    // Newton's steps from the force before: what yields grows ever faster with it.
    let force = Math.min(trial, Math.max(this.before, 1e-3 * whole));
    for (let k = 0; k < 12; k++) {
      const yielded = yields * (force / whole) ** hardening;
      const off = force * this.springs + yielded - taut;
      force -= off / (this.springs + (hardening * yielded) / force);
      if (Math.abs(off) < 1e-9) break;
    }
    this.yielded = yields * (force / whole) ** hardening;
    return (this.before = force);
  }
}

/** Strands that are taut one after the other, for they left the lay: each bears and breaks by itself. */
export class Bundle implements Body {
  /** Way of the stand at which each strand broke, mm. */
  readonly breaks: number[] = [];
  /** The one that is taut first comes first. */
  private readonly strands: { readonly slack: number; readonly load: number }[];
  private readonly stiffness: number;

  constructor(
    own: NonNullable<Joint['bundle']>,
    private readonly soft: number,
  ) {
    this.strands = [...own.strands].sort((a, b) => a.slack - b.slack);
    this.stiffness = own.stiffness;
  }

  get isGone(): boolean {
    return this.strands.length === 0;
  }

  get springs(): number {
    return this.soft + 1 / (this.stiffness * Math.max(1, this.strands.length));
  }

  bears(way: number): number {
    for (;;) {
      const { long, force } = this.stretched(way);
      const weak = this.strands.findIndex(({ slack, load }) => this.stiffness * (long - slack) >= load);
      if (weak < 0) return force;
      this.strands.splice(weak, 1);
      this.breaks.push(way);
      if (this.isGone) return 0;
    }
  }

  /**
   * Of a way the strands are as long as the stand does not give to their force: long + soft * force = way, and the force
   * is stiffness * (n * long - slacks) of the n that are taut, so that both follow once n is known.
   */
  private stretched(way: number): { long: number; force: number } {
    let long = way;
    let force = 0;
    let slacks = 0;
    for (const [k, { slack }] of this.strands.entries()) {
      if (slack >= long) break;
      slacks += slack;
      long = (way + this.soft * this.stiffness * slacks) / (1 + this.soft * this.stiffness * (k + 1));
      force = this.stiffness * ((k + 1) * long - slacks);
    }
    return { long, force };
  }
}

/** A sleeve of insulation: long, soft, stiffer as it lengthens, torn in one or more steps. */
export class Rubber implements Body {
  private torn = 0;

  constructor(
    private readonly own: NonNullable<Joint['rubber']>,
    private readonly soft: number,
  ) {}

  get isGone(): boolean {
    return this.torn >= this.own.steps;
  }

  get springs(): number {
    return this.soft + 1 / this.own.stiffness;
  }

  bears(way: number): number {
    if (way <= 0) return 0;
    for (;;) {
      const whole = 1 - this.torn / this.own.steps;
      const force = ((this.own.stiffness * way) / (1 + this.own.stiffness * this.soft)) * (1 + 0.02 * way) * whole;
      if (force < this.own.tears * whole || this.isGone) return force;
      this.torn += 1;
      if (this.isGone) return 0;
    }
  }
}

/** Metal in a hold: it slides under friction, or sticks and slips. */
export class Sliding implements Link {
  given = 0;
  private level: number;

  constructor(
    private readonly slide: Slide,
    private readonly normal: () => number,
  ) {
    this.level = this.nextLevel();
  }

  get isGone(): boolean {
    return this.given >= this.slide.way;
  }

  give(force: number, springs: number): number {
    const hold = this.slide.holds(Math.min(1, this.given / this.slide.way)) * this.level;
    if (force <= hold) return force;
    const left = hold * (1 - this.slide.sticks * Math.max(0.2, 1 + 0.5 * this.slide.unlike * this.normal()));
    this.given += (force - left) * springs;
    this.level = this.nextLevel();
    return left;
  }

  private nextLevel(): number {
    return this.slide.sticks > 0 ? Math.max(0.3, 1 + this.slide.unlike * this.normal()) : 1;
  }
}

/** Sheet metal that tears: each tear opens at a load and bears less the longer it gets. */
export class Tearing implements Link {
  given = 0;
  private stage = 0;
  /** mm of the tear in hand; -1 before it opens. */
  private open = -1;

  constructor(private readonly tears: readonly Tear[]) {}

  get isGone(): boolean {
    return this.stage >= this.tears.length;
  }

  give(force: number, springs: number, dx: number): number {
    const tear = this.tears[this.stage];
    if (!tear) return 0;
    if (this.open < 0 && force < tear.load) return force;
    this.open = Math.max(0, this.open);
    const bears = tear.load * (1 + (tear.to - 1) * Math.min(1, tear.over > 0 ? this.open / tear.over : 1));
    const left = Math.min(force, bears);
    const way = (force - left) * springs + 0.3 * dx;
    this.given += way;
    this.open += way;
    if (this.open >= tear.over && left <= tear.load * tear.to * 1.0001) {
      this.stage += 1;
      this.open = -1;
    }
    return left;
  }
}
