/*
 * What a spreadsheet takes for something else than text: a formula, which runs on somebody's machine; a number, which loses the
 * zero of 075; a fraction or a day, which makes 2/0 and 10-6 dates; a yes or no.
 */
const TAKEN = /^(?:[=+\-@\t\r'].*|0\d+.*|\d{1,4}(?:[-/.:]\d{1,4}){1,2}|\d+(?:\.\d+)?e[+-]?\d+|\d{12,}|true|false)$/is;

/** A cell of text as it survives a spreadsheet: with an apostrophe in front where it would not. */
export function guardCell(text: string): string {
  return TAKEN.test(text) ? `'${text}` : text;
}

/** A cell as it was before it was guarded; the exact reverse of {@link guardCell}. */
export function unguardCell(text: string): string {
  return text.startsWith("'") && TAKEN.test(text.slice(1)) ? text.slice(1) : text;
}
