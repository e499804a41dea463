import { entriesOf, type Entry, type EntryBody } from '../entry';
import type { Terminal } from '../terminal';
import { judgeRetention } from '../tug';
import { counted } from '../text';
import { reason, type Reason } from '../verdict';
import type { Connector } from './Connector';
import { isLockClosed } from './lock';

/** A wire's end in a cavity, as the list of its loom says. */
export interface CavityWire {
  readonly cavity: string;
  readonly wireId: string;
  readonly wire: string;
  readonly terminal: string;
  /** How its contact goes in and out; null where its sheet says nothing of cavities. */
  readonly contact: Terminal['cavity'];
  /** Push it has to withstand, N; null where the limit table names none. */
  readonly push: number | null;
  /** Combination its work is put on record for; null where the list has none such. */
  readonly combination: string | null;
}

/**
 * How a cavity stands: 'unused' by the list; 'empty' and to be filled; 'seated', and its push is missing; 'home'; 'loose', it did not
 * click, came out, is not straight, or the list puts nothing there; 'out', taken out again.
 */
export type CavityState = 'unused' | 'empty' | 'seated' | 'home' | 'loose' | 'out';

export interface Cavity {
  readonly id: string;
  /** Counted from 1. */
  readonly column: number;
  readonly row: number;
  readonly state: CavityState;
  readonly wire: CavityWire | null;
  /** Counts how often something was put into it; 0 before. */
  readonly seat: number;
  /** Entry of what is in it now, so that a push can be made again; null while nothing is. */
  readonly entry: string | null;
  /** How often its contact was taken out of it. */
  readonly removals: number;
  /** A contact that may go in no more: taken out too often, or hurt. */
  readonly isSpent: boolean;
  readonly text: string;
}

export interface CavityMap {
  readonly cavities: readonly Cavity[];
  /** The cavity that comes next; null when all are home. */
  readonly next: string | null;
  /** Of the lock: there is none; it waits for contacts; it can be closed now; closed; closed over a contact that is not home. */
  readonly lock: 'none' | 'waits' | 'due' | 'closed' | 'wrong';
  /** How often the lock was told of, so that the next one is counted. */
  readonly lockCount: number;
  /** What of list and connector contradicts each other. */
  readonly problems: readonly Reason[];
}

type Work<K extends 'retention' | 'removal' | 'lock'> = Extract<EntryBody, { kind: K }>;

/** Cavities in a row where no drawing says how they lie. */
const IN_A_ROW = 10;

/**
 * One connector of one loom, cavity by cavity: what sits in each by the list, and what was done to it by what is on record. A contact
 * is put in, pushed, and home; taken out, it is counted against its sheet's number, and one that is hurt or was out too often is
 * replaced. The lock closes when every contact of the list is home, and is opened again before one is taken out.
 *
 * @param connector the part; null where the list names none: then its cavities are those the list names
 * @param name of the connector in the list
 * @param wires of this connector
 * @param piece the loom, counted from 1
 * @param work entries in any order of time, of every combination that has a contact here
 */
export function cavityMap(
  connector: Pick<Connector, 'cavities' | 'lock' | 'part'> | null,
  name: string,
  wires: readonly CavityWire[],
  piece: number,
  work: readonly Entry[],
): CavityMap {
  const byCavity = new Map<string, CavityWire>();
  const problems: Reason[] = [];
  const places = connector?.cavities ?? inRows(wires);
  const known = new Map(places.map((place) => [place.id, place]));
  for (const each of wires) {
    const twin = byCavity.get(each.cavity);
    const place = known.get(each.cavity);
    if (twin) {
      problems.push(
        reason(
          'cavity-twice',
          'bad',
          `Cavity ${each.cavity} of ${name}: the list puts ${twin.wireId} and ${each.wireId} into it.`,
        ),
      );
    } else if (!place) {
      problems.push(
        reason(
          'cavity-unknown',
          'bad',
          `${name} is ${connector?.part ?? 'unknown'}, which has no cavity ${each.cavity}: ${each.wireId} goes nowhere.`,
        ),
      );
    } else {
      byCavity.set(each.cavity, each);
      if (place.terminals.length && !place.terminals.includes(each.terminal)) {
        problems.push(
          reason(
            'cavity-contact',
            'bad',
            `Cavity ${each.cavity} of ${name} takes ${place.terminals.join(', ')}, and the list puts ${each.terminal} into it.`,
          ),
        );
      }
    }
  }
  const ofThis = ({ body }: { readonly body: Work<'retention'> | Work<'removal'> | Work<'lock'> }) =>
    body.connector === name && body.piece === piece;
  const seats = entriesOf(work, 'retention').filter(ofThis);
  const removals = entriesOf(work, 'removal').filter(ofThis);
  const cavities = places.map((place): Cavity => {
    const wire = byCavity.get(place.id) ?? null;
    const inOf = <T extends { readonly body: { readonly cavity: string } }>(of: readonly T[]) =>
      of.filter(({ body }) => body.cavity === place.id);
    const put = inOf(seats);
    const own = put.map(({ body }) => body);
    const out = inOf(removals).map(({ body }) => body);
    return {
      ...{ id: place.id, column: place.column, row: place.row, wire },
      ...standOf(wire, own, out),
      entry: put.findLast(({ body }) => seatOf(body) === Math.max(...own.map(seatOf)))?.id ?? null,
    };
  });
  const used = cavities.filter(({ state }) => state !== 'unused');
  const isHome = used.length > 0 && used.every(({ state }) => state === 'home');
  const locks = entriesOf(work, 'lock').filter(ofThis);
  const isClosed = isLockClosed(locks.map(({ body }) => body));
  const hasLock = connector?.lock != null;
  return {
    cavities,
    next: used.find(({ state }) => state !== 'home')?.id ?? null,
    lock: !hasLock ? 'none' : isClosed ? (isHome ? 'closed' : 'wrong') : isHome ? 'due' : 'waits',
    lockCount: locks.length,
    problems,
  };
}

