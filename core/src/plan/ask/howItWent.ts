import { median } from '../../statistics';
import type { PlacedJob } from '../PlanWork';

/* A plan beside what the journal says of it afterwards. */

/** What a job of a plan given out is, as far as its going is concerned. */
export interface JobGone {
  readonly label: string;
  readonly list: string;
  /** Null: cutting and insertion leave no entry. */
  readonly combination: string | null;
  readonly pieces: number;
}

/** What the journal says of a combination while a plan counted. Minutes of the plan. */
export interface Gone {
  readonly combination: string;
  /** First and last entry of its set-up or its lots; null: none. */
  readonly begun: number | null;
  readonly last: number | null;
  /** Pieces made meanwhile. */
  readonly made: number;
  /** How often a tool was taken for it. */
  readonly setUps: number;
}

/** One combination as it was planned and as it went. */
export interface WentRow extends JobGone, Gone {
  readonly combination: string;
  readonly bench: string;
  readonly plannedStart: number;
  readonly plannedEnd: number;
  /** Set-ups that were planned: a change, samples, or both. */
  readonly plannedSetUps: number;
  readonly plannedChanges: number;
  /** Minute of its last piece; null where pieces are missing. */
  readonly ended: number | null;
  readonly state: 'made' | 'begun' | 'not begun' | 'not due';
  /** Minutes it began later than planned; below 0: sooner. Null where it was not begun. */
  readonly late: number | null;
}

/** How a plan went as a whole. */
export interface Went {
  readonly rows: readonly WentRow[];
  /** Combinations that were to be made by then, those that are, and those nobody began. */
  readonly due: number;
  readonly made: number;
  readonly notBegun: number;
  /** Pieces that were to be made by then, and that are. */
  readonly duePieces: number;
  readonly madePieces: number;
  readonly plannedSetUps: number;
  readonly setUps: number;
  /** Median minutes by which what was begun began later than planned; null where nothing was. */
  readonly late: number | null;
}

const isSetUp = ({ start, setUpEnd }: PlacedJob) => setUpEnd > start;

/**
 * Sets a plan beside what happened while it counted. Parts of a combination are one row: the journal does not tell them apart.
 * @param until minute up to which is looked: what was planned for later is not due
 */
export function howItWent(
  placed: readonly PlacedJob[],
  jobs: Readonly<Record<string, JobGone>>,
  gone: readonly Gone[],
  until: number,
): Went {
  const parts = new Map<string, PlacedJob[]>();
  for (const one of placed) {
    const combination = jobs[one.job]?.combination;
    if (combination) parts.set(combination, [...(parts.get(combination) ?? []), one]);
  }
  const goneOf = new Map(gone.map((one) => [one.combination, one]));
  let [duePieces, madePieces] = [0, 0];
  const rows = [...parts].flatMap(([combination, all]): WentRow[] => {
    const inOrder = all.toSorted((a, b) => a.start - b.start);
    const [first] = inOrder;
    const about = first && jobs[first.job];
    if (!first || !about) return [];
    const { begun = null, last = null, made = 0, setUps = 0 } = goneOf.get(combination) ?? {};
    const piecesOf = (some: readonly PlacedJob[]) => some.reduce((sum, { job }) => sum + (jobs[job]?.pieces ?? 0), 0);
    const pieces = piecesOf(inOrder);
    const due = piecesOf(inOrder.filter(({ end }) => end <= until));
    duePieces += due;
    // What was made ahead of its time makes up for nothing else.
    madePieces += Math.min(made, due);
    const state = made >= pieces ? 'made' : begun !== null ? 'begun' : first.start < until ? 'not begun' : 'not due';
    return [
      {
        ...{
          combination,
          label: about.label.split(' · ')[0] ?? about.label,
          list: about.list,
          bench: first.bench,
          pieces,
        },
        ...{ plannedStart: first.start, plannedEnd: Math.max(...inOrder.map(({ end }) => end)) },
        plannedSetUps: inOrder.filter(isSetUp).length,
        plannedChanges: inOrder.reduce((sum, { changeover }) => sum + changeover, 0),
        ...{ begun, last, made, setUps, ended: made >= pieces ? last : null, state },
        late: begun === null ? null : begun - first.start,
      },
    ];
  });
  rows.sort((a, b) => a.plannedStart - b.plannedStart || a.label.localeCompare(b.label));
  const due = rows.filter(({ plannedEnd }) => plannedEnd <= until);
  const lates = rows.flatMap(({ late }) => late ?? []);
  const began = rows.filter(({ plannedStart }) => plannedStart < until);
  return {
    rows,
    ...{ due: due.length, made: due.filter(({ state }) => state === 'made').length, duePieces, madePieces },
    notBegun: rows.filter(({ state }) => state === 'not begun').length,
    plannedSetUps: began.reduce((sum, { plannedSetUps }) => sum + plannedSetUps, 0),
    setUps: rows.reduce((sum, { setUps }) => sum + setUps, 0),
    late: lates.length ? median(lates) : null,
  };
}
