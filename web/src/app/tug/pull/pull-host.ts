import { signal, type Signal } from '@angular/core';
import type { End, EntryBody, EntryRefusal, TraceContext } from '@tug-mark/core';
import type { PackedCurve } from '../../outbox/outbox.state';
import type { PullKey } from '../gauge/station-gauge';

type Reading = Extract<EntryBody, { kind: 'reading' }>;
/** What is found out of a pull; the place it belongs to is its host's affair. */
export type PulledForce = Omit<Reading, 'kind' | 'piece' | 'lot' | 'wire' | 'run'>;

/** An end of a splice that is pulled. */
export interface PulledEnd {
  readonly end: End;
  readonly name: string;
  readonly limit: number | null;
}

/** What the pull is judged by, and where its reading goes. */
export interface PullHost {
  /** The combination and lot whose drafts these are; null while nothing is in hand. */
  readonly place: Signal<string | null>;
  /** The piece a pull would be kept for, in words: 'piece 3'. */
  readonly target: Signal<string>;
  /** N */
  readonly limit: Signal<number | null>;
  /** Of a splice, which is pulled as one piece: each end with its wire and its own limit, N. Null for all else. */
  readonly ends: Signal<readonly PulledEnd[] | null>;
  readonly breaks: Signal<number>;
  /** Lowest valid force so far, N. */
  readonly lowest: Signal<number | null>;
  readonly context: Signal<TraceContext>;
  /** Whether a further reading is expected. */
  readonly isOpen: Signal<boolean>;
  /** Whether nobody has looked at the piece yet, and after the pull nobody can. */
  readonly isUnseen: Signal<boolean>;
  /** Pulls on record here: none of them waits any more. */
  readonly kept: Signal<readonly PullKey[]>;
  keep(force: PulledForce, why: string, curve: PackedCurve | null): EntryRefusal | null;
}

export const QUIET_HOST: PullHost = {
  place: signal(null),
  target: signal(''),
  limit: signal(null),
  ends: signal(null),
  breaks: signal(0),
  lowest: signal(null),
  context: signal({ breaks: 0, strands: 1, loadingRate: null }),
  isOpen: signal(false),
  isUnseen: signal(false),
  kept: signal([]),
  keep: () => null,
};
