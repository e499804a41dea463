import type { CatalogueKind, CatalogueParts } from './columns';
import { writePart } from './partCells';

/** What parts that are brought in would be to a cabinet. */
export interface Changes {
  readonly parts: number;
  readonly fresh: number;
  /** A new revision of one that is there. */
  readonly changed: number;
  /** As they stand already. */
  readonly same: number;
}

/** Counts parts by what they would be to a cabinet; two are the same where every field says the same. */
export function countChanges<K extends CatalogueKind>(
  kind: K,
  cabinet: readonly CatalogueParts[K][],
  parts: readonly CatalogueParts[K][],
): Changes {
  const written = (part: CatalogueParts[K]) => JSON.stringify(writePart(kind, part));
  const known = new Map(cabinet.map((part) => [part.part, part]));
  let [fresh, changed] = [0, 0];
  for (const part of parts) {
    const stands = known.get(part.part);
    if (!stands) fresh += 1;
    else if (written(stands) !== written(part)) changed += 1;
  }
  return { parts: parts.length, fresh, changed, same: parts.length - fresh - changed };
}
