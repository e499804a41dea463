export const DOCUMENT_STATUSES = ['draft', 'released', 'withdrawn'] as const;

/** 'controlled': taken from a document the shop controls; 'made-up': demo or training, can never accept anything. */
export const DOCUMENT_ORIGINS = ['controlled', 'made-up'] as const;

/** What names one revision of a document for good. */
export interface DocumentKey {
  readonly document: string;
  readonly revision: string;
  /** Workmanship class it is for. */
  readonly class: string;
}

/** What every document the shop judges by has: limit tables and look sheets alike are drafted, released and withdrawn. */
export interface ShopDocument extends DocumentKey {
  readonly owner: string;
  readonly origin: (typeof DOCUMENT_ORIGINS)[number];
  readonly status: (typeof DOCUMENT_STATUSES)[number];
  /** ISO dates, inclusive; null: open. */
  readonly effectiveFrom: string;
  readonly effectiveUntil: string | null;
}

/** The key alone. */
export function documentKey({ document, revision, class: className }: DocumentKey): DocumentKey {
  return { document, revision, class: className };
}

/** As it is told to people. */
export function documentName({ document, revision, class: className }: DocumentKey): string {
  return `${document} rev ${revision}, grade ${className}`;
}

/** Whether both name the same revision of the same document; none and none are the same. */
export function isSameDocument(a: DocumentKey | null | undefined, b: DocumentKey | null | undefined): boolean {
  if (!a || !b) return !a && !b;
  return a.document === b.document && a.revision === b.revision && a.class === b.class;
}

/**
 * The documents of a class released and in effect on `day`.
 *
 * @param day ISO date
 * @param pinned a document that has judged something already: it alone is used then, whatever became of it since
 */
export function inEffect<T extends ShopDocument>(
  documents: readonly T[],
  className: string,
  day: string,
  pinned: DocumentKey | null = null,
): T[] {
  return documents.filter((d) =>
    pinned
      ? isSameDocument(d, pinned)
      : d.status === 'released' &&
        d.class === className &&
        d.effectiveFrom <= day &&
        (d.effectiveUntil === null || day <= d.effectiveUntil),
  );
}
