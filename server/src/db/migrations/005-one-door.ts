import type { Knex } from 'knex';
import { createHash, randomInt } from 'node:crypto';

/** Rows read at a time: a journal of any length needs the memory of one portion. */
const PORTION = 5000;

/**
 * One door to the record: every chain has a head of its own, what judges has a ledger, all heads meet in seals. Rows of the
 * first version stay byte for byte; what was read from their body is a plain column now, made room for what is coming:
 * site, time of the device, the gauge's pull. Records from elsewhere are kept apart.
 */
export async function up(db: Knex): Promise<void> {
  // Tells this shop's rows from another site's where several are gathered.
  const site = randomInt(1, 2 ** 31 - 1);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  await db.raw(`
    ALTER TABLE shop
      ADD COLUMN id uuid NOT NULL DEFAULT gen_random_uuid(),
      ADD COLUMN site int NOT NULL DEFAULT ${site},
      ADD COLUMN zone text NOT NULL DEFAULT 'UTC',
      -- Whether what stood before ledgers were kept has been written into them.
      ADD COLUMN ledgers_begun boolean NOT NULL DEFAULT false;
    UPDATE shop SET zone = '${zone.replaceAll("'", '')}';

    DROP INDEX journal_tool, journal_heads, journal_readings_by, journal_causes;
    ALTER TABLE journal ALTER COLUMN lot DROP EXPRESSION;
    ALTER TABLE journal ADD COLUMN kind text;
    -- One rewrite of the table; no row trigger is asked, because no row changes what it says.
    ALTER TABLE journal
      ALTER COLUMN kind TYPE text USING (body ->> 'kind'),
      ALTER COLUMN slot TYPE text COLLATE "C";
    ALTER TABLE journal
      ALTER COLUMN kind SET NOT NULL,
      ADD COLUMN site int NOT NULL DEFAULT ${site},
      -- Recipe of the hash, see docs/formats/chain.md.
      ADD COLUMN version smallint NOT NULL DEFAULT 1,
      -- The device's own time, and how many milliseconds its clock was behind.
      ADD COLUMN made_at timestamptz(3),
      ADD COLUMN clock_behind int,
      -- Gauge of a pull, and when it began and ended: it is kept once.
      ADD COLUMN gauge text,
      ADD COLUMN pull_start timestamptz(3),
      ADD COLUMN pull_end timestamptz(3);
    ALTER TABLE journal ALTER COLUMN version SET DEFAULT 2;
    CREATE INDEX journal_tool ON journal ((body ->> 'tool'), at) WHERE kind = 'tool';
    CREATE INDEX journal_heads ON journal (combination, seq) WHERE kind IN ('lot', 'finish');
    CREATE INDEX journal_readings_by ON journal (by_name, at) WHERE kind = 'reading';
    CREATE INDEX journal_causes ON journal (at) WHERE kind = 'cause';
    CREATE INDEX journal_pull ON journal (gauge, pull_start) WHERE pull_start IS NOT NULL AND corrects IS NULL;

    ALTER TABLE combinations ADD COLUMN read_in boolean NOT NULL DEFAULT false;
    -- Every list of the shop's own has its rows; what came with a record file has none.
    UPDATE combinations SET read_in = true WHERE NOT EXISTS (SELECT 1 FROM wire_lists w WHERE w.name = combinations.list);

    -- The end of every chain: 'journal/<combination>' or a ledger's name. Locked by whoever appends.
    CREATE TABLE chains (
      name text COLLATE "C" PRIMARY KEY,
      count int NOT NULL,
      head text NOT NULL,
      -- Entries that stand in a seal already.
      sealed int NOT NULL DEFAULT 0
    ) WITH (fillfactor = 60);

    -- What was done to everything that judges: limits, parts, people, checks ... The state a deed leaves is in its content.
    CREATE TABLE ledger (
      chain text COLLATE "C" NOT NULL,
      seq int NOT NULL,
      subject text COLLATE "C" NOT NULL,
      -- SHA-256 of the state; null when the subject is gone.
      digest text,
      content text NOT NULL,
      at timestamptz(3) NOT NULL,
      previous text NOT NULL,
      hash text NOT NULL,
      site int NOT NULL DEFAULT ${site},
      PRIMARY KEY (chain, seq)
    );
    CREATE INDEX ledger_subject ON ledger (chain, subject, seq);

    CREATE TABLE seals (
      number int PRIMARY KEY,
      at timestamptz(3) NOT NULL,
      -- Chains that grew since the seal before, and the digest of their names, counts and heads.
      chains int NOT NULL,
      digest text NOT NULL,
      previous text NOT NULL,
      hash text NOT NULL
    );
    CREATE TABLE seal_heads (
      seal int NOT NULL REFERENCES seals,
      chain text COLLATE "C" NOT NULL,
      count int NOT NULL,
      head text NOT NULL,
      PRIMARY KEY (chain, seal)
    );

    -- Records of other shops, as they were read: nothing of them is this shop's own, and nothing here judges by them.
    CREATE TABLE foreign_records (
      id uuid PRIMARY KEY,
      -- SHA-256 of the file as it was sent.
      digest text NOT NULL UNIQUE,
      file_name text NOT NULL,
      shop text NOT NULL,
      combination uuid NOT NULL,
      label text NOT NULL,
      entries int NOT NULL,
      bytes bytea NOT NULL,
      by_name text NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now()
    );

    CREATE TRIGGER ledger_append_only BEFORE UPDATE OR DELETE ON ledger FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER ledger_no_truncate BEFORE TRUNCATE ON ledger FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER seals_append_only BEFORE UPDATE OR DELETE ON seals FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER seals_no_truncate BEFORE TRUNCATE ON seals FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER seal_heads_append_only BEFORE UPDATE OR DELETE ON seal_heads
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER seal_heads_no_truncate BEFORE TRUNCATE ON seal_heads
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER parts_append_only BEFORE UPDATE OR DELETE ON parts FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER combinations_stay BEFORE DELETE ON combinations FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER combinations_no_truncate BEFORE TRUNCATE ON combinations
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER foreign_records_append_only BEFORE UPDATE OR DELETE ON foreign_records
      FOR EACH ROW EXECUTE FUNCTION refuse_change();

    -- A combination has its chain from the start.
    CREATE FUNCTION begin_chain() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      INSERT INTO chains (name, count, head) VALUES ('journal/' || NEW.id, 0, repeat('0', 64));
      RETURN NULL;
    END $$;
    CREATE TRIGGER combinations_chain AFTER INSERT ON combinations FOR EACH ROW EXECUTE FUNCTION begin_chain();

    DROP FUNCTION append_entry;
    -- Appends one entry at the end of its combination's chain, in one round trip. p_content is what the entry says, in
    -- the one form that is hashed; the chain adds the row before and the place in the row. p_token and p_version are what
    -- the server believes of session and shop: when either no longer holds, nothing is kept and the server looks again.
    -- p_asked is the beginning of the slots of which one has to be taken already.
    CREATE FUNCTION append_entry(
      p_token text, p_version bigint,
      p_id uuid, p_combination uuid, p_slot text, p_kind text, p_lot int, p_body json, p_verdict json, p_limit json,
      p_at timestamptz, p_name text, p_role text, p_corrects uuid, p_why text,
      p_made_at timestamptz, p_clock_behind int, p_gauge text, p_pull_start timestamptz, p_pull_end timestamptz,
      p_asked text, p_content text,
      OUT outcome text, OUT row_seq int, OUT row_previous text, OUT row_hash text
    ) LANGUAGE plpgsql AS $$
    BEGIN
      IF p_token IS NOT NULL THEN
        PERFORM 1 FROM sessions x, shop s WHERE x.token_hash = p_token AND x.expires_at > now() AND s.version = p_version;
        IF NOT FOUND THEN
          outcome := 'look-again'; RETURN;
        END IF;
      END IF;
      SELECT count + 1, head INTO row_seq, row_previous FROM chains WHERE name = 'journal/' || p_combination FOR UPDATE;
      IF NOT FOUND THEN
        outcome := 'combination-unknown'; RETURN;
      END IF;
      IF p_corrects IS NOT NULL THEN
        PERFORM 1 FROM journal WHERE id = p_corrects AND combination = p_combination AND slot = p_slot;
        IF NOT FOUND THEN
          outcome := 'corrects-unknown'; RETURN;
        END IF;
      ELSIF p_asked IS NOT NULL THEN
        -- The prefix ends in a stroke; the sign after it ends the range.
        PERFORM 1 FROM journal WHERE combination = p_combination
          AND slot >= p_asked AND slot < left(p_asked, -1) || '0' LIMIT 1;
        IF NOT FOUND THEN
          outcome := CASE WHEN EXISTS (SELECT 1 FROM journal WHERE id = p_id) THEN 'id-known' ELSE 'asked' END;
          RETURN;
        END IF;
      END IF;
      -- One pull proves one piece, whichever station or tab it is kept by: no two of one gauge overlap.
      IF p_pull_start IS NOT NULL AND p_corrects IS NULL THEN
        PERFORM pg_advisory_xact_lock(hashtextextended(p_gauge, 3));
        -- Those on record do not overlap: of all that began before this one's end, the latest ended last.
        IF p_pull_start < (SELECT pull_end FROM journal WHERE gauge = p_gauge AND pull_start IS NOT NULL AND corrects IS NULL
            AND id <> p_id AND pull_start < p_pull_end ORDER BY pull_start DESC LIMIT 1) THEN
          outcome := CASE WHEN EXISTS (SELECT 1 FROM journal WHERE id = p_id) THEN 'id-known' ELSE 'pull-taken' END;
          RETURN;
        END IF;
      END IF;
      row_hash := encode(sha256(convert_to(row_previous || ':' || row_seq || ':' || p_content, 'UTF8')), 'hex');
      INSERT INTO journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, corrects, why,
        made_at, clock_behind, gauge, pull_start, pull_end, previous, hash)
      VALUES (p_id, p_combination, row_seq, p_slot, p_kind, p_lot, p_body, p_verdict, p_limit, p_at, p_name, p_role, p_corrects,
        p_why, p_made_at, p_clock_behind, p_gauge, p_pull_start, p_pull_end, row_previous, row_hash)
      ON CONFLICT DO NOTHING;
      IF FOUND THEN
        UPDATE chains SET count = row_seq, head = row_hash WHERE name = 'journal/' || p_combination;
        outcome := 'kept';
      ELSIF EXISTS (SELECT 1 FROM journal WHERE id = p_id) THEN
        outcome := 'id-known';
      ELSE
        outcome := CASE WHEN p_corrects IS NULL THEN 'slot-taken' ELSE 'corrects-stale' END;
      END IF;
    END $$;
  `);
  await headChains(db);
}

