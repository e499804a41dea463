import type { End } from '../terminal';
import { FAILURE_MODES, failureModeName, type FailureMode } from '../tug';
import { HeadedTable, type TableProblem } from '../table';
import { type ForceUnit, headedForceUnit, readNumber, toNewtons } from '../units';

/** A pull as a file tells it. */
export interface ReadingRow {
  /** As a spreadsheet counts rows. */
  readonly row: number;
  readonly piece: number;
  /** Of several wires in one barrel, counted from 1. */
  readonly wire: number;
  /** N */
  readonly force: number;
  /** As it stood in the file, and its unit. */
  readonly typed: string;
  readonly unit: ForceUnit;
  readonly mode: FailureMode;
  /** Of a splice, the end that failed; null where the file does not say. */
  readonly failedEnd: End | null;
  readonly note: string;
}

export type ReadingsRead =
  | {
      readonly ok: true;
      readonly rows: readonly ReadingRow[];
      /** Heading of the column each field stands in. */
      readonly columns: Readonly<Record<'piece' | 'force' | 'typed' | 'wire' | 'note' | 'mode' | 'failedEnd', string>>;
    }
  | {
      readonly ok: false;
      /** What could be read all the same, so that its own faults can be told in one go. */
      readonly rows: readonly ReadingRow[];
      readonly columns: Readonly<Record<'piece' | 'force' | 'typed' | 'wire' | 'note' | 'mode' | 'failedEnd', string>>;
      readonly problems: readonly TableProblem[];
      readonly total: number;
    };

const MOST_PROBLEMS = 50;
/** No lot has more. */
const MOST_PIECES = 999_999;

const COLUMNS = {
  piece: { name: 'piece', is: (plain: string) => plain.startsWith('piece'), needed: true },
  force: { name: 'force N', is: (plain: string) => /^(peak)?force/.test(plain), needed: true },
  mode: { name: 'how it failed', is: (plain: string) => /^(how|letgo|failure|mode)/.test(plain), needed: true },
  note: { name: 'note', is: (plain: string) => plain.startsWith('note') },
  wire: { name: 'wire', is: (plain: string) => /^wire(no|number)?$/.test(plain) },
  failedEnd: { name: 'end that failed', is: (plain: string) => /^(end|failedend|endthatfailed)$/.test(plain) },
};

/**
 * Reads pulls from a table, header first: piece, force (its header says the unit), how it failed (a name, or its number
 * from 1 to 7), note, the wire where several share a barrel, and of a splice the end that failed. Whole or not at all; pieces numbered twice and units that
 * differ from the header are problems with row and column. Whether a pull may go on record, the rules of the journal say.
 */
export function readReadings(table: readonly (readonly string[])[]): ReadingsRead {
  const read = new HeadedTable(table, COLUMNS, MOST_PROBLEMS);
  const unit = headedForceUnit(read.heading('force'));
  if (read.has('force') && !unit) {
    read.note(1, 'force', read.heading('force'), 'The header does not say the unit: N, lbf or kgf.');
  }
  const headings = {
    piece: read.heading('piece'),
    force: read.heading('force'),
    typed: read.heading('force'),
    mode: read.heading('mode'),
    note: read.heading('note'),
    wire: read.heading('wire'),
    failedEnd: read.heading('failedEnd'),
  };
  const { problems } = read;
  if (read.total || !unit) return { ok: false, rows: [], columns: headings, problems, total: read.total };

  const first = new Map<string, number>();
  const rows: ReadingRow[] = [];
  for (const { row, cell, wrong } of read.rows()) {
    const piece = Number(cell('piece'));
    if (!Number.isInteger(piece) || piece < 1 || piece > MOST_PIECES) {
      wrong('piece', `Pieces are whole numbers from 1 to ${MOST_PIECES}.`);
      continue;
    }
    const wire = cell('wire') === '' ? 1 : Number(cell('wire'));
    if (!Number.isInteger(wire) || wire < 1 || wire > 9) {
      wrong('wire', 'Wires in one barrel are numbered from 1 to 9.');
      continue;
    }
    const twin = first.get(`${piece}/${wire}`);
    if (twin !== undefined) {
      wrong('piece', `Piece ${piece} stands in row ${twin} already.`);
      continue;
    }
    first.set(`${piece}/${wire}`, row);
    const force = forceOf(cell('force'), unit);
    if (typeof force === 'string') {
      wrong('force', force);
      continue;
    }
    const mode = modeOf(cell('mode'));
    if (!mode) {
      wrong('mode', `It is one of: ${FAILURE_MODES.map(failureModeName).join('; ')}; or its number from 1.`);
      continue;
    }
    const end = cell('failedEnd');
    if (!['', '1', '2'].includes(end)) {
      wrong('failedEnd', 'The ends of a splice are 1 and 2.');
      continue;
    }
    const failedEnd = end === '1' ? 1 : end === '2' ? 2 : null;
    rows.push({
      row,
      piece,
      wire,
      force,
      typed: cell('force'),
      unit,
      mode,
      failedEnd,
      note: cell('note').slice(0, 500),
    });
  }
  if (!read.total && !rows.length) read.note(2, 'piece', '', 'The file has a header and no readings.');
  return read.total
    ? { ok: false, rows, columns: headings, problems, total: read.total }
    : { ok: true, rows, columns: headings };
}

/** N, or why it is none. Plain numbers fast; anything else by the rules for typed ones. */
function forceOf(text: string, unit: ForceUnit): number | string {
  let value = text === '' ? NaN : Number(text);
  if (!Number.isFinite(value)) {
    const read = readNumber(text);
    if (read.outcome === 'refused') return read.text;
    if (read.rest !== '' && read.rest.toLowerCase() !== unit.toLowerCase()) {
      return `It says ${read.rest.slice(0, 12)}, the header says ${unit}.`;
    }
    value = read.value;
  }
  return value > 0 ? toNewtons(value, unit) : 'A force is a number above 0.';
}

const BY_NAME = new Map<string, FailureMode>(
  FAILURE_MODES.flatMap((mode, i): [string, FailureMode][] => [
    [mode, mode],
    [failureModeName(mode).toLowerCase(), mode],
    [String(i + 1), mode],
  ]),
);

const modeOf = (text: string) => BY_NAME.get(text) ?? BY_NAME.get(text.toLowerCase());
