import type { TraceReading } from '@tug-mark/core';

export interface TraceAnswer {
  readonly reading: TraceReading;
  /** The curve packed for keeping, and the SHA-256 of that. */
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly digest: string;
}
