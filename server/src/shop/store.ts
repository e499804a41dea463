import { shopSettingsSchema, type Here, type ShopChange, type ShopSettings } from '@tug-mark/contract';
import type { Logo } from '@tug-mark/core';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';

interface ShopRow {
  readonly id: string;
  readonly name: string;
  readonly is_demo: boolean;
  readonly zone: string;
  readonly settings: object;
  readonly logo: Buffer | null;
  readonly moved_in: Here['shop']['movedIn'];
}

/** The shop as every page of it knows it. */
export async function readShop(db: Knex): Promise<Omit<Here['shop'], 'demoSignIns'>> {
  // Asked with every page: the picture itself stays where it is.
  const digest = db.raw("encode(sha256(logo), 'hex') AS digest");
  const [row, anyone] = await Promise.all([
    db('shop').first('id', 'name', 'is_demo', 'zone', 'settings', 'moved_in', digest) as Promise<
      Omit<ShopRow, 'logo'> & { readonly digest: string | null }
    >,
    db('people').first('id') as Promise<unknown>,
  ]);
  const { id, name, zone } = row;
  return {
    ...{ id, name, zone, isDemo: row.is_demo, isNew: anyone === undefined },
    settings: settingsOf(row),
    logo: row.digest,
    movedIn: row.moved_in,
  };
}

// What a later version has set and this one does not know is left out, not an error.
const settingsOf = ({ settings }: Pick<ShopRow, 'settings'>): ShopSettings =>
  shopSettingsSchema.strip().parse(settings);

/** The shop as it stands on paper. */
export async function readLetterhead(db: Knex) {
  const row = (await db('shop').first('name', 'is_demo', 'zone', 'settings', 'logo')) as ShopRow;
  const { name, zone, logo } = row;
  const settings = settingsOf(row);
  return { name, zone, isDemo: row.is_demo, settings, logo: logo && toLogo(logo) };
}

/** Width and height stand at the same place of every PNG: bytes 16 to 23. */
const toLogo = (png: Buffer): Logo => ({
  data: png.toString('base64'),
  width: png.readUInt32BE(16),
  height: png.readUInt32BE(20),
});

/** The time zone the shop's days are counted in. */
export async function readZone(db: Knex): Promise<string> {
  return ((await db('shop').first('zone')) as { zone: string }).zone;
}

/** @throws Refusal when the shop has none */
export async function readLogo(db: Knex): Promise<Buffer> {
  const { logo } = (await db('shop').first('logo')) as Pick<ShopRow, 'logo'>;
  if (!logo) throw refusals.notFound('A logo');
  return logo;
}

/** Names the shop and says how it wants numbers, days and paper. */
export async function changeShop(db: Knex, { name, zone, settings }: ShopChange, doer: Doer): Promise<void> {
  await change(db, { name, zone, settings: JSON.stringify(settings) }, 'changed', doer);
}

/** @param logo PNG; null takes it off */
export async function keepLogo(db: Knex, logo: Buffer | null, doer: Doer): Promise<void> {
  await change(db, { logo }, logo ? 'was given a logo' : 'took its logo off', doer);
}

async function change(db: Knex, columns: object, did: string, doer: Doer): Promise<void> {
  await db.transaction(async (trx) => {
    await trx('shop').update(columns);
    await noteDeeds(trx, 'shop', did, ['shop'], doer);
    await bumpVersion(trx);
  });
}
