import { unguardCell } from './guardCell';

/** What is wrong in a table of text: 1-based row as a spreadsheet counts it, column by its own header. */
export interface TableProblem {
  readonly row: number;
  readonly column: string;
  readonly value: string;
  readonly text: string;
}

/** A column that is looked for in a header. */
export interface HeadedColumn {
  /** What it is called where it is asked for. */
  readonly name: string;
  /** Whether a heading means it; given in lower case, with letters, digits and % alone. */
  readonly is: (plain: string) => boolean;
  readonly needed?: boolean;
}

/** One row below the header. */
export interface HeadedRow<K extends string> {
  /** As a spreadsheet counts rows. */
  readonly row: number;
  /** Text of a cell; '' where the table has no such column. */
  readonly cell: (column: K) => string;
  /** Tells a problem of it. */
  readonly wrong: (column: K, text: string) => void;
}

/** A heading as it is compared: lower case, with letters, digits and % alone. */
export const plainHeading = (text: string): string =>
  text
    .toLowerCase()
    .replace(/mm²/g, 'mm2')
    .replace(/°c/g, 'degc')
    .replace(/[^a-z0-9%]/g, '');

/** Most characters of a cell that are repeated in a problem. */
const SHOWN = 60;

/**
 * A table of text whose first row names its columns, in any order. Every problem is kept with its row and column, so that all
 * can be told in one go.
 */
export class HeadedTable<K extends string> {
  readonly problems: TableProblem[] = [];
  /** How many problems there are; `problems` holds the first of them. */
  total = 0;
  private readonly at = new Map<K, number>();
  private readonly header: readonly string[];

  /**
   * @param table rows of cells, header first
   * @param mostProblems how many problems to spell out
   */
  constructor(
    private readonly table: readonly (readonly string[])[],
    private readonly columns: Readonly<Record<K, HeadedColumn>>,
    private readonly mostProblems = 200,
  ) {
    this.header = table[0] ?? [];
    if (this.header.every((cell) => cell.trim() === '')) {
      this.note(1, '', '', 'The file is empty. Its first row has to name the columns.');
      return;
    }
    const plain = this.header.map(plainHeading);
    for (const key of Object.keys(columns) as K[]) {
      const { name, is, needed } = columns[key];
      const [index, second] = plain.flatMap((cell, i) => (cell !== '' && is(cell) ? [i] : []));
      if (index === undefined) {
        if (needed) this.note(1, name, '', `No column is headed '${name}'.`);
      } else if (second !== undefined) {
        this.note(
          1,
          name,
          '',
          `Two columns are both read as '${name}': ${this.header[index]} and ${this.header[second]}. Rename one.`,
        );
      } else this.at.set(key, index);
    }
  }

  /** Headings that mean none of the columns. */
  unknown(): string[] {
    const known = new Set(this.at.values());
    const columns = Object.values<HeadedColumn>(this.columns);
    return this.header.filter(
      (cell, i) => !known.has(i) && cell.trim() !== '' && !columns.some(({ is }) => is(plainHeading(cell))),
    );
  }

  has(column: K): boolean {
    return this.at.has(column);
  }

  /** Heading of a column as the file has it; its name where the file has none. */
  heading(column: K): string {
    return this.header[this.at.get(column) ?? -1]?.trim() ?? this.columns[column].name;
  }

  /** The heading as it is compared; '' where the file has no such column. */
  plain(column: K): string {
    return this.has(column) ? plainHeading(this.heading(column)) : '';
  }

  note(row: number, column: string, value: string, text: string): void {
    this.total += 1;
    if (this.problems.length < this.mostProblems)
      this.problems.push({ row, column, value: value.slice(0, SHOWN), text });
  }

  /** Every row that says anything. */
  *rows(): Generator<HeadedRow<K>> {
    for (let index = 1; index < this.table.length; index++) {
      const cells = this.table[index] ?? [];
      if (cells.every((cell) => cell.trim() === '')) continue;
      const cell = (column: K) => unguardCell((cells[this.at.get(column) ?? -1] ?? '').trim());
      yield {
        row: index + 1,
        cell,
        wrong: (column, text) => {
          this.note(index + 1, this.heading(column), cell(column), text);
        },
      };
    }
  }
}
