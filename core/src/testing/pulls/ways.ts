import type { Joint, Slide } from './Joint';

/** Dice of one specimen. */
export interface Dice {
  /** Between two bounds, evenly. */
  readonly among: (low: number, high: number) => number;
  readonly whole: (low: number, high: number) => number;
  readonly isSo: (chance: number) => boolean;
  readonly normal: () => number;
}

/** A specimen that does not fail at all: what each way changes. */
function sound({ among, isSo, whole }: Dice): Joint {
  const area = [0.35, 0.5, 0.75, 1, 1.5, 2.5, 4][whole(0, 6)] ?? 1;
  const breaks = area * among(215, 260);
  const strands = [7, 7, 12, 16, 19, 24, 32, 37][whole(0, 7)] ?? 19;
  const length = among(60, 220);
  const isSoft = isSo(0.75);
  return {
    mode: 'broke-in-wire',
    breaks,
    strands,
    speed: among(25, 60) / 60,
    soft: among(0.003, 0.013),
    elastic: length * among(0.0025, 0.006),
    yields: length * (isSoft ? among(0.02, 0.08) : among(0.003, 0.015)),
    hardening: isSoft ? among(3, 7) : among(8, 14),
    slack: among(0, 1.5),
    strandLoads: [],
    neck: { share: 0, over: 0 },
    unloads: among(0.1, 1),
    slide: null,
    jaws: null,
    tears: [],
    rubber: null,
    bundle: null,
    stops: Infinity,
  };
}

/** Strands that all break near one load. */
const alike = (joint: Joint, load: number, uneven: number, dice: Dice): Joint => ({
  ...joint,
  strandLoads: Array.from({ length: joint.strands }, () => load * Math.max(0.2, 1 + uneven * dice.normal())),
});
/** Strands that never break. */
const strong = (joint: Joint): Joint => ({ ...joint, strandLoads: [10 * joint.breaks] });

/** Friction that dies away as the wire leaves the barrel: straight, or quicker at first. */
const dying =
  (load: number, bow: number): Slide['holds'] =>
  (share) =>
    load * (1 - share) ** bow;
/** The same behind a hold that is lost at once. */
const stuck =
  (load: number, keeps: number, bow: number): Slide['holds'] =>
  (share) =>
    share === 0 ? load : load * keeps * (1 - share) ** bow;

/** Strands in groups that are taut one after the other: so many mm from the first to the last. */
function unlike(
  joint: Joint,
  { load, groups, spread, uneven }: { load: number; groups: number; spread: number; uneven: number },
  dice: Dice,
): Joint {
  const each = load / joint.strands;
  const slacks = Array.from({ length: groups }, () => spread * dice.among(0, 1));
  return {
    ...joint,
    bundle: {
      stiffness: each / dice.among(1.5, 4),
      strands: Array.from({ length: joint.strands }, (_, i) => ({
        slack: (slacks[i % groups] ?? 0) + 0.3 * uneven * Math.abs(dice.normal()),
        load: each * Math.max(0.4, 1 + uneven * dice.normal()),
      })),
    },
  };
}

const crimp = (joint: Joint, dice: Dice) => joint.breaks * dice.among(0.4, 0.84);
/** What a wire slides at: from a barrel hardly pressed to one nearly good. */
const slides = (joint: Joint, dice: Dice) => joint.breaks * dice.among(0.15, 0.85);
const barrel = (dice: Dice) => dice.among(3.5, 9);

