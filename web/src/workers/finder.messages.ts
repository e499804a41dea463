import type { Practice, Reason, Terminal, Tool, ToolRecords } from '@tug-mark/core';

/** What the worker is told, once per cabinet. */
export interface FinderShop extends ToolRecords {
  readonly terminals: readonly Terminal[];
  readonly tools: readonly Tool[];
  readonly practice: Practice;
  /** ISO instant */
  readonly now: string;
  /** The shop's time zone. */
  readonly zone: string;
}

/** One terminal found, as plain words and numbers: no catalogue travels back. */
export interface FinderLine {
  readonly part: string;
  readonly label: string;
  readonly family: string;
  readonly range: string;
  readonly stud: string | null;
  readonly verdict: 'fits' | 'edge' | 'no';
  readonly folded: boolean;
  readonly tool: string | null;
  readonly toolState: 'ready' | 'check-due' | 'refused' | null;
  readonly change: string;
  readonly stops: string | null;
  readonly reasons: readonly Reason[];
}

export interface FinderAnswer {
  readonly makes: readonly FinderLine[];
  readonly near: readonly FinderLine[];
  readonly looked: { readonly terminals: number; readonly nests: number };
  /** Milliseconds the search took. */
  readonly took: number;
}
