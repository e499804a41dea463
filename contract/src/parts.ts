import {
  FINDINGS,
  MEASURED,
  POINT_CODES,
  type LookRow,
  type LookSheet,
  ACCEPTANCES,
  LOOK_RECORDS,
  BRUSH_RULES,
  CONDUCTOR_KINDS,
  CONDUCTOR_MATERIALS,
  FAMILIES,
  GAP_RULES,
  DOCUMENT_ORIGINS,
  DOCUMENT_STATUSES,
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
  BRAZED_SEAMS,
  LOOSE_IN_NEST,
  SEALING_HEATS,
  SOLDER_RULES,
  SPLICE_BITES,
  STRAND_LAYS_KEPT,
  THIN_WIRES,
  TWO_GRIPS,
  CHOICE_KEYS,
  GRIPS,
  nominalArea,
  SHAPES,
  SLIDE_ON_KINDS,
  SLIDE_ON_PART_KINDS,
  STRANDING_CLASSES,
  type LimitRow,
  type LimitTable,
  type Practice,
  type PracticeChoices,
  type SlideOnPart,
  type Stripper,
  type Terminal,
  type Tool,
  type Wire,
} from '@tug-mark/core';
import { z } from 'zod';

/* The nouns' types live in core, which may import nothing of ours; the annotations below make the compiler hold each
   schema against its type (docs/decisions/003-types-of-the-nouns.md). */

/** Of whatever is measured here; what lies outside is a slip of the pen and would make the arithmetic overflow. */
const positive = z.number().min(1e-6, 'has to be above 0').max(1e9, 'is too large to be meant');
const part = z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters');
const label = z.string().trim().min(1, 'is empty').max(80, 'is longer than 80 characters');
export const isoDate = z.iso.date();

const range = z
  .strictObject({ min: z.number().nonnegative(), max: positive })
  .refine((r) => r.min <= r.max, 'is backwards: the smaller end comes first');

const conductorSize = z
  .strictObject({ scale: z.enum(SIZE_SCALES), value: z.number().min(-3).max(500) })
  .refine((s) => s.scale === 'awg' || s.value > 1e-4, 'has to be above 0 mm²')
  .refine((s) => s.scale === 'mm2' || s.value <= 60, 'is no AWG size');

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

/* Fields with a default came later than the first files: those are read as if they said so. */
export const terminalSchema: z.ZodType<Terminal> = z.strictObject({
  part,
  label,
  maker: label,
  family: z.enum(FAMILIES),
  shape: z.enum(SHAPES).default('ring'),
  material: z.enum(['copper', 'brass', 'aluminium']),
  barrel: z
    .strictObject({
      seam: z.enum(SEAMS),
      stripRule: z.enum(STRIP_RULES),
      length: positive.nullable(),
      innerDiameter: positive.nullable(),
      outerDiameter: positive.nullable(),
      depth: positive.nullable(),
      inspection: range.nullable(),
      betweenGrips: positive.nullable(),
      supportLength: z.number().nonnegative(),
      growth: z.number().nonnegative().default(0),
    })
    .refine(
      (b) => b.innerDiameter === null || b.outerDiameter === null || b.innerDiameter < b.outerDiameter,
      'the inner diameter has to be below the outer one',
    )
    .refine((b) => b.stripRule !== 'stop' || b.depth !== null || b.length !== null, 'a stop needs its depth')
    .refine((b) => b.stripRule !== 'window' || b.betweenGrips !== null, 'two grips need the distance between them'),
  conductorRange: z
    .strictObject({ smallest: conductorSize, largest: conductorSize })
    .refine(
      (r) => nominalArea(r.smallest) <= nominalArea(r.largest) + 1e-9,
      'is backwards: the smaller conductor comes first',
    ),
  mostWires: z.number().int().positive().max(20).default(1),
  foldBack: z.boolean().default(false),
  strandingClasses: z.array(z.enum(STRANDING_CLASSES)).default([]),
  insulationRange: range.nullable(),
  sealRange: range.nullable().default(null),
  stud: label.nullable(),
  studHole: positive.nullable(),
  sleeve: z.enum(SLEEVE_COLOURS).nullable(),
  stamp: label.nullable().default(null),
  brushMax: z.number().nonnegative(),
  trimFlush: z.boolean().default(false),
  acceptsSolid: z.boolean(),
  sealed: z.boolean(),
  temperature: z.number(),
  current: positive.nullable().default(null),
  voltage: positive.nullable().default(null),
  bites: z.number().int().positive().max(6).nullable(),
  dieIndex: part.nullable().default(null),
  barrelSize: part.nullable().default(null),
  crimpHeights: z
    .array(
      z.strictObject({
        size: conductorSize,
        height: positive,
        tolerance: positive,
        width: positive.nullable().default(null),
        widthTolerance: positive.nullable().default(null),
      }),
    )
    .default([]),
  slideOn: z.array(
    z.strictObject({
      part,
      label,
      kind: z.enum(SLIDE_ON_KINDS).default('sleeve'),
      length: positive,
      wayRound: label.nullable().default(null),
    }),
  ),
  sealingHeat: range.nullable(),
  cavity: z
    .strictObject({
      insertionTool: label.nullable(),
      removalTool: label.nullable(),
      release: z.enum(['front', 'rear']),
      secondaryLock: z.boolean(),
    })
    .nullable()
    .default(null),
});

