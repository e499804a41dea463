/// <reference lib="webworker" />
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { delimiterOf, packTrace, readTrace, readTraceCsv, type TraceContext, type TraceCsvRead } from '@tug-mark/core';
import { expose, transfer } from 'comlink';
import { parse } from 'csv-parse/browser/esm/sync';
import type { TraceAnswer } from './trace.messages';

/** Cells of a file; none where its quotes do not close, which is then told as what is missing in it. */
function rowsOf(text: string): string[][] {
  try {
    return parse(text, { delimiter: delimiterOf(text), bom: true, relax_column_count: true });
  } catch {
    return [];
  }
}

/* Reads and packs curves away from the page, so that no key press ever waits for one. */
const work = {
  read(rate: number, forces: Float64Array<ArrayBuffer>, context: TraceContext): TraceAnswer {
    const bytes = new Uint8Array(packTrace({ rate, forces }));
    // Not the browser's own digest: that is missing where the page comes over plain http from another machine.
    const answer = { reading: readTrace({ rate, forces }, context), bytes, digest: bytesToHex(sha256(bytes)) };
    return transfer(answer, [bytes.buffer]);
  },
  /** A curve from the text of a CSV file. */
  readFile(text: string): TraceCsvRead {
    return readTraceCsv(rowsOf(text));
  },
};
export type TraceWork = typeof work;
expose(work);
