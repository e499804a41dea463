import {
  FAMILIES,
  type JobAbout,
  type PlanEnds,
  type PlanNote,
  type PlanWork,
  type ShopPlan,
  type WireToCut,
} from '@tug-mark/core';
import { z } from 'zod';

/* The work of a shop as its plan is made from it. Minutes count from the plan's first. */

const text = z.string();
const minute = z.number().int();
const minutes = z.number().min(0);
export const toolSettingSchema = z.object({
  die: text.nullable(),
  nest: text.nullable(),
  selector: text.nullable(),
  positioner: text.nullable(),
  grip: text.nullable(),
  reel: text.nullable(),
});
export const stripSettingSchema = z.object({ notch: text, stop: text });
const span = { from: minute, to: minute };
const person = z.object({
  id: text,
  label: text,
  shifts: z.array(z.object({ ...span, breaks: z.array(z.object(span)) })),
});
const place = z.object({ bench: text, tool: text.nullable(), person: text, start: minute });

export const planWorkSchema: z.ZodType<PlanWork> = z.object({
  benches: z.array(
    z.object({
      id: text,
      label: text,
      heater: z.object({ warmUp: minutes, coldAfter: minutes }).nullable(),
      stripper: z
        .object({ set: stripSettingSchema.nullable(), minutes: z.object({ notch: minutes, stop: minutes }) })
        .nullable(),
    }),
  ),
  tools: z.array(
    z.object({
      ...{ id: text, label: text, bench: text, set: toolSettingSchema, proof: text.nullable() },
      minutes: z.object({
        ...{ frame: minutes, die: minutes, nest: minutes, selector: minutes, positioner: minutes },
        ...{ grip: minutes, reel: minutes },
      }),
    }),
  ),
  people: z.array(person),
  quality: z.array(person),
  lists: z.array(z.object({ id: text, label: text, due: minute.nullable(), weight: z.number() })),
  jobs: z.array(
    z.object({
      ...{ id: text, label: text, list: text },
      means: z.array(
        z.object({
          tool: text.nullable(),
          set: toolSettingSchema.nullable(),
          benches: z.array(text),
          run: z.number().int(),
        }),
      ),
      people: z.array(text),
      strip: stripSettingSchema.nullable(),
      heat: z.boolean(),
      setUp: z.number().int(),
      release: z.number().int().nullable(),
      proof: text,
      isProved: z.boolean(),
      after: z.array(text),
      from: minute,
      fixed: place.nullable(),
    }),
  ),
  endWorth: z.number(),
});

const family = z.enum(FAMILIES);
const count = z.number().int();
export const jobAboutSchema: z.ZodType<JobAbout> = z.object({
  job: text,
  does: z.enum(['crimp', 'cut', 'insert']),
  combination: text.nullable(),
  ...{ list: text, label: text, terminal: text, wire: text, wireLabel: text },
  family: family.nullable(),
  slidOn: z.array(text),
  ...{ strokes: count, pieces: count, part: count, parts: count, samples: count, checks: count, rework: count },
  seconds: z.number(),
  learnedFrom: count,
});

export const planEndsSchema: z.ZodType<PlanEnds> = z.object({
  tools: z.array(
    z.object({
      tool: text,
      calibratedUntil: minute,
      checkedUntil: minute.nullable(),
      cyclesLeft: count.nullable(),
    }),
  ),
  people: z.array(z.object({ person: text, name: text, family: family.nullable(), until: minute })),
  limits: z.array(z.object({ document: text, until: minute, combinations: z.array(text) })),
});

export const planNoteSchema: z.ZodType<PlanNote> = z.object({ combination: text.nullable(), text });
export const cannotSchema: z.ZodType<ShopPlan['cannot'][number]> = z.object({
  combination: text,
  code: z.enum(['held', 'no-fit', 'no-tool', 'no-bench', 'no-stock']),
  text,
});
export const wireToCutSchema: z.ZodType<WireToCut & { isCut: boolean }> = z.object({
  list: text,
  wire: text,
  length: z.number(),
  quantity: count,
  isCut: z.boolean(),
});
