import type { Knex } from 'knex';

/** Everything the first slice keeps. Append-only tables are guarded by the database itself. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    CREATE TABLE shop (
      only_one boolean PRIMARY KEY DEFAULT true CHECK (only_one),
      name text NOT NULL,
      is_demo boolean NOT NULL,
      -- Counts every change of cabinet, limits and tool checks; set-ups kept in memory are good for one version.
      version bigint NOT NULL DEFAULT 1
    );
    INSERT INTO shop (name, is_demo) VALUES ('New shop', false);

    CREATE TABLE people (
      id uuid PRIMARY KEY,
      name text NOT NULL,
      role text NOT NULL CHECK (role IN ('technician', 'quality', 'engineer')),
      password_hash text NOT NULL,
      active boolean NOT NULL DEFAULT true,
      qualified_until date,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE UNIQUE INDEX people_name ON people (lower(name));

    CREATE TABLE sessions (
      token_hash text PRIMARY KEY,
      person uuid NOT NULL REFERENCES people,
      created_at timestamptz NOT NULL DEFAULT now(),
      expires_at timestamptz NOT NULL
    );
    CREATE INDEX sessions_expiry ON sessions (expires_at);

    CREATE TABLE parts (
      kind text NOT NULL CHECK (kind IN ('wire', 'terminal', 'stripper', 'tool', 'practice')),
      part text NOT NULL,
      revision int NOT NULL,
      body json NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      by_name text NOT NULL,
      PRIMARY KEY (kind, part, revision)
    );

    CREATE TABLE limit_tables (
      document text NOT NULL,
      revision text NOT NULL,
      class text NOT NULL,
      status text NOT NULL CHECK (status IN ('draft', 'released', 'withdrawn')),
      body json NOT NULL,
      by_name text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (document, revision, class)
    );

    CREATE TABLE tool_checks (
      id uuid PRIMARY KEY,
      tool text NOT NULL,
      at timestamptz(3) NOT NULL,
      go_passed boolean NOT NULL,
      no_go_stopped boolean NOT NULL,
      by_name text NOT NULL
    );
    CREATE INDEX tool_checks_latest ON tool_checks (tool, at DESC);

    CREATE TABLE wire_lists (
      id uuid PRIMARY KEY,
      name text NOT NULL UNIQUE,
      digest text NOT NULL,
      by_name text NOT NULL,
      at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE wire_list_rows (
      list uuid NOT NULL REFERENCES wire_lists,
      row int NOT NULL,
      wire_id text NOT NULL,
      wire text NOT NULL,
      length double precision NOT NULL,
      terminal_a text NOT NULL,
      terminal_b text NOT NULL,
      quantity int NOT NULL,
      place text NOT NULL,
      PRIMARY KEY (list, row)
    );

    CREATE TABLE combinations (
      id uuid PRIMARY KEY,
      number bigint GENERATED ALWAYS AS IDENTITY UNIQUE,
      list text NOT NULL,
      terminal text NOT NULL,
      terminal_revision int NOT NULL,
      wire text NOT NULL,
      wire_revision int NOT NULL,
      practice text NOT NULL,
      practice_revision int NOT NULL,
      pieces int NOT NULL,
      place text NOT NULL,
      class text NOT NULL
    );

    CREATE TABLE journal (
      id uuid PRIMARY KEY,
      combination uuid NOT NULL REFERENCES combinations,
      seq int NOT NULL,
      slot text NOT NULL,
      body json NOT NULL,
      verdict json,
      limit_key json,
      at timestamptz(3) NOT NULL,
      by_name text NOT NULL,
      by_role text NOT NULL,
      corrects uuid REFERENCES journal,
      why text,
      previous text NOT NULL,
      hash text NOT NULL,
      UNIQUE (combination, seq)
    );
    -- One unforked chain per slot: one entry that corrects nothing, and each entry corrected by one other at most.
    CREATE UNIQUE INDEX journal_slot ON journal (combination, slot, coalesce(corrects, '00000000-0000-0000-0000-000000000000'));
    CREATE UNIQUE INDEX journal_corrects ON journal (corrects) WHERE corrects IS NOT NULL;

    CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      RAISE EXCEPTION '% is append-only: a correction is a new row that names the old one', TG_TABLE_NAME
        USING ERRCODE = 'restrict_violation';
    END $$;
    CREATE TRIGGER journal_append_only BEFORE UPDATE OR DELETE ON journal
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER journal_no_truncate BEFORE TRUNCATE ON journal
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER tool_checks_append_only BEFORE UPDATE OR DELETE ON tool_checks
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER tool_checks_no_truncate BEFORE TRUNCATE ON tool_checks
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();

    -- Appends one entry at the end of its combination's chain, in one round trip. p_content is what the entry says, in
    -- the one form that is hashed; the chain adds the row before and the place in the row. p_token and p_version are what
    -- the server believes of session and shop: when either no longer holds, nothing is kept and the server looks again.
    CREATE FUNCTION append_entry(
      p_token text, p_version bigint,
      p_id uuid, p_combination uuid, p_slot text, p_body json, p_verdict json, p_limit json, p_at timestamptz,
      p_name text, p_role text, p_corrects uuid, p_why text, p_content text,
      OUT outcome text, OUT row_seq int, OUT row_previous text, OUT row_hash text
    ) LANGUAGE plpgsql AS $$
    BEGIN
      IF p_token IS NOT NULL THEN
        PERFORM 1 FROM sessions x, shop s WHERE x.token_hash = p_token AND x.expires_at > now() AND s.version = p_version;
        IF NOT FOUND THEN
          outcome := 'look-again'; RETURN;
        END IF;
      END IF;
      PERFORM pg_advisory_xact_lock(hashtextextended(p_combination::text, 0));
      IF p_corrects IS NOT NULL THEN
        PERFORM 1 FROM journal WHERE id = p_corrects AND combination = p_combination AND slot = p_slot;
        IF NOT FOUND THEN
          outcome := 'corrects-unknown'; RETURN;
        END IF;
      END IF;
      SELECT seq, hash INTO row_seq, row_previous FROM journal WHERE combination = p_combination ORDER BY seq DESC LIMIT 1;
      row_seq := coalesce(row_seq, 0) + 1;
      row_previous := coalesce(row_previous, repeat('0', 64));
      row_hash := encode(sha256(convert_to(row_previous || ':' || row_seq || ':' || p_content, 'UTF8')), 'hex');
      INSERT INTO journal (id, combination, seq, slot, body, verdict, limit_key, at, by_name, by_role, corrects, why, previous, hash)
      VALUES (p_id, p_combination, row_seq, p_slot, p_body, p_verdict, p_limit, p_at, p_name, p_role, p_corrects, p_why, row_previous, row_hash)
      ON CONFLICT DO NOTHING;
      IF FOUND THEN
        outcome := 'kept';
      ELSIF EXISTS (SELECT 1 FROM journal WHERE id = p_id) THEN
        outcome := 'id-known';
      ELSE
        outcome := CASE WHEN p_corrects IS NULL THEN 'slot-taken' ELSE 'corrects-stale' END;
      END IF;
    END $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('The first migration is not taken back: drop the database instead.');
}
