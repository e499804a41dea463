import {
  BENCH_STATES,
  DONE_TO_TOOLS,
  PLACES,
  STAGES,
  WIRE_ENDS,
  WIRE_LIST_KEYS,
  connectorSchema,
  RELEASES,
  coveringSchema,
  stripperSchema,
  terminalSchema,
  toolSchema,
  wireSchema,
} from '@tug-mark/core';
import { z } from 'zod';
import { isoDate, limitTableSchema, lookSheetSchema, practiceSchema } from './parts';
import { int } from './fields';
import { instant, keptEntrySchema, partId, revisionsSchema } from './journal';

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
      fuelNear: z.literal(true).optional(),
    })
    .default({ stud: null, temperature: null, current: null, voltage: null }),
  /** It came with a record file before such files were kept apart: not this shop’s own work. */
  readIn: z.boolean().default(false),
});
export type Combination = z.infer<typeof combinationSchema>;

export const toolCheckSchema = z.object({
  id: z.uuid(),
  tool: z.string(),
  die: z.string().nullable().default(null),
  nest: z.string().nullable().default(null),
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
  /** The die that is mounted; may be left out where the tool has one alone. */
  die: partId.optional(),
  /** The nest, where it has pins of its own. */
  nest: partId.nullable().default(null),
  goPassed: z.boolean(),
  noGoStopped: z.boolean(),
  setting: partId.nullable().default(null),
  cycles: int.nonnegative().nullable().default(null),
});
export type NewToolCheck = z.infer<typeof newToolCheckSchema>;

/** Quality puts a tool that failed its check back into use. */
export const toolReturnSchema = z.object({
  id: z.uuid(),
  tool: z.string(),
  at: instant,
  done: z.enum(DONE_TO_TOOLS),
  note: z.string(),
  by: z.string(),
});

export const newToolReturnSchema = z.strictObject({
  id: z.uuid(),
  tool: partId,
  done: z.enum(DONE_TO_TOOLS),
  /** What was done, and by whom. */
  note: z.string().trim().min(3, 'says nothing yet: what was done, and by whom').max(500),
});
export type NewToolReturn = z.infer<typeof newToolReturnSchema>;

/** What a combination is set up from and what is on record for it: the set-up is computed from this, everywhere alike. */
export const setUpFields = {
  combination: combinationSchema,
  wire: wireSchema,
  /** Other wires that share the barrel. */
  together: z.array(wireSchema).default([]),
  /** Wires at the other end of a splice; empty where it has none, or the list names none. */
  opposite: z.array(wireSchema).default([]),
  terminal: terminalSchema,
  practice: practiceSchema,
  /** Revisions of terminal, wire and practice it is set up from. */
  revisions: revisionsSchema.default({ terminal: 1, wire: 1, together: [], practice: 1 }),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  returns: z.array(toolReturnSchema).default([]),
  limits: z.array(limitTableSchema),
  /** Sheets that say what pieces are looked at for. */
  looks: z.array(lookSheetSchema).default([]),
  entries: z.array(keptEntrySchema),
  /** The shop's time zone; absent in records from before it was said. */
  zone: z.string().min(1).max(60).default('UTC'),
};

/** One end of a wire: '' where it gets no terminal; joined where it meets other wires in one part. */
const loomEnd = z.object({ terminal: z.string(), label: z.string(), joined: z.boolean() });

/** Wires of a list that are alike at both ends, in the order of the work. */
export const loomWireSchema = z.object({
  wire: z.string(),
  wireLabel: z.string(),
  /** How many there are, what the first of them are called, and whether there are more names. */
  wires: z.number().int(),
  ids: z.array(z.string()),
  more: z.boolean(),
  a: loomEnd,
  b: loomEnd,
  first: z.enum(WIRE_ENDS).nullable(),
  why: z.string(),
  steps: z.array(
    z.object({ end: z.enum(WIRE_ENDS), does: z.enum(['slide-on', 'still-on', 'crimp']), text: z.string() }),
  ),
  /** What bores say, and what is wrong. */
  reasons: z.array(z.object({ bad: z.boolean(), text: z.string() })),
});
export type LoomWire = z.infer<typeof loomWireSchema>;

