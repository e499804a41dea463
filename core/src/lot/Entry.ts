import type { Gate } from '../crimp';
import type { Finding } from '../look';
import type { FailureMode, LimitKey } from '../tug';
import type { ForceUnit, LengthUnit } from '../units';

/** The newest revisions, or those a set-up was made from. */
export interface Revisions {
  readonly terminal: number;
  readonly wire: number;
  /** Of the other wires in the barrel, in their order. */
  readonly together: readonly number[];
  readonly practice: number;
}

/** What a set-up was released with. It lapses when any of it changes. */
export interface Standing {
  readonly tool: string;
  readonly die: string;
  readonly nest: string;
  readonly setting: string | null;
  readonly positioner: string | null;
  readonly limit: LimitKey;
  readonly revisions: Revisions;
}

export const MEASURES = ['strip', 'height'] as const;
/** What the caliper says of a sample piece: its strip length before the crimp, its crimp height after. */
export type Measure = (typeof MEASURES)[number];

/**
 * What a person put on record at the bench, by kind. Forces in N and lengths in mm, whatever unit they were typed in.
 * `run` counts the set-ups of one combination from 1, absent in the first: pieces of an earlier run prove nothing
 * about a later one.
 */
export type EntryBody = { readonly run?: number | undefined } & (
  | {
      readonly kind: 'tool';
      readonly tool: string;
      readonly die: string;
      readonly nest: string;
      /** Selector setting and positioner as set; absent where the tool has none. */
      readonly setting?: string | undefined;
      readonly positioner?: string | undefined;
    }
  | { readonly kind: 'gate'; readonly gate: Gate; readonly answer: 'yes' | 'no'; readonly note: string }
  | {
      readonly kind: 'measure';
      readonly piece: number;
      readonly what: Measure;
      readonly value: number;
      readonly typed: string;
      readonly unit: LengthUnit;
      readonly note: string;
    }
  | {
      readonly kind: 'finding';
      readonly piece: number;
      readonly criterion: string;
      readonly finding: Finding;
      readonly note: string;
    }
  | {
      readonly kind: 'reading';
      readonly piece: number;
      readonly force: number;
      readonly typed: string;
      readonly unit: ForceUnit;
      readonly mode: FailureMode;
      readonly note: string;
      /** Questions the person answered with yes before it was kept, e.g. 'above-wire'. */
      readonly confirmed: readonly string[];
    }
  | { readonly kind: 'ruling'; readonly piece: number; readonly ruling: 'counts' | 'invalid'; readonly note: string }
  | { readonly kind: 'release'; readonly stands: Standing; readonly note: string }
  | { readonly kind: 'run'; readonly run: number; readonly cause: string; readonly revisions: Revisions }
);

/** One row of a combination's journal. Never changed: a correction is a new entry that names the old one. */
export interface Entry {
  readonly id: string;
  /** ISO instant. */
  readonly at: string;
  readonly by: string;
  readonly body: EntryBody;
  readonly corrects: string | null;
  readonly why: string | null;
  /** The limit table a reading was judged by when it was kept; null for other kinds and before the server has answered. */
  readonly limit: LimitKey | null;
}
