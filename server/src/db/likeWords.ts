/** The words of a search as patterns for LIKE ALL over lower-case text: signs of a pattern stand for themselves. */
export function likeWords(find: string): string[] {
  return find
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
}
