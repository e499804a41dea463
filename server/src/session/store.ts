import { createHash, randomBytes } from 'node:crypto';
import type { Person, Role } from '@tug-mark/contract';
import type { Knex } from 'knex';
import { runPrepared } from '../db/prepared';
import { verifyPassword } from './passwords';

export interface PersonRow {
  id: string;
  name: string;
  /** The first of the roles; the others stand beside it. */
  role: Role;
  more_roles: Role[];
  password_hash: string;
  active: boolean;
  qualified_until: string | null;
  qualifications: Person['qualifications'];
  /** The password is a word for once, good until then; null for one of the person's own. */
  once_until: Date | null;
}

/** Hours a session lasts: one shift and its overtime. */
const SESSION_HOURS = 12;

export const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  roles: [row.role, ...row.more_roles],
  active: row.active,
  qualifiedUntil: row.qualified_until,
  qualifications: row.qualifications,
});

/** A session's token as it is kept: whoever reads the table cannot sign in with it. */
export const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');

/** Checks name and password and opens a session; null when they do not belong together. */
export async function openSession(db: Knex, name: string, password: string) {
  const row = await db<PersonRow>('people').whereRaw('lower(name) = lower(?)', [name]).where({ active: true }).first();
  const isRight = await verifyPassword(row?.password_hash, password);
  if (!row) return null;
  const isOpen = isRight && (row.once_until === null || row.once_until > new Date());
  await db('sign_ins').insert({ person: row.id, succeeded: isOpen });
  if (!isOpen) return null;
  const token = randomBytes(32).toString('base64url');
  await db('sessions').where('expires_at', '<', db.fn.now()).delete();
  await db('sessions').insert({
    token_hash: hashToken(token),
    person: row.id,
    expires_at: db.raw(`now() + interval '${SESSION_HOURS} hours'`),
  });
  return { token, person: toPerson(row), mustChoose: row.once_until !== null };
}

/** Who a session token belongs to and which version the shop has, in one round trip; null when it is spent. */
export async function readSession(
  db: Knex,
  token: string,
): Promise<{ person: Person; shopVersion: string; zone: string; mustChoose: boolean } | null> {
  const [row] = await runPrepared<PersonRow & { version: string; zone: string }>(
    db,
    'read-session',
    `SELECT p.id, p.name, p.role, p.more_roles, p.active, p.qualified_until, p.qualifications, p.once_until, s.version, s.zone
       FROM sessions x JOIN people p ON p.id = x.person CROSS JOIN shop s
      WHERE x.token_hash = $1 AND x.expires_at > now() AND p.active`,
    [hashToken(token)],
  );
  return row
    ? { person: toPerson(row), shopVersion: row.version, zone: row.zone, mustChoose: row.once_until !== null }
    : null;
}

/** Whether a session, by its token's hash, still lets its person in. */
export async function isOpen(db: Knex, session: string): Promise<boolean> {
  const row: unknown = await db('sessions as s')
    .join('people as p', 'p.id', 's.person')
    .where({ 's.token_hash': session, 'p.active': true })
    .whereRaw('s.expires_at > now()')
    .first('p.id');
  return row !== undefined;
}

export async function closeSession(db: Knex, token: string): Promise<void> {
  await db('sessions')
    .where({ token_hash: hashToken(token) })
    .delete();
}
