import type { Knex } from 'knex';

/** Tables whose keys another site has too; the others are keyed by ids that are unique everywhere, or have a site already. */
const WITHOUT_SITE = [
  'people',
  'parts',
  'limit_tables',
  'look_sheets',
  'wire_lists',
  'combinations',
  'gauges',
  'chains',
  'seals',
  'seal_heads',
];

/** Tables that change, with the key their rows are told apart by among several sites. */
const CHANGING = {
  shop: 'site',
  limit_tables: 'site, document, revision, class',
  look_sheets: 'site, document, revision, class',
  gauges: 'site, id',
  chains: 'site, name',
};

/**
 * Every row says which site it is of, so that many sites can be gathered into one database to be read there
 * (docs/group.md). Nothing changes for a site alone.
 */
export async function up(db: Knex): Promise<void> {
  const row = (await db('shop').first('site')) as { site: number } | undefined;
  const site = row?.site ?? 0;
  for (const table of WITHOUT_SITE) {
    await db.raw(`ALTER TABLE ${table} ADD COLUMN site int NOT NULL DEFAULT ${site}`);
  }
  for (const [table, key] of Object.entries(CHANGING)) {
    await db.raw(`CREATE UNIQUE INDEX ${table}_of_site ON ${table} (${key});
      ALTER TABLE ${table} REPLICA IDENTITY USING INDEX ${table}_of_site`);
  }
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
