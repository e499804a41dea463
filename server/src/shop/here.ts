import type { Here } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { readShop } from './store';
import { DEMO_SIGN_INS } from './demoSignIns';

/** Who is here, and in which shop. */
export async function readHere(db: Knex, person: Here['person'], mustChoose = false): Promise<Here> {
  const shop = await readShop(db);
  return {
    person,
    ...(mustChoose && { mustChoose }),
    shop: { ...shop, demoSignIns: shop.isDemo ? DEMO_SIGN_INS : [] },
  };
}
