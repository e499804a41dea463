import type { EntryBody } from '@tug-mark/core';
import type { Knex } from 'knex';
import { BLOCK, NOTHING_YET, packBlock, type BlockEntry, type ChartState, type PackedBlock } from './packPoints';

/** Combinations whose blocks do not hold all of their journal, those that lack most first. */
export async function findBlocksBehind(db: Knex, most: number): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { id: string }[] }>(
    `SELECT c.id FROM combinations c JOIN chains h ON h.name = 'journal/' || c.id
       LEFT JOIN reading_ends e ON e.combination = c.id
      WHERE h.count > coalesce(e.seq, 0) ORDER BY h.count - coalesce(e.seq, 0) DESC LIMIT ?`,
    [most],
  );
  return rows.map((row) => row.id);
}

/** Takes up into blocks what one combination's journal has more than they. Two processes at once wait for each other. */
export async function refreshBlocks(db: Knex, combination: string): Promise<void> {
  await db.transaction(async (trx) => {
    await trx.raw("SELECT pg_advisory_xact_lock(hashtextextended('blocks/' || ?, 5))", [combination]);
    const end = (await trx('chains')
      .where({ name: `journal/${combination}` })
      .first('count')) as { count: number } | undefined;
    const row = (await trx('reading_ends').where({ combination }).first('seq')) as { seq: number } | undefined;
    const from = row?.seq ?? 0;
    if (!end || end.count <= from) return;
    for (const block of await blocksToMake(trx, combination, from, end.count)) {
      await writeBlock(trx, combination, block, await makeBlock(trx, combination, block, end.count));
    }
    await trx('reading_ends').insert({ combination, seq: end.count }).onConflict('combination').merge();
  });
}

/**
 * The blocks that new entries fall into, and those of entries they correct. Where a tool or a change of reel was corrected,
 * all that came after it.
 */
async function blocksToMake(db: Knex, combination: string, from: number, to: number): Promise<number[]> {
  const { rows: corrected } = await db.raw<{ rows: { seq: number; kind: string }[] }>(
    `SELECT first.seq, first.kind FROM journal later
       JOIN journal first ON first.combination = later.combination AND first.slot = later.slot AND first.corrects IS NULL
      WHERE later.combination = ? AND later.seq > ? AND later.corrects IS NOT NULL`,
    [combination, from],
  );
  const blockOf = (seq: number) => Math.floor((seq - 1) / BLOCK);
  const first = Math.min(
    blockOf(from + 1),
    ...corrected.filter(({ kind }) => kind === 'tool' || kind === 'progress').map(({ seq }) => blockOf(seq)),
  );
  const last = blockOf(to);
  const blocks = new Set(corrected.map(({ seq }) => blockOf(seq)));
  for (let block = first; block <= last; block++) blocks.add(block);
  return [...blocks].sort((a, b) => a - b);
}

/** A block from the journal and the state at the end of the block before it. */
export async function makeBlock(db: Knex, combination: string, block: number, end: number): Promise<PackedBlock> {
  const before = (await db('reading_blocks')
    .where({ combination, block: block - 1 })
    .first('state')) as { state: ChartState } | undefined;
  const { rows } = await db.raw<{ rows: BlockRow[] }>(
    `SELECT (extract(epoch FROM j.at) * 1000)::float8 AS at, j.by_name, j.body, (j.verdict ->> 'force')::float8 AS force,
        CASE WHEN EXISTS (SELECT 1 FROM journal later WHERE later.corrects = j.id) THEN j.slot END AS corrected
       FROM journal j
      WHERE j.combination = ? AND j.seq > ? AND j.seq <= ? AND j.corrects IS NULL
        AND j.kind IN ('reading', 'tool', 'progress')
      ORDER BY j.seq`,
    [combination, block * BLOCK, Math.min((block + 1) * BLOCK, end)],
  );
  // A correction stands in the place of what it corrects: the pull was made then, and by that person.
  const corrected = rows.flatMap((row) => row.corrected ?? []);
  const standing = new Map((await newestOf(db, combination, corrected)).map((row) => [row.slot, row]));
  const entries = rows.map((row): BlockEntry => {
    const { body, force } = standing.get(row.corrected ?? '') ?? row;
    return { at: row.at, by: row.by_name, body, limit: force };
  });
  return packBlock(combination, entries, before?.state ?? NOTHING_YET);
}

interface BlockRow {
  /** ms since 1970 */
  readonly at: number;
  readonly by_name: string;
  readonly body: EntryBody;
  /** Limit of a reading, N. */
  readonly force: number | null;
  /** Its slot, when a later entry corrects it. */
  readonly corrected: string | null;
}

/** What stands in slots now. */
async function newestOf(db: Knex, combination: string, slots: string[]) {
  if (!slots.length) return [];
  const { rows } = await db.raw<{ rows: (Pick<BlockRow, 'body' | 'force'> & { slot: string })[] }>(
    `SELECT DISTINCT ON (slot) slot, body, (verdict ->> 'force')::float8 AS force FROM journal
      WHERE combination = ? AND slot = ANY (?) ORDER BY slot, seq DESC`,
    [combination, slots],
  );
  return rows;
}

async function writeBlock(db: Knex, combination: string, block: number, packed: PackedBlock): Promise<void> {
  const { points, facets, state, glances } = packed;
  await db('reading_blocks')
    .insert({ combination, block, points, facets: [...facets], state: JSON.stringify(state) })
    .onConflict(['combination', 'block'])
    .merge();
  await db('reading_glances').where({ combination, block }).delete();
  if (!glances.length) return;
  await db('reading_glances').insert(
    glances.map(({ from, to, ...glance }) => ({
      ...glance,
      combination,
      block,
      from_at: new Date(from),
      to_at: new Date(to),
    })),
  );
}
