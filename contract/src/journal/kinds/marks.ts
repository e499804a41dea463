import { MARK_KINDS } from '@tug-mark/core';
import { z } from 'zod';
import { anyoneRecording, type EntryKindContract } from '../EntryKindContract';
import { note, ofLot, piece, point, pointCode, positive, run } from '../fields';

export const photoMarksSchema = z.strictObject({
  scale: z.strictObject({ from: point, to: point, length: positive }).nullable(),
  marks: z
    .array(
      z.strictObject({
        kind: z.enum(MARK_KINDS),
        points: z.array(point).max(60, 'has more than 60 corners'),
        point: pointCode.nullable(),
        note,
      }),
    )
    .max(60, 'has more than 60 marks'),
});

export const marks: EntryKindContract<'marks'> = {
  schema: z.strictObject({
    kind: z.literal('marks'),
    run,
    lot: ofLot,
    piece,
    photo: z.uuid(),
    marks: photoMarksSchema,
    note,
  }),
  may: anyoneRecording,
};
