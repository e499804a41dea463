import {
  CHANGES,
  DISPOSITION_CAUSES,
  DISPOSITIONS,
  FAILURE_MODES,
  FINDINGS,
  FORCE_UNITS,
  MARK_KINDS,
  POINT_CODES,
  POINT_UNITS,
  SECTION_LABELS,
  VIEWS,
  GATES,
  LENGTH_UNITS,
  MEASURES,
  PLACES,
  type EntryBody,
  type Revisions,
} from '@tug-mark/core';
import { z } from 'zod';
import {
  coveringSchema,
  documentKeySchema,
  limitTableSchema,
  lookSheetSchema,
  practiceSchema,
  stripperSchema,
  terminalSchema,
  toolSchema,
  wireSchema,
} from './parts';
import { ROLES } from './roles';

const note = z.string().max(500, 'is longer than 500 characters');
const piece = z.number().int('is not a whole number').min(1, 'starts at 1').max(999_999, 'is above 999999');
const lot = z.number().int().min(1).max(9999);
const ofLot = lot.optional();
const wire = z.number().int().min(1).max(9).optional();
const step = z.number().int().min(1).max(99_999);
/** UTC to the millisecond, the one form that is hashed and kept. */
const instant = z.iso.datetime({ precision: 3 });
const partId = z.string().min(1).max(40);

const run = z.number().int().min(2).max(999).optional();
const count = z.number().int().positive();
export const revisionsSchema: z.ZodType<Revisions> = z.strictObject({
  terminal: count,
  wire: count,
  together: z.array(count).default([]),
  practice: count,
});

export const standsSchema = z.strictObject({
  tool: partId,
  die: partId,
  nest: partId,
  setting: partId.nullable(),
  positioner: partId.nullable(),
  limit: documentKeySchema,
  look: documentKeySchema.optional(),
  revisions: revisionsSchema,
});

const traceKeySchema = z.strictObject({ id: z.uuid(), digest: z.string().regex(/^[0-9a-f]{64}$/, 'is no SHA-256') });

const point = z.strictObject({ x: z.number(), y: z.number() });
const share = z.number().min(0).max(1);
export const photoMarksSchema = z.strictObject({
  scale: z.strictObject({ from: point, to: point, length: z.number().positive('has to be above 0') }).nullable(),
  marks: z
    .array(
      z.strictObject({
        kind: z.enum(MARK_KINDS),
        points: z.array(point).max(60, 'has more than 60 corners'),
        point: z.enum(POINT_CODES).nullable(),
        note,
      }),
    )
    .max(60, 'has more than 60 marks'),
});

const positive = z.number().positive('has to be above 0');

