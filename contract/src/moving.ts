import { z } from 'zod';

/** Most bytes of a whole shop that is sent through the pages, packed; a larger one is moved on the server. */
export const MOST_WHOLE_SHOP = 256 * 1024 * 1024;

/** What a file holds that carries a whole shop. */
export const movedShopSchema = z.object({
  name: z.string(),
  /** When it was written, ISO instant. */
  madeAt: z.string(),
  people: z.array(z.string()),
  counts: z.object({
    parts: z.number().int(),
    documents: z.number().int(),
    lists: z.number().int(),
    combinations: z.number().int(),
    entries: z.number().int(),
    photos: z.number().int(),
  }),
});
export type MovedShop = z.infer<typeof movedShopSchema>;
