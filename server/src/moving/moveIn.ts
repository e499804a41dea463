import type { MovedShop, Role } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { z } from 'zod';
import { noteDeeds } from '../chain/deeds';
import { seal } from '../chain/seal';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { copyInto } from '../db/copyInto';
import { SCHEMAS } from '../db/migrate';
import { refusals } from '../http/problems';
import { rebuildStandings } from '../standing/rebuild';
import { verifyJournals, verifyShop } from '../verify/verifyShop';
import { checkMoved } from './checkMoved';
import { readLines } from './readLines';
import { END_OF_ROWS, FORMAT, MOVED_TABLES, VERSION, type MovedTable } from './tables';
import { columnsOf } from './writeShop';

/** Whoever moves a shop in keeps their account and their password; null: a command does, and nobody has one yet. */
export interface Mover {
  readonly id: string;
  readonly name: string;
}

const headSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  schema: z.string(),
  shop: z.object({ id: z.uuid(), name: z.string() }),
  madeAt: z.string(),
});
const sectionSchema = z.object({ table: z.enum(MOVED_TABLES), columns: z.array(z.string()).min(1) });
const endSchema = z.object({ end: z.literal(true) });

/** Faults that are told one by one. */
const MOST_TOLD = 20;
/** Bytes of rows handed on at a time. */
const PORTION = 256 * 1024;

class OnlyChecked extends Error {}

/**
 * Takes a whole shop in, in place of one that is still empty: every row as it stood, its chains proved, whole or nothing.
 *
 * @param bytes the file, unpacked
 * @param digest of the file as it was sent, to be kept with the shop
 * @param onlyCheck keep nothing, whatever is found
 * @throws Refusal when this shop is not empty, the file is no whole shop, or something in it was changed
 */
export async function moveIn(
  db: Knex,
  bytes: AsyncIterable<Buffer>,
  { mover, doer, digest, now }: { mover: Mover | null; doer: Doer; digest: string; now: Date },
  onlyCheck: boolean,
): Promise<MovedShop> {
  let found: MovedShop | undefined;
  try {
    await db.transaction(async (trx) => {
      found = await take(trx, bytes, { mover, doer, digest, now });
      if (onlyCheck) throw new OnlyChecked();
    });
  } catch (error) {
    if (!(error instanceof OnlyChecked)) throw error;
  }
  if (!found) throw new Error('a shop that was taken in was read');
  if (!onlyCheck) {
    // What is worked out did not come along; and what came is sealed here, at once or within the minute.
    await rebuildStandings(db);
    await seal(db).catch(() => null);
  }
  return found;
}

async function take(
  trx: Knex.Transaction,
  bytes: AsyncIterable<Buffer>,
  { mover, doer, digest, now }: { mover: Mover | null; doer: Doer; digest: string; now: Date },
): Promise<MovedShop> {
  await trx.raw('LOCK TABLE people, parts, combinations IN EXCLUSIVE MODE');
  await refuseUsed(trx, mover);
  // What an empty shop has in its ledgers goes, and rows come that other rows are written with: the guards stand aside.
  const guarded = [...MOVED_TABLES, 'sign_ins'];
  for (const table of guarded) await trx.raw(`ALTER TABLE ${table} DISABLE TRIGGER USER`);
  const { version } = (await trx('shop').first('version')) as { version: string };
  for (const table of ['seal_heads', 'seals', 'ledger', 'chains', 'shop']) await trx(table).delete();
  // Out of the way of somebody of the same name.
  if (mover) await trx('people').where({ id: mover.id }).update({ name: mover.id });
  const head = await readSections(trx, bytes);
  await trx('shop').update({
    version,
    moved_in: JSON.stringify({ at: now.toISOString(), by: doer.by, digest, madeAt: head.madeAt }),
  });
  await trx.raw(
    "SELECT setval(pg_get_serial_sequence('combinations', 'number'), greatest(max(number), 1)) FROM combinations",
  );
  const changed = mover ? await seat(trx, mover) : null;
  for (const table of guarded) await trx.raw(`ALTER TABLE ${table} ENABLE TRIGGER USER`);
  await noteDeeds(trx, 'shop', 'moved in', ['shop'], doer);
  if (changed) await noteDeeds(trx, 'people', changed.did, [changed.id], doer);
  await bumpVersion(trx);
  const strange = await checkMoved(trx, MOST_TOLD);
  if (strange.length) throw refusals.wholeShopStrange(strange);
  await refuseBroken(trx);
  return { ...(await countShop(trx)), name: head.shop.name, madeAt: head.madeAt };
}

/** @throws Refusal when anything was made here already */
async function refuseUsed(trx: Knex, mover: Mover | null): Promise<void> {
  const made = ['parts', 'limit_tables', 'look_sheets', 'tool_checks', 'wire_lists', 'combinations', 'gauges'];
  for (const table of [...made, 'studies', 'photos', 'foreign_records']) {
    if (await trx(table).first(trx.raw('1'))) throw refusals.shopNotEmpty();
  }
  const others = trx('people');
  if (mover) others.whereNot({ id: mover.id });
  if (await others.first('id')) throw refusals.shopNotEmpty();
}

