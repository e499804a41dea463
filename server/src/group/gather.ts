import type { Knex } from 'knex';
import { migrate } from '../db/migrate';

const PUBLICATION = 'tug_mark';

/**
 * What a site gives a group to read, with the keys its rows have there. Sessions and passwords stay at the site; so do
 * standings and blocks, which are worked out.
 */
const GATHERED: Readonly<Record<string, string>> = {
  shop: 'site',
  people: 'id',
  parts: 'site, kind, part, revision',
  limit_tables: 'site, document, revision, class',
  look_sheets: 'site, document, revision, class',
  tool_checks: 'id',
  tool_returns: 'id',
  wire_lists: 'id',
  wire_list_rows: 'list, row',
  combinations: 'id',
  journal: 'id',
  traces: 'id',
  photos: 'id',
  photo_pieces: 'photo, piece',
  unsent: 'id',
  baselines: 'id',
  studies: 'id',
  study_answers: 'id',
  gauges: 'site, id',
  chains: 'site, name',
  ledger: 'site, chain, seq',
  seals: 'site, number',
  seal_heads: 'site, seal, chain',
};

/** Columns of people a group reads: everything but the password. */
const OF_PEOPLE = '(id, name, role, more_roles, active, qualified_until, qualifications, created_at, site)';

/** Lets a group read this site. The database has to run with wal_level = logical for the group to follow. */
export async function publish(site: Knex): Promise<void> {
  const known: unknown = await site('pg_publication').where({ pubname: PUBLICATION }).first('oid');
  const given = new Set(
    (
      (await site('pg_publication_tables').where({ pubname: PUBLICATION }).select('tablename')) as {
        tablename: string;
      }[]
    ).map(({ tablename }) => tablename),
  );
  // Columns of people that came with a later version: the table is given again, with them.
  const columns = (await site('pg_publication_tables')
    .where({ pubname: PUBLICATION, tablename: 'people' })
    .first(site.raw("'qualifications' = ANY (attnames) AS given"))) as { given: boolean } | undefined;
  if (columns?.given === false) {
    await site.raw(`ALTER PUBLICATION ${PUBLICATION} DROP TABLE people`);
    given.delete('people');
  }
  // Tables that came with a later version are given too, once the group knows them.
  const tables = Object.keys(GATHERED)
    .filter((table) => !given.has(table))
    .map((table) => (table === 'people' ? `people ${OF_PEOPLE}` : table));
  if (!tables.length) return;
  await site.raw(
    known === undefined
      ? `CREATE PUBLICATION ${PUBLICATION} FOR TABLE ${tables.join(', ')}`
      : `ALTER PUBLICATION ${PUBLICATION} ADD TABLE ${tables.join(', ')}`,
  );
}

/**
 * Makes an empty database one that several sites can be gathered in: the schema of a site, its keys widened by the site, and
 * nothing in it that a second site would contradict. It is for reading alone.
 */
export async function prepareGroup(group: Knex): Promise<void> {
  await migrate(group);
  await group.transaction(async (trx) => {
    const { rows: constraints } = await trx.raw<{ rows: { table: string; name: string }[] }>(
      `SELECT conrelid::regclass::text AS table, conname AS name FROM pg_constraint
        WHERE connamespace = 'public'::regnamespace AND contype IN ('f', 'p', 'u') AND conrelid::regclass::text = ANY (?)
        ORDER BY contype = 'f' DESC`,
      [Object.keys(GATHERED)],
    );
    // Keys of other tables that point here go first.
    const { rows: pointing } = await trx.raw<{ rows: { table: string; name: string }[] }>(
      `SELECT conrelid::regclass::text AS table, conname AS name FROM pg_constraint
        WHERE contype = 'f' AND confrelid::regclass::text = ANY (?) AND NOT conrelid::regclass::text = ANY (?)`,
      [Object.keys(GATHERED), Object.keys(GATHERED)],
    );
    for (const { table, name } of [...pointing, ...constraints]) {
      await trx.raw('ALTER TABLE ?? DROP CONSTRAINT IF EXISTS ??', [table, name]);
    }
    await trx.raw('DROP INDEX IF EXISTS people_name');
    for (const table of ['shop', 'limit_tables', 'look_sheets', 'gauges', 'chains']) {
      await trx.raw(`ALTER TABLE ${table} REPLICA IDENTITY DEFAULT; DROP INDEX ${table}_of_site`);
    }
    await trx.raw('SET LOCAL session_replication_role = replica');
    for (const [table, key] of Object.entries(GATHERED)) {
      await trx.raw(`DELETE FROM ${table}; ALTER TABLE ${table} ADD PRIMARY KEY (${key})`);
    }
    await trx.raw("ALTER TABLE people ALTER COLUMN password_hash SET DEFAULT ''");
  });
}

/**
 * Has a group follow a site, from its first row on. The slot is made at the site beforehand and not by the subscription: that
 * would wait for itself where site and group lie on one server.
 *
 * @param site the site's database
 * @param connection the same as the group's server reaches it
 */
export async function follow(group: Knex, site: Knex, name: string, connection: string): Promise<void> {
  const known: unknown = await group('pg_subscription').where({ subname: name }).first('oid');
  if (known !== undefined) return;
  // Several groups may follow one site, each by a slot of its own.
  const { rows } = await group.raw<{ rows: { mark: string }[] }>(
    'SELECT left(md5(system_identifier || current_database()), 8) AS mark FROM pg_control_system()',
  );
  const slot = `${name}_${rows[0]?.mark ?? ''}`;
  await site.raw("SELECT pg_create_logical_replication_slot(?, 'pgoutput')", [slot]);
  try {
    await group.raw(
      `CREATE SUBSCRIPTION ${name} CONNECTION '${connection.replaceAll("'", "''")}' PUBLICATION ${PUBLICATION}
         WITH (create_slot = false, slot_name = '${slot}')`,
    );
  } catch (error) {
    // A slot nobody reads keeps the site's log for ever.
    await site.raw('SELECT pg_drop_replication_slot(?)', [slot]);
    throw error;
  }
}
