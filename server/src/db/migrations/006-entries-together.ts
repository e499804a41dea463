import type { Knex } from 'knex';

/**
 * Entries of several stations in one statement and one commit (docs/decisions/006-reading-path.md). `append_entry` stays
 * for what cannot go along.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- What they refused is refused already: nothing leaves the journal or the combinations, an entry is kept only at the end
    -- of a chain, and a combination has its chain from the start. They cost a reading a tenth.
    ALTER TABLE journal DROP CONSTRAINT journal_combination_fkey, DROP CONSTRAINT journal_corrects_fkey;
    -- Slots say the lot already, and slots are in order (server/src/entry/rows.ts).
    DROP INDEX journal_lot;

    -- Appends entries of different combinations, each at the end of its chain, and gives those it kept. It gives nothing of
    -- an entry that has to be looked at alone: session or version no longer as believed, combination unknown or locked by
    -- another writer, slot or id taken, pull on record, nothing on record that it asks for. Corrections do not come here.
    -- p_entries: a JSON array of {content, chain, token, version, kind, lot, asked, gauge, pullStart, pullEnd}; content is
    -- what is hashed, and the columns are read from it: what is kept is what is sealed.
    CREATE FUNCTION append_together(p_chains text[], p_gauges text[], p_entries json)
    RETURNS TABLE (entry_id uuid, entry_seq int, entry_previous text, entry_hash text) LANGUAGE plpgsql AS $$
    DECLARE
      held text[];
      free text[];
    BEGIN
      -- Nobody waits here: a chain that a long import holds would make every station wait with it.
      SELECT array_agg(name) INTO held
        FROM (SELECT name FROM chains WHERE name = ANY (p_chains) ORDER BY name FOR UPDATE SKIP LOCKED) x;
      IF p_gauges <> '{}' THEN
        SELECT array_agg(g) INTO free FROM unnest(p_gauges) g WHERE pg_try_advisory_xact_lock(hashtextextended(g, 3));
      END IF;
      -- A statement of its own, so that it sees what was committed before the locks were had.
      RETURN QUERY
      WITH kept AS (
        INSERT INTO journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, why,
          made_at, clock_behind, gauge, pull_start, pull_end, previous, hash)
        SELECT e.id, e.combination, c.count + 1, e.slot, p.kind, p.lot, e.body, e.verdict, e."limit", e.at, e.by, e.role,
          e.why, e."madeAt", e."clockBehind", p.gauge, p."pullStart", p."pullEnd", c.head,
          encode(sha256(convert_to(c.head || ':' || (c.count + 1) || ':' || p.content, 'UTF8')), 'hex')
        FROM json_to_recordset(p_entries) AS p (content json, chain text, token text, version bigint, kind text, lot int,
            asked text, gauge text, "pullStart" timestamptz, "pullEnd" timestamptz)
          CROSS JOIN LATERAL json_to_record(p.content) AS e (id uuid, combination uuid, slot text, body json, verdict json,
            "limit" json, at timestamptz, by text, role text, why text, "madeAt" timestamptz, "clockBehind" int)
          JOIN chains c ON c.name = p.chain
        WHERE c.name = ANY (held)
          AND EXISTS (SELECT 1 FROM shop s WHERE s.version = p.version)
          AND EXISTS (SELECT 1 FROM sessions x WHERE x.token_hash = p.token AND x.expires_at > now())
          -- The prefix ends in a stroke; the sign after it ends the range.
          AND (p.asked IS NULL OR EXISTS (SELECT 1 FROM journal j WHERE j.combination = e.combination
            AND j.slot >= p.asked AND j.slot < left(p.asked, -1) || '0'))
          AND (p.gauge IS NULL OR p.gauge = ANY (free) AND p."pullStart" >= coalesce(
            (SELECT j.pull_end FROM journal j WHERE j.gauge = p.gauge AND j.pull_start IS NOT NULL AND j.corrects IS NULL
              AND j.pull_start < p."pullEnd" ORDER BY j.pull_start DESC LIMIT 1), '-infinity'))
        ON CONFLICT DO NOTHING
        RETURNING id, combination, seq, previous, hash
      ), moved AS (
        UPDATE chains c SET count = k.seq, head = k.hash FROM kept k WHERE c.name = 'journal/' || k.combination
      )
      SELECT id, seq, previous, hash FROM kept;
    END $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