export const entryBodySchema: z.ZodType<EntryBody> = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('tool'),
    run,
    tool: partId,
    die: partId,
    nest: partId,
    setting: partId.optional(),
    positioner: partId.optional(),
    look: documentKeySchema.optional(),
  }),
  z.strictObject({ kind: z.literal('gate'), run, gate: z.enum(GATES), answer: z.enum(['yes', 'no']), note }),
  z.strictObject({
    kind: z.literal('measure'),
    run,
    lot: ofLot,
    piece,
    what: z.enum(MEASURES),
    value: z.number().nonnegative('is below 0'),
    typed: z.string().max(60),
    unit: z.enum([...LENGTH_UNITS, ...POINT_UNITS]),
    note,
    from: partId.optional(),
  }),
  z.strictObject({
    kind: z.literal('finding'),
    run,
    lot: ofLot,
    piece,
    criterion: partId,
    finding: z.enum(FINDINGS),
    fault: partId.optional(),
    note,
  }),
  z.strictObject({
    kind: z.literal('reading'),
    run,
    lot: ofLot,
    piece,
    wire,
    force: z.number().positive('has to be above 0'),
    typed: z.string().max(60),
    unit: z.enum(FORCE_UNITS),
    mode: z.enum(FAILURE_MODES),
    note,
    confirmed: z.array(z.string().max(40)).max(5),
    gauge: partId.optional(),
    trace: traceKeySchema.optional(),
  }),
  z.strictObject({
    kind: z.literal('hold'),
    run,
    lot: ofLot,
    piece,
    force: positive,
    seconds: positive,
    moved: z.number().nonnegative(),
    note,
  }),
  z.strictObject({
    kind: z.literal('retention'),
    run,
    lot: ofLot,
    piece,
    cavity: z.string().trim().min(1).max(12),
    clicked: z.boolean(),
    locked: z.boolean().nullable(),
    force: positive.nullable(),
    stayed: z.boolean(),
    note,
  }),
  z.strictObject({
    kind: z.literal('lot'),
    run,
    lot,
    name: z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters'),
    pieces: piece,
    plan: z.strictObject({
      everyPieces: z.number().int().min(1).max(999_999).nullable(),
      everyHours: z.number().positive().max(999).nullable(),
      afterChange: z.array(z.enum(CHANGES)).max(CHANGES.length),
      bothSides: z.boolean(),
    }),
    stands: standsSchema,
    note,
  }),
  z.strictObject({
    kind: z.literal('progress'),
    run,
    lot,
    step,
    what: z.enum(['made', 'pause', 'resume', 'change']),
    made: z.number().int().min(0).max(999_999),
    change: z.enum(CHANGES).optional(),
    to: z.string().trim().min(1).max(60).optional(),
    note,
  }),
  z.strictObject({
    kind: z.literal('disposition'),
    run,
    lot,
    step,
    from: piece,
    to: piece,
    what: z.enum(DISPOSITIONS),
    cause: z.enum(DISPOSITION_CAUSES),
    budget: z.strictObject({ cut: positive, shortest: positive, trim: z.number().nonnegative() }).optional(),
    note,
  }),
  z.strictObject({ kind: z.literal('finish'), run, lot, note }),
  z.strictObject({
    kind: z.literal('photo'),
    run,
    lot: ofLot,
    piece,
    photo: traceKeySchema,
    shows: z.enum(VIEWS),
    note,
  }),
  z.strictObject({ kind: z.literal('marks'), run, lot: ofLot, piece, photo: z.uuid(), marks: photoMarksSchema, note }),
  z.strictObject({
    kind: z.literal('section'),
    run,
    lot: ofLot,
    piece,
    photo: z.uuid(),
    pxPerMm: positive,
    figures: z.strictObject({
      metal: z.number().nonnegative(),
      voids: share,
      compression: z.number().nonnegative(),
      height: z.number().nonnegative(),
      width: z.number().nonnegative(),
      left: share,
      strands: z.number().int().nonnegative(),
    }),
    mended: z
      .array(
        z.strictObject({ label: z.enum(SECTION_LABELS), radius: positive.max(200), points: z.array(point).max(400) }),
      )
      .max(200),
    note,
  }),
  z.strictObject({
    kind: z.literal('cause'),
    run,
    lot: ofLot,
    step,
    cause: partId,
    evidence: z.array(z.string().max(60)).max(80),
    note,
  }),
  z.strictObject({
    kind: z.literal('ruling'),
    run,
    lot: ofLot,
    piece,
    wire,
    ruling: z.enum(['counts', 'invalid']),
    note,
  }),
  z.strictObject({
    kind: z.literal('release'),
    run,
    stands: standsSchema,
    note,
  }),
  z.strictObject({
    kind: z.literal('run'),
    run: z.number().int().min(2).max(999),
    cause: note,
    revisions: revisionsSchema,
  }),
]);

/** A new entry; the id is the client's, so that sending it twice keeps it once. */
export const newEntrySchema = z.strictObject({
  id: z.uuid(),
  body: entryBodySchema,
  corrects: z.uuid().nullable(),
  why: note.nullable(),
});
export type NewEntry = z.infer<typeof newEntrySchema>;

export const keptEntrySchema = z.object({
  id: z.uuid(),
  seq: z.number().int(),
  at: instant,
  by: z.string(),
  role: z.enum(ROLES),
  body: entryBodySchema,
  /** The server's verdict on a reading; null for other kinds. */
  verdict: z
    .object({ verdict: z.string(), margin: z.number().nullable(), text: z.string(), force: z.number().nullable() })
    .nullable(),
  limit: documentKeySchema.nullable(),
  corrects: z.uuid().nullable(),
  why: z.string().nullable(),
  /** Hash of the row before in this combination; sixty-four zeros before the first. */
  previous: z.string(),
  hash: z.string(),
});
export type KeptEntry = z.infer<typeof keptEntrySchema>;

export const combinationSchema = z.object({
  id: z.uuid(),
  list: z.string(),
  terminal: z.string(),
  wire: z.string(),
  pieces: z.number().int().positive(),
  place: z.enum(PLACES),
  class: z.string(),
  customer: z.string().nullable().default(null),
  /** What the place asks, where the wire list says so. */
  demand: z
    .strictObject({
      stud: z.string().nullable(),
      temperature: z.number().nullable(),
      current: z.number().nullable(),
      voltage: z.number().nullable(),
    })
    .default({ stud: null, temperature: null, current: null, voltage: null }),
});
export type Combination = z.infer<typeof combinationSchema>;

export const toolCheckSchema = z.object({
  id: z.uuid(),
  tool: z.string(),
  at: instant,
  goPassed: z.boolean(),
  noGoStopped: z.boolean(),
  by: z.string(),
  setting: z.string().nullable().default(null),
  cycles: z.number().int().nullable().default(null),
});

