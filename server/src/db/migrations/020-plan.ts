import type { Knex } from 'knex';

/**
 * The floor of the shop by revisions, what was done to its stock, and plans as they were given out; a wire list says how much being
 * late weighs, and when its wires were cut. Lists of before weigh one and are not cut.
 */
export async function up(db: Knex): Promise<void> {
  const row = (await db('shop').first('site')) as { site: number } | undefined;
  const site = `site int NOT NULL DEFAULT ${row?.site ?? 0}`;
  await db.raw(`
    CREATE TABLE floors (
      revision int NOT NULL CHECK (revision > 0),
      body json NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now(),
      by_name text NOT NULL,
      ${site},
      PRIMARY KEY (site, revision)
    );
    CREATE TABLE stock_moves (
      id uuid PRIMARY KEY,
      number bigint GENERATED ALWAYS AS IDENTITY,
      kind text NOT NULL CHECK (kind IN ('wire', 'terminal', 'covering')),
      part text NOT NULL,
      reel text,
      what text NOT NULL CHECK (what IN ('counted', 'received', 'drawn', 'expected', 'called-off')),
      amount double precision NOT NULL CHECK (amount >= 0),
      arrives text,
      settles uuid,
      note text NOT NULL DEFAULT '',
      at timestamptz(3) NOT NULL DEFAULT now(),
      by_name text NOT NULL,
      ${site}
    );
    CREATE INDEX stock_moves_of_part ON stock_moves (kind, part, at);
    CREATE TABLE given_plans (
      revision int NOT NULL CHECK (revision > 0),
      base int,
      start timestamptz(3) NOT NULL,
      note text NOT NULL,
      body json NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now(),
      by_name text NOT NULL,
      ${site},
      PRIMARY KEY (site, revision)
    );
    ALTER TABLE wire_lists ADD COLUMN priority int NOT NULL DEFAULT 1 CHECK (priority BETWEEN 1 AND 9),
      ADD COLUMN cut_at timestamptz(3), ADD COLUMN cut_by text;
    ALTER TABLE wire_lists ADD CONSTRAINT wire_lists_cut CHECK ((cut_at IS NULL) = (cut_by IS NULL));
  `);
  for (const table of ['floors', 'stock_moves', 'given_plans']) {
    await db.raw(`
      CREATE TRIGGER ${table}_append_only BEFORE UPDATE OR DELETE ON ${table}
        FOR EACH ROW EXECUTE FUNCTION refuse_change();
      CREATE TRIGGER ${table}_no_truncate BEFORE TRUNCATE ON ${table}
        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    `);
  }
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
