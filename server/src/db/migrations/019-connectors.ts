import type { Knex } from 'knex';

/**
 * Connectors are parts of the cabinet, and a wire list may say which cavity each end goes into; lists of before say nothing of it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    ALTER TABLE parts DROP CONSTRAINT parts_kind_check;
    ALTER TABLE parts ADD CONSTRAINT parts_kind_check
      CHECK (kind IN ('wire', 'terminal', 'stripper', 'tool', 'practice', 'covering', 'connector'));
    ALTER TABLE wire_list_rows ADD COLUMN plug_a json, ADD COLUMN plug_b json;
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
