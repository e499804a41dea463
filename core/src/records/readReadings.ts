import { FAILURE_MODES, failureModeName, isValidMode, plausibleForce, type FailureMode } from '../tug';
import { FORCE_UNITS, readNumber, toNewtons, type ForceUnit } from '../units';

/** A pull as a file tells it. */
export interface ReadingRow {
  readonly piece: number;
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
  | { readonly ok: true; readonly rows: readonly ReadingRow[] }
  | { readonly ok: false; readonly problems: readonly ReadingProblem[]; readonly total: number };

const MOST_PROBLEMS = 50;

/**
 * Reads pulls from a table, header first: piece, force (its header says the unit), how it let go (a name, or its number
 * from 1 to 7), note. Whole or not at all; pieces numbered twice, forces no wire bears and units that differ from the
 * header are problems with row and column.
 *
 * @param breaks breaking load of the wire, N
 * @param pieces pieces of the lot
 */
export function readReadings(table: readonly (readonly string[])[], breaks: number, pieces: number): ReadingsRead {
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
  };
  if (columns.piece < 0) note(1, 'piece', '', "No column is headed 'piece'.");
  if (columns.force < 0) note(1, 'force', '', "No column is headed 'force N', 'force lbf' or 'force kgf'.");
  if (columns.mode < 0) note(1, 'how it let go', '', "No column is headed 'how it let go'.");
  const named = /\b(lbf|kgf|n)\W*$/.exec(header[columns.force] ?? '')?.[1];
  const unit = FORCE_UNITS.find((u) => u.toLowerCase() === named);
  if (columns.force >= 0 && !unit)
    note(1, 'force', header[columns.force] ?? '', 'The header does not say the unit: N, lbf or kgf.');
  if (problems.length || !unit) return { ok: false, problems, total };

  const first = new Map<number, number>();
  const rows: ReadingRow[] = [];
  const ceiling = plausibleForce(breaks);
  for (let i = 1; i < table.length; i++) {
    const cells = table[i] ?? [];
    if (cells.every((cell) => cell.trim() === '')) continue;
    const cell = (column: keyof typeof columns) => (cells[columns[column]] ?? '').trim();
    const row = i + 1;
    const piece = Number(cell('piece'));
    if (!Number.isInteger(piece) || piece < 1 || piece > pieces) {
      note(row, 'piece', cell('piece'), `Pieces of this lot are whole numbers from 1 to ${pieces}.`);
      continue;
    }
    const twin = first.get(piece);
    if (twin !== undefined) {
      note(row, 'piece', cell('piece'), `Piece ${piece} stands in row ${twin} already.`);
      continue;
    }
    first.set(piece, row);
    const force = forceOf(cell('force'), unit);
    if (typeof force === 'string') {
      note(row, header[columns.force] ?? 'force', cell('force'), force);
      continue;
    }
    if (force > ceiling) {
      note(
        row,
        header[columns.force] ?? 'force',
        cell('force'),
        `${force.toFixed(1)} N is more than this wire can bear: check value and unit.`,
      );
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
    if (!isValidMode(mode) && cell('note') === '') {
      note(row, 'note', '', 'A pull that is not valid needs its reason.');
      continue;
    }
    rows.push({ piece, force, typed: cell('force'), unit, mode, note: cell('note').slice(0, 500) });
  }
  if (!total && !rows.length) note(2, 'piece', '', 'The file has a header and no readings.');
  return total ? { ok: false, problems, total } : { ok: true, rows };
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