/** The connectors of a list: what goes into each cavity, and what is on record of it. */
export const loomConnectorsSchema = z.object({
  name: z.string(),
  connectors: z.array(
    z.object({
      /** As the list calls it. */
      name: z.string(),
      /** Null where the list names no part. */
      part: connectorSchema.nullable(),
      /** Looms made: each has one of this connector. */
      looms: z.number().int(),
      wires: z.array(
        z.object({
          cavity: z.string(),
          wireId: z.string(),
          /** Looms it is in: 1 to this one. */
          looms: z.number().int(),
          wire: z.string(),
          terminal: z.string(),
          contact: z
            .object({
              release: z.enum(RELEASES),
              insertionTool: z.string().nullable(),
              removalTool: z.string().nullable(),
              secondaryLock: z.boolean(),
              mostRemovals: z.number().int().nullable(),
            })
            .nullable(),
          push: z.number().nullable(),
          combination: z.uuid().nullable(),
        }),
      ),
    }),
  ),
  /** Entries of every combination that say something of a connector. */
  work: z.array(keptEntrySchema.extend({ combination: z.uuid() })),
});
export type LoomConnectors = z.infer<typeof loomConnectorsSchema>;

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
  /** Its wires with both their ends, as their list has them. */
  loom: z.array(loomWireSchema).default([]),
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
  state: z.enum(BENCH_STATES),
  /** What comes next, and the stage it is done in. */
  next: z.object({ to: z.enum([...STAGES, 'release', 'lot']), text: z.string() }),
  touchedAt: z.string().nullable(),
  /** Entries put on record, or the shop changed, since this line was worked out; 0: it is up to date. */
  behind: z.number().int().min(0),
});
export type CombinationLine = z.infer<typeof combinationLineSchema>;

/** A wire list as the bench shows it. */
export const benchListSchema = z.object({
  /** Null for one that came with a record file. */
  id: z.uuid().nullable(),
  name: z.string(),
  customer: z.string().nullable(),
  due: isoDate.nullable(),
  /** What a quarter of an hour late weighs, 1 to 9. */
  priority: z.number().int().default(1),
  /** Whether its wires are cut. */
  cut: z.boolean().default(false),
  archived: z.boolean(),
  combinations: z.number().int(),
  held: z.number().int(),
  rejected: z.number().int(),
  through: z.number().int(),
});
export type BenchListed = z.infer<typeof benchListSchema>;

/** True totals of the bench, over everything that is not archived. */
export const benchSchema = z.object({
  states: z.record(z.enum(BENCH_STATES), z.number().int()),
  lists: z.array(benchListSchema),
});
export type BenchTotals = z.infer<typeof benchSchema>;

/** What the lines of the bench are sorted by; with a minus in front the other way round. */
export const BENCH_SORTS = ['due', 'terminal', 'wire', 'list', 'pieces', 'state'] as const;
export const benchSortSchema = z.templateLiteral([z.enum(['', '-']), z.enum(BENCH_SORTS)]);
export type BenchSort = z.infer<typeof benchSortSchema>;

/** What is said of a wire list beside its file. */
export const wireListHead = z.object({
  name: z.string().trim().min(1, 'is empty').max(120, 'is longer than 120 characters'),
  /** Grade of work, by the shop's own name; left out, that of the list before. */
  class: z.string().trim().min(1, 'is empty').max(40, 'is longer than 40 characters').optional(),
  /** Empty for none. */
  customer: z.string().trim().max(80, 'is longer than 80 characters').default(''),
  due: isoDate.nullable().default(null),
});

export const LOT_STATES = ['running', 'paused', 'held', 'finished'] as const;
/** A lot as a list shows it. */
export const lotLineSchema = z.object({
  /** Of its combination. */
  id: z.uuid(),
  lot: z.number().int(),
  name: z.string(),
  list: z.string(),
  terminal: z.string(),
  wire: z.string(),
  pieces: z.number().int(),
  /** Null where it is not known without opening the lot. */
  made: z.number().int().nullable(),
  state: z.enum(LOT_STATES),
  headline: z.string(),
  openedAt: instant,
  openedBy: z.string(),
  finishedAt: instant.nullable(),
});
export type LotLine = z.infer<typeof lotLineSchema>;

export const wireListKeptSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  wires: z.number(),
  combinations: z.number(),
  pieces: z.number(),
});
export type WireListKept = z.infer<typeof wireListKeptSchema>;

const MOST_COLUMNS = 200;
/** What the columns of a source were taken for, by its headings: known again when the next file of this kind comes. */
export const listColumnsSchema = z
  .strictObject({
    header: z.array(z.string().max(200)).min(1).max(MOST_COLUMNS),
    /** One per heading; null where a column is not needed, `lengthIn` for a length in inches. */
    meanings: z.array(z.enum([...WIRE_LIST_KEYS, 'lengthIn']).nullable()).max(MOST_COLUMNS),
  })
  .refine(({ header, meanings }) => header.length === meanings.length, 'says not of every heading what it stands for');
export type ListColumns = z.infer<typeof listColumnsSchema>;

export const cabinetSchema = z.object({
  wires: z.array(wireSchema),
  terminals: z.array(terminalSchema),
  strippers: z.array(stripperSchema),
  tools: z.array(toolSchema),
  checks: z.array(toolCheckSchema),
  returns: z.array(toolReturnSchema),
  practices: z.array(practiceSchema),
  coverings: z.array(coveringSchema),
  connectors: z.array(connectorSchema).default([]),
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
