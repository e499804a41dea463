import type { Knex } from 'knex';

/**
 * The bench is filtered, searched and sorted by the database: a standing says where its combination is in the work and which
 * words it is found by. A wire list may be due on a day, and be taken off the bench. Standings are worked out from the
 * journal, so those of before are simply worked out again.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    TRUNCATE standings, lot_standings;
    ALTER TABLE standings ADD COLUMN state text NOT NULL, ADD COLUMN words text NOT NULL;
    CREATE INDEX standings_state ON standings (state);
    CREATE INDEX combinations_of_list ON combinations (list, number);

    CREATE INDEX journal_lots ON journal (at DESC, id DESC) WHERE kind = 'lot' AND corrects IS NULL;

    ALTER TABLE wire_lists ADD COLUMN due date, ADD COLUMN archived_at timestamptz(3), ADD COLUMN archived_by text;
    ALTER TABLE wire_lists ADD CONSTRAINT wire_lists_archived CHECK ((archived_at IS NULL) = (archived_by IS NULL));
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
