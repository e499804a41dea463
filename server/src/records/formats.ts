import { certificateSchema, recordSchema, shopFileSchema } from '@tug-mark/contract';
import { z } from 'zod';

/** JSON Schemas of the files Tug Mark reads and writes, by file name under docs/formats. */
export function formats(): Record<string, string> {
  const text = (title: string, schema: z.ZodType) =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input' }) }, null, 2)}\n`;
  return {
    'certificate-1.schema.json': text('Tug Mark certificate of a lot, version 1', certificateSchema),
    'record-1.schema.json': text('Tug Mark record, version 1', recordSchema),
    'shop-1.schema.json': text('Tug Mark shop file, version 1', shopFileSchema),
  };
}
