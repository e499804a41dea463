import type { SetUp, WireSetUp, Judgement, PullSetUp } from '../combination';
import type { Entry, EntryBody, EntryKind, Revisions, Standing } from '../entry';
import type { Criterion } from '../look';
import type { Limit, ReadingVerdict } from '../tug';

/** Why an entry is not taken on record: where, what is wrong and what to do. */
export interface EntryRefusal {
  readonly code: string;
  /** Path in the entry's body, e.g. 'force'; empty when it is about the whole. */
  readonly field: string;
  readonly text: string;
}

export const refuse = (code: string, field: string, text: string): EntryRefusal => ({ code, field, text });

/** What a release, a new run or a step of a lot rests on, worked out from the whole journal. */
export interface Rests {
  readonly verdict: Judgement['verdict'];
  /** What a release made now would stand on. */
  readonly stands: Standing | null;
  /** Newest revisions in the cabinet. */
  readonly newest: Revisions;
  /** Whether the set-up is released, and its release has not lapsed. */
  readonly isReleased: boolean;
  /** Why the lot in question cannot be finished yet; empty when it can. */
  readonly unfinished: readonly string[];
}

/** What an entry is checked against. */
export interface Bench {
  readonly setUp: SetUp;
  /** The journal, or as much of it as the kind asked for. */
  readonly journal: readonly Entry[];
  /** Entries of the set-up's current run, or of the lot the entry is about. */
  readonly own: readonly Entry[];
  /** The current run. */
  readonly run: number;
  readonly lot: number | null;
  /** The wire the entry is about; of a pull the first of those it pulls. */
  readonly wire: WireSetUp;
  /** The pull the entry is about. */
  readonly pull: PullSetUp;
  readonly limit: Limit | null;
  /** Points its pieces are looked at for. */
  readonly points: readonly Criterion[];
  readonly isCorrection: boolean;
  /** Who puts it on record; empty where nobody is named. */
  readonly by: string;
  readonly rests: Rests | null;
}

/** What has to stand before an entry: nothing, a pair that fits, or a pair and the tool taken for it. */
export type Needs = 'nothing' | 'pair' | 'tool';

/** Places a kind's check looks at, within the run's set-up and within the lot the entry is about. */
export interface Reads {
  readonly run: readonly string[];
  readonly lot: readonly string[];
}

/** What an entry says in the columns of a record's CSV file. */
export interface EntryCells {
  readonly piece: number | '';
  readonly answer: string;
  readonly measured: number | '';
  readonly unit: string;
  readonly force: number | '';
  readonly mode: string;
}

export type BodyOf<K extends EntryKind> = Extract<EntryBody, { kind: K }>;

/**
 * Everything the journal knows of one kind of entry. A new kind is one file here, one of the same name in the contract
 * and one on the server; the compiler names each list it is missing from.
 */
export interface Kind<B extends EntryBody> {
  /**
   * The one place in its run, or in its lot, an entry speaks about. Two uncorrected entries in one place would contradict
   * each other, so the second has to be a correction of the first.
   */
  readonly place: (body: B) => string;
  /** What the check looks at, so that a long journal need not be read whole; null where it looks at all of it. */
  readonly reads: (body: B) => Reads | null;
  readonly after: Needs | ((body: B) => Needs);
  /** Whether it rests on a judgement of the whole journal. */
  readonly rests: boolean;
  /** By the rules of the job; null when it may go on record. */
  readonly check: (body: B, bench: Bench) => EntryRefusal | null;
  /** The verdict that is kept with it; absent for kinds that have none. */
  readonly judge?: (body: B, bench: Bench) => ReadingVerdict;
  /** Prefix of the places of which one has to be taken before this one, and what to say when none is. */
  readonly asks?: (body: B) => { readonly prefix: string; readonly refusal: EntryRefusal } | null;
  /** What keeping it changes beside the journal: the revisions the combination works from. */
  readonly effect?: (body: B) => { readonly revisions: Revisions };
  /** In one line, without its run and its lot. */
  readonly sentence: (body: B) => string;
  readonly cells?: (body: B) => Partial<EntryCells>;
}

/** A check that looks at nothing but the tool on record. */
export const NOTHING: Reads = { run: [], lot: [] };

/** ', note' behind a sentence; empty without a note. */
export const noted = (note: string): string => (note ? `, ${note}` : '');
