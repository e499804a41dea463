import type { KeptEntry, NewEntry, Role } from '@tug-mark/contract';
import {
  askedBefore,
  checkEntry,
  computeSetUp,
  entrySlot,
  inForce,
  kindOf,
  lotOf,
  restsOf,
  slotsToCheck,
  today,
  whyUnqualified,
  type EntryBody,
  type EntryCheck,
  type EntryRefusal,
  type Qualified,
  type Rests,
  type Revisions,
  type SetUp,
  type SetUpContext,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { noteDeeds } from '../chain/deeds';
import { rowHash, writeEntry, type Sealed } from '../chain/hashes';
import { contextOf, readRow, readShared } from '../combination/store';
import { bumpVersion } from '../db/bumpVersion';
import { copyCell, copyInto } from '../db/copyInto';
import { runPrepared } from '../db/prepared';
import { JOURNAL_COLUMNS, readJournal, readJournalOfLot, takenSince, toEntry, type JournalRow } from '../entry/rows';
import { Refusal, refusals } from '../http/problems';
import { ContextCache } from './contexts';
import type { ServerKind } from './Evidence';
import { SERVER_KINDS } from './kinds';
import { Together } from './Together';

export interface Appended {
  readonly entry: KeptEntry;
  /** The same entry was on record already. */
  readonly repeated: boolean;
}

/** What the caller goes by; the database confirms both as it keeps the entry. A null session is not confirmed (the demo). */
export interface Believed {
  readonly version: string;
  readonly session: string | null;
  /** The shop's time zone. */
  readonly zone: string;
}

/** Who puts something on record, and the role they act in; what they are qualified for is asked of those who sign in. */
export interface By {
  readonly name: string;
  readonly role: Role;
  readonly qualified?: Qualified;
}

/** Entries of a file that are checked, and then written, at a time. */
const PORTION = 500;

const serverKind = (body: EntryBody) => SERVER_KINDS[body.kind] as ServerKind<EntryBody['kind']>;

/**
 * The one writer of the journal: bench, files of pulls and the demo's past come through here, by the same rules, and
 * nothing else writes to it.
 */
export class Journal {
  private readonly cache = new ContextCache();
  private readonly together: Together;

  constructor(private readonly db: Knex) {
    this.together = new Together(db);
  }

  /**
   * @param at instant of keeping; given so that the demo's history can be replayed
   * @returns 'look-again' when what the caller believed no longer holds; nothing was kept then
   * @throws Refusal when the rules of the job, the slot or the id refuse it
   */
  async append(
    combination: string,
    entry: NewEntry,
    person: By,
    believed: Believed,
    at: Date,
  ): Promise<Appended | 'look-again'> {
    const { db } = this;
    const now = at.toISOString();
    const day = today(believed, now);
    const { setUp, journal } = await this.cache.toCheck(db, combination, believed.version, entry.body, now, day);
    refuseUnqualified(person, setUp, day);
    const rests = kindOf(entry.body).rests ? await this.restsOn(combination, entry.body, now) : null;
    const check = checkEntry(
      setUp,
      journal,
      entry.body,
      { isCorrection: entry.corrects !== null, why: entry.why, by: person.name },
      rests,
    );
    if (!check.ok) {
      const known = await this.known(entry.id, entry);
      if (known) return known;
      throw refused(check.refusal);
    }
    const proving = { db, combination, setUp, journal, isCorrection: entry.corrects !== null };
    try {
      await serverKind(entry.body).prove?.(entry.body as never, proving);
    } catch (refusal) {
      // What it was proved by may have changed since it was kept: sent again, it is on record all the same.
      const known = await this.known(entry.id, entry);
      if (known) return known;
      throw refusal;
    }
    const body = (await serverKind(entry.body).settle?.(entry.body as never, proving)) ?? entry.body;
    const asked = entry.corrects === null ? askedBefore(entry.body) : null;
    const content = sealed({ ...entry, body }, check, person, now);
    const slot = entrySlot(content.body);
    const pull = pullOf(entry.body);
    const effect = kindOf(content.body).effect?.(content.body);
    const written = writeEntry(combination, content);
    if (believed.session !== null && content.corrects === null && !effect) {
      const kept = await this.together.keep({
        id: content.id,
        combination,
        content: written.content,
        token: believed.session,
        version: believed.version,
        kind: content.body.kind,
        lot: lotOf(content.body),
        asked: asked?.prefix ?? null,
        pull,
      });
      if (kept) return appended(content, slot, kept.entry_seq, kept.entry_previous, kept.entry_hash);
    }
    const write = (on: Knex) =>
      runPrepared<{ outcome: string; row_seq: number; row_previous: string; row_hash: string }>(
        on,
        'append-entry',
        'SELECT * FROM append_entry($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22)',
        [
          believed.session,
          believed.session === null ? null : believed.version,
          content.id,
          combination,
          slot,
          content.body.kind,
          lotOf(content.body),
          written.body,
          written.verdict,
          written.limit,
          now,
          content.by,
          content.role,
          content.corrects,
          content.why,
          content.madeAt,
          content.clockBehind,
          pull?.gauge ?? null,
          pull?.start ?? null,
          pull?.end ?? null,
          asked?.prefix ?? null,
          written.content,
        ],
      );
    // What it changes beside the journal is there with it or not at all.
    const [done] = effect
      ? await db.transaction(async (trx) => {
          const rows = await write(trx);
          if (rows[0]?.outcome === 'kept') await this.takeUp(trx, combination, effect.revisions, person);
          return rows;
        })
      : await write(db);
    if (!done) throw new Error('append_entry gave no row');
    switch (done.outcome) {
      case 'look-again':
        return 'look-again';
      case 'kept':
        return appended(content, slot, done.row_seq, done.row_previous, done.row_hash);
      case 'id-known': {
        const known = await this.known(entry.id, entry);
        if (!known) throw refusals.idTaken();
        return known;
      }
      case 'asked':
        throw refused(asked?.refusal ?? { code: 'asked', field: '', text: 'Something has to be on record first.' });
      case 'pull-taken':
        throw await this.pullTaken(entry.body);
      case 'slot-taken':
        throw await this.slotTaken(combination, slot);
      case 'corrects-stale':
        throw refusals.correctsStale(inForce(await readJournal(db, combination, [slot])).at(-1));
      case 'combination-unknown':
        throw refusals.notFound('This combination');
      default:
        throw refusals.correctsUnknown();
    }
  }

  /**
   * Puts many entries of one lot, or of the set-up, on record: whole or not at all, each by the same rules as one that is
   * typed, in one transaction that holds the chain's end.
   *
   * @param lot that of all of them; null for the set-up
   * @param bodies none of a kind that rests on the whole journal or changes the combination
   * @param onlyCheck keep nothing, whatever is found
   * @returns the place of the last one; or what is wrong with which of them, and nothing was kept
   */
  async appendMany(
    combination: string,
    lot: number | null,
    bodies: Iterable<EntryBody>,
    person: By,
    at: Date,
    onlyCheck = false,
  ): Promise<
    | { readonly ok: true; readonly seq: number }
    | { readonly ok: false; readonly wrong: readonly { readonly index: number; readonly refusal: EntryRefusal }[] }
  > {
    const now = at.toISOString();
    const wrong: { index: number; refusal: EntryRefusal }[] = [];
    try {
      const seq = await this.db.transaction(async (trx) => {
        const end = (await trx('chains')
          .where({ name: `journal/${combination}` })
          .forUpdate()
          .first('count', 'head')) as { count: number; head: string } | undefined;
        if (!end) throw refusals.notFound('This combination');
        const context = await contextOf(this.db, await readRow(trx, combination), await readShared(this.db));
        const standing = await readJournalOfLot(trx, combination, lot);
        const passing = this.passing(combination, bodies, { context, standing, person, now }, wrong);
        const last = onlyCheck ? await drain(passing) : await this.copy(trx, combination, end, passing, person);
        if (wrong.length || onlyCheck) throw new NothingKept();
        return last;
      });
      return { ok: true, seq };
    } catch (error) {
      if (error instanceof NothingKept) return { ok: false, wrong };
      throw error;
    }
  }

  /**
   * Checks bodies one by one; gives those that pass as they are sealed, some hundreds at a time, up to the first that does
   * not, and says which.
   */
  private async *passing(
    combination: string,
    bodies: Iterable<EntryBody>,
    at: {
      readonly context: SetUpContext;
      readonly standing: readonly KeptEntry[];
      readonly person: By;
      readonly now: string;
    },
    wrong: { index: number; refusal: EntryRefusal }[],
  ): AsyncGenerator<Sealed[]> {
    const { context, standing, person, now } = at;
    const setUp = computeSetUp(context, standing, now);
    refuseUnqualified(person, setUp, today(context, now));
    const bySlot = new Map<string, KeptEntry[]>();
    for (const each of standing) {
      const slot = entrySlot(each.body);
      bySlot.set(slot, [...(bySlot.get(slot) ?? []), each]);
    }
    const taken = new Set(bySlot.keys());
    let passed: Sealed[] = [];
    let index = -1;
    for (const body of bodies) {
      index += 1;
      const slots = slotsToCheck(body);
      if (!slots || kindOf(body).rests) throw new Error(`${body.kind} is not kept many at a time`);
      const looked = slots.flatMap((slot) => bySlot.get(slot) ?? []);
      const check = checkEntry(setUp, looked, body, { isCorrection: false, why: null });
      const slot = entrySlot(body);
      const refusal = check.ok ? missing(body, slot, taken) : check.refusal;
      if (refusal || !check.ok) {
        if (refusal) wrong.push({ index, refusal });
        continue;
      }
      taken.add(slot);
      // On a connection of its own: the transaction's is taking rows in.
      const proof = serverKind(body).prove?.(body as never, {
        ...{ db: this.db, combination, setUp, journal: looked, isCorrection: false },
      });
      if (proof) await proof;
      if (wrong.length) continue;
      passed.push(sealed({ id: crypto.randomUUID(), body, corrects: null, why: null }, check, person, now));
      if (passed.length < PORTION) continue;
      yield passed;
      passed = [];
    }
    if (!wrong.length) yield passed;
  }

  /** Writes entries as they pass, through one COPY, and moves the chain's end: the database works while the next are checked. */
  private async copy(
    trx: Knex.Transaction,
    combination: string,
    end: { count: number; head: string },
    portions: AsyncIterable<readonly Sealed[]>,
    person: By,
  ): Promise<number> {
    let { count: seq, head: previous } = end;
    // The same in all of them.
    const by = copyCell(person.name);
    const role = copyCell(person.role);
    const toLine = (content: Sealed) => {
      const { id, at } = content;
      const { body, verdict, limit, slot, content: text } = writeEntry(combination, content);
      seq += 1;
      const before = previous;
      previous = rowHash(before, seq, text);
      const { kind } = content.body;
      return (
        `${id}\t${combination}\t${seq}\t${copyCell(slot)}\t${kind}\t${lotOf(content.body) ?? '\\N'}\t${copyCell(body)}` +
        `\t${copyCell(verdict)}\t${copyCell(limit)}\t${at}\t${by}\t${role}\t${before}\t${previous}\n`
      );
    };
    const lines = async function* () {
      for await (const portion of portions) if (portion.length) yield portion.map(toLine).join('');
    };
    await copyInto(
      trx,
      'journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, previous, hash)',
      lines(),
    );
    await trx('chains')
      .where({ name: `journal/${combination}` })
      .update({ count: seq, head: previous });
    return seq;
  }

  /** What a release, a new run or a step of a lot rests on, judged from the whole journal. */
  private async restsOn(combination: string, body: KeptEntry['body'], now: string): Promise<Rests> {
    const row = await readRow(this.db, combination);
    const lot = lotOf(body);
    const entries = await readJournalOfLot(this.db, combination, lot);
    const context = await contextOf(this.db, row, await readShared(this.db, takenSince([entries])));
    return restsOf(computeSetUp(context, entries, now), entries, context, lot, now);
  }

  /** Sets what the combination works from, in the transaction that keeps the entry which says so. */
  private async takeUp(
    trx: Knex,
    combination: string,
    { terminal, wire, together, opposite = [], practice }: Revisions,
    { name: by, role }: By,
  ): Promise<void> {
    const row = await readRow(trx, combination);
    const at = (wires: typeof row.together, revisions: readonly number[]) =>
      JSON.stringify(wires.map(({ part, revision }, i) => ({ part, revision: revisions[i] ?? revision })));
    await trx('combinations')
      .where({ id: combination })
      .update({
        terminal_revision: terminal,
        wire_revision: wire,
        practice_revision: practice,
        together: at(row.together, together),
        opposite: at(row.opposite, opposite),
      });
    await noteDeeds(trx, 'lists', 'begun-again', [`combination/${combination}`], { by, role });
    await bumpVersion(trx);
  }

  /** The entry on record under this id when it says the same; undefined when the id is free. */
  private async known(id: string, entry: NewEntry): Promise<Appended | undefined> {
    const row = (await this.db('journal').where({ id }).first(JOURNAL_COLUMNS)) as JournalRow | undefined;
    if (!row) return undefined;
    const sent = (body: EntryBody): unknown => serverKind(body).asSent?.(body as never) ?? body;
    const same =
      isDeepStrictEqual(sent(row.body), sent(entry.body)) && row.corrects === entry.corrects && row.why === entry.why;
    if (!same) throw refusals.idTaken();
    return { entry: toEntry(row), repeated: true };
  }

  private async slotTaken(combination: string, slot: string) {
    const standing = inForce(await readJournal(this.db, combination, [slot])).at(-1);
    const body = standing?.body;
    const what =
      body?.kind === 'reading'
        ? `Piece ${body.piece} has a reading already: ${body.force.toFixed(1)} N, by ${standing?.by}.`
        : body?.kind === 'finding'
          ? `Piece ${body.piece} has been looked at for this already: ${body.finding}, by ${standing?.by}.`
          : `This is on record already, by ${standing?.by}.`;
    return refusals.slotTaken(what, standing);
  }

  private async pullTaken(body: EntryBody): Promise<Refusal> {
    const pull = pullOf(body);
    const row = (await this.db('journal')
      .where({ gauge: pull?.gauge ?? '' })
      .whereNull('corrects')
      .where('pull_start', '<', pull?.end ?? '')
      .where('pull_end', '>', pull?.start ?? '')
      .first(JOURNAL_COLUMNS)) as JournalRow | undefined;
    const standing = row && toEntry(row);
    const piece = standing && 'piece' in standing.body ? ` as piece ${standing.body.piece}` : '';
    return refusals.pullTaken(`This pull is on record already${piece}, by ${standing?.by ?? 'somebody'}.`, standing);
  }
}

/** Takes what is said of a file back: nothing of it was kept. */
class NothingKept extends Error {}

/** Lets everything be checked. */
async function drain(portions: AsyncIterable<readonly Sealed[]>): Promise<number> {
  for await (const portion of portions) void portion;
  return 0;
}

const appended = (content: Sealed, slot: string, seq: number, previous: string, hash: string): Appended => ({
  entry: { ...content, version: 2, slot, seq, previous, hash },
  repeated: false,
});

const pullOf = (body: EntryBody) => serverKind(body).pull?.(body as never) ?? null;

const refused = ({ code, field, text }: EntryRefusal) => refusals.entryRefused(code, field, text);

/** @throws Refusal where somebody is not qualified for the family that is made */
function refuseUnqualified({ qualified }: By, { family }: SetUp, day: string): void {
  const why = qualified ? whyUnqualified(qualified, family, day) : null;
  if (why !== null) throw refusals.unqualified(why);
}

/** What an entry lacks before it, or that its place is taken, among the slots that are. */
function missing(body: EntryBody, slot: string, taken: ReadonlySet<string>): EntryRefusal | null {
  if (taken.has(slot)) {
    const piece = 'piece' in body ? body.piece : 0;
    const what = body.kind === 'reading' ? 'a reading' : 'this';
    return { code: 'slot-taken', field: 'piece', text: `Piece ${piece} has ${what} on record already.` };
  }
  const asked = askedBefore(body);
  return asked && ![...taken].some((slot) => slot.startsWith(asked.prefix)) ? asked.refusal : null;
}

/** The entry as it is sealed. */
function sealed(entry: NewEntry, check: Extract<EntryCheck, { ok: true }>, { name, role }: By, now: string): Sealed {
  const { reading, limit } = check;
  const table = limit?.table;
  return {
    id: entry.id,
    at: now,
    by: name,
    role,
    body: entry.body,
    verdict: reading && {
      verdict: reading.verdict,
      margin: reading.margin,
      text: reading.reason.text,
      force: limit?.force ?? null,
    },
    limit: table ? { document: table.document, revision: table.revision, class: table.class } : null,
    corrects: entry.corrects,
    why: entry.why,
    madeAt: entry.madeAt ?? null,
    clockBehind: entry.sentAt ? clampToInt(Date.parse(now) - Date.parse(entry.sentAt)) : null,
  };
}

const clampToInt = (ms: number) => Math.max(-(2 ** 31) + 1, Math.min(2 ** 31 - 1, Math.round(ms)));
