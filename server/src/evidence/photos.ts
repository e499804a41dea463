import type { CombinationRecord } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import { sha256 } from '../chain/hashes';
import type { Doer } from '../chain/ledger';
import type { PhotoTaken } from './takePhoto';

/** Bytes of one piece: a row of the table stays small, and reading one never needs the whole picture. */
const PIECE = 256 * 1024;

export interface PhotoRow {
  readonly id: string;
  readonly combination: string;
  readonly digest: string;
  readonly sent: string;
  readonly width: number;
  readonly height: number;
  readonly size: number;
}

/** The photograph under an id, without its bytes. */
export async function findPhoto(db: Knex, id: string): Promise<PhotoRow | undefined> {
  return (await db('photos').where({ id }).first('id', 'combination', 'digest', 'sent', 'width', 'height', 'size')) as
    PhotoRow | undefined;
}

/** Keeps a photograph in pieces. */
export async function keepPhoto(
  db: Knex,
  { id, combination, sent, by, role }: { id: string; combination: string; sent: string } & Doer,
  { bytes, small, width, height }: PhotoTaken,
): Promise<string> {
  const digest = sha256(bytes);
  await db.transaction(async (trx) => {
    const kept = await trx('photos')
      .insert({ id, combination, digest, sent, width, height, size: bytes.length, small, by_name: by })
      .onConflict('id')
      .ignore()
      .returning('id');
    // The same photograph sent twice at once: the other one keeps it.
    if (!kept.length) return;
    for (let piece = 0; piece * PIECE < bytes.length; piece++) {
      await trx('photo_pieces').insert({
        photo: id,
        piece,
        bytes: bytes.subarray(piece * PIECE, (piece + 1) * PIECE),
      });
    }
    await noteDeeds(trx, 'photos', 'kept', [id], { by, role });
  });
  return digest;
}

/** A photograph's bytes, a piece at a time. */
export async function* readPhoto(db: Knex, id: string, size: number): AsyncGenerator<Buffer> {
  for (let piece = 0; piece * PIECE < size; piece++) {
    const row = (await db('photo_pieces').where({ photo: id, piece }).first('bytes')) as { bytes: Buffer } | undefined;
    if (!row) throw new Error(`Photograph ${id} lacks its piece ${piece}.`);
    yield row.bytes;
  }
}

/** All of a photograph's bytes. */
export async function readWholePhoto(db: Knex, { id, size }: Pick<PhotoRow, 'id' | 'size'>): Promise<Buffer> {
  const pieces: Buffer[] = [];
  for await (const piece of readPhoto(db, id, size)) pieces.push(piece);
  return Buffer.concat(pieces);
}

/** The photographs a record carries: those its entries name. */
export async function* readRecordPhotos(
  db: Knex,
  combination: string,
): AsyncGenerator<CombinationRecord['photos'][number]> {
  const rows = (await db('photos').where({ combination }).orderBy('at').select('id', 'size')) as PhotoRow[];
  const named = new Set(
    (
      (await db('journal')
        .where({ combination })
        .whereRaw("kind = 'photo'")
        .select(db.raw("body -> 'photo' ->> 'id' AS id"))) as { id: string }[]
    ).map((row) => row.id),
  );
  for (const row of rows) {
    if (named.has(row.id)) yield { id: row.id, bytes: (await readWholePhoto(db, row)).toString('base64') };
  }
}
