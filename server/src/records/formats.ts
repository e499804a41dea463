import { certificateSchema, jobsFileSchema, recordSchema, shopFileSchema } from '@tug-mark/contract';
import { z } from 'zod';

/** 'base64' is a content encoding, and says so; as a format no validator knows it. */
function plain({ jsonSchema }: { jsonSchema: { format?: string | undefined } }): void {
  if (jsonSchema.format === 'base64') delete jsonSchema.format;
}

/** JSON Schemas of the files Tug Mark reads and writes, by file name under docs/formats. */
export function formats(): Record<string, string> {
  const text = (title: string, schema: z.ZodType) =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input', override: plain }) }, null, 2)}\n`;
  const version = (number: 1 | 2) => ({ version: z.literal(number) });
  return {
    'certificate-1.schema.json': text(
      'Tug Mark certificate of a lot, version 1',
      certificateSchema.omit({ corrections: true, seal: true }).extend(version(1)),
    ),
    'certificate-2.schema.json': text('Tug Mark certificate of a lot, version 2', certificateSchema),
    'jobs-1.schema.json': text('Tug Mark jobs, version 1', jobsFileSchema),
    'record-1.schema.json': text(
      'Tug Mark record, version 1',
      recordSchema.omit({ seal: true, zone: true }).extend(version(1)),
    ),
    'record-2.schema.json': text('Tug Mark record, version 2', recordSchema.extend(version(2))),
    'shop-1.schema.json': text('Tug Mark shop file, version 1', shopFileSchema),
  };
}
