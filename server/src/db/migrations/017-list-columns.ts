import type { Knex } from 'knex';

/** A list knows the headings of the file it came from, and what its columns were taken for; older lists say nothing. */
export async function up(db: Knex): Promise<void> {
  await db.raw('ALTER TABLE wire_lists ADD COLUMN columns jsonb');
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
