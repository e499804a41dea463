import { refusals } from '../../http/problems';
import type { ServerKind } from '../Evidence';

/** A photograph is kept before the entry that names it. */
export const photo: ServerKind<'photo'> = {
  async prove({ photo: { id, digest } }, { db, combination }) {
    if (!(await db('photos').where({ id, combination, digest }).first('id'))) throw refusals.photoMissing();
  },
};
