import type { ListColumns } from '@tug-mark/contract';
import { WIRE_LIST_COLUMNS, WIRE_LIST_KEYS, type WireListKey } from '@tug-mark/core';
import { unparse } from 'papaparse';
import type { Cells } from '../../parts/text-table';

/** What a column of the file says; a length may be in inches; null: nothing that is needed. */
export type Meaning = ListColumns['meanings'][number];

/** Headings of the columns as a wire list has them. */
const heading = (meaning: WireListKey | 'lengthIn') =>
  meaning === 'length' ? 'length mm' : meaning === 'lengthIn' ? 'length in' : WIRE_LIST_COLUMNS[meaning].name;

/** The headings a template has: those that are needed, then the others. */
export const TEMPLATE = [
  ...WIRE_LIST_KEYS.filter((key) => WIRE_LIST_COLUMNS[key].needed),
  ...WIRE_LIST_KEYS.filter((key) => !WIRE_LIST_COLUMNS[key].needed),
].map(heading);

/** Whether a wire's own name is made up here: no column holds it, and somebody wants the wires numbered. */
export interface Reading {
  readonly meanings: readonly Meaning[];
  readonly isNumbered: boolean;
}

/** Which column of the file a column of the wire list comes from; -1 where it is made up. */
function places({ meanings, isNumbered }: Reading): (readonly [heading: string, at: number])[] {
  const found = meanings.flatMap((meaning, at) => (meaning ? [[heading(meaning), at] as const] : []));
  return isNumbered && !meanings.includes('wireId') ? [[heading('wireId'), -1], ...found] : found;
}

/** The file as a wire list: its columns under their own headings, rows at their own numbers. */
export function asWireList([, ...rows]: Cells, reading: Reading): string[][] {
  const columns = places(reading);
  return [
    columns.map(([name]) => name),
    ...rows.map((row, index) => {
      const isEmpty = row.every((cell) => cell === '');
      return columns.map(([, at]) => (at < 0 ? (isEmpty ? '' : `W${index + 1}`) : (row[at] ?? '')));
    }),
  ];
}

/** The place in the file of a cell of the wire list; null where the file has none. */
export function placeOf(reading: Reading, name: string): number | null {
  const at = places(reading).find(([each]) => each === name)?.[1] ?? -1;
  return at < 0 ? null : at;
}

export const csvOf = (table: Cells): string => unparse(table as string[][], { newline: '\r\n' });

const signatureOf = (header: readonly string[]) => header.map((cell) => cell.trim().toLowerCase()).join('|');

/** What the columns of a file with these headings were last taken for in this shop; null where none came yet. */
export const knownFor = (header: readonly string[], sources: readonly ListColumns[]): readonly Meaning[] | null =>
  sources.find((source) => signatureOf(source.header) === signatureOf(header))?.meanings ?? null;
