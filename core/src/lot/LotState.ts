import type { ReadingVerdict } from '../tug';
import type { LotChange, CheckPlan, DispositionKind, Standing } from '../entry';

/** One lot as its journal tells it, before anything is judged. */
export interface LotHead {
  readonly lot: number;
  readonly name: string;
  readonly pieces: number;
  readonly plan: CheckPlan;
  readonly stands: Standing;
  readonly openedAt: string;
  readonly openedBy: string;
  readonly state: 'running' | 'paused' | 'finished';
  readonly finishedAt: string | null;
  /** Pieces made so far. */
  readonly made: number;
  readonly steps: readonly LotStep[];
  /** The tools it was made with, in their order: from the piece after `after` on with what the set-up was released with then. */
  readonly tools: readonly ToolOfLot[];
  /** Pieces made when the tool was changed and nothing was released since: it waits for the set-up. Null while it does not. */
  readonly awaitsSetUp: number | null;
}

export interface ToolOfLot {
  readonly after: number;
  readonly stands: Standing;
}

export interface LotStep {
  readonly step: number;
  readonly at: string;
  readonly by: string;
  readonly what: 'made' | 'pause' | 'resume' | 'change';
  readonly made: number;
  readonly change: LotChange | null;
  readonly to: string | null;
}

/** What was found on one piece of a lot. */
export interface PieceCheck {
  readonly piece: number;
  /** Of the last entry about it. */
  readonly at: string;
  readonly by: string;
  readonly look: 'accepted' | 'rejected' | 'open';
  /** Whether the eye has answered every point; a number may still be missing. */
  readonly isSeen: boolean;
  readonly tug: ReadingVerdict['verdict'] | 'open';
  /** Lowest valid force, N; null without one. */
  readonly force: number | null;
  /** 'good' when looked at and pulled and both pass; 'void' when the pull was no test: the piece is spent, nothing known. */
  readonly outcome: 'good' | 'bad' | 'open' | 'void';
  readonly text: string;
}

/** Pieces `from` to `to` that stand alike. */
export interface Span {
  readonly from: number;
  readonly to: number;
  readonly state: 'clear' | 'open' | 'suspect' | 'rework' | 'scrapped' | 'used-as-is' | 'not-made';
  /** Why, by code: 'began', 'ended', 'comes-and-goes', 'tool-check', 'since', 'between-checks', 'disposed'. */
  readonly why: string;
  readonly text: string;
}

export interface Due {
  readonly code: 'first' | 'every' | 'hours' | 'before-change' | 'after-change' | 'last' | 'contain' | 'finish-check';
  /** Piece to be checked. */
  readonly piece: number;
  /** Pieces still to be made before it; 0 or less: now. */
  readonly inPieces: number;
  /** Minutes of work until it is due; null where time does not matter. */
  readonly inMinutes: number | null;
  readonly overdue: boolean;
  readonly text: string;
}

export interface Disposed {
  readonly from: number;
  readonly to: number;
  readonly what: DispositionKind;
  readonly by: string;
  readonly at: string;
  readonly note: string;
}
