import type { Knex } from 'knex';

/**
 * What charts are drawn from, beside the journal (docs/decisions/031-charts-from-blocks.md). Worked out from it like the
 * standings, and no evidence either.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- Valid readings in force of 1024 places of a journal each, packed.
    CREATE TABLE reading_blocks (
      combination uuid NOT NULL REFERENCES combinations,
      block int NOT NULL,
      points bytea NOT NULL,
      -- Tools, nests, people and reels the points name.
      facets text[] NOT NULL,
      -- Which tool each run has, and which reels each lot, behind the last of these places.
      state json NOT NULL,
      PRIMARY KEY (combination, block)
    );
    -- The same at a glance: by what they can be charted, how many and how strong.
    CREATE TABLE reading_glances (
      facet text COLLATE "C" NOT NULL,
      combination uuid NOT NULL,
      block int NOT NULL,
      n int NOT NULL,
      -- N of a combination's own; else per cent of the limit.
      least real NOT NULL,
      greatest real NOT NULL,
      mean real NOT NULL,
      from_at timestamptz(3) NOT NULL,
      to_at timestamptz(3) NOT NULL,
      PRIMARY KEY (facet, combination, block),
      FOREIGN KEY (combination, block) REFERENCES reading_blocks ON DELETE CASCADE
    );
    -- How far each journal has been taken up.
    CREATE TABLE reading_ends (combination uuid PRIMARY KEY REFERENCES combinations, seq int NOT NULL)
      WITH (fillfactor = 70);
    -- Heads of lots, and what happened between readings.
    DROP INDEX journal_heads;
    CREATE INDEX journal_steps ON journal (combination, seq) WHERE kind IN ('lot', 'finish', 'progress', 'run');
    -- People's readings are found by the blocks.
    DROP INDEX journal_readings_by;
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
