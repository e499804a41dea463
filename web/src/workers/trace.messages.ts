import type { TraceContext, TraceCsvRead, TraceReading } from '@tug-mark/core';

/** A file to take a curve from; its answer comes back under the same number. */
export interface CurveFileRequest {
  readonly number: number;
  readonly text: string;
}

export interface CurveFileAnswer {
  readonly number: number;
  readonly file: TraceCsvRead;
}

/** A curve to read; its answer comes back under the same number. */
export interface TraceRequest {
  readonly number: number;
  readonly rate: number;
  readonly forces: Float64Array<ArrayBuffer>;
  readonly context: TraceContext;
}

export interface TraceAnswer {
  readonly number: number;
  readonly reading: TraceReading;
  /** The curve packed for keeping, and the SHA-256 of that. */
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly digest: string;
}
