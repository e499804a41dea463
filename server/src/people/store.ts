import { randomUUID } from 'node:crypto';
import type {
  FirstEngineer,
  NewPerson,
  OnceWord,
  OwnPassword,
  Person,
  PersonChange,
  SignInLine,
} from '@tug-mark/contract';
import type { Knex } from 'knex';
import { noteDeeds } from '../chain/deeds';
import type { Doer } from '../chain/ledger';
import { bumpVersion } from '../db/bumpVersion';
import { refusals } from '../http/problems';
import { readShop } from '../shop/store';
import { hashPassword, makeOnceWord, verifyPassword, whyWeak } from '../session/passwords';
import { toPerson, type PersonRow } from '../session/store';

/** Makes the first account of a shop without any; two at once cannot both be first. */
export async function makeFirstEngineer(db: Knex, first: FirstEngineer): Promise<void> {
  // Asked before the password is hashed, so that a shop that has accounts spends nothing on being asked.
  if (await db('people').first('id')) throw refusals.notNew();
  await refuseWeak(first.password, [first.name, first.shopName]);
  const password_hash = await hashPassword(first.password);
  const id = randomUUID();
  const more_roles = first.alone ? ['technician', 'quality'] : [];
  await db.transaction(async (trx) => {
    await trx.raw('LOCK TABLE people IN EXCLUSIVE MODE');
    if (await trx('people').first('id')) throw refusals.notNew();
    await trx('shop').update({ name: first.shopName, ...(first.zone && { zone: first.zone }) });
    await trx('people').insert({ id, name: first.name, role: 'engineer', more_roles, password_hash });
    const doer = { by: first.name, role: 'engineer' };
    await noteDeeds(trx, 'shop', 'opened', ['shop'], doer);
    await noteDeeds(trx, 'people', 'added', [id], doer);
  });
}

export async function listPeople(db: Knex): Promise<Person[]> {
  return (await db<PersonRow>('people').orderBy('name')).map(toPerson);
}

/**
 * Adds an account; the same again changes nothing.
 * @throws Refusal when the name is taken, or the id stands for somebody else
 */
export async function addPerson(db: Knex, person: NewPerson, doer: Doer): Promise<Person> {
  const { id, name, roles, qualifiedUntil } = person;
  const [role, ...more_roles] = roles;
  const known = await db<PersonRow>('people')
    .where({ id })
    .orWhereRaw('lower(name) = lower(?)', [name])
    .orderByRaw('id = ? DESC', [id])
    .first();
  if (known) return sameAccount(toPerson(known), person);
  if (person.password !== undefined) await refuseWeak(person.password, [name]);
  // Without one nobody can come in: what is hashed is forgotten at once.
  const password_hash = await hashPassword(person.password ?? randomUUID());
  return db.transaction(async (trx) => {
    const row = { id, name, role, more_roles, password_hash, qualified_until: qualifiedUntil };
    const added = await trx('people').insert(row).onConflict().ignore().returning('id');
    // Somebody added one of this name, or this very one, while the password was hashed.
    if (!added.length) {
      const standing = await trx<PersonRow>('people').where({ id }).first();
      if (!standing) throw refusals.nameTaken('An account named', name);
      return sameAccount(toPerson(standing), person);
    }
    await noteDeeds(trx, 'people', 'added', [id], doer);
    return { id, name, roles, active: true, qualifiedUntil, qualifications: null };
  });
}

async function refuseWeak(password: string, own: readonly string[]): Promise<void> {
  const why = await whyWeak(password, own);
  if (why !== null) throw refusals.passwordWeak(why);
}

/**
 * Chooses a person's own password and ends every other session of theirs.
 * @param session hash of the token of the session it is chosen in
 * @throws Refusal when the current one is wrong, or the new one easily guessed
 */
