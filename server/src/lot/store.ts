import type { Combination, CombinationView, KeptEntry, NewEntry, Person } from '@tug-mark/contract';
import {
  checkEntry,
  computeSetUp,
  currentRun,
  entrySlot,
  inForce,
  judgeFit,
  lotOf,
  readTrace,
  restsOf,
  slotsToCheck,
  unpackTrace,
  type DocumentKey,
  type PhotoKey,
  type Rests,
  type SetUp,
  type SetUpContext,
  type TraceContext,
  type TraceKey,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { listParts, readChecks, readRevisions, revisionKey } from '../cabinet/store';
import { bumpVersion } from '../db/bumpVersion';
import { runPrepared } from '../db/prepared';
import { refusals } from '../http/problems';
import { listLooks } from '../look/store';
import { listLimits } from '../tug/store';
import { sealedContent } from './chain';

interface CombinationRow {
  id: string;
  number: string;
  list: string;
  terminal: string;
  terminal_revision: number;
  wire: string;
  wire_revision: number;
  practice: string;
  practice_revision: number;
  pieces: number;
  place: Combination['place'];
  class: string;
  customer: string | null;
  together: { part: string; revision: number }[];
  demand: Combination['demand'];
}

interface JournalRow {
  id: string;
  combination: string;
  seq: number;
  body: KeptEntry['body'];
  verdict: KeptEntry['verdict'];
  limit_key: DocumentKey | null;
  at: Date;
  by_name: string;
  by_role: KeptEntry['role'];
  corrects: string | null;
  why: string | null;
  previous: string;
  hash: string;
}

const JOURNAL_COLUMNS = [
  'id',
  'combination',
  'seq',
  'body',
  'verdict',
  'limit_key',
  'at',
  'by_name',
  'by_role',
  'corrects',
  'why',
  'previous',
  'hash',
];

function toEntry(row: JournalRow): KeptEntry {
  return {
    id: row.id,
    seq: row.seq,
    at: row.at.toISOString(),
    by: row.by_name,
    role: row.by_role,
    body: row.body,
    verdict: row.verdict,
    limit: row.limit_key,
    corrects: row.corrects,
    why: row.why,
    previous: row.previous,
    hash: row.hash,
  };
}

const toCombination = (row: CombinationRow): Combination => ({
  id: row.id,
  list: row.list,
  terminal: row.terminal,
  wire: row.wire,
  pieces: row.pieces,
  place: row.place,
  class: row.class,
  customer: row.customer,
  demand: row.demand,
});

/** One combination's journal in order; only the given slots when asked. */
export async function readJournal(db: Knex, combination: string, slots?: readonly string[]): Promise<KeptEntry[]> {
  const query = db('journal').where({ combination }).orderBy('seq').select(JOURNAL_COLUMNS);
  if (slots) void query.whereIn('slot', slots);
  return ((await query) as JournalRow[]).map(toEntry);
}

/** Entries of one combination after a place in its journal, in order. */
export async function readEntriesAfter(
  db: Knex,
  combination: string,
  after: number,
  most: number,
): Promise<KeptEntry[]> {
  const rows = (await db('journal')
    .where({ combination })
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(most)
    .select(JOURNAL_COLUMNS)) as JournalRow[];
  return rows.map(toEntry);
}

/** Entries of the set-up, the heads of all lots, and everything of one lot. */
export async function readJournalOfLot(db: Knex, combination: string, lot: number | null): Promise<KeptEntry[]> {
  const of = () => db('journal').where({ combination }).select(JOURNAL_COLUMNS);
  const rows = (
    await Promise.all([
      of().whereNull('lot'),
      of().whereRaw("body ->> 'kind' IN ('lot', 'finish')"),
      lot === null ? [] : of().where({ lot }).whereRaw("body ->> 'kind' NOT IN ('lot', 'finish')"),
    ])
  ).flat() as JournalRow[];
  return rows.map(toEntry).sort((a, b) => a.seq - b.seq);
}

/** The newest lot of each combination that has one. */
async function newestLots(db: Knex, combinations: readonly string[]): Promise<Map<string, number>> {
  const rows = (await db('journal')
    .whereIn('combination', combinations)
    .whereRaw("body ->> 'kind' IN ('lot', 'finish')")
    .groupBy('combination')
    .select('combination')
    .max('lot as lot')) as { combination: string; lot: number }[];
  return new Map(rows.map((row) => [row.combination, row.lot]));
}

/** Entries a lot may have and still be judged in a list of many; of longer ones the list has the head alone. */
const MOST_IN_LIST = 3000;

/** Combinations whose newest lot is too long to be judged in a list of many. */
export async function longLots(db: Knex, combinations: readonly string[]): Promise<Set<string>> {
  const newest = [...(await newestLots(db, combinations))];
  if (!newest.length) return new Set();
  const rows = (await db('journal')
    .whereIn(['combination', 'lot'], newest)
    .groupBy('combination')
    .havingRaw('count(*) > ?', [MOST_IN_LIST])
    .select('combination')) as { combination: string }[];
  return new Set(rows.map((row) => row.combination));
}

/**
 * Journals of many combinations at once, each in order.
 * @param which 'all' of them, those of the 'set-up' alone, or 'newest-lot': the set-up and the lot being made
 */
export async function readJournals(
  db: Knex,
  combinations: readonly string[],
  which: 'all' | 'set-up' | 'newest-lot' = 'all',
): Promise<Map<string, KeptEntry[]>> {
  const query = db('journal')
    .whereIn('combination', combinations)
    .orderBy(['combination', 'seq'])
    .select(JOURNAL_COLUMNS);
  if (which !== 'all') void query.whereNull('lot');
  const rows = (await query) as JournalRow[];
  if (which === 'newest-lot') {
    const newest = [...(await newestLots(db, combinations))];
    const long = await longLots(db, combinations);
    const whole = newest.filter(([combination]) => !long.has(combination));
    const ofLots = newest.length
      ? ((await db('journal')
          .whereIn(['combination', 'lot'], whole)
          .orWhere((head) => {
            void head.whereIn(['combination', 'lot'], newest).whereRaw("body ->> 'kind' IN ('lot', 'finish')");
          })
          .select(JOURNAL_COLUMNS)) as JournalRow[])
      : [];
    for (const row of ofLots) rows.push(row);
    rows.sort((a, b) => (a.combination < b.combination ? -1 : a.combination > b.combination ? 1 : a.seq - b.seq));
  }
  const journals = new Map<string, KeptEntry[]>();
  for (const row of rows) {
    const journal = journals.get(row.combination);
    if (journal) journal.push(toEntry(row));
    else journals.set(row.combination, [toEntry(row)]);
  }
  return journals;
}

/** A page of combinations after the given number (0: from the first), with the number to go on from. */
export async function pageCombinations(
  db: Knex,
  after: number,
  most: number,
  which: Partial<Pick<CombinationRow, 'id' | 'list' | 'class'>> = {},
) {
  const rows = await db<CombinationRow>('combinations')
    .where(which)
    .where('number', '>', after)
    .orderBy('number')
    .limit(most);
  const last = rows.at(-1);
  return { rows, next: rows.length === most && last ? Number(last.number) : null };
}

/** Combinations of one list or class, in order, a batch at a time: any number needs the memory of one batch. */
export async function* batches(
  db: Knex,
  which: Partial<Pick<CombinationRow, 'id' | 'list' | 'class'>>,
): AsyncGenerator<CombinationRow[]> {
  for (let after: number | null = 0; after !== null;) {
    const page: Awaited<ReturnType<typeof pageCombinations>> = await pageCombinations(db, after, 50, which);
    if (page.rows.length) yield page.rows;
    after = page.next;
  }
}

/** When each tool on these journals was first taken: what checks have to be read back to. */
export function takenSince(journals: Iterable<readonly KeptEntry[]>): Map<string, string> {
  const since = new Map<string, string>();
  for (const journal of journals) {
    for (const { body, at } of journal) {
      if (body.kind !== 'tool') continue;
      const known = since.get(body.tool);
      if (known === undefined || at < known) since.set(body.tool, at);
    }
  }
  return since;
}

/** What every set-up of the shop shares. Other terminals are read only where one is refused. */
export async function readShared(db: Knex, since?: ReadonlyMap<string, string>) {
  const [strippers, tools, checks, limits, looks] = await Promise.all([
    listParts(db, 'stripper'),
    listParts(db, 'tool'),
    readChecks(db, since),
    listLimits(db),
    listLooks(db),
  ]);
  return { strippers, tools, checks, limits, looks, cabinet: [] };
}

async function newestOf(
  db: Knex,
  kind: 'terminal' | 'wire' | 'practice',
  rows: readonly CombinationRow[],
): Promise<Map<string, number>> {
  const others = kind === 'wire' ? rows.flatMap((row) => row.together.map((w) => w.part)) : [];
  const parts = [...new Set([...rows.map((row) => row[kind]), ...others])];
  const found = (await db('parts')
    .where({ kind })
    .whereIn('part', parts)
    .groupBy('part')
    .select('part')
    .max('revision as revision')) as { part: string; revision: number }[];
  return new Map(found.map((row) => [row.part, row.revision]));
}

/** The contexts combinations are set up from: their own part revisions and the shop's tools, checks and limits. */
export async function contextsOf(
  db: Knex,
  rows: readonly CombinationRow[],
  shared: Awaited<ReturnType<typeof readShared>>,
): Promise<Map<string, SetUpContext>> {
  const revisions = <K extends 'terminal' | 'wire' | 'practice'>(kind: K) =>
    readRevisions(
      db,
      kind,
      rows.map((row) => ({ part: row[kind], revision: row[`${kind}_revision`] })),
    );
  const [terminals, wires, together, practices, newestTerminal, newestWire, newestPractice] = await Promise.all([
    revisions('terminal'),
    revisions('wire'),
    readRevisions(
      db,
      'wire',
      rows.flatMap((row) => row.together),
    ),
    revisions('practice'),
    newestOf(db, 'terminal', rows),
    newestOf(db, 'wire', rows),
    newestOf(db, 'practice', rows),
  ]);
  return new Map(
    rows.map((row) => {
      const terminal = terminals.get(revisionKey(row.terminal, row.terminal_revision));
      const wire = wires.get(revisionKey(row.wire, row.wire_revision));
      const practice = practices.get(revisionKey(row.practice, row.practice_revision));
      const others = row.together.flatMap((w) => together.get(revisionKey(w.part, w.revision)) ?? []);
      if (!terminal || !wire || !practice || others.length !== row.together.length) {
        throw new Error(`Combination ${row.id} names a part revision that is not there.`);
      }
      const context: SetUpContext = {
        ...shared,
        terminal,
        wire,
        together: others,
        practice,
        use: { ...row.demand, place: row.place },
        class: row.class,
        revisions: {
          terminal: row.terminal_revision,
          wire: row.wire_revision,
          together: row.together.map((w) => w.revision),
          practice: row.practice_revision,
        },
        newest: {
          terminal: newestTerminal.get(row.terminal) ?? row.terminal_revision,
          wire: newestWire.get(row.wire) ?? row.wire_revision,
          together: row.together.map((w) => newestWire.get(w.part) ?? w.revision),
          practice: newestPractice.get(row.practice) ?? row.practice_revision,
        },
      };
      return [row.id, context];
    }),
  );
}

/** The context of one combination. */
export async function contextOf(
  db: Knex,
  row: CombinationRow,
  shared: Awaited<ReturnType<typeof readShared>>,
): Promise<SetUpContext> {
  const context = (await contextsOf(db, [row], shared)).get(row.id);
  if (!context) throw new Error(`Combination ${row.id} has no context.`);
  return context;
}

export async function readRow(db: Knex, id: string): Promise<CombinationRow> {
  const row = await db<CombinationRow>('combinations').where({ id }).first();
  if (!row) throw refusals.notFound('This combination');
  return row;
}

/**
 * A combination with its journal.
 * @param which 'all' entries, or beside those of the set-up the ones of one lot; null: the newest
 */
export async function readView(db: Knex, id: string, which: 'all' | number | null = null): Promise<CombinationView> {
  const row = await readRow(db, id);
  const lot = typeof which === 'number' ? which : ((await newestLots(db, [id])).get(id) ?? null);
  const entries = which === 'all' ? await readJournal(db, id) : await readJournalOfLot(db, id, lot);
  const shared = await readShared(db, takenSince([entries]));
  const context = await contextOf(db, row, shared);
  const { terminal, wire, together, practice, use, revisions, newest } = context;
  // The cabinet is needed only to name what would fit instead.
  const refused = judgeFit(terminal, [wire, ...together], use, practice).verdict === 'no';
  return {
    combination: toCombination(row),
    wire,
    together: [...together],
    terminal,
    practice,
    revisions,
    newest,
    strippers: shared.strippers,
    tools: shared.tools,
    checks: shared.checks,
    limits: shared.limits,
    looks: shared.looks,
    lot,
    coverings: (await listParts(db, 'covering')).filter((part) => part.recoveredBore !== null),
    cabinet: refused ? await listParts(db, 'terminal') : [],
    entries,
  };
}

/**
 * Contexts kept between requests, good for one version of the shop: only what can be read again is kept, so any number
 * of server processes serve one database (docs/decisions/006-reading-path.md).
 */
class ContextCache {
  private version = '';
  private readonly contexts = new Map<string, SetUpContext>();
  private readonly forReadings = new Map<string, { setUp: SetUp; journal: KeptEntry[]; day: string; run: number }>();

  /**
   * What an entry is checked against: the set-up, and the journal as far as the check looks at it. A reading asks only
   * for limit, breaking load and whether a tool was ever taken, which stay the same for a day of one version.
   */
  async toCheck(db: Knex, id: string, version: string, body: KeptEntry['body'], now: string) {
    const context = await this.get(db, id, version);
    const day = now.slice(0, 10);
    const kept = this.forReadings.get(id);
    const isSample = body.kind === 'reading' && body.lot === undefined;
    if (isSample && kept?.day === day && kept.run === (body.run ?? 1)) return kept;
    const slots = slotsToCheck(body);
    const journal = slots ? await readJournal(db, id, slots) : await readJournalOfLot(db, id, lotOf(body));
    const found = { setUp: computeSetUp(context, journal, now), journal, day, run: currentRun(journal) };
    const hasTool = journal.some((entry) => entry.body.kind === 'tool');
    if (isSample && hasTool && version === this.version) this.forReadings.set(id, found);
    return found;
  }

  private async get(db: Knex, id: string, version: string): Promise<SetUpContext> {
    if (version !== this.version || this.contexts.size >= 500) {
      this.contexts.clear();
      this.forReadings.clear();
      this.version = version;
    }
    const known = this.contexts.get(id);
    if (known) return known;
    const context = await contextOf(db, await readRow(db, id), await readShared(db));
    if (version === this.version) this.contexts.set(id, context);
    return context;
  }
}

/** Kinds that rest on what the whole journal says. */
const RESTING: readonly KeptEntry['body']['kind'][] = ['release', 'run', 'lot', 'disposition', 'finish'];

export interface Appended {
  readonly entry: KeptEntry;
  /** The same entry was on record already. */
  readonly repeated: boolean;
}

/** Puts entries on record: the same rules as at the bench, then one append in the database. */
export class Journal {
  private readonly cache = new ContextCache();

  constructor(private readonly db: Knex) {}

  /**
   * @param believed session and shop version the caller goes by; the database confirms both as it keeps the entry. A
   *   null session (the demo's replay) is not confirmed
   * @param at instant of keeping; given so that the demo's history can be replayed
   * @returns 'look-again' when what the caller believed no longer holds; nothing was kept then
   * @throws Refusal when the rules of the job, the slot or the id refuse it
   */
  async append(
    combination: string,
    entry: NewEntry,
    person: Pick<Person, 'name' | 'role'>,
    believed: { version: string; session: string | null },
    at: Date,
  ): Promise<Appended | 'look-again'> {
    const { db } = this;
    const now = at.toISOString();
    const { setUp, journal } = await this.cache.toCheck(db, combination, believed.version, entry.body, now);
    const rests = RESTING.includes(entry.body.kind) ? await this.restsOn(combination, entry.body, now) : null;
    const about = { isCorrection: entry.corrects !== null, why: entry.why };
    const check = checkEntry(setUp, journal, entry.body, about, rests);
    if (!check.ok) {
      const known = await this.known(entry.id, entry);
      if (known) return known;
      throw refusals.entryRefused(check.refusal.code, check.refusal.field, check.refusal.text);
    }
    if (entry.body.kind === 'reading' && entry.body.trace) {
      const own = setUp.wires[(entry.body.wire ?? 1) - 1];
      await this.traceAgrees(combination, entry.body.trace, entry.body.force, {
        breaks: own?.breaks ?? setUp.breaks,
        strands: own?.wire.conductor.strands ?? 1,
        loadingRate: null,
      });
    }
    if (entry.body.kind === 'photo') await this.photoIsKept(combination, entry.body.photo);
    const table = check.limit?.table;
    const content = {
      id: entry.id,
      at: now,
      by: person.name,
      role: person.role,
      body: entry.body,
      verdict: check.reading
        ? {
            verdict: check.reading.verdict,
            margin: check.reading.margin,
            text: check.reading.reason.text,
            force: check.limit?.force ?? null,
          }
        : null,
      limit: table ? { document: table.document, revision: table.revision, class: table.class } : null,
      corrects: entry.corrects,
      why: entry.why,
    };
    const slot = entrySlot(entry.body);
    const [done] = await runPrepared<{ outcome: string; row_seq: number; row_previous: string; row_hash: string }>(
      db,
      'append-entry',
      'SELECT * FROM append_entry($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)',
      [
        believed.session,
        believed.session === null ? null : believed.version,
        content.id,
        combination,
        slot,
        JSON.stringify(content.body),
        content.verdict && JSON.stringify(content.verdict),
        content.limit && JSON.stringify(content.limit),
        now,
        content.by,
        content.role,
        content.corrects,
        content.why,
        sealedContent(content),
      ],
    );
    if (!done) throw new Error('append_entry gave no row');
    switch (done.outcome) {
      case 'look-again':
        return 'look-again';
      case 'kept':
        await this.takeUp(combination, entry.body);
        return {
          entry: { ...content, seq: done.row_seq, previous: done.row_previous, hash: done.row_hash },
          repeated: false,
        };
      case 'id-known': {
        await this.takeUp(combination, entry.body);
        const known = await this.known(entry.id, entry);
        if (!known) throw refusals.idTaken();
        return known;
      }
      case 'slot-taken':
        throw await this.slotTaken(combination, slot);
      case 'corrects-stale':
        throw refusals.correctsStale(inForce(await readJournal(db, combination, [slot])).at(-1));
      default:
        throw refusals.correctsUnknown();
    }
  }

  /** What a release, a new run or a step of a lot rests on, judged from the whole journal. */
  private async restsOn(combination: string, body: KeptEntry['body'], now: string): Promise<Rests> {
    const row = await readRow(this.db, combination);
    const lot = lotOf(body);
    const entries = await readJournalOfLot(this.db, combination, lot);
    const context = await contextOf(this.db, row, await readShared(this.db, takenSince([entries])));
    return restsOf(computeSetUp(context, entries, now), entries, context, lot, now);
  }

  /**
   * A curve is kept before the reading that names it, and says the same: the peak is read anew here.
   * @throws Refusal when it is not there or shows another force
   */
  private async traceAgrees(
    combination: string,
    { id, digest }: TraceKey,
    force: number,
    context: TraceContext,
  ): Promise<void> {
    const row = (await this.db('traces').where({ id, combination, digest }).first('bytes')) as
      { bytes: Buffer } | undefined;
    const trace = row && unpackTrace(row.bytes);
    if (!trace) throw refusals.traceMissing();
    const reading = readTrace(trace, context);
    const peak = reading.ok ? reading.read.peak.force : null;
    if (peak !== null && Math.abs(peak - force) > Math.max(1, 0.02 * peak)) {
      throw refusals.entryRefused(
        'trace-differs',
        'force',
        `The curve’s peak is ${peak.toFixed(1)} N, the reading says ${force.toFixed(1)} N. Keep the reading without the curve, or the curve’s own.`,
      );
    }
  }

  /**
   * A photograph is kept before the entry that names it.
   * @throws Refusal when it is not there or is another one
   */
  private async photoIsKept(combination: string, { id, digest }: PhotoKey): Promise<void> {
    if (!(await this.db('photos').where({ id, combination, digest }).first('id'))) throw refusals.photoMissing();
  }

  /** A new run works from the revisions it names. Done again with the same entry it changes nothing. */
  private async takeUp(combination: string, body: KeptEntry['body']): Promise<void> {
    if (body.kind !== 'run') return;
    const { terminal, wire, together, practice } = body.revisions;
    const { together: others } = await readRow(this.db, combination);
    await this.db.transaction(async (trx) => {
      await trx('combinations')
        .where({ id: combination })
        .update({
          terminal_revision: terminal,
          wire_revision: wire,
          practice_revision: practice,
          together: JSON.stringify(
            others.map(({ part, revision }, i) => ({ part, revision: together[i] ?? revision })),
          ),
        });
      await bumpVersion(trx);
    });
  }

  /** The entry on record under this id when it says the same; undefined when the id is free. */
  private async known(id: string, entry: NewEntry): Promise<Appended | undefined> {
    const row = (await this.db('journal').where({ id }).first(JOURNAL_COLUMNS)) as JournalRow | undefined;
    if (!row) return undefined;
    const same = isDeepStrictEqual(row.body, entry.body) && row.corrects === entry.corrects && row.why === entry.why;
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
}
