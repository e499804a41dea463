/** An end of a piece that is made and looked at by itself: a splice has two, everything else one. */
export type End = 1 | 2;

/** The end something on record is about; the first where it says none. */
export function endOf(body: object): End {
  return 'end' in body && body.end === 2 ? 2 : 1;
}

/** Tells what is said of the second end from what is said of the first, which says none. */
export function atEnd(name: string, end: End): string {
  return end === 1 ? name : `${name}/end2`;
}

/** What a body on record carries for an end: nothing for the first. */
export const ofEnd = (end: End): { readonly end?: 2 } => (end === 2 ? { end } : {});
