import {
  ACCEPTANCES,
  ADHESIVE_RULES,
  asKept,
  between,
  BRAZED_SEAMS,
  BRUSH_RULES,
  CHOICE_KEYS,
  CONDUCTOR_MATERIALS,
  conductorSizeSchema,
  DOCUMENT_ORIGINS,
  DOCUMENT_STATUSES,
  FAMILIES,
  FINDINGS,
  GAP_RULES,
  type LimitRow,
  type LimitTable,
  LOOK_RECORDS,
  type LookRow,
  type LookSheet,
  LOOSE_IN_NEST,
  MEASURED,
  numberAt,
  partId,
  POINT_CODES,
  positive,
  type Practice,
  type PracticeChoices,
  PULL_EVIDENCE,
  RULE_NUMBERS,
  SEALING_HEATS,
  SECOND_BITES,
  SET_UP_RELEASERS,
  SOLDER_RULES,
  SPLICE_BITES,
  STRAND_LAYS_KEPT,
  STRANDS_HURT,
  FOLDED_EDGES,
  INSULATED_PARTS,
  INSULATOR_ORDERS,
  SLIGHT_BOWS,
  SECOND_STROKES,
  STEPS_ASKED,
  STRAIN_RELIEFS,
  STRAY_STRANDS,
  THIN_WIRES,
  TOOL_POLICIES,
  TWO_GRIPS,
  TYPICAL_STRENGTHS,
  shortText,
} from '@tug-mark/core';
import { z } from 'zod';

/* The parts of a cabinet are described in core (docs/decisions/003-types-of-the-nouns.md); the annotations below make the
   compiler hold each schema against the type core computes with. */

const part = partId;
const label = shortText;
export const isoDate = z.iso.date('Write the date as 2027-01-31.');

const range = between(z.number().nonnegative(), positive);

const choices = {
  lay: z.enum(STRAND_LAYS_KEPT),
  brush: z.enum(BRUSH_RULES),
  brushFixed: positive,
  gap: z.enum(GAP_RULES),
  windowShare: range,
  lugBare: positive,
  strandsHurt: z.enum(STRANDS_HURT),
  strayStrand: z.enum(STRAY_STRANDS),
  foldedEdge: z.enum(FOLDED_EDGES),
  insulatedParts: z.enum(INSULATED_PARTS),
  strainRelief: z.enum(STRAIN_RELIEFS),
  insulatorOrder: z.enum(INSULATOR_ORDERS),
  slightBow: z.enum(SLIGHT_BOWS),
  mounting: z.enum(STEPS_ASKED),
  loading: z.enum(STEPS_ASKED),
  secondStroke: z.enum(SECOND_STROKES),
  biteSteps: z.enum(STEPS_ASKED),
  covering: z.enum(STEPS_ASKED),
  wireSpare: z.number().nonnegative(),
  freshCut: z.number().nonnegative(),
  thinWire: z.enum(THIN_WIRES),
  edgeBand: z.number().min(0).max(0.5),
  twoGrips: z.enum(TWO_GRIPS),
  secondBite: z.enum(SECOND_BITES),
  spliceBites: z.enum(SPLICE_BITES),
  brazedSeam: z.enum(BRAZED_SEAMS),
  looseInNest: z.enum(LOOSE_IN_NEST),
  sealingHeat: z.enum(SEALING_HEATS),
  adhesive: z.enum(ADHESIVE_RULES),
  solder: z.enum(SOLDER_RULES),
  toolPolicy: z.enum(TOOL_POLICIES),
  pullEvidence: z.enum(PULL_EVIDENCE),
  lookRecord: z.enum(LOOK_RECORDS),
  acceptance: z.enum(ACCEPTANCES),
  setUpReleasedBy: z.enum(SET_UP_RELEASERS),
  setUpPieces: z.number().int().min(1).max(50),
  measuredPieces: z.number().int().min(0).max(50),
  coverage: z.number().gt(0.5).lt(1),
  confidence: z.number().gt(0.5).lt(1),
  secondPersonReleases: z.boolean(),
  tensileCopper: positive,
  tensileHighStrength: positive,
  tensileAluminium: positive,
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
  // Profiles from before it was asked went by their table, which says none where it is empty.
  strandsHurt: choices.strandsHurt.default('by-table'),
  strayStrand: choices.strayStrand.default('end-again'),
  foldedEdge: choices.foldedEdge.default('doubled'),
  insulatedParts: choices.insulatedParts.default('as-listed'),
  strainRelief: choices.strainRelief.default('by-part'),
  insulatorOrder: choices.insulatorOrder.default('before-strip'),
  slightBow: choices.slightBow.default('rejected'),
  mounting: choices.mounting.default('in-one'),
  loading: choices.loading.default('in-one'),
  secondStroke: choices.secondStroke.default('never'),
  biteSteps: choices.biteSteps.default('in-one'),
  covering: choices.covering.default('in-one'),
  wireSpare: choices.wireSpare.default(15),
  freshCut: choices.freshCut.default(1),
  lugBare: choices.lugBare.default(3),
  thinWire: choices.thinWire.default('right-terminal'),
  twoGrips: choices.twoGrips.default('one-stroke'),
  spliceBites: choices.spliceBites.default('one-each-side'),
  brazedSeam: choices.brazedSeam.default('opposite-the-seam'),
  looseInNest: choices.looseInNest.default('stop'),
  sealingHeat: choices.sealingHeat.default('hot-air'),
  adhesive: choices.adhesive.default('by-place'),
  solder: choices.solder.default('forbidden'),
  lookRecord: choices.lookRecord.default('each-point'),
  setUpReleasedBy: choices.setUpReleasedBy.default('anyone'),
  measuredPieces: choices.measuredPieces.default(0),
  secondPersonReleases: choices.secondPersonReleases.default(false),
  tensileCopper: choices.tensileCopper.default(TYPICAL_STRENGTHS.tensileCopper),
  tensileHighStrength: choices.tensileHighStrength.default(TYPICAL_STRENGTHS.tensileHighStrength),
  tensileAluminium: choices.tensileAluminium.default(TYPICAL_STRENGTHS.tensileAluminium),
});

/** A profile as entered: the choices it makes itself; the others come from the profile it is based on. */
export const practiceDraftSchema = z.strictObject({
  part,
  label,
  ...whose,
  // What is entered now lies where a form would take it; profiles kept before stay as they are.
  choices: z
    .strictObject(choices)
    .partial()
    .superRefine((made, context) => {
      for (const rule of RULE_NUMBERS) {
        const { path, least, most, unit, title } = rule;
        const value = numberAt(made as Partial<PracticeChoices>, path);
        if (value === undefined || (value >= asKept(rule, least) && value <= asKept(rule, most))) continue;
        const message = `${title}: it lies from ${least} to ${most} ${unit}.`;
        context.addIssue({ code: 'custom', path: path.split('.'), message });
      }
    }),
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
  size: conductorSizeSchema,
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