/**
 * Proves the journals of the first version row by row and writes down their ends. A chain that does not hold keeps its end
 * too: nothing is mended here, and the verification goes on naming it.
 */
async function headChains(db: Knex): Promise<void> {
  const combinations = (await db('combinations').orderBy('number').select('id')) as { id: string }[];
  for (const { id } of combinations) {
    let [count, head] = [0, '0'.repeat(64)];
    for (let broken: number | null = null; ;) {
      const rows = (await db('journal')
        .where({ combination: id })
        .where('seq', '>', count)
        .orderBy('seq')
        .limit(PORTION)
        .select(
          'id',
          'seq',
          'body',
          'verdict',
          'limit_key',
          'at',
          'by_name',
          'by_role',
          'corrects',
          'why',
          'previous',
          'hash',
        )) as FirstRow[];
      for (const row of rows) {
        if (broken === null && (row.seq !== count + 1 || row.previous !== head || row.hash !== firstHash(head, row))) {
          broken = row.seq;
          process.stderr.write(`The journal of combination ${id} does not hold at its entry ${row.seq}.\n`);
        }
        [count, head] = [row.seq, row.hash];
      }
      if (rows.length < PORTION) break;
    }
    await db('chains').insert({ name: `journal/${id}`, count, head });
  }
}

interface FirstRow {
  id: string;
  seq: number;
  body: unknown;
  verdict: unknown;
  limit_key: unknown;
  at: Date;
  by_name: string;
  by_role: string;
  corrects: string | null;
  why: string | null;
  previous: string;
  hash: string;
}

function firstHash(previous: string, row: FirstRow): string {
  const { id, seq, body, verdict, limit_key, at, by_name, by_role, corrects, why } = row;
  const content = JSON.stringify([id, body, verdict, limit_key, at.toISOString(), by_name, by_role, corrects, why]);
  return createHash('sha256').update(`${previous}:${seq}:${content}`).digest('hex');
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