/** How one cavity stands by what was put into it and taken out of it. */
function standOf(
  wire: CavityWire | null,
  seats: readonly Work<'retention'>[],
  removals: readonly Work<'removal'>[],
): Pick<Cavity, 'state' | 'seat' | 'removals' | 'isSpent' | 'text'> {
  const seat = Math.max(0, ...seats.map(seatOf));
  const last = seats.find((body) => seatOf(body) === seat) ?? null;
  const taken = removals.find((body) => body.seat === seat) ?? null;
  const spent = contactSpent(seats, removals, wire?.contact ?? null);
  const counts = { seat, removals: removals.length, isSpent: taken !== null && spent !== null };
  if (!wire && last && !taken)
    return { ...counts, state: 'loose', text: 'A contact is in it, and the list puts none there. Take it out.' };
  if (!wire) return { ...counts, state: 'unused', text: 'The list puts nothing into it. A sealed one takes a plug.' };
  if (!last) return { ...counts, state: 'empty', text: `${wire.terminal} of ${wire.wireId} goes in.` };
  if (taken) return { ...counts, state: 'out', text: spent ?? `Taken out (${taken.reason}); it may go in again.` };
  if (last.straight === false) return { ...counts, state: 'loose', text: 'It does not lie straight. Take it out.' };
  if (last.pulledBack === false)
    return { ...counts, state: 'loose', text: 'It came back at a light pull. Take it out.' };
  const { verdict, reason: why } = judgeRetention(last, wire.push);
  if (verdict === 'loose') return { ...counts, state: 'loose', text: why.text };
  const isPushMissing = wire.push !== null && verdict !== 'stays';
  return { ...counts, state: isPushMissing ? 'seated' : 'home', text: why.text };
}

/** The first is 1 and does not say so. */
export const seatOf = ({ seat }: Pick<Work<'retention'>, 'seat'>): number => seat ?? 1;

/**
 * Why the contact that was last in a cavity may not go in again: hurt, as it went in or came out, or out more often than its sheet
 * allows; null where it may.
 */
export function contactSpent(
  seats: readonly Work<'retention'>[],
  removals: readonly Work<'removal'>[],
  contact: Pick<NonNullable<Terminal['cavity']>, 'mostRemovals'> | null,
): string | null {
  // Since the last new contact.
  const from = Math.max(1, ...seats.filter(({ contact: which }) => which === 'new').map(seatOf));
  const own = removals.filter(({ seat }) => seat >= from);
  const hurt = own.find(({ lance, grip }) => lance === 'hurt' || grip === 'hurt');
  if (hurt) return `Its ${hurt.lance === 'hurt' ? 'lance' : 'grip'} was hurt as it came out: a new contact.`;
  if (own.some(({ reason }) => reason === 'hurt')) return 'It was taken out because it was hurt: a new contact.';
  const most = contact?.mostRemovals ?? null;
  if (most === 0 && own.length) return 'Its sheet lets no contact go in a second time: a new contact.';
  return most !== null && own.length > most
    ? `Taken out ${counted(own.length, 'time')}; its sheet allows ${most}: a new contact.`
    : null;
}

/** Cavities as the list names them, in rows of ten, where no part says how they lie. */
function inRows(wires: readonly CavityWire[]): Connector['cavities'] {
  const ids = [...new Set(wires.map(({ cavity }) => cavity))].sort((a, b) =>
    a.localeCompare(b, 'en', { numeric: true }),
  );
  return ids.map((id, i) => ({
    ...{ id, terminals: [] },
    ...{ column: (i % IN_A_ROW) + 1, row: Math.floor(i / IN_A_ROW) + 1 },
  }));
}
