import { FORCE_UNITS, LENGTH_UNITS, openLinePattern } from '@tug-mark/core';
import { z } from 'zod';
import { isoDate } from './parts';

/** How a force gauge is reached and how it writes; a gauge behind a serial-to-network box is one like any other. */
export const gaugeSchema = z
  .strictObject({
    id: z
      .string()
      .trim()
      .regex(/^[A-Za-z0-9][A-Za-z0-9.-]{0,39}$/, 'is letters, digits, points and hyphens, 40 at most'),
    /** What it measures: a caliper sends a line when its button is pressed, and has neither rate nor curve. */
    kind: z.enum(['force', 'caliper']).default('force'),
    label: z.string().trim().min(1, 'is empty').max(80, 'is longer than 80 characters'),
    host: z
      .string()
      .trim()
      .regex(/^[A-Za-z0-9.:-]{1,100}$/, 'is a host name or address'),
    port: z.number().int().min(1).max(65_535),
    /** Literal text with {value}, {unit}, {status} and {any}. */
    pattern: z.string().max(120, 'is longer than 120 characters'),
    unit: z.enum([...FORCE_UNITS, ...LENGTH_UNITS]),
    /** Readings a second it sends. */
    rate: z.number().int().min(1).max(2000),
    /** Most it can bear, N. */
    capacity: z.number().positive('has to be above 0'),
    /** What it is told to begin sending, and to zero; empty: nothing. */
    startCommand: z.string().max(60).default(''),
    zeroCommand: z.string().max(60).default(''),
    /** What it is told to send the curve of its last pull; empty: it keeps none. */
    traceCommand: z.string().max(60).default(''),
    /** ISO date its calibration is good until. */
    calibrationUntil: isoDate,
    active: z.boolean().default(true),
  })
  .superRefine((gauge, context) => {
    const read = openLinePattern(gauge.pattern, gauge.unit);
    const isLength = (LENGTH_UNITS as readonly string[]).includes(gauge.unit);
    if (isLength !== (gauge.kind === 'caliper')) {
      const text = gauge.kind === 'caliper' ? 'is no length: a caliper sends mm or in' : 'is no force';
      context.addIssue({ code: 'custom', path: ['unit'], message: text });
    }
    if (!read.ok) context.addIssue({ code: 'custom', path: ['pattern'], message: read.text });
  });
export type Gauge = z.infer<typeof gaugeSchema>;

/** What a station hears of its gauge. */
export const gaugeEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('state'), state: z.enum(['connected', 'lost', 'silent', 'refused']), text: z.string() }),
  /** A caliper's button was pressed. */
  z.object({ kind: z.literal('length'), gauge: z.string(), millimetres: z.number() }),
  z.object({
    kind: z.literal('forces'),
    /** When the last of them came in, by the server's clock, ms since 1970: every station dates a pull alike. */
    at: z.number(),
    /** N, in order. */
    forces: z.array(z.number()),
    overload: z.boolean(),
    /** Lines that could not be read, and lines in another unit than the settings say, since the last packet. */
    garbled: z.number().int(),
    otherUnit: z.enum(FORCE_UNITS).nullable(),
    /** Readings were left out because this station could not keep up. */
    skipped: z.boolean(),
  }),
]);
export type GaugeEvent = z.infer<typeof gaugeEventSchema>;
