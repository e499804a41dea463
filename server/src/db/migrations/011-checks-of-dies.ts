import type { Knex } from 'knex';

/**
 * A check belongs to the die that was mounted, and to the nest where that has pins of its own; a tool that failed one is put
 * back into use by quality, with what was done to it. Checks from before say no die and keep their place in the ledger.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    ALTER TABLE tool_checks ADD COLUMN die text, ADD COLUMN nest text;
    ALTER TABLE tool_checks ADD CONSTRAINT tool_checks_nest_of_die CHECK (nest IS NULL OR die IS NOT NULL);
    CREATE INDEX tool_checks_of_nest ON tool_checks (tool, die, nest, at DESC);
    CREATE INDEX tool_checks_failed ON tool_checks (tool, at DESC) WHERE NOT (go_passed AND no_go_stopped);

    CREATE TABLE tool_returns (
      id uuid PRIMARY KEY,
      tool text NOT NULL,
      at timestamptz(3) NOT NULL,
      done text NOT NULL,
      note text NOT NULL,
      by_name text NOT NULL
    );
    CREATE INDEX tool_returns_latest ON tool_returns (tool, at DESC);
    CREATE TRIGGER tool_returns_append_only BEFORE UPDATE OR DELETE ON tool_returns
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER tool_returns_no_truncate BEFORE TRUNCATE ON tool_returns
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