export const newToolCheckSchema = z.strictObject({
  id: z.uuid(),
  tool: partId,
  goPassed: z.boolean(),
  noGoStopped: z.boolean(),
  setting: partId.nullable().default(null),
  cycles: z.number().int().nonnegative().nullable().default(null),
});
export type NewToolCheck = z.infer<typeof newToolCheckSchema>;

/** What a combination is set up from and what is on record for it: the set-up is computed from this, everywhere alike. */
export const setUpFields = {
  combination: combinationSchema,
  wire: wireSchema,
  /** Other wires that share the barrel. */
  together: z.array(wireSchema).default([]),
  terminal: terminalSchema,
  practice: practiceSchema,
  /** Revisions of terminal, wire and practice it is set up from. */
  revisions: revisionsSchema.default({ terminal: 1, wire: 1, together: [], practice: 1 }),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  limits: z.array(limitTableSchema),
  /** Sheets that say what pieces are looked at for. */
  looks: z.array(lookSheetSchema).default([]),
  entries: z.array(keptEntrySchema),
};

/** Everything the bench needs of one combination. */
export const combinationViewSchema = z.object({
  ...setUpFields,
  /** Other terminals of the cabinet; empty while this one fits. */
  cabinet: z.array(terminalSchema),
  /** Newest revisions in the cabinet. */
  newest: revisionsSchema,
  /** The lot whose entries are among `entries`, beside those of the set-up and the heads of all lots; null: none yet. */
  lot: z.number().int().nullable().default(null),
  /** Tubes the shop shrinks over joints. */
  coverings: z.array(coveringSchema),
});
export type CombinationView = z.infer<typeof combinationViewSchema>;

export const combinationLineSchema = combinationSchema.extend({
  terminalLabel: z.string(),
  wireLabel: z.string(),
  family: z.string(),
  release: z.enum(['none', 'released', 'lapsed']),
  /** The lot being made, or the last one finished; null before the first. */
  lot: z
    .object({
      lot: z.number().int(),
      name: z.string(),
      made: z.number().int(),
      pieces: z.number().int(),
      verdict: z.enum(['running', 'held', 'accepted', 'meets-made-up-limits']),
      headline: z.string(),
    })
    .nullable(),
  verdict: z.enum(['accepted', 'meets-made-up-limits', 'rejected', 'open']),
  headline: z.string(),
  stages: z.array(z.enum(['pass', 'hold', 'fail', 'missing'])),
  touchedAt: z.string().nullable(),
});
export type CombinationLine = z.infer<typeof combinationLineSchema>;

export const wireListKeptSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  wires: z.number(),
  combinations: z.number(),
  pieces: z.number(),
});
export type WireListKept = z.infer<typeof wireListKeptSchema>;

export const cabinetSchema = z.object({
  wires: z.array(wireSchema),
  terminals: z.array(terminalSchema),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  practices: z.array(practiceSchema),
  coverings: z.array(coveringSchema),
});
export type Cabinet = z.infer<typeof cabinetSchema>;

/** One revision of a part as the cabinet keeps it. */
export const partRevisionSchema = z.object({
  part: z.string(),
  revision: z.number().int(),
  at: z.string(),
  by: z.string(),
  body: z.unknown(),
});
export type PartRevision = z.infer<typeof partRevisionSchema>;

/** What became of a document, and what stands against releasing a draft. */
const documentHistorySchema = z.object({
  draftedBy: z.string(),
  releasedBy: z.string().nullable(),
  releasedAt: z.string().nullable(),
  withdrawnBy: z.string().nullable(),
  withdrawnAt: z.string().nullable(),
  problems: z.array(
    z.object({ row: z.number(), field: z.string(), weight: z.enum(['bad', 'note']), text: z.string() }),
  ),
});
export type DocumentHistory = z.infer<typeof documentHistorySchema>;

export const limitRecordSchema = documentHistorySchema.extend({ table: limitTableSchema });
export type LimitRecord = z.infer<typeof limitRecordSchema>;

export const lookRecordSchema = documentHistorySchema.extend({ sheet: lookSheetSchema });
export type LookRecord = z.infer<typeof lookRecordSchema>;

/** A lot that was made with a tool between its last good check and the one that failed. */
export const suspectSchema = z.object({
  tool: z.string(),
  after: z.string().nullable(),
  upTo: z.string(),
  lots: z.array(
    z.object({
      id: z.uuid(),
      list: z.string(),
      terminal: z.string(),
      wire: z.string(),
      pieces: z.number(),
      entries: z.number(),
    }),
  ),
});
export type Suspect = z.infer<typeof suspectSchema>;

/** A combination whose least force, N, a limit table would change; null where no limit applies. */
export const touchedSchema = z.object({
  id: z.uuid(),
  list: z.string(),
  terminal: z.string(),
  wire: z.string(),
  pieces: z.number(),
  before: z.number().nullable(),
  after: z.number().nullable(),
});
export type Touched = z.infer<typeof touchedSchema>;
