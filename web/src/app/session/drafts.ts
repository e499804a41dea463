const PREFIX = 'tug-mark-draft';

/** Where a person's open values of one place wait through a reload. */
export const draftKey = (person: string, place: string) => `${PREFIX}-${person}-${place}`;

/** Forgets what a person had typed and left: drafts end with their person's sign-out. */
export function forgetDrafts(person: string): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(`${PREFIX}-${person}-`)) localStorage.removeItem(key);
}
