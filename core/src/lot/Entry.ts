import type { Gate } from '../crimp';
import type { Finding } from '../look';
import type { FailureMode, LimitKey } from '../tug';
import type { ForceUnit } from '../units';

/** What a person put on record at the bench, by kind. Forces in N, whatever unit they were typed in. */
export type EntryBody =
  | { readonly kind: 'tool'; readonly tool: string; readonly die: string; readonly nest: string }
  | { readonly kind: 'gate'; readonly gate: Gate; readonly answer: 'yes' | 'no'; readonly note: string }
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
  | { readonly kind: 'ruling'; readonly piece: number; readonly ruling: 'counts' | 'invalid'; readonly note: string };

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
