import { SECTION_LABELS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { end, note, ofLot, piece, point, positive, run, share } from '../fields';

export const section: EntryKindContract<'section'> = {
  schema: z.strictObject({
    kind: z.literal('section'),
    run,
    lot: ofLot,
    piece,
    end,
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
      strandsMost: z.number().int().positive().optional(),
      lines: share.optional(),
      heightMost: positive.optional(),
      isScratched: z.boolean().optional(),
      tilt: positive.max(90).optional(),
    }),
    mended: z
      .array(
        z.strictObject({ label: z.enum(SECTION_LABELS), radius: positive.max(200), points: z.array(point).max(400) }),
      )
      .max(200),
    byHand: z.boolean().optional(),
    note,
  }),
  may: anyoneRecording,
};
