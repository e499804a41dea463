import type { Knex } from 'knex';

/**
 * Entries that waited on a device for somebody who did not come back: another person put them on record as their own, or
 * dropped them, and said why. Nothing of before is touched.
 */
export async function up(db: Knex): Promise<void> {
  const row = (await db('shop').first('site')) as { site: number } | undefined;
  await db.raw(`
    CREATE TABLE unsent (
      id uuid PRIMARY KEY,
      combination uuid NOT NULL REFERENCES combinations (id),
      body jsonb NOT NULL,
      made_by text NOT NULL,
      made_at timestamptz(3) NOT NULL,
      act text NOT NULL CHECK (act IN ('handed-over', 'dropped')),
      why text NOT NULL,
      at timestamptz(3) NOT NULL,
      by_name text NOT NULL,
      site int NOT NULL DEFAULT ${row?.site ?? 0}
    );
    CREATE INDEX unsent_of_combination ON unsent (combination, at);
    CREATE TRIGGER unsent_append_only BEFORE UPDATE OR DELETE ON unsent
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER unsent_no_truncate BEFORE TRUNCATE ON unsent
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
