import type { Knex } from 'knex';

/**
 * Where every combination and lot stands, beside the journal (docs/decisions/029-standings.md): lists read these and never
 * the journal. Nothing here is evidence: it is worked out from the journal, and can be dropped and worked out again.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    CREATE TABLE standings (
      combination uuid PRIMARY KEY REFERENCES combinations,
      -- What it was worked out from: entry of the journal, version of the shop, the shop's day.
      seq int NOT NULL,
      version bigint NOT NULL,
      day date NOT NULL,
      -- When time alone makes it another; null: not before the day ends.
      until timestamptz(3),
      -- The line of a list, as it is sent.
      line json NOT NULL,
      verdict text NOT NULL,
      release text NOT NULL
    ) WITH (fillfactor = 70);
    CREATE TABLE lot_standings (
      combination uuid NOT NULL REFERENCES combinations,
      lot int NOT NULL,
      seq int NOT NULL,
      version bigint NOT NULL,
      name text NOT NULL,
      pieces int NOT NULL,
      made int NOT NULL,
      state text NOT NULL,
      verdict text NOT NULL,
      headline text NOT NULL,
      -- The next check: its piece, pieces until it, and when its time runs out.
      next_piece int,
      next_in int,
      due_at timestamptz(3),
      PRIMARY KEY (combination, lot)
    ) WITH (fillfactor = 70);
    CREATE INDEX lot_standings_open ON lot_standings (next_in) WHERE state <> 'finished';
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
