import type { Knex } from 'knex';
import { beginLedgers } from '../chain/deeds';
import * as first from './migrations/001-first';
import * as setUpInFull from './migrations/002-set-up-in-full';
import * as lots from './migrations/003-lots';
import * as look from './migrations/004-look';
import * as oneDoor from './migrations/005-one-door';
import * as entriesTogether from './migrations/006-entries-together';
import * as standings from './migrations/007-standings';
import * as readingBlocks from './migrations/008-reading-blocks';
import * as sites from './migrations/009-sites';
import * as onePlan from './migrations/010-one-plan';
import * as checksOfDies from './migrations/011-checks-of-dies';
import * as bench from './migrations/012-bench';
import * as unsent from './migrations/013-unsent';
import * as ownPasswords from './migrations/014-own-passwords';
import * as rolesAndSettings from './migrations/015-roles-and-settings';
import * as movedIn from './migrations/016-moved-in';
import * as listColumns from './migrations/017-list-columns';
import * as otherEnds from './migrations/018-other-ends';
import * as connectors from './migrations/019-connectors';
import * as plan from './migrations/020-plan';

const MIGRATIONS = [
  { name: '001-first', up: first.up, down: first.down },
  { name: '002-set-up-in-full', up: setUpInFull.up, down: setUpInFull.down },
  { name: '003-lots', up: lots.up, down: lots.down },
  { name: '004-look', up: look.up, down: look.down },
  { name: '005-one-door', up: oneDoor.up, down: oneDoor.down },
  { name: '006-entries-together', up: entriesTogether.up, down: entriesTogether.down },
  { name: '007-standings', up: standings.up, down: standings.down },
  { name: '008-reading-blocks', up: readingBlocks.up, down: readingBlocks.down },
  { name: '009-sites', up: sites.up, down: sites.down },
  { name: '010-one-plan', up: onePlan.up, down: onePlan.down },
  { name: '011-checks-of-dies', up: checksOfDies.up, down: checksOfDies.down },
  { name: '012-bench', up: bench.up, down: bench.down },
  { name: '013-unsent', up: unsent.up, down: unsent.down },
  { name: '014-own-passwords', up: ownPasswords.up, down: ownPasswords.down },
  { name: '015-roles-and-settings', up: rolesAndSettings.up, down: rolesAndSettings.down },
  { name: '016-moved-in', up: movedIn.up, down: movedIn.down },
  { name: '017-list-columns', up: listColumns.up, down: listColumns.down },
  { name: '018-other-ends', up: otherEnds.up, down: otherEnds.down },
  { name: '019-connectors', up: connectors.up, down: connectors.down },
  { name: '020-plan', up: plan.up, down: plan.down },
];

/** Every schema there has been, in their order. */
export const SCHEMAS: readonly string[] = MIGRATIONS.map(({ name }) => name);

/** Brings the database to the newest schema and begins its ledgers; of several processes at once, each waits its turn. */
export async function migrate(db: Knex): Promise<void> {
  await db.transaction(async (turn) => {
    await turn.raw("SELECT pg_advisory_xact_lock(hashtextextended('tug-mark-migrate', 4))");
    await db.migrate.latest({
      migrationSource: {
        getMigrations: () => Promise.resolve(MIGRATIONS),
        getMigrationName: (migration: (typeof MIGRATIONS)[number]) => migration.name,
        getMigration: (migration: (typeof MIGRATIONS)[number]) => Promise.resolve(migration),
      },
    });
    await beginLedgers(db);
  });
}
