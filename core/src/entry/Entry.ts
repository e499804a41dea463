import type { DocumentKey } from '../document';
import type { EndFaultCode, Gate, Remedy, StrokeFind } from '../crimp';
import {
  POINT_CODES,
  type Finding,
  type PhotoMarks,
  type PointUnit,
  type SectionFigures,
  type SectionStroke,
  type View,
} from '../look';
import type { PartSheet } from '../part';
import type { End, RELEASES } from '../terminal';
import type { FailureMode } from '../tug';
import type { ForceUnit, LengthUnit } from '../units';

/** The newest revisions, or those a set-up was made from. */
export interface Revisions {
  readonly terminal: number;
  readonly wire: number;
  /** Of the other wires in the barrel, in their order. */
  readonly together: readonly number[];
  /** Of the wires at the other end of a splice; absent where there are none. */
  readonly opposite?: readonly number[] | undefined;
  readonly practice: number;
}

/** What a set-up was released with. It lapses when any of it changes. */
export interface Standing {
  readonly tool: string;
  readonly die: string;
  readonly nest: string;
  readonly setting: string | null;
  readonly positioner: string | null;
  readonly limit: DocumentKey;
  /** Sheet the pieces are looked at by; absent where the shop has none. */
  readonly look?: DocumentKey | undefined;
  readonly revisions: Revisions;
}

/** What a set-up stands on by paper: of the terminal and of the tool. */
export interface ReleaseSheets {
  readonly terminal?: PartSheet | undefined;
  readonly tool?: PartSheet | undefined;
}

export const MEASURES = ['strip', ...POINT_CODES] as const;
/** What is measured of a piece: its strip length before the crimp, the numbers of the points to look at after it. */
export type Measure = (typeof MEASURES)[number];

export const CHANGES = ['wire-reel', 'terminal-reel', 'die', 'setting', 'tool', 'person', 'repair'] as const;
/** What can change while a lot is made; 'repair' is whatever was put right after a failed check. */
export type LotChange = (typeof CHANGES)[number];

/** When pieces of a lot are checked. The first piece and the last one always are. */
export interface CheckPlan {
  /** No stretch longer than this without a checked piece; null: first and last alone. */
  readonly everyPieces: number | null;
  /** Hours of work after which a check is due, whatever was made; null: none. */
  readonly everyHours: number | null;
  /** Changes after which the next piece is checked. */
  readonly afterChange: readonly LotChange[];
  /** Whether the last piece before such a change is checked too. */
  readonly bothSides: boolean;
}

export const DISPOSITIONS = ['rework', 'accept', 'scrap', 'use-as-is'] as const;
/** What becomes of pieces no check has cleared. 'accept' is for pieces that were reworked and checked again. */
export type DispositionKind = (typeof DISPOSITIONS)[number];
/** Each as what is to be decided, and as what was decided. */
export const DISPOSITION_WORDS: Readonly<Record<DispositionKind, { readonly toDo: string; readonly done: string }>> = {
  rework: { toDo: 'Rework', done: 'to be reworked' },
  accept: { toDo: 'Reworked, accept', done: 'reworked and accepted' },
  scrap: { toDo: 'Scrap', done: 'scrapped' },
  'use-as-is': { toDo: 'Use as is', done: 'used as is' },
};

export const REMOVAL_REASONS = [
  'wrong cavity',
  'wrong contact',
  'did not click',
  'not straight',
  'wire changed',
  'hurt',
  'other',
] as const;
/** Why a contact was taken out again. */
export type RemovalReason = (typeof REMOVAL_REASONS)[number];

export const DISPOSITION_CAUSES = [
  'below-limit',
  'look',
  'measure',
  'section',
  'tool-check',
  'not-checked',
  'limit-withdrawn',
  'other',
] as const;

/** Where a reading's curve is kept, and the SHA-256 of its packed bytes, so that the chain seals the curve too. */
export interface TraceKey {
  readonly id: string;
  readonly digest: string;
}

/** A photograph as the shop keeps it, and the SHA-256 of its bytes, so that the chain seals the picture too. */
export interface PhotoKey {
  readonly id: string;
  readonly digest: string;
}

