import type { z } from 'zod';
import { writeCell } from './cells';
import { connectorSchema, type Connector } from '../connector';
import { FIELDS, insideOf, LISTS, type FieldWords } from '../part';
import { coveringSchema, stripperSchema, type SlideOnPart, type Stripper } from '../prepare';
import { terminalSchema, type Terminal } from '../terminal';
import { toolSchema, type Tool } from '../tool';
import { wireSchema, type Wire } from '../wire';

/** The kinds of parts a cabinet holds that can be edited, compared and exchanged as tables. */
export interface CatalogueParts {
  wire: Wire;
  terminal: Terminal;
  tool: Tool;
  stripper: Stripper;
  covering: SlideOnPart;
  connector: Connector;
}
export type CatalogueKind = keyof CatalogueParts;
export const CATALOGUE_KINDS = ['wire', 'terminal', 'tool', 'stripper', 'covering', 'connector'] as const;

/**
 * One field of a part, as a column of a table, a line of a form and a line of a comparison. `path` is where it stands
 * in the part; a range ('a..b') is two columns of their own.
 */
export interface Column extends FieldWords {
  readonly path: string;
  readonly options?: readonly string[];
  /** May be left empty (null, or an empty list). */
  readonly optional?: boolean;
  /** What a new part begins with, as a cell. */
  readonly start?: string;
}

/** A list of rows inside a part, e.g. the nests of a tool; columns of its own, one line of the table per row. */
export interface PartTable {
  readonly path: string;
  readonly title: string;
  readonly columns: readonly Column[];
  /** At least this many rows. */
  readonly least: number;
}

export interface Catalogue {
  readonly kind: CatalogueKind;
  /** Name of the kind in sentences, one and many. */
  readonly one: string;
  readonly many: string;
  /** What a part of this kind may say, field by field. */
  readonly schema: z.ZodType;
  readonly columns: readonly Column[];
  readonly tables: readonly PartTable[];
}

interface Described {
  readonly columns: Column[];
  readonly tables: PartTable[];
}

/** Reads columns and lists out of the schema of a part. */
function describe(schema: z.ZodType, path: string, optional: boolean, into: Described, start?: unknown): Described {
  const { type, innerType, element, entries, shape, checks, defaultValue } = insideOf(schema);
  if (innerType) return describe(innerType, path, optional || type === 'nullable', into, start ?? defaultValue);
  const words = FIELDS.get(schema);
  const least = checks?.find(({ _zod }) => _zod.def.check === 'min_length')?._zod.def.minimum ?? 0;
  if (words) {
    const options = entries ?? (element && insideOf(element).entries);
    const column: Column = {
      path,
      ...words,
      ...(options && { options: Object.values(options) }),
      ...((optional || (type === 'array' && least === 0)) && { optional: true }),
    };
    const cell = start === undefined || start === null ? '' : writeCell(column, start);
    into.columns.push({ ...column, ...(cell !== '' && { start: cell }) });
  } else if (shape) {
    for (const [key, inner] of Object.entries(shape)) {
      const own = (start as Readonly<Record<string, unknown>> | undefined)?.[key];
      describe(inner, path === '' ? key : `${path}.${key}`, optional, into, own);
    }
  } else if (element) {
    into.tables.push(rowsOf(element, path, LISTS.get(schema)?.title ?? path, least));
  } else throw new Error(`${path} has no words for its column`);
  return into;
}

/** A list inside a part. Rows that have rows themselves are written as one list: each inner row names its outer one. */
function rowsOf(row: z.ZodType, path: string, title: string, least: number): PartTable {
  const { columns, tables } = describe(row, '', false, { columns: [], tables: [] });
  const [inner, ...more] = tables;
  if (!inner) return { path, title, least, columns };
  if (more.length) throw new Error(`${path} has two lists in each row`);
  const outer = columns.map(({ name, ...column }) => ({ ...column, path: name ?? column.path }));
  return { ...inner, columns: [...outer, ...inner.columns] };
}

const catalogue = (kind: CatalogueKind, one: string, many: string, schema: z.ZodType): Catalogue => ({
  kind,
  one,
  many,
  schema,
  ...describe(schema, '', false, { columns: [], tables: [] }),
});

export const CATALOGUES: Readonly<Record<CatalogueKind, Catalogue>> = {
  wire: catalogue('wire', 'wire', 'wires', wireSchema),
  terminal: catalogue('terminal', 'terminal', 'terminals', terminalSchema),
  tool: catalogue('tool', 'tool', 'tools', toolSchema),
  stripper: catalogue('stripper', 'stripper', 'strippers', stripperSchema),
  covering: catalogue('covering', 'sleeve or seal', 'sleeves and seals', coveringSchema),
  connector: catalogue('connector', 'connector', 'connectors', connectorSchema),
};
