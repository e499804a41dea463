import type { Knex } from 'knex';

/**
 * A person chooses the password; what an engineer gives out is a word for once. Who signed in, or tried to, is written down;
 * of a name nobody has nothing is kept, because a password is easily typed into the wrong field. Accounts of before keep
 * their passwords.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    ALTER TABLE people ADD COLUMN once_until timestamptz(3);
    CREATE TABLE sign_ins (
      id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      person uuid NOT NULL REFERENCES people (id),
      at timestamptz(3) NOT NULL DEFAULT now(),
      succeeded boolean NOT NULL
    );
    CREATE INDEX sign_ins_latest ON sign_ins (at DESC);
    CREATE TRIGGER sign_ins_append_only BEFORE UPDATE OR DELETE ON sign_ins
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
