/* What a spreadsheet takes for a formula runs on somebody's machine: text gets an apostrophe in front. */

/** A cell of free text, safe in a spreadsheet. */
export function guardCell(text: string): string {
  return /^[=+\-@\t\r]/.test(text) && !/^[+-]?[\d.,]+$/.test(text) ? `'${text}` : text;
}

/** A cell as it was before it was guarded. */
export function unguardCell(text: string): string {
  return /^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}

/** Rows of text, safe in a spreadsheet; numbers stay numbers. */
export function guardTable(rows: readonly (readonly (string | number)[])[]): (string | number)[][] {
  return rows.map((row) => row.map((cell) => (typeof cell === 'string' ? guardCell(cell) : cell)));
}
