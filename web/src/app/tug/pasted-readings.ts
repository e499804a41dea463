/** The readings in a pasted column: one per line or tab, empty ones left out. At most 200, a day's work. */
export function pastedReadings(text: string): string[] {
  return text
    .split(/[\r\n\t]+/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .slice(0, 200);
}