export async function chooseOwnPassword(
  db: Knex,
  person: Person,
  { current, password }: OwnPassword,
  session: string,
): Promise<void> {
  const row = await db<PersonRow>('people').where({ id: person.id }).first();
  if (!(await verifyPassword(row?.password_hash, current))) throw refusals.passwordWrong();
  const { name } = await readShop(db);
  await refuseWeak(password, [person.name, name, current]);
  const password_hash = await hashPassword(password);
  await db.transaction(async (trx) => {
    await trx('people').where({ id: person.id }).update({ password_hash, once_until: null });
    await trx('sessions').where({ person: person.id }).whereNot({ token_hash: session }).delete();
    await noteDeeds(trx, 'people', 'chose a password', [person.id], { by: person.name, role: person.roles[0] ?? '' });
    await bumpVersion(trx);
  });
}

/** Days a word for once is good for. */
const ONCE_DAYS = 7;

/** Gives out a word for once: the password before it and every session end with it. */
export async function giveOnceWord(db: Knex, id: string, doer: Doer): Promise<OnceWord> {
  const word = makeOnceWord();
  const until = new Date(Date.now() + ONCE_DAYS * 86_400_000);
  const password_hash = await hashPassword(word);
  return db.transaction(async (trx) => {
    const [row] = await trx<PersonRow>('people')
      .where({ id })
      .update({ password_hash, once_until: until })
      .returning('*');
    if (!row) throw refusals.notFound('This account');
    await trx('sessions').where({ person: id }).delete();
    await noteDeeds(trx, 'people', 'was given a word for once', [id], doer);
    await bumpVersion(trx);
    return { name: row.name, word, until: until.toISOString() };
  });
}

/** The latest sign-ins and tries. */
export async function listSignIns(db: Knex): Promise<SignInLine[]> {
  const rows = (await db('sign_ins as s')
    .join('people as p', 'p.id', 's.person')
    .orderBy('s.at', 'desc')
    .limit(200)
    .select('p.name', 's.at', 's.succeeded')) as { name: string; at: Date; succeeded: boolean }[];
  return rows.map(({ name, at, succeeded }) => ({ name, at: at.toISOString(), succeeded }));
}

function sameAccount(known: Person, wanted: NewPerson): Person {
  if (known.id !== wanted.id) throw refusals.nameTaken('An account named', wanted.name);
  if (known.name !== wanted.name || String(known.roles) !== String(wanted.roles)) throw refusals.idTaken();
  return known;
}

/**
 * Changes whether an account is in use, its roles and its qualifications; ends its sessions when it is shut. A qualification
 * that stands as it stood keeps who gave it and when; a date that was there before anybody kept them by family came from
 * whoever gave that one.
 * @throws Refusal when there is no such account, or nobody in use would be an engineer any more
 */
export async function changePerson(db: Knex, id: string, change: PersonChange, doer: Doer): Promise<Person> {
  return db.transaction(async (trx) => {
    const before = await trx<PersonRow>('people').where({ id }).forUpdate().first();
    if (!before) throw refusals.notFound('This account');
    const stands = toPerson(before);
    const at = new Date().toISOString();
    const { active, qualifiedUntil, roles } = { ...stands, ...change };
    const given = change.qualifications?.map(({ family, until }) => {
      const same = stands.qualifications?.find((each) => each.family === family && each.until === until);
      return same ?? { family, until, by: doer.by, at };
    });
    const kept = change.qualifications === undefined ? stands.qualifications : (given ?? null);
    const [role, ...more_roles] = roles;
    const [row] = await trx<PersonRow>('people')
      .where({ id })
      .update({
        ...{ active, role, more_roles, qualified_until: qualifiedUntil },
        qualifications: (kept && JSON.stringify(kept)) as never,
      })
      .returning('*');
    if (!row) throw refusals.notFound('This account');
    const engineer = await trx('people')
      .where({ active: true })
      .whereRaw(`'engineer' = ANY (role || more_roles)`)
      .first('id');
    if (!engineer) throw refusals.lastEngineer();
    if (!active) await trx('sessions').where({ person: id }).delete();
    await noteDeeds(trx, 'people', 'changed', [id], doer);
    // Whoever remembers this person has to look again.
    await bumpVersion(trx);
    return toPerson(row);
  });
}
