import { z } from 'zod';

export const CHART_KINDS = ['combination', 'tool', 'nest', 'person', 'reel'] as const;
export type ChartKind = (typeof CHART_KINDS)[number];

/** What can be charted: readings share a combination, a tool, a nest of it, a person, or a reel. */
export const chartChoiceSchema = z.object({
  kind: z.enum(CHART_KINDS),
  value: z.string(),
  label: z.string(),
});
export type ChartChoice = z.infer<typeof chartChoiceSchema>;

const controlLimits = z.strictObject({ centre: z.number(), lower: z.number(), upper: z.number() });

/** Limits of a chart taken from a stretch of its own readings, and frozen. */
export const baselineBodySchema = z.strictObject({
  subgroup: z.number().int().min(1).max(10),
  points: z.number().int().min(2),
  level: controlLimits,
  spread: controlLimits,
  /** Instants of the first and last reading it was taken from. */
  from: z.iso.datetime(),
  to: z.iso.datetime(),
});

export const newBaselineSchema = z.strictObject({
  id: z.uuid(),
  kind: z.enum(CHART_KINDS),
  value: z.string().min(1).max(200),
  note: z.string().trim().min(1, 'is empty: say why these readings are the baseline').max(500),
  body: baselineBodySchema,
});
export type NewBaseline = z.infer<typeof newBaselineSchema>;

/** Some hundred readings of a chart at a glance: how many, how strong, and from when to when (ms since 1970). */
export const chartGlanceSchema = z.object({
  n: z.number().int(),
  least: z.number(),
  greatest: z.number(),
  mean: z.number(),
  from: z.number(),
  to: z.number(),
});
export type ChartGlance = z.infer<typeof chartGlanceSchema>;

/** What goes with the points of a chart. */
export const chartAboutSchema = z.object({
  label: z.string(),
  /** Least force now, N, or 100 where the points are percents of their limits; null where none applies. */
  limit: z.number().nullable(),
  /** Changes that are drawn on the axis. */
  events: z.array(z.object({ at: z.string(), kind: z.string(), text: z.string() })),
  baseline: z.object({ body: baselineBodySchema, by: z.string(), at: z.string(), note: z.string() }).nullable(),
});
export type ChartAbout = z.infer<typeof chartAboutSchema>;

/** Crimp heights of one combination, each with the pull of the same piece. */
export const heightChartSchema = z.object({
  label: z.string(),
  /** What the terminal's sheet gives for this wire, mm; null where it gives none. */
  range: z.object({ min: z.number(), max: z.number() }).nullable(),
  /** Least force, N. */
  limit: z.number().nullable(),
  /** How far one step of the tool's adjustment goes, mm. */
  step: z.number().nullable(),
  points: z.array(
    z.object({
      at: z.string(),
      lot: z.number().int().nullable(),
      piece: z.number().int(),
      height: z.number(),
      /** N; null where the piece was not pulled, or not validly. */
      force: z.number().nullable(),
    }),
  ),
});
export type HeightChart = z.infer<typeof heightChartSchema>;
