import { HeadedTable, plainHeading, type TableProblem } from '../table';
import { readNumber, toMillimetres, type LengthUnit } from '../units';
import { NO_DEMAND, PLACES, type Demand, type Place } from '../match';
import { jointName } from './combine';
import { checkPlugs, readPlug } from './plugs';
import { proposeColumns, WIRE_LIST_COLUMNS, type KnownParts, type WireListKey } from './wireListColumns';

/** One wire of a list, both ends. Length in mm. */
export interface WireListRow {
  readonly row: number;
  readonly wireId: string;
  readonly wirePart: string;
  readonly length: number;
  readonly terminalA: string;
  readonly terminalB: string;
  readonly quantity: number;
  readonly place: Place;
  /** Ends with the same joint share one barrel; '' where an end has its own. */
  readonly jointA: string;
  readonly jointB: string;
  /** What the place asks at each end. */
  readonly demandA: Demand;
  readonly demandB: Demand;
  /** The cavity each end goes into; null where the list names none. */
  readonly plugA: Plug | null;
  readonly plugB: Plug | null;
}

/** A cavity of a connector. */
export interface Plug {
  /** As the connector is called in this list. */
  readonly connector: string;
  /** Its part; '' where this row does not say. */
  readonly part: string;
  readonly cavity: string;
}

export type WireListRead =
  | { readonly ok: true; readonly rows: readonly WireListRow[] }
  | { readonly ok: false; readonly problems: readonly TableProblem[]; readonly total: number };

const MOST_LENGTH = 500_000;
const MOST_QUANTITY = 1_000_000;

/** An end that gets no terminal of ours (cut end, other plug). */
const NO_TERMINAL = new Set(['', '-', 'none']);
/** What a cell may say of fuel, oil or vapour nearby. */
const NEAR = new Set(['yes', 'y', 'true', '1', 'x']);
const NOT_NEAR = new Set(['', '-', 'no', 'n', 'false', '0']);

/**
 * Reads a wire list from its rows of text. Columns are matched by their headers in any order; the unit of length may
 * stand in the header ('length mm', 'length in'), mm otherwise. The list is taken whole or not at all: every unknown
 * part, bad number and duplicate id is named by row and column.
 *
 * @param table rows of cells, header first
 * @param known parts of the cabinet
 * @param mostProblems how many problems to spell out; `total` counts all
 */
export function readWireList(
  table: readonly (readonly string[])[],
  known: KnownParts,
  mostProblems = 200,
): WireListRead {
  const read = new HeadedTable(table, columnsOf(table, known), mostProblems);
  if (read.total) return { ok: false, problems: read.problems, total: read.total };
  const unit: LengthUnit = read.plain('length').endsWith('in') ? 'in' : 'mm';
  const firstRowOf = new Map<string, number>();
  const rows: WireListRow[] = [];
  for (const { row, cell, wrong } of read.rows()) {
    const before = read.total;
    const wireId = cell('wireId');
    if (wireId === '') wrong('wireId', 'Every wire needs an id.');
    else if (wireId.length > 60) wrong('wireId', 'The id is longer than 60 characters.');
    else if (firstRowOf.has(wireId))
      wrong('wireId', `'${wireId}' stands in row ${firstRowOf.get(wireId)} already. Ids have to differ.`);
    else firstRowOf.set(wireId, row);

    const wirePart = cell('wirePart');
    if (!known.wires.has(wirePart)) wrong('wirePart', `The cabinet has no wire '${wirePart}'.`);

    const length = readNumber(cell('length'));
    let millimetres = 0;
    if (length.outcome === 'refused') wrong('length', length.text);
    else if (length.rest !== '' && length.rest !== 'mm' && length.rest !== 'in')
      wrong('length', `'${length.rest}' is no unit of length here; use mm or in.`);
    else {
      millimetres = toMillimetres(length.value, length.rest === 'mm' || length.rest === 'in' ? length.rest : unit);
      if (!(millimetres > 0 && millimetres <= MOST_LENGTH))
        wrong('length', `A length lies above 0 and up to ${MOST_LENGTH / 1000} m.`);
    }
    const quantity = readNumber(cell('quantity'));
    if (quantity.outcome === 'refused') wrong('quantity', quantity.text);
    else if (
      !Number.isInteger(quantity.value) ||
      quantity.value < 1 ||
      quantity.value > MOST_QUANTITY ||
      quantity.rest !== ''
    ) {
      wrong('quantity', 'A quantity is a whole number of 1 or more.');
    }
    const ends = (['terminalA', 'terminalB'] as const).map((column) => {
      const part = NO_TERMINAL.has(cell(column).toLowerCase()) ? '' : cell(column);
      if (part !== '' && !known.terminals.has(part)) wrong(column, `The cabinet has no terminal '${part}'.`);
      return part;
    });
    if (ends.every((end) => end === '') && cell('terminalA') + cell('terminalB') === '') {
      wrong('terminalA', "Neither end names a terminal. Write '-' where an end gets none.");
    }
    const place = cell('place').toLowerCase() || 'dry';
    if (!PLACES.includes(place as Place)) wrong('place', `'${place}' is neither dry nor wet.`);

    const asked = (column: WireListKey): number | null => {
      if (cell(column) === '') return null;
      const read = readNumber(cell(column));
      if (read.outcome === 'number' && read.value > 0) return read.value;
      wrong(column, read.outcome === 'refused' ? read.text : 'It lies above 0, or is left empty.');
      return null;
    };
    const demand = { temperature: asked('temperature'), current: asked('current'), voltage: asked('voltage') };
    const fuel = cell('fuelNear').toLowerCase();
    if (!NEAR.has(fuel) && !NOT_NEAR.has(fuel)) wrong('fuelNear', `'${fuel}' is neither yes nor no.`);
    const near = NEAR.has(fuel) && { fuelNear: true as const };
    const demandOf = (column: 'studA' | 'studB'): Demand => ({
      ...NO_DEMAND,
      ...demand,
      ...near,
      stud: cell(column) || null,
    });
    const plugs: [Plug | null, Plug | null] = [readPlug('A', cell, wrong, known), readPlug('B', cell, wrong, known)];
    if (read.total === before) {
      rows.push({
        row,
        wireId,
        wirePart,
        length: millimetres,
        terminalA: ends[0] ?? '',
        terminalB: ends[1] ?? '',
        quantity: quantity.outcome === 'number' ? quantity.value : 0,
        place: place as Place,
        jointA: cell('jointA'),
        jointB: cell('jointB'),
        demandA: demandOf('studA'),
        demandB: demandOf('studB'),
        plugA: plugs[0],
        plugB: plugs[1],
      });
    }
  }
  checkJoints(rows, known.splices, (row, column, value, text) => {
    read.note(row, read.heading(column), value, text);
  });
  checkPlugs(rows, (row, column, value, text) => {
    read.note(row, read.heading(column), value, text);
  });
  if (!read.total && !rows.length) read.note(2, '', '', 'The file has a header but no wire below it.');
  return read.total ? { ok: false, problems: read.problems, total: read.total } : { ok: true, rows };
}