export const coveringSchema: z.ZodType<SlideOnPart> = z.strictObject({
  part,
  label,
  kind: z.enum(SLIDE_ON_PART_KINDS),
  suppliedBore: positive,
  recoveredBore: positive.nullable(),
  length: positive.nullable(),
  longitudinalShrink: z.number().min(0).lt(1),
  adhesive: z.boolean(),
  heat: range.nullable(),
  wireRange: range.nullable(),
  temperature: z.number(),
  wayRound: label.nullable(),
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
  station: label.nullable().default(null),
  checkHours: positive,
  checkCycles: z.number().int().positive().nullable().default(null),
  gauge: z
    .strictObject({ go: positive, noGo: positive, setting: part.nullable() })
    .refine((g) => g.go < g.noGo, 'the go pin has to be thinner than the no-go pin')
    .nullable()
    .default(null),
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
              index: part.nullable().default(null),
              grips: z.enum(GRIPS).default('both'),
              terminals: z.array(part),
            }),
          )
          .min(1, 'has no nest'),
      }),
    )
    .min(1, 'has no die'),
  selector: z.array(z.strictObject({ barrelSize: part, size: conductorSize, setting: part })).default([]),
  positioners: z
    .array(
      z.strictObject({
        id: part,
        label,
        mounted: z.boolean(),
        adjustable: z.boolean(),
        depth: positive.nullable(),
        terminals: z.array(part),
      }),
    )
    .default([]),
  insulationPositions: z.array(z.strictObject({ label, diameters: range })).default([]),
  heightStep: positive.nullable().default(null),
  changeMinutes: z
    .strictObject({
      die: z.number().nonnegative(),
      positioner: z.number().nonnegative(),
      setting: z.number().nonnegative(),
    })
    .default({ die: 6, positioner: 2, setting: 1 }),
});

const choices = {
  lay: z.enum(STRAND_LAYS_KEPT),
  brush: z.enum(BRUSH_RULES),
  brushFixed: positive,
  gap: z.enum(GAP_RULES),
  windowShare: range,
  lugBare: positive,
  thinWire: z.enum(THIN_WIRES),
  edgeBand: z.number().min(0).max(0.5),
  twoGrips: z.enum(TWO_GRIPS),
  secondBite: z.enum(SECOND_BITES),
  spliceBites: z.enum(SPLICE_BITES),
  brazedSeam: z.enum(BRAZED_SEAMS),
  looseInNest: z.enum(LOOSE_IN_NEST),
  sealingHeat: z.enum(SEALING_HEATS),
  solder: z.enum(SOLDER_RULES),
  toolPolicy: z.enum(TOOL_POLICIES),
  pullEvidence: z.enum(PULL_EVIDENCE),
  lookRecord: z.enum(LOOK_RECORDS),
  acceptance: z.enum(ACCEPTANCES),
  setUpPieces: z.number().int().min(1).max(50),
  measuredPieces: z.number().int().min(0).max(50),
  coverage: z.number().gt(0.5).lt(1),
  confidence: z.number().gt(0.5).lt(1),
  secondPersonReleases: z.boolean(),
  strandDamage: z.array(
    z.strictObject({
      strandsUpTo: z.number().int().positive(),
      nicked: z.number().int().nonnegative(),
      cut: z.number().int().nonnegative(),
    }),
  ),
} satisfies { [K in keyof PracticeChoices]: z.ZodType<PracticeChoices[K]> };
const choiceKeys = z.enum(CHOICE_KEYS as [keyof PracticeChoices, ...(keyof PracticeChoices)[]]);
const whose = {
  customer: label.nullable().default(null),
  class: part.nullable().default(null),
  base: part.nullable().default(null),
};

