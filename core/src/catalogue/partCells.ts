import { capital } from '../text';
import { missingResults, type Terminal } from '../terminal';
import type { Die, Nest, Tool } from '../tool';
import { nominalArea, type ConductorSize } from '../wire';
import { readCell, writeCell } from './cells';
import { CATALOGUES, type CatalogueKind, type CatalogueParts, type Column } from './columns';
import type { LengthUnit } from '../units';

/** A part as text: one cell per field by path, and rows of cells for each list inside it. */
export interface PartCells {
  readonly cells: Readonly<Record<string, string>>;
  readonly tables: Readonly<Record<string, readonly Readonly<Record<string, string>>[]>>;
}

/** What is wrong in a part: the path of the field, the row of its list from 0 (null outside lists), the sentence. */
export interface PartProblem {
  readonly path: string;
  readonly table: string | null;
  readonly row: number | null;
  readonly text: string;
}

export type PartRead<K extends CatalogueKind> =
  | { readonly ok: true; readonly part: CatalogueParts[K] }
  | { readonly ok: false; readonly problems: readonly PartProblem[] };

/** Reads lengths of a column in this unit, and whether its header says so. */
export type UnitOf = (path: string, table: string | null) => { readonly unit: LengthUnit; readonly isFixed: boolean };
const MILLIMETRES: UnitOf = () => ({ unit: 'mm', isFixed: false });

/**
 * Reads a part from its cells, the way a form and a file both do. Every wrong cell is named; what the sheet leaves out
 * is let through where the part still makes sense without it (see {@link missingResults}).
 */
export function readPart<K extends CatalogueKind>(kind: K, from: PartCells, unitOf: UnitOf = MILLIMETRES): PartRead<K> {
  const catalogue = CATALOGUES[kind];
  const problems: PartProblem[] = [];
  const read = (
    columns: readonly Column[],
    cells: Readonly<Record<string, string>>,
    table: string | null,
    row: number | null,
  ) => {
    const found: Record<string, unknown> = {};
    for (const column of columns) {
      const { unit, isFixed } = unitOf(column.path, table);
      const cell = readCell(column, cells[column.path] ?? '', unit, isFixed);
      if (cell.ok) put(found, column.path, cell.value);
      else problems.push({ path: column.path, table, row, text: `${capital(column.title)} ${cell.text}` });
    }
    return tidy(found);
  };
  const body = read(catalogue.columns, from.cells, null, null);
  for (const table of catalogue.tables) {
    const rows = from.tables[table.path] ?? [];
    body[table.path] = rows.map((cells, row) => read(table.columns, cells, table.path, row));
    if (rows.length < table.least) {
      problems.push({
        path: table.path,
        table: null,
        row: null,
        text: `It has no ${table.title}; at least one is needed.`,
      });
    }
  }
  if (problems.length) return { ok: false, problems };
  const folded = kind === 'tool' ? foldDies(body) : body;
  const part = folded as unknown as CatalogueParts[K];
  const more = checkPart(kind, part);
  if (more.length) return { ok: false, problems: more };
  const described = CATALOGUES[kind].schema.safeParse(part);
  if (described.success) return { ok: true, part: described.data as CatalogueParts[K] };
  return { ok: false, problems: described.error.issues.map((issue) => placeOf(kind, part, issue)) };
}

/** Where a rule of the schema is broken, as form and file name it. */
function placeOf(
  kind: CatalogueKind,
  part: unknown,
  { path, message }: { readonly path: readonly PropertyKey[]; readonly message: string },
): PartProblem {
  const at = path.map(String);
  const columnAt = (columns: readonly Column[], from: readonly string[]) =>
    columns.find((column) => column.path === from.join('.')) ??
    columns.find((column) => column.path.startsWith(`${from.join('.')}.`));
  const { columns, tables } = CATALOGUES[kind];
  const [list = '', row = ''] = at;
  // A nest stands in its die, and in a list of its own in form and file.
  const isInDie = list === 'dies' && at[2] === 'nests';
  const before = isInDie
    ? (part as Tool).dies.slice(0, Number(row)).reduce((sum, die) => sum + die.nests.length, 0)
    : 0;
  const table = tables.find(({ path: own }) => own === (list === 'dies' ? 'nests' : list));
  const column = table ? columnAt(table.columns, at.slice(isInDie ? 4 : 2)) : columnAt(columns, at);
  return {
    path: column?.path ?? at.join('.'),
    table: table?.path ?? null,
    row: table ? before + Number(isInDie ? at[3] : row) : null,
    text: `${capital(column?.title ?? at.join('.'))} ${message}.`,
  };
}

/** A part as cells; the reverse of {@link readPart}. */
export function writePart<K extends CatalogueKind>(kind: K, part: CatalogueParts[K]): PartCells {
  const catalogue = CATALOGUES[kind];
  const body = (kind === 'tool' ? unfoldDies(part as Tool) : part) as unknown as Record<string, unknown>;
  const write = (columns: readonly Column[], from: unknown) =>
    Object.fromEntries(columns.map((column) => [column.path, writeCell(column, get(from, column.path))]));
  return {
    cells: write(catalogue.columns, body),
    tables: Object.fromEntries(
      catalogue.tables.map((table) => [
        table.path,
        ((body[table.path] ?? []) as unknown[]).map((row) => write(table.columns, row)),
      ]),
    ),
  };
}

