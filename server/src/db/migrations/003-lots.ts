import type { Knex } from 'knex';

/**
 * Lots, curves, gauges, charts: entries of a lot are found without reading the set-up or other lots; a change of cabinet,
 * limits or checks is told to every process.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    UPDATE limit_tables SET body = ('{"loadingRate": null, "retention": null}'::jsonb || body::jsonb)::json;

    ALTER TABLE journal ADD COLUMN lot int GENERATED ALWAYS AS ((body ->> 'lot')::int) STORED;
    CREATE INDEX journal_lot ON journal (combination, lot, seq);
    CREATE INDEX journal_heads ON journal (combination, seq) WHERE body ->> 'kind' IN ('lot', 'finish');
    CREATE INDEX journal_readings_by ON journal (by_name, at) WHERE body ->> 'kind' = 'reading';

    CREATE TABLE traces (
      id uuid PRIMARY KEY,
      combination uuid NOT NULL REFERENCES combinations,
      digest text NOT NULL,
      rate double precision NOT NULL,
      samples int NOT NULL,
      -- Packed as core/tug/trace/packTrace writes it.
      bytes bytea NOT NULL,
      by_name text NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now()
    );
    CREATE TRIGGER traces_append_only BEFORE UPDATE OR DELETE ON traces
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER traces_no_truncate BEFORE TRUNCATE ON traces
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();

    CREATE TABLE gauges (
      id text PRIMARY KEY,
      body json NOT NULL,
      by_name text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now()
    );

    -- Limits of a chart, frozen: a new baseline is a new row.
    CREATE TABLE baselines (
      id uuid PRIMARY KEY,
      chart text NOT NULL,
      body json NOT NULL,
      note text NOT NULL,
      by_name text NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now()
    );
    CREATE INDEX baselines_chart ON baselines (chart, at DESC);
    CREATE TRIGGER baselines_append_only BEFORE UPDATE OR DELETE ON baselines
      FOR EACH ROW EXECUTE FUNCTION refuse_change();

    CREATE FUNCTION tell_shop() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      PERFORM pg_notify('tug_mark_shop', NEW.version::text);
      RETURN NULL;
    END $$;
    CREATE TRIGGER shop_tell AFTER UPDATE ON shop FOR EACH ROW EXECUTE FUNCTION tell_shop();
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
