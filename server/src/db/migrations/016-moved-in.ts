import type { Knex } from 'knex';

/** A shop that was moved here from elsewhere says so for good: when, by whom, from which file. One that was not says nothing. */
export async function up(db: Knex): Promise<void> {
  await db.raw('ALTER TABLE shop ADD COLUMN moved_in jsonb');
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