export const practiceSchema: z.ZodType<Practice> = z.strictObject({
  part,
  label,
  ...whose,
  own: z.array(choiceKeys).default([...CHOICE_KEYS]),
  ...choices,
  lay: choices.lay.default('factory-lay'),
  lugBare: choices.lugBare.default(3),
  thinWire: choices.thinWire.default('right-terminal'),
  twoGrips: choices.twoGrips.default('one-stroke'),
  spliceBites: choices.spliceBites.default('one-each-side'),
  brazedSeam: choices.brazedSeam.default('opposite-the-seam'),
  looseInNest: choices.looseInNest.default('stop'),
  sealingHeat: choices.sealingHeat.default('hot-air'),
  solder: choices.solder.default('forbidden'),
  lookRecord: choices.lookRecord.default('each-point'),
  measuredPieces: choices.measuredPieces.default(0),
  secondPersonReleases: choices.secondPersonReleases.default(false),
});

/** A profile as entered: the choices it makes itself; the others come from the profile it is based on. */
export const practiceDraftSchema = z.strictObject({
  part,
  label,
  ...whose,
  choices: z.strictObject(choices).partial(),
});

export const documentKeySchema = z.strictObject({ document: label, revision: part, class: part });

const lookRowSchema: z.ZodType<LookRow> = z.strictObject({
  point: z.enum(POINT_CODES),
  families: z.array(z.enum(FAMILIES)),
  findings: z.array(z.enum(FINDINGS)).min(1, 'has none'),
  measured: z.enum(MEASURED),
  min: z.number().nonnegative().nullable(),
  max: z.number().nonnegative().nullable(),
  outside: z.enum(FINDINGS),
  text: z.string().max(300, 'is longer than 300 characters'),
});

export const lookSheetSchema: z.ZodType<LookSheet> = z.strictObject({
  document: label,
  revision: part,
  class: part,
  owner: label,
  origin: z.enum(DOCUMENT_ORIGINS),
  status: z.enum(DOCUMENT_STATUSES),
  effectiveFrom: isoDate,
  effectiveUntil: isoDate.nullable(),
  rows: z.array(lookRowSchema).min(1, 'has no row'),
});

export const limitRowSchema: z.ZodType<LimitRow> = z.strictObject({
  size: conductorSize,
  families: z.array(z.enum(FAMILIES)),
  material: z.enum(CONDUCTOR_MATERIALS).nullable().default(null),
  force: positive.nullable(),
  percent: positive.nullable().default(null),
  hold: positive.nullable().default(null),
});

export const limitTableSchema: z.ZodType<LimitTable> = z.strictObject({
  document: label,
  revision: part,
  owner: label,
  class: part,
  origin: z.enum(DOCUMENT_ORIGINS),
  status: z.enum(DOCUMENT_STATUSES),
  effectiveFrom: isoDate,
  effectiveUntil: isoDate.nullable(),
  interpolates: z.boolean(),
  speed: range,
  hold: z
    .strictObject({
      seconds: positive,
      percent: positive.max(100).nullable().default(null),
      // Of tables from before rows had their own.
      force: positive.nullable().default(null),
    })
    .nullable()
    .default(null),
  loadingRate: range.nullable().default(null),
  pushes: z
    .array(
      z.strictObject({
        contactSize: part.nullable().default(null),
        families: z.array(z.enum(FAMILIES)).default([]),
        force: positive,
      }),
    )
    .default([]),
  retention: positive.nullable().default(null),
  rows: z.array(limitRowSchema).min(1, 'has no row'),
});
