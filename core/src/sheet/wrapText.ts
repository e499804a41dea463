/** Width of a character as a share of the text size, a little generous so that no line comes out too long. */
function widthOf(character: string): number {
  if (" .,:;'’|il!()[]".includes(character)) return 0.3;
  if ('fjrtI-–·'.includes(character)) return 0.4;
  if ('mwMW%'.includes(character)) return 0.88;
  return /[A-Z0-9]/.test(character) ? 0.64 : 0.56;
}

/** Estimated width of a text, in the unit of its size. */
export function textWidth(text: string, size: number): number {
  let width = 0;
  for (const character of text) width += widthOf(character);
  return width * size;
}

/** Breaks a text at its spaces into lines no longer than `width`; a word that is longer stands alone. */
export function wrapText(text: string, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/).filter((w) => w !== '')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && textWidth(longer, size) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line === '' ? lines : [...lines, line];
}
