import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { FirstEngineer, NewPerson, Person } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';
import { hashPassword, verifyPassword } from './passwords';

interface PersonRow {
  id: string;
  name: string;
  role: Person['role'];
  password_hash: string;
  active: boolean;
  qualified_until: string | null;
}

/** Hours a session lasts: one shift and its overtime. */
const SESSION_HOURS = 12;

const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  role: row.role,
  active: row.active,
  qualifiedUntil: row.qualified_until,
});

/** A session's token as it is kept: whoever reads the table cannot sign in with it. */
export const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');

/** Checks name and password and opens a session; null when they do not belong together. */
export async function openSession(db: Knex, name: string, password: string) {
  const row = await db<PersonRow>('people').whereRaw('lower(name) = lower(?)', [name]).where({ active: true }).first();
  if (!(await verifyPassword(row?.password_hash, password)) || !row) return null;
  const token = randomBytes(32).toString('base64url');
  await db('sessions').where('expires_at', '<', db.fn.now()).delete();
  await db('sessions').insert({
    token_hash: hashToken(token),
    person: row.id,
    expires_at: db.raw(`now() + interval '${SESSION_HOURS} hours'`),
  });
  return { token, person: toPerson(row) };
}

/** Who a session token belongs to and which version the shop has, in one round trip; null when it is spent. */
export async function readSession(db: Knex, token: string): Promise<{ person: Person; shopVersion: string } | null> {
  const { rows } = await db.raw<{ rows: (PersonRow & { version: string })[] }>(
    `SELECT p.id, p.name, p.role, p.active, p.qualified_until, s.version
       FROM sessions x JOIN people p ON p.id = x.person CROSS JOIN shop s
      WHERE x.token_hash = ? AND x.expires_at > now() AND p.active`,
    [hashToken(token)],
  );
  const row = rows[0];
  return row ? { person: toPerson(row), shopVersion: row.version } : null;
}

export async function closeSession(db: Knex, token: string): Promise<void> {
  await db('sessions')
    .where({ token_hash: hashToken(token) })
    .delete();
}

export async function readShop(db: Knex) {
  const shop = (await db('shop').first('name', 'is_demo')) as { name: string; is_demo: boolean };
  const anyone = await db('people').first('id');
  return { name: shop.name, isDemo: shop.is_demo, isNew: anyone === undefined };
}

/** Makes the first account of a shop without any; two at once cannot both be first. */
export async function makeFirstEngineer(db: Knex, first: FirstEngineer): Promise<void> {
  const password_hash = await hashPassword(first.password);
  await db.transaction(async (trx) => {
    await trx.raw('LOCK TABLE people IN EXCLUSIVE MODE');
    if (await trx('people').first('id')) throw refusals.notNew();
    await trx('shop').update({ name: first.shopName });
    await trx('people').insert({ id: randomUUID(), name: first.name, role: 'engineer', password_hash });
  });
}

export async function listPeople(db: Knex): Promise<Person[]> {
  return (await db<PersonRow>('people').orderBy('name')).map(toPerson);
}

/** Adds an account; the same id again changes nothing. */
export async function addPerson(db: Knex, person: NewPerson): Promise<Person> {
  const known = await db<PersonRow>('people').whereRaw('lower(name) = lower(?)', [person.name]).first();
  if (known && known.id !== person.id) throw refusals.nameTaken('An account named', person.name);
  if (!known) {
    await db('people').insert({
      id: person.id,
      name: person.name,
      role: person.role,
      password_hash: await hashPassword(person.password),
      qualified_until: person.qualifiedUntil,
    });
  }
  return { id: person.id, name: person.name, role: person.role, active: true, qualifiedUntil: person.qualifiedUntil };
}

/** Changes whether an account is in use and how long its qualification lasts; ends its sessions when it is shut. */
export async function changePerson(
  db: Knex,
  id: string,
  change: Pick<Person, 'active' | 'qualifiedUntil'>,
): Promise<Person> {
  return db.transaction(async (trx) => {
    const [row] = await trx<PersonRow>('people')
      .where({ id })
      .update({ active: change.active, qualified_until: change.qualifiedUntil })
      .returning('*');
    if (!row) throw refusals.notFound('This account');
    const engineer = await trx('people').where({ role: 'engineer', active: true }).first('id');
    if (!engineer) throw refusals.lastEngineer();
    if (!change.active) await trx('sessions').where({ person: id }).delete();
    // Whoever remembers this person has to look again.
    await bumpVersion(trx);
    return toPerson(row);
  });
}
