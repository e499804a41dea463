const PREFIX = 'tug-mark-draft';

/** The place where a combination's lot is pulled. */
export const lotPlace = (combination: string) => `lot-${combination}`;

/** Where a person's open values of one place wait through a reload. */
export const draftKey = (person: string, place: string) => `${PREFIX}-${person}-${place}`;

/** What others have left open at a place of this device, as it was kept. */
export function draftsOfOthers(person: string, place: string): string[] {
  // The lot of a combination is a place of its own.
  const isHere = (key: string) => key.endsWith(`-${place}`) && !key.endsWith(`-${lotPlace(place)}`);
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(`${PREFIX}-`) && isHere(key) && key !== draftKey(person, place))
    .flatMap((key) => localStorage.getItem(key) ?? []);
}

/** Forgets what a person had typed and left: drafts end with their person's sign-out. */
export function forgetDrafts(person: string): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(`${PREFIX}-${person}-`)) localStorage.removeItem(key);
}
