import { stringify } from 'csv-stringify/sync';

/**
 * Rows as a CSV file that spreadsheets on every desk open as they are: with a byte order mark, so that mm² is not taken for
 * something else, and the line ends they write themselves.
 * @param isContinued rows behind those that were written before
 */
export function writeCsv(rows: readonly (readonly (string | number | null)[])[], isContinued = false): string {
  return stringify(rows as (string | number | null)[][], { bom: !isContinued, record_delimiter: 'windows' });
}
