import { API, mayPut, roleFor, type Action, type Person } from '@tug-mark/contract';
import { readReadings } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { seal } from '../chain/seal';
import { readEntriesAfter } from '../entry/rows';
import { readCsv } from '../files/readCsv';
import { Refusal, refusals } from '../http/problems';
import { serve } from '../api/serve';
import type { Teller } from '../live/teller';
import { only } from '../session/session';
import { importReadings } from './importReadings';
import { Journal, type By } from './Journal';

/** Most entries a station catches up on at once; farther behind it reads the combination again. */
const CATCH_UP = 500;

/** Somebody who signed in, in the role that may do what they do. */
const asActing = (person: Person, action: Action): By => ({
  name: person.name,
  role: roleFor(person.roles, action),
  qualified: person,
});

/** The journal of a combination: what is put on record, one at a time or from a file, and what others have put since. */
export function journalRoutes(app: FastifyInstance, { db, teller }: { db: Knex; teller: Teller }): Promise<void> {
  const journal = new Journal(db);

  serve(app, API.readEntriesAfter, ({ params, query }) => readEntriesAfter(db, params.id, query.after, CATCH_UP));

  serve(
    app,
    API.putEntry,
    async ({ params, body, request, reply }) => {
      const append = async () => {
        const more = mayPut(body.body);
        if (more) await only(more)(request);
        const { person } = request;
        if (!person) throw refusals.signInFirst();
        const { shopVersion: version, sessionToken: session, shopZone: zone } = request;
        return journal.append(
          params.id,
          body,
          asActing(person, more ?? 'record'),
          { version, session, zone },
          new Date(),
        );
      };
      // Neither keeping nor refusing rests on a remembered session or shop.
      const careful = () =>
        append().catch((error: unknown) => {
          if (error instanceof Refusal && request.isRemembered) return 'look-again' as const;
          throw error;
        });
      let done = await careful();
      while (done === 'look-again') {
        await request.lookAgain();
        await only('record')(request);
        done = await careful();
      }
      if (!done.repeated) teller.tell(params.id, done.entry.seq);
      return reply.code(done.repeated ? 200 : 201).send(done.entry);
    },
    { config: { rememberSession: true }, plain: true },
  );

  serve(app, API.importReadings, async ({ params: { id, lot }, body, person }) => {
    const read = readReadings(readCsv(body));
    const { readings, seq } = await importReadings(db, journal, id, lot, read, asActing(person, 'record'), new Date());
    teller.tell(id, seq);
    // Many at once are sealed at once; a seal that fails is made within the minute.
    await seal(db).catch(() => null);
    return { readings };
  });
  return Promise.resolve();
}
