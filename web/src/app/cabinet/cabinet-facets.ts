import { CATALOGUES, type CatalogueKind, type CatalogueParts, type Column } from '@tug-mark/core';

type AnyPart = CatalogueParts[CatalogueKind];

/** A column parts are narrowed down by, and the values they have there. */
export interface Facet {
  readonly column: Pick<Column, 'path' | 'title'>;
  readonly options: readonly string[];
}

/** Columns offered beside the search, at the most. */
const MOST = 3;

/** The columns a kind of part is narrowed down by: those of few values that tell these parts apart. */
export function facetsOf(kind: CatalogueKind, parts: readonly AnyPart[]): readonly Facet[] {
  return CATALOGUES[kind].columns
    .filter((column) => column.type === 'choice')
    .slice(0, MOST)
    .map((column) => ({
      column,
      options: [...new Set(parts.map((part) => valueAt(part, column.path)))].filter((o) => o !== '').sort(),
    }))
    .filter(({ options }) => options.length > 1);
}

/** Parts that have every value wanted, by the column's path; an empty one wants nothing. */
export function narrowed<P extends AnyPart>(
  parts: readonly P[],
  wanted: Readonly<Record<string, string>>,
): readonly P[] {
  const asked = Object.entries(wanted).filter(([, value]) => value !== '');
  return asked.length ? parts.filter((part) => asked.every(([path, value]) => valueAt(part, path) === value)) : parts;
}

function valueAt(part: AnyPart, path: string): string {
  const found = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], part);
  return typeof found === 'string' ? found : '';
}
