import { delimiterOf } from '@tug-mark/core';
import { CsvError, parse } from 'csv-parse/sync';
import { refusals } from '../http/problems';

/**
 * Rows of a CSV file as people save them: UTF-8 with or without a byte order mark, UTF-16 with one, else taken as
 * Latin-1 (Windows-1252); separated by commas, semicolons or tabs, whichever the first row has most of.
 * @throws Refusal when quotes do not close or the file is not text
 */
export function readCsv(bytes: Uint8Array): string[][] {
  const text = decode(bytes);
  if (text.includes('\u0000'))
    throw refusals.fileUnreadable('It holds binary data, not text. Save it as CSV from the spreadsheet.');
  try {
    return parse(text, {
      delimiter: delimiterOf(text),
      relax_column_count: true,
      skip_empty_lines: false,
      bom: true,
      max_record_size: 100_000,
    });
  } catch (error) {
    if (error instanceof CsvError) {
      throw refusals.fileUnreadable(
        `A quote is opened and not closed, or a cell is too long, near row ${Number(error['lines'] ?? 1)}.`,
      );
    }
    throw error;
  }
}

function decode(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