/** Ways a pulled joint fails, each with what it is made of. */
export const WAYS: Readonly<Record<string, (dice: Dice) => Joint>> = {
  'soft wire breaks': (dice) => {
    const joint = sound(dice);
    const { breaks } = joint;
    return {
      ...alike(joint, breaks * (1 + 0.02 * dice.normal()), 0.003, dice),
      yields: Math.max(joint.yields, 6),
      neck: { share: dice.among(0.005, 0.04), over: dice.among(0.1, 0.6) },
    };
  },
  'hard wire breaks': (dice) => {
    const joint = { ...sound(dice), yields: dice.among(0.3, 2), hardening: dice.among(8, 14) };
    return alike(joint, joint.breaks * (1 + 0.02 * dice.normal()), 0.004, dice);
  },
  'wire breaks in clumps': (dice) => {
    const joint = alike(sound(dice), 0, 0, dice);
    const first = dice.among(0.3, 0.7);
    return {
      ...joint,
      strandLoads: joint.strandLoads.map((_, i) =>
        i < first * joint.strands ? joint.breaks * 0.97 : joint.breaks * dice.among(0.98, 1.01),
      ),
    };
  },
  'crimp breaks': (dice) => {
    const joint = sound(dice);
    return { ...alike(joint, crimp(joint, dice), dice.among(0.003, 0.02), dice), mode: 'broke-at-crimp' };
  },
  'crimp breaks after the jaws crept': (dice) => {
    const joint = sound(dice);
    return {
      ...alike(joint, crimp(joint, dice), 0.006, dice),
      mode: 'broke-at-crimp',
      jaws: { holds: (share) => joint.breaks * (0.25 + 3 * share), way: 20, sticks: 0, unlike: 0 },
    };
  },
  'crimp breaks in two stages': (dice) => {
    const joint = sound(dice);
    const wire = unlike(
      joint,
      { load: joint.breaks * dice.among(0.6, 0.95), groups: 1, spread: 0, uneven: 0.008 },
      dice,
    );
    const later = dice.among(1, 2.5);
    const share = dice.among(0.35, 0.65);
    return {
      ...wire,
      mode: 'broke-at-crimp',
      bundle: wire.bundle && {
        ...wire.bundle,
        strands: wire.bundle.strands.map((strand, i) => ({
          ...strand,
          slack: strand.slack + (i < share * joint.strands ? 0 : later),
        })),
      },
    };
  },
  'terminal tears': (dice) => {
    const joint = strong(sound(dice));
    const load = joint.breaks * dice.among(0.4, 0.95);
    const stages = dice.whole(1, 3);
    return {
      ...joint,
      mode: 'terminal-broke',
      tears: Array.from({ length: stages }, (_, i) => ({
        load: load * (i ? dice.among(0.35, 1.05) : 1),
        to: i === stages - 1 ? 0 : dice.among(0.3, 0.7),
        over: dice.among(0.1, 1.6),
      })),
    };
  },
  'wire slides': (dice) => {
    const joint = strong(sound(dice));
    const holds = stuck(slides(joint, dice), dice.among(0.55, 0.95), dice.among(0.8, 1.4));
    return { ...joint, mode: 'slid-out', slide: { holds, way: barrel(dice), sticks: 0, unlike: 0 } };
  },
  'wire slides from a rounded top': (dice) => {
    const joint = strong(sound(dice));
    const load = slides(joint, dice);
    const top = dice.among(0.05, 0.2);
    return {
      ...joint,
      mode: 'slid-out',
      slide: {
        holds: (share) =>
          load * (share < top ? 0.8 + 0.2 * Math.sin((Math.PI / 2) * (share / top)) : (1 - share) / (1 - top)),
        ...{ way: barrel(dice), sticks: 0, unlike: 0 },
      },
    };
  },
  'wire sticks and slides': (dice) => {
    const joint = strong(sound(dice));
    const holds = dying(slides(joint, dice), dice.among(0.8, 1.3));
    return {
      ...joint,
      mode: 'slid-out',
      slide: { holds, way: barrel(dice), sticks: dice.among(0.06, 0.35), unlike: dice.among(0.02, 0.12) },
    };
  },
  'wire sticks and slides before the peak': (dice) => {
    const joint = strong(sound(dice));
    const load = slides(joint, dice);
    const top = dice.among(0.15, 0.4);
    return {
      ...joint,
      mode: 'slid-out',
      slide: {
        holds: (share) => load * (share < top ? 0.5 + (0.5 * share) / top : (1 - share) / (1 - top)),
        ...{ way: barrel(dice), sticks: dice.among(0.06, 0.3), unlike: dice.among(0.02, 0.1) },
      },
    };
  },
  'wire slides over two peaks': (dice) => {
    const joint = strong(sound(dice));
    const load = slides(joint, dice);
    const [dip, second, at] = [dice.among(0.5, 0.8), dice.among(0.75, 1.1), dice.among(0.3, 0.6)];
    return {
      ...joint,
      mode: 'slid-out',
      slide: {
        holds: (share) =>
          load *
          (share < at / 2
            ? 1 - ((1 - dip) * share) / (at / 2)
            : share < at
              ? dip + ((second - dip) * (share - at / 2)) / (at / 2)
              : (second * (1 - share)) / (1 - at)),
        ...{ way: barrel(dice), sticks: dice.isSo(0.4) ? dice.among(0.05, 0.15) : 0, unlike: 0.05 },
      },
    };
  },
  'strands break slowly': (dice) => {
    const joint = sound(dice);
    const load = joint.breaks * dice.among(0.6, 0.95);
    return {
      ...unlike(joint, { load, groups: joint.strands, spread: dice.among(1, 4), uneven: 0.06 }, dice),
      mode: 'strands-one-by-one',
    };
  },
  'strands break in clumps': (dice) => {
    const joint = sound(dice);
    const load = joint.breaks * dice.among(0.6, 0.95);
    return {
      ...unlike(joint, { load, groups: dice.whole(4, 6), spread: dice.among(2, 5), uneven: 0.02 }, dice),
      mode: 'strands-one-by-one',
    };
  },
  'jaws slip in steps': (dice) => {
    const joint = strong(sound(dice));
    const load = joint.breaks * dice.among(0.3, 0.8);
    const rises = dice.among(0, 0.6);
    return {
      ...joint,
      mode: 'grip-slipped',
      jaws: {
        holds: (share) => load * (1 + rises * share * 4),
        ...{ way: dice.among(20, 35), sticks: dice.among(0.08, 0.4), unlike: dice.among(0.02, 0.15) },
      },
      stops: dice.among(8, 18),
    };
  },
  'jaws let the wire creep out': (dice) => {
    const joint = strong(sound(dice));
    const load = joint.breaks * dice.among(0.3, 0.85);
    const falls = dice.among(0, 0.6);
    return {
      ...joint,
      mode: 'grip-slipped',
      jaws: { holds: (share) => load * (1 - falls * share), way: dice.among(15, 35), sticks: 0, unlike: 0 },
      stops: dice.isSo(0.5) ? dice.among(8, 20) : Infinity,
    };
  },
  'insulation slides': (dice) => {
    const joint = strong(sound(dice));
    const load = joint.breaks * dice.among(0.04, 0.16);
    return {
      ...joint,
      mode: 'insulation-only',
      slide: {
        holds: dying(load, dice.among(0.5, 1.2)),
        way: dice.among(2, 6),
        sticks: dice.isSo(0.3) ? 0.1 : 0,
        unlike: 0.05,
      },
    };
  },
  'tough insulation tears': (dice) => {
    const joint = sound(dice);
    const load = joint.breaks * dice.among(0.15, 0.45);
    return {
      ...joint,
      mode: 'insulation-only',
      rubber: { stiffness: load / dice.among(6, 20), tears: load, steps: dice.whole(1, 4) },
    };
  },
};
