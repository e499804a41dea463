import { FAILURE_MODES, failureModeName, type FailureMode } from '../tug';
import { FORCE_UNITS, readNumber, toNewtons, type ForceUnit } from '../units';

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
  readonly note: string;
}

export interface ReadingProblem {
  /** As a spreadsheet counts rows. */
  readonly row: number;
  readonly column: string;
  readonly value: string;
  readonly text: string;
}

export type ReadingsRead =
  | {
      readonly ok: true;
      readonly rows: readonly ReadingRow[];
      /** Heading of the column each field stands in. */
      readonly columns: Readonly<Record<'piece' | 'force' | 'typed' | 'wire' | 'note' | 'mode', string>>;
    }
  | {
      readonly ok: false;
      /** What could be read all the same, so that its own faults can be told in one go. */
      readonly rows: readonly ReadingRow[];
      readonly columns: Readonly<Record<'piece' | 'force' | 'typed' | 'wire' | 'note' | 'mode', string>>;
      readonly problems: readonly ReadingProblem[];
      readonly total: number;
    };

const MOST_PROBLEMS = 50;
/** No lot has more. */
const MOST_PIECES = 999_999;

/**
 * Reads pulls from a table, header first: piece, force (its header says the unit), how it let go (a name, or its number
 * from 1 to 7), note, and the wire where several share a barrel. Whole or not at all; pieces numbered twice and units that
 * differ from the header are problems with row and column. Whether a pull may go on record, the rules of the journal say.
 */
export function readReadings(table: readonly (readonly string[])[]): ReadingsRead {
  const problems: ReadingProblem[] = [];
  let total = 0;
  const note = (row: number, column: string, value: string, text: string) => {
    total += 1;
    if (problems.length < MOST_PROBLEMS) problems.push({ row, column, value: value.slice(0, 60), text });
  };
  const header = (table[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const at = (test: RegExp) => header.findIndex((name) => test.test(name));
  const columns = {
    piece: at(/^piece/),
    force: at(/^(peak )?force\b/),
    mode: at(/^(how|let go|failure|mode)/),
    note: at(/^note/),
    wire: at(/^(wire|wire no\.?|wire number)$/),
  };
  if (columns.piece < 0) note(1, 'piece', '', "No column is headed 'piece'.");
  if (columns.force < 0) note(1, 'force', '', "No column is headed 'force N', 'force lbf' or 'force kgf'.");
  if (columns.mode < 0) note(1, 'how it let go', '', "No column is headed 'how it let go'.");
  const named = /\b(lbf|kgf|n)\W*$/.exec(header[columns.force] ?? '')?.[1];
  const unit = FORCE_UNITS.find((u) => u.toLowerCase() === named);
  if (columns.force >= 0 && !unit)
    note(1, 'force', header[columns.force] ?? '', 'The header does not say the unit: N, lbf or kgf.');
  const heading = (column: keyof typeof columns, plain: string) => header[columns[column]] ?? plain;
  const headings = {
    piece: heading('piece', 'piece'),
    force: heading('force', 'force'),
    typed: heading('force', 'force'),
    mode: heading('mode', 'how it let go'),
    note: heading('note', 'note'),
    wire: heading('wire', 'wire'),
  };
  if (problems.length || !unit) return { ok: false, rows: [], columns: headings, problems, total };

  const first = new Map<string, number>();
  const rows: ReadingRow[] = [];
  for (let i = 1; i < table.length; i++) {
    const cells = table[i] ?? [];
    if (cells.every((cell) => cell.trim() === '')) continue;
    const cell = (column: keyof typeof columns) => (cells[columns[column]] ?? '').trim();
    const row = i + 1;
    const piece = Number(cell('piece'));
    if (!Number.isInteger(piece) || piece < 1 || piece > MOST_PIECES) {
      note(row, 'piece', cell('piece'), `Pieces are whole numbers from 1 to ${MOST_PIECES}.`);
      continue;
    }
    const wire = cell('wire') === '' ? 1 : Number(cell('wire'));
    if (!Number.isInteger(wire) || wire < 1 || wire > 9) {
      note(row, 'wire', cell('wire'), 'Wires in one barrel are numbered from 1 to 9.');
      continue;
    }
    const twin = first.get(`${piece}/${wire}`);
    if (twin !== undefined) {
      note(row, 'piece', cell('piece'), `Piece ${piece} stands in row ${twin} already.`);
      continue;
    }
    first.set(`${piece}/${wire}`, row);
    const force = forceOf(cell('force'), unit);
    if (typeof force === 'string') {
      note(row, header[columns.force] ?? 'force', cell('force'), force);
      continue;
    }
    const mode = modeOf(cell('mode'));
    if (!mode) {
      note(
        row,
        'how it let go',
        cell('mode'),
        `It is one of: ${FAILURE_MODES.map(failureModeName).join('; ')}; or its number from 1.`,
      );
      continue;
    }
    rows.push({ row, piece, wire, force, typed: cell('force'), unit, mode, note: cell('note').slice(0, 500) });
  }
  if (!total && !rows.length) note(2, 'piece', '', 'The file has a header and no readings.');
  return total ? { ok: false, rows, columns: headings, problems, total } : { ok: true, rows, columns: headings };
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
