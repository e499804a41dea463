import type { Combination } from '@tug-mark/contract';
import { guardCell, entryCells, entrySlot, lotOf, runOf, type EntryBody } from '@tug-mark/core';
import type { Knex } from 'knex';
import { readRow, toCombination } from '../combination/store';
import { asInstant, portionsOf, readEnd } from '../entry/portions';
import { writeCsv } from '../files/writeCsv';
import type { RecordText } from './record';

/** What a line of the table is made of, and no more: most of the work is taking rows in. */
interface TableRow {
  readonly seq: number;
  readonly at: string;
  readonly made_at: string | null;
  readonly by_name: string;
  readonly by_role: string;
  readonly body: EntryBody;
  readonly limit: string | null;
  readonly verdict: string | null;
  readonly corrects: string | null;
  readonly why: string | null;
  readonly id: string;
  readonly hash: string;
  readonly is_corrected: boolean;
}

const ROWS = `SELECT j.seq, ${asInstant('j.at')} AS at, ${asInstant('j.made_at')} AS made_at, j.by_name, j.by_role, j.body,
    j.verdict ->> 'force' AS "limit", j.verdict ->> 'verdict' AS verdict, j.corrects, j.why, j.id, j.hash,
    EXISTS (SELECT 1 FROM journal later WHERE later.corrects = j.id AND later.seq <= :end) AS is_corrected
  FROM journal j WHERE j.combination = :combination AND j.seq > :after AND j.seq <= :upTo ORDER BY j.seq`;

const COLUMNS = [
  'seq',
  'at',
  'made at',
  'by',
  'role',
  'terminal',
  'wire',
  'run',
  'lot',
  'kind',
  'about',
  'piece',
  'answer',
  'measured',
  'unit',
  'force N',
  'limit N',
  'verdict',
  'failure mode',
  'note',
  'corrects',
  'why',
  'in force',
  'id',
  'hash',
];
/** Behind the role, in a record that came from elsewhere. */
const ORIGIN = { at: 5, heading: 'not this shop’s own', cell: 'read in from a record file' };

/** The journal of a record as CSV: one line an entry, forces in N with every digit. */
export async function writeRecordTable(db: Knex, id: string): Promise<RecordText> {
  const [row, end] = await Promise.all([readRow(db, id), readEnd(db, id)]);
  const combination = toCombination(row);
  const write = (lines: (string | number)[][], origin: string, isContinued = true) => {
    if (combination.readIn) for (const line of lines) line.splice(ORIGIN.at, 0, origin);
    return writeCsv(lines, isContinued);
  };
  async function* pieces() {
    yield write([[...COLUMNS]], ORIGIN.heading, false);
    for (const portion of portionsOf(end)) {
      const { rows } = await db.raw<{ rows: TableRow[] }>(ROWS, { combination: id, end, ...portion });
      yield write(
        rows.map((entry) => lineOf(combination, entry)),
        ORIGIN.cell,
      );
    }
  }
  return { combination, pieces: pieces() };
}

function lineOf({ terminal, wire }: Combination, row: TableRow): (string | number)[] {
  const { body } = row;
  const { piece, answer, measured, unit, force, mode } = entryCells(body);
  return [
    row.seq,
    row.at,
    row.made_at ?? '',
    guardCell(row.by_name),
    row.by_role,
    guardCell(terminal),
    guardCell(wire),
    runOf(body),
    lotOf(body) ?? '',
    body.kind,
    guardCell(entrySlot(body)),
    piece,
    guardCell(answer),
    measured,
    unit,
    force,
    row.limit ?? '',
    row.verdict ?? '',
    mode,
    'note' in body ? guardCell(body.note) : '',
    row.corrects ?? '',
    guardCell(row.why ?? ''),
    row.is_corrected ? 'no' : 'yes',
    row.id,
    row.hash,
  ];
}
