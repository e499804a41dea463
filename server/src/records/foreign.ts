import {
  fromFormerNames,
  recordSchema,
  setUpContext,
  type CombinationRecord,
  type ForeignLine,
  type ForeignRecord,
} from '@tug-mark/contract';
import {
  computeSetUp,
  findLimit,
  inForce,
  judgeCombination,
  judgeReading,
  unpackTrace,
  type SetUpContext,
  pullLimit,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { noteDeeds } from '../chain/deeds';
import { findBreak } from '../chain/ChainCheck';
import { sha256 } from '../chain/hashes';
import type { Doer } from '../chain/ledger';
import { findUnkeepable } from '../http/readJson';
import { refusals } from '../http/problems';

const COLUMNS = ['id', 'digest', 'file_name', 'shop', 'label', 'entries', 'by_name', 'at'];

interface ForeignRow {
  id: string;
  digest: string;
  file_name: string;
  shop: string;
  label: string;
  entries: number;
  by_name: string;
  at: Date;
  bytes: Buffer;
}

const toLine = (row: Omit<ForeignRow, 'bytes'>): ForeignLine => ({
  id: row.id,
  digest: row.digest,
  fileName: row.file_name,
  shop: row.shop,
  label: row.label,
  entries: row.entries,
  by: row.by_name,
  at: row.at.toISOString(),
});

/**
 * Keeps a record of another shop as it is, apart from everything this shop judges by: none of its parts, limits, checks or
 * entries becomes this shop's own. The same file again changes nothing.
 * @throws Refusal when it is no record, or was changed after it was made
 */
export async function readInRecord(db: Knex, bytes: Buffer, fileName: string, doer: Doer): Promise<ForeignLine> {
  const digest = sha256(bytes);
  const known = (await db('foreign_records').where({ digest }).first(COLUMNS)) as ForeignRow | undefined;
  if (known) return toLine(known);
  const { record } = openRecord(bytes);
  const { combination, shop, entries } = record;
  const id = randomUUID();
  await db.transaction(async (trx) => {
    const kept = await trx('foreign_records')
      .insert({
        id,
        digest,
        file_name: fileName,
        shop: shop.name,
        combination: combination.id,
        label: `${combination.terminal} on ${combination.wire}, ${combination.list}`,
        entries: entries.length,
        bytes,
        by_name: doer.by,
      })
      .onConflict('digest')
      .ignore()
      .returning('id');
    if (kept.length) await noteDeeds(trx, 'foreign-records', 'read-in', [id], doer);
  });
  const row = (await db('foreign_records').where({ digest }).first(COLUMNS)) as ForeignRow;
  return toLine(row);
}

/** Records of other shops, newest first. */
export async function listForeignRecords(db: Knex): Promise<ForeignLine[]> {
  return ((await db('foreign_records').orderBy('at', 'desc').limit(1000).select(COLUMNS)) as ForeignRow[]).map(toLine);
}

/** The file a record was read from. */
export async function readForeignFile(db: Knex, id: string): Promise<{ line: ForeignLine; bytes: Buffer }> {
  const row = (await db('foreign_records')
    .where({ id })
    .first([...COLUMNS, 'bytes'])) as ForeignRow | undefined;
  if (!row) throw refusals.notFound('This record');
  return { line: toLine(row), bytes: row.bytes };
}

/** A record of another shop with what this shop, computing it again, finds otherwise. */
export async function readForeignRecord(db: Knex, id: string): Promise<ForeignRecord> {
  const { line, bytes } = await readForeignFile(db, id);
  const { record } = openRecord(bytes);
  const { curves, photos, ...shown } = record;
  void curves;
  void photos;
  return { line, record: shown, differences: differencesOf(record) };
}

/**
 * Reads a record file. Its chain is checked on the text as it came: the first version's hashes cover the order of keys.
 * @throws Refusal when it is no record, or was changed after it was made
 */
export function openRecord(bytes: Buffer): { record: CombinationRecord } {
  let raw: unknown;
  try {
    raw = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw refusals.fileUnreadable('It is not JSON. A record is read in as it was taken out, unchanged.');
  }
  if (findUnkeepable(raw)) throw refusals.fileUnreadable('It holds text that cannot be kept, or is nested too deep.');
  const parsed = recordSchema.safeParse(fromFormerNames(raw));
  if (!parsed.success) {
    const errors = parsed.error.issues.slice(0, 50);
    throw refusals.shapeWrong(errors.map(({ path, message }) => ({ where: path.join('.'), text: message })));
  }
  const record = parsed.data;
  const { combination, wire, terminal } = record;
  if (combination.wire !== wire.part || combination.terminal !== terminal.part) {
    throw refusals.recordChanged(
      'Its combination names another wire or terminal than the ones it carries.',
      'combination',
    );
  }
  checkChain(record, raw as { entries: CombinationRecord['entries'] });
  checkEvidence(record);
  return { record };
}

/** Entries of the first version hold in the order of keys they were written in; some files were written in the schema's. */
function checkChain(record: CombinationRecord, raw: { entries: CombinationRecord['entries'] }): void {
  const asWritten = record.entries.map((entry, i) => {
    const own = raw.entries[i];
    return own && entry.version === 1 ? { ...entry, body: own.body, verdict: own.verdict, limit: own.limit } : entry;
  });
  const broken = findBreak(record.combination.id, asWritten);
  if (!broken || !findBreak(record.combination.id, record.entries)) return;
  throw refusals.recordChanged(broken.text, `entries.${broken.seq - 1}`);
}

/** Curves and photographs have to be those their entries were sealed with. */
function checkEvidence(record: CombinationRecord): void {
  const curves = new Map<string, string>();
  const photos = new Map<string, string>();
  for (const { body } of record.entries) {
    if (body.kind === 'reading' && body.trace) curves.set(body.trace.id, body.trace.digest);
    if (body.kind === 'photo') photos.set(body.photo.id, body.photo.digest);
  }
  for (const [index, { id, bytes: text }] of record.curves.entries()) {
    const bytes = Buffer.from(text, 'base64');
    const wanted = curves.get(id);
    if (!unpackTrace(bytes) || (wanted !== undefined && wanted !== sha256(bytes))) {
      throw refusals.recordChanged(`Curve ${index + 1} is not what was sealed with its reading.`, `curves.${index}`);
    }
  }
  for (const [index, { id, bytes: text }] of record.photos.entries()) {
    if (photos.get(id) !== sha256(Buffer.from(text, 'base64'))) {
      throw refusals.recordChanged(`Photograph ${index + 1} is not what was sealed with its entry.`, `photos.${index}`);
    }
  }
}

/** What the file says that its own parts, limits and entries do not come to. */
export function differencesOf(record: CombinationRecord): ForeignRecord['differences'] {
  const view = setUpContext(record);
  const context: SetUpContext = { ...view, cabinet: [], newest: record.revisions };
  const setUp = computeSetUp(context, record.entries, record.exportedAt);
  const judgement = judgeCombination(setUp, record.entries, context, record.exportedAt);
  const differences: ForeignRecord['differences'] = [];
  const compare = (where: string, says: string, computed: string) => {
    if (says !== computed) differences.push({ where, says, computed });
  };
  compare('judgement', record.judgement.verdict, judgement.verdict);
  compare('headline', record.judgement.headline, judgement.headline);
  for (const { stage, state, answer } of judgement.stages) {
    const said = record.judgement.stages.find((s) => s.stage === stage);
    compare(stage, `${said?.state ?? 'nothing'}: ${said?.answer ?? ''}`, `${state}: ${answer}`);
  }
  for (const { seq, body, verdict, limit: own } of inForce(record.entries)) {
    if (body.kind !== 'reading') continue;
    // By the table the entry says it was judged by, as the file has it: whatever run or lot it belongs to.
    const pull = setUp.pulls[(body.wire ?? 1) - 1];
    const { limits, terminal, class: grade, practice } = context;
    const found = own && setUp.wires.map(({ wire }) => findLimit(limits, wire, terminal, grade, '', practice, own));
    const limit = (pull && found && pullLimit(pull, found, body.failedEnd))?.limit?.force ?? null;
    const computed = judgeReading(body.force, limit, body.mode);
    compare(
      `entry ${seq}, piece ${body.piece}`,
      `${verdict?.verdict ?? 'no verdict'} against ${verdict?.force ?? 'no limit'} N`,
      `${computed.verdict} against ${limit ?? 'no limit'} N`,
    );
  }
  return differences;
}
