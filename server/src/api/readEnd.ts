import type { z } from 'zod';
import { refusals } from '../http/problems';

/**
 * The place a page before ended at, as it was told there: JSON in a query.
 * @returns null for the first page
 * @throws Refusal when it is no such place
 */
export function readEnd<T>(text: string, schema: z.ZodType<T>): T | null {
  if (text === '') return null;
  try {
    return schema.parse(JSON.parse(text));
  } catch {
    throw refusals.shapeWrong([{ where: 'after', text: 'is not the place a page before ended at' }]);
  }
}
