/** A text with its first letter as a sentence begins: 'seam up' becomes 'Seam up'. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A text as it goes on within a sentence: 'Check FI-05' becomes 'check FI-05'. */
export function uncapital(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