/** Reads every table's rows into it. @returns what the file says of itself */
async function readSections(trx: Knex.Transaction, bytes: AsyncIterable<Buffer>): Promise<z.infer<typeof headSchema>> {
  const lines = readLines(bytes);
  const next = async (): Promise<string | null> => {
    const line = await lines.next();
    return line.done ? null : line.value.toString('utf8').trimEnd();
  };
  try {
    const head = parsed(headSchema, await next());
    if (!head) throw refusals.wholeShopUnreadable('It does not begin as a whole shop does.');
    if (!SCHEMAS.includes(head.schema)) {
      throw refusals.wholeShopUnreadable(
        `It was written by a later release (${head.schema}): bring this one up to date, then move it in.`,
      );
    }
    const read = new Set<MovedTable>();
    for (;;) {
      const line = await next();
      if (parsed(endSchema, line)) break;
      const section = parsed(sectionSchema, line);
      if (!section)
        throw refusals.wholeShopUnreadable(
          `It ends, or turns into something else, after ${[...read].at(-1) ?? 'its first line'}.`,
        );
      const { table, columns } = section;
      const known = await columnsOf(trx, table);
      const strange = columns.find((column) => !known.includes(column));
      if (strange !== undefined || read.has(table)) {
        throw refusals.wholeShopUnreadable(`Its table '${table}' is not one this release can read.`);
      }
      read.add(table);
      // Nobody comes in without choosing a password first.
      const [more, cells] = table === 'people' ? [', password_hash', '\t'] : ['', ''];
      await copyInto(
        trx,
        `${table} (${columns.map((column) => `"${column}"`).join(', ')}${more})`,
        rowsOf(lines, cells),
      );
    }
    const missing = MOVED_TABLES.find((table) => !read.has(table));
    if (missing) throw refusals.wholeShopUnreadable(`It has no table '${missing}'.`);
    return head;
  } catch (error) {
    if (isUnpackFault(error)) throw refusals.wholeShopUnreadable('It is not whole, or was never packed as one.');
    if (isRowFault(error)) {
      throw refusals.wholeShopUnreadable(`A row of it does not fit: ${(error as Error).message.slice(0, 200)}.`);
    }
    throw error;
  }
}

const isUnpackFault = (error: unknown): boolean =>
  error instanceof RangeError || /^Z_|^ERR_/.test((error as { code?: string }).code ?? '');
/** Classes of SQLSTATE that say the rows are wrong: data, constraints, COPY's own form. */
const isRowFault = (error: unknown): boolean => /^(22|23)/.test((error as { code?: string }).code ?? '');

function parsed<T>(schema: z.ZodType<T>, line: string | null): T | null {
  try {
    return schema.safeParse(JSON.parse(line ?? 'null')).data ?? null;
  } catch {
    return null;
  }
}

/** Rows up to the line that ends them, some at a time. */
async function* rowsOf(lines: AsyncGenerator<Buffer>, more: string): AsyncGenerator<Buffer> {
  const behind = Buffer.from(`${more}\n`);
  let open: Buffer[] = [];
  let length = 0;
  for (let line = await lines.next(); ; line = await lines.next()) {
    if (line.done) throw new RangeError('the rows of a table have no end');
    if (line.value.length <= 4 && line.value.toString('latin1').trimEnd() === END_OF_ROWS) break;
    open.push(...(more ? [line.value.subarray(0, -1), behind] : [line.value]));
    length += line.value.length;
    if (length < PORTION) continue;
    yield Buffer.concat(open);
    open = [];
    length = 0;
  }
  yield Buffer.concat(open);
}

/** Gives the mover their seat in the shop that has come: the account of their name, else their own beside the others. */
async function seat(trx: Knex.Transaction, mover: Mover): Promise<{ id: string; did: string } | null> {
  const own = (await trx('people').where({ id: mover.id }).first('password_hash', 'site')) as { password_hash: string };
  const same = (await trx('people')
    .whereRaw('lower(name) = lower(?)', [mover.name])
    .first('id', 'role', 'more_roles', 'active')) as
    { id: string; role: Role; more_roles: Role[]; active: boolean } | undefined;
  if (!same) {
    await trx('people').where({ id: mover.id }).update({ name: mover.name });
    return { id: mover.id, did: 'added' };
  }
  const isEngineer = same.role === 'engineer' || same.more_roles.includes('engineer');
  await trx('people')
    .where({ id: same.id })
    .update({
      password_hash: own.password_hash,
      active: true,
      more_roles: isEngineer ? same.more_roles : [...same.more_roles, 'engineer'],
    });
  await trx('sessions').where({ person: mover.id }).update({ person: same.id });
  await trx('sign_ins').where({ person: mover.id }).update({ person: same.id });
  await trx('people').where({ id: mover.id }).delete();
  return isEngineer && same.active ? null : { id: same.id, did: 'changed' };
}

/** @throws Refusal with what does not hold of what has come */
async function refuseBroken(trx: Knex.Transaction): Promise<void> {
  const faults = (await verifyShop(trx)).faults.map(({ name, text }) => `${name}: ${text}`);
  for await (const journal of verifyJournals(trx, 0)) {
    faults.push(...journal.faults.map(({ name, text }) => `${name}: ${text}`));
    if (faults.length > MOST_TOLD) break;
  }
  if (faults.length) throw refusals.wholeShopChanged(faults.slice(0, MOST_TOLD));
}

async function countShop(trx: Knex.Transaction): Promise<Pick<MovedShop, 'counts' | 'people'>> {
  const count = async (table: string) => Number(((await trx(table).count('* as n')) as [{ n: string }])[0].n);
  const people = (await trx('people').orderBy('name').pluck('name')) as string[];
  return {
    people,
    counts: {
      parts: await count('parts'),
      documents: (await count('limit_tables')) + (await count('look_sheets')),
      lists: await count('wire_lists'),
      combinations: await count('combinations'),
      entries: await count('journal'),
      photos: await count('photos'),
    },
  };
}
