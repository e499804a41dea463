import {
  ACCEPTANCES,
  BRUSH_RULES,
  CONDUCTOR_KINDS,
  CONDUCTOR_MATERIALS,
  FAMILIES,
  GAP_RULES,
  LIMIT_ORIGINS,
  LIMIT_STATUSES,
  NEST_PROFILES,
  PULL_EVIDENCE,
  SEAMS,
  SECOND_BITES,
  SIZE_SCALES,
  SLEEVE_COLOURS,
  STRAND_LAYS,
  STRIP_RULES,
  TOOL_KINDS,
  TOOL_POLICIES,
  type LimitTable,
  type Practice,
  type Stripper,
  type Terminal,
  type Tool,
  type Wire,
} from '@tug-mark/core';
import { z } from 'zod';

/* The nouns' types live in core, which may import nothing of ours; the annotations below make the compiler hold each
   schema against its type (docs/decisions/003-types-of-the-nouns.md). */

const positive = z.number().positive('has to be above 0');
const part = z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters');
const label = z.string().trim().min(1, 'is empty').max(80, 'is longer than 80 characters');
export const isoDate = z.iso.date();

const range = z
  .strictObject({ min: z.number().nonnegative(), max: positive })
  .refine((r) => r.min <= r.max, 'is backwards: the smaller end comes first');

const conductorSize = z
  .strictObject({ scale: z.enum(SIZE_SCALES), value: z.number().min(-3).max(500) })
  .refine((s) => s.scale === 'awg' || s.value > 0, 'has to be above 0 mm²');

export const wireSchema: z.ZodType<Wire> = z.strictObject({
  part,
  label,
  conductor: z
    .strictObject({
      size: conductorSize,
      kind: z.enum(CONDUCTOR_KINDS),
      material: z.enum(CONDUCTOR_MATERIALS),
      strands: z.number().int().positive(),
      strandDiameter: positive,
      lay: z.enum(STRAND_LAYS),
    })
    .refine((c) => c.kind !== 'solid' || c.strands === 1, 'a solid conductor has one strand'),
  insulationDiameter: positive,
  insulation: label,
  temperature: z.number(),
});

export const terminalSchema: z.ZodType<Terminal> = z.strictObject({
  part,
  label,
  maker: label,
  family: z.enum(FAMILIES),
  material: z.enum(['copper', 'brass', 'aluminium']),
  barrel: z
    .strictObject({
      seam: z.enum(SEAMS),
      stripRule: z.enum(STRIP_RULES),
      length: positive,
      innerDiameter: positive,
      outerDiameter: positive,
      depth: positive.nullable(),
      inspection: range.nullable(),
      betweenGrips: positive.nullable(),
      supportLength: z.number().nonnegative(),
    })
    .refine((b) => b.innerDiameter < b.outerDiameter, 'the inner diameter has to be below the outer one')
    .refine((b) => b.stripRule !== 'stop' || b.depth !== null, 'a stop needs its depth')
    .refine((b) => b.stripRule !== 'window' || b.betweenGrips !== null, 'two grips need the distance between them'),
  conductorRange: z.strictObject({ smallest: conductorSize, largest: conductorSize }),
  insulationRange: range.nullable(),
  stud: label.nullable(),
  studHole: positive.nullable(),
  sleeve: z.enum(SLEEVE_COLOURS).nullable(),
  brushMax: z.number().nonnegative(),
  acceptsSolid: z.boolean(),
  sealed: z.boolean(),
  temperature: z.number(),
  bites: z.number().int().positive().max(6).nullable(),
  slideOn: z.array(z.strictObject({ part, label, length: positive })),
  sealingHeat: range.nullable(),
});

export const stripperSchema: z.ZodType<Stripper> = z.strictObject({
  part,
  label,
  repeatability: positive,
  step: positive,
  insulations: z.array(label).min(1),
  notches: z.array(z.strictObject({ label, for: z.enum(['solid', 'stranded']), bore: positive })).min(1),
});

export const toolSchema: z.ZodType<Tool> = z.strictObject({
  part,
  label,
  kind: z.enum(TOOL_KINDS),
  checkHours: positive,
  calibrationUntil: isoDate,
  cycles: z.number().int().nonnegative(),
  cycleLimit: z.number().int().positive(),
  dies: z
    .array(
      z.strictObject({
        id: part,
        label,
        mounted: z.boolean(),
        nests: z
          .array(
            z.strictObject({
              id: part,
              label,
              profile: z.enum(NEST_PROFILES),
              area: range,
              width: positive,
              mark: label,
              terminals: z.array(part),
            }),
          )
          .min(1, 'has no nest'),
      }),
    )
    .min(1, 'has no die'),
});

export const practiceSchema: z.ZodType<Practice> = z.strictObject({
  part,
  label,
  brush: z.enum(BRUSH_RULES),
  brushFixed: positive,
  gap: z.enum(GAP_RULES),
  windowShare: range,
  edgeBand: z.number().min(0).max(0.5),
  toolPolicy: z.enum(TOOL_POLICIES),
  secondBite: z.enum(SECOND_BITES),
  pullEvidence: z.enum(PULL_EVIDENCE),
  acceptance: z.enum(ACCEPTANCES),
  setUpPieces: z.number().int().min(1).max(50),
  coverage: z.number().gt(0.5).lt(1),
  confidence: z.number().gt(0.5).lt(1),
  strandDamage: z.array(
    z.strictObject({
      strandsUpTo: z.number().int().positive(),
      nicked: z.number().int().nonnegative(),
      cut: z.number().int().nonnegative(),
    }),
  ),
});

export const limitKeySchema = z.strictObject({ document: label, revision: part, class: part });

export const limitTableSchema: z.ZodType<LimitTable> = z.strictObject({
  document: label,
  revision: part,
  owner: label,
  class: part,
  origin: z.enum(LIMIT_ORIGINS),
  status: z.enum(LIMIT_STATUSES),
  effectiveFrom: isoDate,
  effectiveUntil: isoDate.nullable(),
  interpolates: z.boolean(),
  speed: range,
  rows: z
    .array(z.strictObject({ size: conductorSize, families: z.array(z.enum(FAMILIES)), force: positive }))
    .min(1, 'has no row'),
});
