import {
  FAMILIES,
  LEARNED_STEPS,
  MEANS,
  shopFloorSchema,
  STOCK_DEEDS,
  STOCK_KINDS,
  type PartStock,
} from '@tug-mark/core';
import { z } from 'zod';
import { int } from './fields';
import { instant, partId } from './journal';
import {
  stripSettingSchema,
  toolSettingSchema,
  cannotSchema,
  jobAboutSchema,
  planEndsSchema,
  planNoteSchema,
  planWorkSchema,
  wireToCutSchema,
} from './planWork';

/** What a shop says of its floor, and which saying it is. */
export const floorKeptSchema = z.object({
  /** 0 before anything was said. */
  revision: z.number().int(),
  by: z.string().nullable(),
  at: z.string().nullable(),
  floor: shopFloorSchema,
});
export type FloorKept = z.infer<typeof floorKeptSchema>;

export const newFloorSchema = z.strictObject({
  /** The one it was changed from. */
  revision: int.nonnegative(),
  floor: shopFloorSchema,
});

const MOST_MM = 20_000_000;
/** Something done to the stock, or on its way. */
export const newStockMoveSchema = z
  .strictObject({
    id: z.uuid(),
    kind: z.enum(STOCK_KINDS),
    part: partId,
    reel: z.string().trim().min(1, 'is empty').max(60, 'is longer than 60 characters').nullable().default(null),
    what: z.enum(STOCK_DEEDS),
    /** mm of wire, pieces of all else. */
    amount: z.number().min(0, 'is below nothing: write what came or went as a number above it').max(MOST_MM),
    arrives: z
      .string()
      .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/, 'Write the moment as 2027-01-31T06:30.')
      .nullable()
      .default(null),
    settles: z.uuid().nullable().default(null),
    note: z.string().trim().max(200).default(''),
  })
  .refine(({ what, arrives }) => what !== 'expected' || arrives !== null, {
    error: 'says not when it arrives',
    path: ['arrives'],
  });
export type NewStockMove = z.infer<typeof newStockMoveSchema>;

export const stockMoveSchema = z.object({
  ...newStockMoveSchema.shape,
  at: instant,
  by: z.string(),
});
export type StockMoved = z.infer<typeof stockMoveSchema>;

export const partStockSchema: z.ZodType<PartStock> = z.object({
  kind: z.enum(STOCK_KINDS),
  part: z.string(),
  amount: z.number(),
  reels: z.array(z.object({ reel: z.string().nullable(), amount: z.number(), countedAt: z.string().nullable() })),
  expected: z.array(z.object({ id: z.string(), arrives: z.string(), amount: z.number() })),
  faults: z.array(z.string()),
  aDay: z.number(),
  days: z.number(),
});

const learnedSchema = z.object({
  family: z.enum(FAMILIES),
  means: z.enum(MEANS),
  seconds: z.number(),
  spread: z.number(),
  pieces: z.number(),
  stretches: z.number(),
  isEnough: z.boolean(),
});
const learnedStepSchema = z.object({
  family: z.enum(FAMILIES),
  means: z.enum(MEANS),
  step: z.enum(LEARNED_STEPS),
  minutes: z.number(),
  spread: z.number(),
  times: z.number(),
  isEnough: z.boolean(),
});

const span = { from: z.number().int(), to: z.number().int() };
export const placedJobSchema = z.object({
  job: z.string().max(300),
  bench: z.string().max(60),
  tool: z.string().max(60).nullable(),
  person: z.string().max(60),
  start: int,
  changes: z
    .array(
      z.object({
        part: z.enum(['die', 'nest', 'selector', 'positioner', 'grip', 'reel', 'frame', 'notch', 'stop', 'heater']),
        minutes: z.number().min(0),
      }),
    )
    .max(20),
  changeover: int.nonnegative(),
  setUpEnd: int,
  release: z.object({ ...span, by: z.string().max(60) }).nullable(),
  runStart: int,
  end: int,
});

/** What really happened of a combination since a plan was given out. */
export const happenedSchema = z.object({
  combination: z.uuid(),
  what: z.enum(['set-up', 'lot']),
  startedAt: z.string(),
  endedAt: z.string().nullable(),
  /** Pieces made of the newest lot. */
  made: z.number().int(),
  pieces: z.number().int(),
  by: z.string(),
  tool: z.string(),
});
export type Happened = z.infer<typeof happenedSchema>;

