import { z } from 'zod';

/* Numbers as they stand in addresses and as the database can hold them. */

/** Greatest whole number of the database's int. */
const MOST = 2_147_483_647;

export const int = z.number().int().min(-MOST).max(MOST);
/** A place to go on after, in a query. */
/** Place in a journal to go on from: as far as a journal can go. */
export const afterPlace = z.coerce
  .number()
  .int()
  .nonnegative()
  .max(2 ** 31 - 1)
  .default(0);
export const after = z.coerce.number().int().nonnegative().max(Number.MAX_SAFE_INTEGER).default(0);
export const lotNumber = z.coerce.number().int().positive().max(MOST);
