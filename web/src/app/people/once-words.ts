/** How a word for once is told: it is shown this once. */
export const onceWords = (who: string, word: string) =>
  `${who} comes in once with ${word}, within 7 days, and chooses a password then. Write it down now: it is not shown again.`;