/** The columns as this file heads them: 'wire' may mean the part, where what stands in it says so. */
function columnsOf(table: readonly (readonly string[])[], known: KnownParts): typeof WIRE_LIST_COLUMNS {
  const header = (table[0] ?? []).map(plainHeading);
  const at = header.indexOf('wire');
  if (at < 0 || proposeColumns(table, known)[at] !== 'wirePart') return WIRE_LIST_COLUMNS;
  const { wireId, wirePart } = WIRE_LIST_COLUMNS;
  return {
    ...WIRE_LIST_COLUMNS,
    wireId: { ...wireId, is: (plain) => plain !== 'wire' && wireId.is(plain) },
    wirePart: { ...wirePart, is: (plain) => plain === 'wire' || wirePart.is(plain) },
  };
}

/** Ends that share a part have to name the same terminal, place and quantity, and the side of a splice where it is not plain. */
function checkJoints(
  rows: readonly WireListRow[],
  splices: ReadonlySet<string>,
  note: (row: number, column: 'terminalA' | 'terminalB' | 'jointA' | 'jointB', value: string, text: string) => void,
): void {
  const first = new Map<string, { row: WireListRow; terminal: string; wires: number; isSided: boolean }>();
  for (const row of rows) {
    for (const end of ['A', 'B'] as const) {
      const joint = row[`joint${end}`];
      const terminal = row[`terminal${end}`];
      if (joint === '') continue;
      const { name, side } = jointName(joint, splices.has(terminal));
      const earlier = first.get(name);
      if (!earlier) {
        first.set(name, { row, terminal, wires: 1, isSided: side !== null });
        continue;
      }
      earlier.wires += 1;
      if (earlier.terminal !== terminal) {
        note(
          row.row,
          `terminal${end}`,
          terminal,
          `Joint '${name}' has terminal '${earlier.terminal}' in row ${earlier.row.row}. Wires in one barrel share one terminal.`,
        );
      } else if (earlier.row.quantity !== row.quantity || earlier.row.place !== row.place) {
        note(
          row.row,
          `joint${end}`,
          joint,
          `Joint '${name}' is made ${earlier.row.quantity} times in a ${earlier.row.place} place in row ${earlier.row.row}. Quantity and place have to agree.`,
        );
      } else if (
        splices.has(terminal) &&
        (earlier.isSided !== (side !== null) || (!earlier.isSided && earlier.wires > 2))
      ) {
        note(
          row.row,
          `joint${end}`,
          joint,
          `Joint '${name}' is a splice with several wires: write ${name}/1 or ${name}/2 for the side each of them comes from.`,
        );
      }
    }
  }
}
