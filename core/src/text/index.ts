/** A text with its first letter as a sentence begins: 'seam up' becomes 'Seam up'. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A text as it goes on within a sentence: 'Check FI-05' becomes 'check FI-05'. */
export function uncapital(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}

/** A noun with the article that is spoken before it: 'an insulated terminal', 'a lug'. */
export function withArticle(noun: string): string {
  return `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`;
}

/** So many of something: '1 job', '3 jobs'. */
export function counted(count: number, one: string, more = `${one}s`): string {
  return `${count} ${count === 1 ? one : more}`;
}

/** The first of several by name, the rest counted: 'A, B, C and 2 more'. */
export function named(names: readonly string[], most = 3): string {
  const rest = names.length - most;
  return `${names.slice(0, most).join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`;
}

/** A share as a person says it, with no more digits than it has: 0.07 is '7 %' and 0.975 '97.5 %'. */
export function percentOf(share: number, digits = 4): string {
  return `${Number((100 * share).toPrecision(digits))} %`;
}
