import { CATALOGUES, type CatalogueKind, type CatalogueParts, type Column } from './columns';
import { writePart } from './partCells';

/** One field of two parts side by side. */
export interface FieldCompared {
  readonly title: string;
  readonly unit: string;
  readonly a: string;
  readonly b: string;
  readonly differs: boolean;
}

/** Two parts of one kind, field by field in the order of the form; lists are written out row by row. */
export function compareParts<K extends CatalogueKind>(
  kind: K,
  a: CatalogueParts[K],
  b: CatalogueParts[K],
): FieldCompared[] {
  const catalogue = CATALOGUES[kind];
  const left = writePart(kind, a);
  const right = writePart(kind, b);
  const unit = ({ type, unit: own }: Column) => (type === 'length' ? 'mm' : (own ?? ''));
  const lines = (rows: readonly Readonly<Record<string, string>>[], columns: readonly Column[]) =>
    rows
      .map((row) =>
        columns
          .map((c) => row[c.path] ?? '')
          .filter((cell) => cell !== '')
          .join(' '),
      )
      .join('\n');
  const of = (title: string, u: string, x: string, y: string) => ({ title, unit: u, a: x, b: y, differs: x !== y });
  return [
    ...catalogue.columns.map((c) => of(c.title, unit(c), left.cells[c.path] ?? '', right.cells[c.path] ?? '')),
    ...catalogue.tables.map((t) =>
      of(t.title, '', lines(left.tables[t.path] ?? [], t.columns), lines(right.tables[t.path] ?? [], t.columns)),
    ),
  ];
}
