import type { Knex } from 'knex';

/** A splice knows the wires at its other end; those of before keep the one end they were set up with. */
export async function up(db: Knex): Promise<void> {
  await db.raw("ALTER TABLE combinations ADD COLUMN opposite json NOT NULL DEFAULT '[]'");
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
