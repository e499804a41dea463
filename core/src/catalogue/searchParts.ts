import { familyName, takesLabel, type Terminal } from '../terminal';
import { sizeLabel, type Wire } from '../wire';
import type { CatalogueKind, CatalogueParts } from './columns';

/** Parts with the words they are found by, made once per list. */
export interface SearchIndex<K extends CatalogueKind> {
  readonly parts: readonly CatalogueParts[K][];
  readonly words: readonly string[];
}

/** Files every part under the words a person would type for it: number, label, maker, family, sizes, stud. */
export function indexParts<K extends CatalogueKind>(kind: K, parts: readonly CatalogueParts[K][]): SearchIndex<K> {
  return { parts, words: parts.map((part) => wordsOf(kind, part).join(' ').toLowerCase()) };
}

function wordsOf(kind: CatalogueKind, part: CatalogueParts[CatalogueKind]): string[] {
  const base = [part.part, part.label];
  if (kind === 'terminal') {
    const t = part as Terminal;
    return [
      ...base,
      t.maker,
      familyName(t.family),
      t.shape,
      t.material,
      takesLabel(t),
      t.stud ?? '',
      t.stamp ?? '',
      t.sleeve ?? '',
      t.barrel.seam,
    ];
  }
  if (kind === 'wire') {
    const w = part as Wire;
    return [...base, sizeLabel(w.conductor.size), w.conductor.material, w.conductor.kind, w.insulation];
  }
  return [...base, 'kind' in part ? part.kind : ''];
}

/** Parts every typed word is found in, in their order; all of them for an empty text. */
export function searchParts<K extends CatalogueKind>(index: SearchIndex<K>, text: string): CatalogueParts[K][] {
  const typed = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  if (!typed.length) return [...index.parts];
  return index.parts.filter((_, i) => {
    const words = index.words[i] ?? '';
    return typed.every((word) => words.includes(word));
  });
}
