import type { Knex } from 'knex';
import { down, up } from './migrations/001-first';

const MIGRATIONS = [{ name: '001-first', up, down }];

/** Brings the database to the newest schema; safe to run from several processes at once (Knex locks). */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest({
    migrationSource: {
      getMigrations: () => Promise.resolve(MIGRATIONS),
      getMigrationName: (migration: (typeof MIGRATIONS)[number]) => migration.name,
      getMigration: (migration: (typeof MIGRATIONS)[number]) => Promise.resolve(migration),
    },
  });
}
