/** What a file separates its cells by: comma, semicolon or tab, whichever its first line has most of. */
export function delimiterOf(text: string): string {
  const [line = ''] = text.split(/\r?\n/, 1);
  const count = (sign: string) => line.split(sign).length;
  return [',', ';', '\t'].reduce((best, next) => (count(next) > count(best) ? next : best));
}