/** Rules that look at more than one cell. */
function checkPart<K extends CatalogueKind>(kind: K, part: CatalogueParts[K]): PartProblem[] {
  const problems: PartProblem[] = [];
  const say = (path: string, text: string) => problems.push({ path, table: null, row: null, text });
  const above0 = (from: unknown, columns: readonly Column[]) => {
    for (const column of columns) {
      const found = get(from, column.path);
      if (column.type === 'length' && typeof found === 'number' && found < 0)
        say(column.path, `${capital(column.title)} is below 0.`);
    }
  };
  above0(part, CATALOGUES[kind].columns);
  for (const column of CATALOGUES[kind].columns.filter((c) => c.path.endsWith('.min'))) {
    const base = column.path.slice(0, -4);
    const range = get(part, base) as { min: number | null; max: number | null } | null;
    if (!range) continue;
    if (range.min === null || range.max === null) {
      say(
        range.min === null ? column.path : `${base}.max`,
        `${capital(column.title.slice(0, -4))}: give both ends of the range, or neither.`,
      );
    } else if (range.min > range.max) {
      say(column.path, `${capital(column.title.slice(0, -4))} is backwards: ${range.min} is above ${range.max}.`);
    }
  }
  if (kind === 'terminal') checkTerminal(part as Terminal, say);
  if (kind === 'wire') {
    const { conductor, insulationDiameter } = part as CatalogueParts['wire'];
    zero(
      'insulationDiameter',
      'Insulation diameter',
      insulationDiameter,
      'notch, insulation grip and seal',
      'fit by conductor, strip length and limit',
      say,
    );
    zero(
      'conductor.strandDiameter',
      'Strand diameter',
      conductor.strandDiameter,
      'metal area, breaking load, notch and every limit in percent',
      'nothing of the set-up',
      say,
    );
    if (conductor.strands < 1) say('conductor.strands', 'A conductor has at least one strand.');
    if (conductor.kind === 'solid' && conductor.strands !== 1)
      say('conductor.strands', 'A solid conductor has one strand.');
  }
  return problems;
}

function checkTerminal(terminal: Terminal, say: (path: string, text: string) => void): void {
  const { barrel, conductorRange } = terminal;
  if (nominalArea(conductorRange.smallest) > nominalArea(conductorRange.largest) + 1e-9) {
    const label = (size: ConductorSize) => writeCell({ path: '', title: '', type: 'size' }, size);
    say(
      'conductorRange.smallest',
      `The barrel range is backwards: ${label(conductorRange.smallest)} is larger than ${label(conductorRange.largest)}. AWG numbers fall as wires grow.`,
    );
  }
  for (const path of ['length', 'innerDiameter', 'outerDiameter', 'depth', 'betweenGrips'] as const) {
    if (barrel[path] !== 0) continue;
    const [lost] = missingResults({ ...terminal, barrel: { ...barrel, [path]: null } });
    say(
      `barrel.${path}`,
      lost
        ? `It is 0. Leave it empty if the sheet does not give it: ${lost.lost} cannot be given then; ${lost.kept} still can.`
        : 'It is 0. Leave it empty if the sheet does not give it.',
    );
  }
  if (barrel.innerDiameter !== null && barrel.outerDiameter !== null && barrel.innerDiameter >= barrel.outerDiameter) {
    say('barrel.innerDiameter', 'The inner diameter has to be below the outer one.');
  }
  if ((barrel.stripRule === 'stop' || barrel.stripRule === 'lug') && barrel.depth === null && barrel.length === null) {
    say(
      'barrel.depth',
      'Without the depth to the stop no strip length can be given; fit, tool and limit still can. Enter the depth or the barrel length.',
    );
  }
  if (barrel.stripRule === 'window' && barrel.betweenGrips === null) {
    say('barrel.betweenGrips', 'Two grips need the distance between them: the insulation edge has to lie there.');
  }
}

function zero(
  path: string,
  name: string,
  value: number,
  lost: string,
  kept: string,
  say: (path: string, text: string) => void,
): void {
  if (value <= 0) say(path, `${name} has to be above 0: without it ${lost} cannot be given; ${kept} still could.`);
}

function get(from: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], from);
}

function put(into: Record<string, unknown>, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop() ?? path;
  let at = into;
  for (const key of keys) at = (at[key] ??= {}) as Record<string, unknown>;
  at[last] = value;
}

/** Groups whose every field is empty become null: a range without ends, a cavity without a release. */
function tidy(body: Record<string, unknown>): Record<string, unknown> {
  for (const [key, value] of Object.entries(body)) {
    if (value === null || typeof value !== 'object' || Array.isArray(value) || 'scale' in value) continue;
    const inner = tidy(value as Record<string, unknown>);
    const isEmpty = Object.values(inner).every((v) => v === null);
    if (isEmpty) body[key] = null;
    else if (key === 'cavity' && inner['secondaryLock'] === null) inner['secondaryLock'] = false;
    else if (key === 'gauge' && (inner['go'] === null || inner['noGo'] === null)) body[key] = null;
  }
  return body;
}

function foldDies(body: Record<string, unknown>): Record<string, unknown> {
  const { nests, ...rest } = body;
  const dies = new Map<string, { id: string; label: string; mounted: boolean; nests: Nest[] }>();
  for (const row of nests as (Nest & { die: string; dieLabel: string; mounted: boolean })[]) {
    const { die, dieLabel, mounted, ...nest } = row;
    const found = dies.get(die);
    if (found) found.nests.push(nest);
    else dies.set(die, { id: die, label: dieLabel, mounted, nests: [nest] });
  }
  return { ...rest, dies: [...dies.values()] };
}

function unfoldDies(tool: Tool): Record<string, unknown> {
  const { dies, ...rest } = tool;
  const row = (die: Die) =>
    die.nests.map((nest) => ({ die: die.id, dieLabel: die.label, mounted: die.mounted, ...nest }));
  return { ...rest, nests: dies.flatMap(row) };
}