const scoreSchema = z.object({
  lateness: z.number().min(0),
  lateLists: z.array(z.string().max(120)).max(2000),
  changeover: z.number().min(0),
  end: z.number().min(0),
});
/** A job of a plan given out, as a bench has to know it. */
const givenJobSchema = z.object({
  label: z.string(),
  list: z.string(),
  combination: z.uuid().nullable(),
  wire: z.string(),
  pieces: z.number().int(),
  samples: z.number().int(),
  set: toolSettingSchema.nullable(),
  strip: stripSettingSchema.nullable(),
});
export type GivenJob = z.infer<typeof givenJobSchema>;

/** A plan as it was given out. Minutes count from `start`. */
export const givenPlanSchema = z.object({
  revision: z.number().int().positive(),
  start: instant,
  by: z.string(),
  at: instant,
  note: z.string(),
  /** The one before, from which it moved; null for the first. */
  base: z.number().int().nullable(),
  placed: z.array(placedJobSchema),
  /** What each job was, and what it was mounted for. */
  jobs: z.record(z.string(), givenJobSchema),
  /** Pieces of each combination that were made when it was given out. */
  made: z.record(z.string(), z.number().int()),
  /** Names of benches and people, as they were. */
  names: z.record(z.string(), z.string()),
  moved: z.array(z.string()),
  score: scoreSchema,
});
export type GivenPlan = z.infer<typeof givenPlanSchema>;
export const givenHeadSchema = givenPlanSchema
  .pick({ revision: true, start: true, by: true, at: true, note: true, base: true, score: true })
  .extend({ planned: z.number().int(), moved: z.number().int() });
export type GivenHead = z.infer<typeof givenHeadSchema>;

/** A plan given out beside what the journal says of it while it counted. Minutes count from its `start`. */
export const planWentSchema = z.object({
  plan: givenPlanSchema,
  /** Up to when it counted: the next one was given out then, or it is now. */
  until: instant,
  isOver: z.boolean(),
  gone: z.array(
    z.object({
      combination: z.uuid(),
      begun: z.number().nullable(),
      last: z.number().nullable(),
      made: z.number().int(),
      setUps: z.number().int(),
    }),
  ),
});
export type PlanWent = z.infer<typeof planWentSchema>;

/** What the benches have to know of the plan: what is next, how far it is, what has to be checked first. */
export const planQueueSchema = z.object({
  /** Of the plan given out last; 0: none was. */
  revision: z.number().int(),
  /** Null where the asker has it already, or none was given out. */
  given: givenPlanSchema.nullable(),
  zone: z.string(),
  /** Pieces made of its combinations since it was given out; of those that are not named none. */
  made: z.array(z.object({ combination: z.uuid(), made: z.number().int() })),
  /** Tools of the plan that have to be checked before their next piece. */
  checks: z.array(z.string()),
});
export type PlanQueue = z.infer<typeof planQueueSchema>;

/** Most jobs of one plan. */
export const MOST_PLANNED = 20_000;
export const newGivenPlanSchema = z.strictObject({
  /** The plan that was given out last as this one was made; null where none was. */
  base: z.number().int().nullable(),
  start: instant,
  note: z.string().trim().max(500).default(''),
  placed: z.array(placedJobSchema).min(1, 'has no job in it').max(MOST_PLANNED),
  moved: z.array(z.string().max(400)).max(MOST_PLANNED).default([]),
  score: scoreSchema,
});
export type NewGivenPlan = z.input<typeof newGivenPlanSchema>;

/** Everything a plan is made from, and what is known of how it goes. */
export const planDaySchema = z.object({
  /** ISO instant of minute 0. */
  start: instant,
  zone: z.string(),
  /** Days it looks at. */
  days: z.number().int(),
  floor: floorKeptSchema,
  work: planWorkSchema,
  about: z.array(jobAboutSchema),
  ends: planEndsSchema,
  cannot: z.array(cannotSchema),
  notes: z.array(planNoteSchema),
  wires: z.array(wireToCutSchema),
  stock: z.array(partStockSchema),
  learned: z.object({ pieces: z.array(learnedSchema), steps: z.array(learnedStepSchema) }),
  given: givenPlanSchema.nullable(),
  happened: z.array(happenedSchema),
});
export type PlanDay = z.infer<typeof planDaySchema>;