/**
 * What a person put on record at the bench, by kind. Forces in N and lengths in mm, whatever unit they were typed in.
 * `run` counts the set-ups of one combination from 1, absent in the first: pieces of an earlier run prove nothing
 * about a later one. `lot` counts the lots of one combination from 1: with it a piece is a piece of that lot, without it a
 * sample of the set-up. `wire` counts the wires that share a barrel from 1, absent for the first. `end` is 2 for the second end of a
 * splice, absent for the first and for everything that has one end.
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
      /** Sheet the pieces of this run are looked at by; absent where the shop has none. */
      readonly look?: DocumentKey | undefined;
    }
  | {
      readonly kind: 'gate';
      readonly gate: Gate;
      readonly end?: 2 | undefined;
      /** The bite, from the second on, where each has a step of its own. */
      readonly bite?: number | undefined;
      readonly answer: 'yes' | 'no';
      /** What is wrong, by its code, where the step is looked at point by point. */
      readonly fault?: EndFaultCode | undefined;
      /** What is done about a no; not given by what was kept before it was asked. */
      readonly remedy?: Remedy | undefined;
      /** What a forming stroke came to, where another nest could follow. */
      readonly found?: StrokeFind | undefined;
      readonly note: string;
    }
  | {
      /** A trial crimp that a locator is set by. */
      readonly kind: 'locator';
      readonly trial: number;
      /** Centre of its indent, mm from the wire end of the barrel. */
      readonly measured: number;
      readonly note: string;
    }
  | {
      /** A pair put together and pulled apart once, counted by its cycles. */
      readonly kind: 'mating';
      readonly lot?: number | undefined;
      /** The pair, counted from 1. */
      readonly piece: number;
      readonly cycle: number;
      /** Highest force it went on with, N; null where it was not measured. */
      readonly insertion: number | null;
      /** Highest force it came off with, N. */
      readonly withdrawal: number;
      /** Reel its contact came from, where it is the incoming check of one. */
      readonly reel?: string | undefined;
      readonly note: string;
    }
  | {
      readonly kind: 'measure';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly end?: 2 | undefined;
      /** The wire whose strip length it is; everything else is measured of the whole piece. */
      readonly wire?: number | undefined;
      readonly what: Measure;
      /** mm, or the unit of the point it answers. */
      readonly value: number;
      readonly typed: string;
      readonly unit: LengthUnit | PointUnit;
      readonly note: string;
      /** Of a strip length that replaces one out of range: what was done to the end meanwhile. */
      readonly after?: 'trim' | 'cut-off' | undefined;
      /** Caliper it came from, or 'photo'; absent when typed. */
      readonly from?: string | undefined;
    }
  | {
      readonly kind: 'finding';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly end?: 2 | undefined;
      /** Code of a point to look at, or 'as-drawn': every point looked at, and all of them as drawn. */
      readonly criterion: string;
      readonly finding: Finding;
      /** What is wrong, by its code; absent where it has none or nothing is. */
      readonly fault?: string | undefined;
      readonly note: string;
    }
  | {
      readonly kind: 'reading';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly wire?: number | undefined;
      /** Of a splice, which is pulled as one piece: the end that failed. */
      readonly failedEnd?: End | undefined;
      readonly force: number;
      readonly typed: string;
      readonly unit: ForceUnit;
      readonly mode: FailureMode;
      readonly note: string;
      /** Questions the person answered with yes before it was kept, e.g. 'above-wire'. */
      readonly confirmed: readonly string[];
      /** Gauge it came from; absent when typed. */
      readonly gauge?: string | undefined;
      /** When that gauge's pull began and ended, ISO instants: with the gauge they name one pull, which is kept once. */
      readonly pull?: { readonly start: string; readonly end: string } | undefined;
      readonly trace?: TraceKey | undefined;
    }
  | {
      readonly kind: 'hold';
      readonly lot?: number | undefined;
      readonly piece: number;
      /** Least force while it was held, N. */
      readonly force: number;
      /** s */
      readonly seconds: number;
      /** How far the wire moved in the barrel, mm. */
      readonly moved: number;
      readonly note: string;
    }
  | {
      readonly kind: 'retention';
      readonly lot?: number | undefined;
      /** The connector, or where it has a name in the list the loom, counted from 1. */
      readonly piece: number;
      /** Name of the connector in the list; absent for a contact tried by itself. */
      readonly connector?: string | undefined;
      readonly cavity: string;
      /** Counts what was put into this cavity from 1; absent for the first. */
      readonly seat?: number | undefined;
      /** A new contact after one was taken out; absent for the first one, and where the same went in again. */
      readonly contact?: 'new' | undefined;
      /** Insertion tool it was put in with. */
      readonly tool?: string | undefined;
      /** Whether it went in straight, and stayed at a light pull back. */
      readonly straight?: boolean | undefined;
      readonly pulledBack?: boolean | undefined;
      /** Whether it clicked home, and whether the secondary lock went in; null where there is none. */
      readonly clicked: boolean;
      readonly locked: boolean | null;
      /** Push it withstood, N; null when it was not pushed. */
      readonly force: number | null;
      readonly stayed: boolean;
      readonly note: string;
    }
  | {
      /** A contact taken out of its cavity again. */
      readonly kind: 'removal';
      readonly piece: number;
      readonly connector: string;
      readonly cavity: string;
      /** The seat it was in. */
      readonly seat: number;
      readonly technique: (typeof RELEASES)[number];
      /** Removal tool; null where none was used. */
      readonly tool: string | null;
      readonly reason: (typeof REMOVAL_REASONS)[number];
      /** What its lance and its grip look like afterwards. */
      readonly lance: 'good' | 'hurt';
      readonly grip: 'good' | 'hurt';
      readonly note: string;
    }
  | {
      /** The lock of a connector, closed once all its contacts are home, or opened again. */
      readonly kind: 'lock';
      readonly piece: number;
      readonly connector: string;
      /** Counts what was done to this lock from 1. */
      readonly count: number;
      readonly closed: boolean;
      readonly note: string;
    }
  | {
      readonly kind: 'photo';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly end?: 2 | undefined;
      readonly photo: PhotoKey;
      readonly shows: View;
      readonly note: string;
    }
  | {
      /** What was measured on a photograph. Other marks are a correction. */
      readonly kind: 'marks';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly photo: string;
      readonly marks: PhotoMarks;
      readonly note: string;
    }
  | {
      readonly kind: 'section';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly end?: 2 | undefined;
      readonly photo: string;
      readonly pxPerMm: number;
      readonly figures: SectionFigures;
      /** What a person drew over the mask, in its cells; empty when it was right. */
      readonly mended: readonly SectionStroke[];
      /** Drawn by hand alone, because it is not read by itself; absent: read, then mended. */
      readonly byHand?: boolean | undefined;
      readonly note: string;
    }
  | {
      /** What was found to be behind a fault, once it was put right. */
      readonly kind: 'cause';
      readonly lot?: number | undefined;
      readonly step: number;
      readonly cause: string;
      /** What it was concluded from, by code. */
      readonly evidence: readonly string[];
      readonly note: string;
    }
  | {
      /** What settles a match at the edge: a trial, named by its report, section or sample. */
      readonly kind: 'trial';
      readonly evidence: string;
      readonly note: string;
    }
  | {
      readonly kind: 'ruling';
      readonly lot?: number | undefined;
      readonly piece: number;
      readonly wire?: number | undefined;
      readonly ruling: 'counts' | 'invalid';
      readonly note: string;
    }
  | {
      readonly kind: 'release';
      readonly stands: Standing;
      /** Papers named as it was released, for parts whose sheet the cabinet does not name. */
      readonly sheets?: ReleaseSheets | undefined;
      readonly note: string;
    }
  | {
      readonly kind: 'lot';
      readonly lot: number;
      /** The lot's number in the shop. */
      readonly name: string;
      /** Pieces to be made, those pulled included. Another quantity is a correction. */
      readonly pieces: number;
      readonly plan: CheckPlan;
      /** What the set-up was released with when the lot was opened: its readings are judged by that limit table. */
      readonly stands: Standing;
      readonly note: string;
    }
  | {
      readonly kind: 'progress';
      readonly lot: number;
      /** Counts the steps of one lot from 1. */
      readonly step: number;
      readonly what: 'made' | 'pause' | 'resume' | 'change';
      /** Pieces made so far. */
      readonly made: number;
      readonly change?: LotChange | undefined;
      /** What it was changed to: the reel's number, the person's name. */
      readonly to?: string | undefined;
      readonly note: string;
    }
  | {
      readonly kind: 'disposition';
      readonly lot: number;
      readonly step: number;
      readonly from: number;
      readonly to: number;
      readonly what: DispositionKind;
      readonly cause: (typeof DISPOSITION_CAUSES)[number];
      /** For rework: wire as cut, shortest the drawing allows, and the fresh cut each time, mm. */
      readonly budget?: { readonly cut: number; readonly shortest: number; readonly trim: number } | undefined;
      readonly note: string;
    }
  | { readonly kind: 'finish'; readonly lot: number; readonly note: string }
  | { readonly kind: 'run'; readonly run: number; readonly cause: string; readonly revisions: Revisions }
);

export type EntryKind = EntryBody['kind'];

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
  readonly limit: DocumentKey | null;
}
