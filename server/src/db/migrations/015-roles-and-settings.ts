import type { Knex } from 'knex';

/**
 * A person may hold several roles, and be qualified family by family; a shop says how it wants numbers, days and paper. What
 * stood before stands as it is: the one role is the first, the one date counts for every family until somebody begins to keep
 * them one by one, and a shop that has set nothing is shown as it was. No state that has a ledger changes.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    ALTER TABLE people
      ADD COLUMN more_roles text[] NOT NULL DEFAULT '{}'
        CHECK (more_roles <@ ARRAY['technician', 'quality', 'engineer'] AND NOT role = ANY (more_roles)),
      ADD COLUMN qualifications jsonb;
    ALTER TABLE shop
      ADD COLUMN settings jsonb NOT NULL DEFAULT '{}',
      ADD COLUMN logo bytea;
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
