/**
 * The tables of a shop in the order they come back in: what others refer to first. Sessions, sign-ins and what is worked out
 * (standings, blocks of readings) are left out.
 */
export const MOVED_TABLES = [
  'shop',
  'people',
  'parts',
  'limit_tables',
  'look_sheets',
  'tool_checks',
  'tool_returns',
  'gauges',
  'wire_lists',
  'wire_list_rows',
  'combinations',
  'traces',
  'photos',
  'photo_pieces',
  'journal',
  'unsent',
  'baselines',
  'studies',
  'study_answers',
  'foreign_records',
  'floors',
  'stock_moves',
  'given_plans',
  'chains',
  'ledger',
  'seals',
  'seal_heads',
] as const;
export type MovedTable = (typeof MOVED_TABLES)[number];

/** Columns that stay at home: secrets, and counters of this database alone. */
export const LEFT_AT_HOME: Readonly<Partial<Record<MovedTable, readonly string[]>>> = {
  people: ['password_hash', 'once_until'],
  shop: ['version', 'only_one'],
};

/** First line of a file. */
export const FORMAT = 'tug-mark/whole-shop';
export const VERSION = 1;

/** What ends the rows of a table: no row can read so, because COPY writes a backslash twice. */
export const END_OF_ROWS = '\\.';
