import { parse } from 'papaparse';

export type Cells = readonly (readonly string[])[];

/** Bytes of a file as text: UTF-8, or what spreadsheets of western Europe save. */
export function textOf(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Rows of cells of a text, whatever separates them; rows keep their numbers, empty ones among them. */
export function cellsOf(text: string): Cells {
  const { data } = parse<string[]>(text.trimEnd());
  return data.map((row) => row.map((cell) => cell.trim()));
}
