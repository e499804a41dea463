/// <reference lib="webworker" />
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { delimiterOf, packTrace, readTrace, readTraceCsv } from '@tug-mark/core';
import { parse } from 'csv-parse/browser/esm/sync';
import type { CurveFileAnswer, CurveFileRequest, TraceAnswer, TraceRequest } from './trace.messages';

/** Cells of a file; none where its quotes do not close, which is then told as what is missing in it. */
function rowsOf(text: string): string[][] {
  try {
    return parse(text, { delimiter: delimiterOf(text), bom: true, relax_column_count: true });
  } catch {
    return [];
  }
}

/* Reads and packs curves away from the page, so that no key press ever waits for one. */
addEventListener('message', ({ data }: MessageEvent<TraceRequest | CurveFileRequest>) => {
  if ('text' in data) {
    const answer: CurveFileAnswer = { number: data.number, file: readTraceCsv(rowsOf(data.text)) };
    postMessage(answer);
    return;
  }
  const { number, rate, forces, context } = data;
  const bytes = new Uint8Array(packTrace({ rate, forces }));
  // Not the browser's own digest: that is missing where the page comes over plain http from another machine.
  const answer: TraceAnswer = {
    number,
    reading: readTrace({ rate, forces }, context),
    bytes,
    digest: bytesToHex(sha256(bytes)),
  };
  postMessage(answer, { transfer: [bytes.buffer] });
});
