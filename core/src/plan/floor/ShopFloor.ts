import { z } from 'zod';
import { FAMILIES, type Family } from '../../terminal';
import type { ToolKind } from '../../tool';

/* The floor of a shop as a plan needs it: benches, who is in when, and what things take. Written down once, changed when it changes. */

const id = z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters');
const label = z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters');
const minutes = z.number().min(0, 'is below nothing').max(600, 'is more than ten hours');
export const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Write the time as 06:30.');
const day = z.iso.date('Write the date as 2027-01-31.');
const moment = z.string().regex(/^\d{4}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d$/, 'Write the moment as 2027-01-31T06:30.');

const pause = z.strictObject({ from: timeOfDay, to: timeOfDay });
/** A span of a day; one that ends before it begins ends on the next day. */
const span = { from: timeOfDay, to: timeOfDay, breaks: z.array(pause).max(10).default([]) };

/** What work is done by: what piece times hang on beside the family. */
export const MEANS = ['hand', 'powered', 'press'] as const;
export type Means = (typeof MEANS)[number];
export const meansOf = (kind: ToolKind): Means =>
  kind === 'press' ? 'press' : kind === 'hydraulic' ? 'powered' : 'hand';

const floorBench = z.strictObject({
  id,
  label,
  /** Places, as tools name where they stand, that are this bench. */
  places: z.array(label).max(20).default([]),
  /** Minutes until it is hot, and minutes without work after which it is cold again; null where no heat is allowed. */
  heater: z.strictObject({ warmUp: minutes, coldAfter: minutes }).nullable().default(null),
  /** Stripper that stands here, by its part number. */
  stripper: z.string().trim().min(1).max(60).nullable().default(null),
});
export type FloorBench = z.infer<typeof floorBench>;

/** Hours of every week. Somebody of two shifts has two. */
const weekHours = z.strictObject({
  person: z.uuid(),
  /** 1 is Monday, 7 Sunday; of a shift over midnight the day it begins. */
  days: z.array(z.number().int().min(1).max(7)).min(1, 'names no day').max(7),
  ...span,
});
export type WeekHours = z.infer<typeof weekHours>;
/** Hours of one day that are beside those of the week. */
const extraHours = z.strictObject({ person: z.uuid(), day, ...span });
const absence = z.strictObject({
  person: z.uuid(),
  from: moment,
  to: moment,
  why: z.string().trim().max(120).default(''),
});
export type Absence = z.infer<typeof absence>;

/** What things take, minutes, where nothing was learned yet. */
const floorMinutes = z.strictObject({
  /** A tool with a place of its own is taken to another bench and mounted there. */
  frame: minutes,
  /** A hand tool is fetched. */
  fetch: minutes,
  notch: minutes,
  stop: minutes,
  /** A reel of terminals and its guides in a press. */
  reel: minutes,
  /** One sample piece: made, looked at, pulled. */
  sample: minutes,
  /** One piece of a lot looked at and pulled. */
  check: minutes,
  release: minutes,
  /** A go/no-go check of a tool. */
  toolCheck: minutes,
});

export const shopFloorSchema = z.strictObject({
  benches: z.array(floorBench).max(60),
  hours: z.array(weekHours).max(400),
  extra: z.array(extraHours).max(1000).default([]),
  away: z.array(absence).max(2000).default([]),
  /** Days on which nobody works. */
  closed: z
    .array(z.strictObject({ day, why: z.string().trim().max(120).default('') }))
    .max(200)
    .default([]),
  /** Time of day by which a list that is due has to be ready. */
  dueBy: timeOfDay.default('15:00'),
  /** Minutes of changeover that one minute of an earlier end is worth. */
  endWorth: z.number().min(0).max(10).default(0.05),
  /** Minutes from now in which a plan given out is not changed any more. */
  frozen: z.number().int().min(0).max(480).default(60),
  /** Most minutes one job takes: what is more is made in several, one after the other or side by side. */
  lotMinutes: z.number().int().min(15).max(480).default(180),
  /** Seconds to cut and mark a wire, and to put a contact into its cavity. */
  cutSeconds: z.number().min(0.5).max(600).default(5),
  insertSeconds: z.number().min(1).max(600).default(12),
  /** Share of ends that are expected to be made again, e.g. 0.02. */
  rework: z.number().min(0).max(0.5).default(0.02),
  /** Wire of one sample piece, mm, and the shortest remnant that is kept. */
  sampleLength: z.number().min(20).max(2000).default(150),
  keepLength: z.number().min(0).max(20_000).default(500),
  /** Days from an order to its arrival, and further days what is there has to last. */
  leadDays: z.number().min(0).max(365).default(5),
  reserveDays: z.number().min(0).max(365).default(2),
  minutes: floorMinutes.default({
    ...{ frame: 10, fetch: 0.5, notch: 0.5, stop: 1, reel: 5, sample: 1.5, check: 1.5, release: 4, toolCheck: 2 },
  }),
  /** Seconds of one piece, where the shop knows better than the table it began with. */
  pieceSeconds: z
    .array(z.strictObject({ family: z.enum(FAMILIES), means: z.enum(MEANS), seconds: z.number().min(1).max(3600) }))
    .max(FAMILIES.length * MEANS.length)
    .default([]),
});
export type ShopFloor = z.infer<typeof shopFloorSchema>;

/** A shop that has said nothing of its floor. */
export const EMPTY_FLOOR: ShopFloor = shopFloorSchema.parse({ benches: [], hours: [] });

/**
 * Seconds of one end by hand (strip, load, press, lay down), a number to begin with: the smallest contacts take several times a
 * normal crimp, a splice its second side, a sleeve with adhesive its heat.
 */
const BY_HAND: Readonly<Record<Family, number>> = {
  ...{ 'insulated-terminal': 22, 'sealed-sleeve-terminal': 70, 'bare-terminal': 22, 'open-barrel-contact': 30 },
  ...{ 'sealed-contact': 40, 'machined-contact': 35, 'signal-contact': 90, 'butt-splice': 45, 'window-splice': 50 },
  ...{ 'open-barrel-splice': 50, ferrule: 18, lug: 120 },
};
const FASTER: Readonly<Record<Means, number>> = { hand: 1, powered: 0.75, press: 0.4 };

/** Seconds of one piece as the shop says, or as the table to begin with has it. */
export function ownSeconds(floor: Pick<ShopFloor, 'pieceSeconds'>, family: Family, means: Means): number {
  const said = floor.pieceSeconds.find((one) => one.family === family && one.means === means);
  return said?.seconds ?? BY_HAND[family] * FASTER[means];
}
