import type { Knex } from 'knex';

/**
 * Look in full: sheets of what pieces are looked at for, photographs in pieces, studies of inspectors. Parts that stand get
 * the values they meant.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    UPDATE parts SET body = (body::jsonb || jsonb_build_object('crimpHeights', coalesce((
        SELECT jsonb_agg('{"width": null, "widthTolerance": null}'::jsonb || line)
        FROM jsonb_array_elements((body -> 'crimpHeights')::jsonb) line
      ), '[]'::jsonb)))::json WHERE kind = 'terminal';
    UPDATE parts SET body = ('{"heightStep": null}'::jsonb || body::jsonb)::json WHERE kind = 'tool';
    UPDATE parts SET body = ('{"lookRecord": "each-point"}'::jsonb || body::jsonb)::json WHERE kind = 'practice';

    CREATE TABLE look_sheets (
      document text NOT NULL,
      revision text NOT NULL,
      class text NOT NULL,
      status text NOT NULL CHECK (status IN ('draft', 'released', 'withdrawn')),
      body json NOT NULL,
      by_name text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now(),
      drafted_by text NOT NULL,
      released_by text,
      released_at timestamptz,
      withdrawn_by text,
      withdrawn_at timestamptz,
      PRIMARY KEY (document, revision, class)
    );

    CREATE TABLE photos (
      id uuid PRIMARY KEY,
      combination uuid NOT NULL REFERENCES combinations,
      -- SHA-256 of the picture as kept.
      digest text NOT NULL,
      -- SHA-256 of what was sent, so that sending it again is known.
      sent text NOT NULL,
      width int NOT NULL,
      height int NOT NULL,
      size int NOT NULL,
      small bytea NOT NULL,
      by_name text NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now()
    );
    CREATE INDEX photos_combination ON photos (combination, at);
    CREATE TABLE photo_pieces (
      photo uuid NOT NULL REFERENCES photos,
      piece int NOT NULL,
      bytes bytea NOT NULL,
      PRIMARY KEY (photo, piece)
    );
    -- JPEG does not get smaller: no time is spent on trying.
    ALTER TABLE photo_pieces ALTER COLUMN bytes SET STORAGE EXTERNAL;
    ALTER TABLE photos ALTER COLUMN small SET STORAGE EXTERNAL;

    CREATE TABLE studies (
      id uuid PRIMARY KEY,
      name text NOT NULL,
      combination uuid NOT NULL REFERENCES combinations,
      seed int NOT NULL,
      items json NOT NULL,
      -- Sheet the drawn pieces are made by; null for the plain one.
      look json,
      by_name text NOT NULL,
      at timestamptz(3) NOT NULL DEFAULT now(),
      closed_at timestamptz(3)
    );
    CREATE TABLE study_answers (
      id uuid PRIMARY KEY,
      study uuid NOT NULL REFERENCES studies,
      person text NOT NULL,
      round int NOT NULL,
      item int NOT NULL,
      answer text NOT NULL,
      point text,
      at timestamptz(3) NOT NULL DEFAULT now(),
      UNIQUE (study, person, round, item)
    );

    CREATE INDEX journal_causes ON journal (at) WHERE body ->> 'kind' = 'cause';

    CREATE TRIGGER photos_append_only BEFORE UPDATE OR DELETE ON photos FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER photos_no_truncate BEFORE TRUNCATE ON photos FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER photo_pieces_append_only BEFORE UPDATE OR DELETE ON photo_pieces
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER photo_pieces_no_truncate BEFORE TRUNCATE ON photo_pieces
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER study_answers_append_only BEFORE UPDATE OR DELETE ON study_answers
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
