import { guardCell, readPartTable, unguardCell, writePartTable, type CatalogueKind } from '@tug-mark/core';
import fc from 'fast-check';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bareRing, tool, wire075 } from '../../core/src/testing/shop';
import { readCsv } from '../src/files/readCsv';
import { writeCsv } from '../src/files/writeCsv';

/* Tables of parts go out, are opened and saved by a spreadsheet program on desks of two languages, and come back. */

/** Parts made of what a spreadsheet takes for something else. */
const PARTS = {
  wire: [
    { ...wire075, part: '075', label: '2/0', insulation: 'TRUE' },
    { ...wire075, part: '0012', label: '0.75 mm² µ × 24', insulationDiameter: 1.12 },
    { ...wire075, part: '123456789012345', label: '=1+1', insulation: '-5 °C' },
  ],
  terminal: [
    { ...bareRing, part: '10-6', label: '1E5', maker: '@work', stamp: '05', stud: '3/8' },
    { ...bareRing, part: '2027-06-30', label: "'quoted", maker: '12:30', stamp: '1.12', stud: null },
  ],
  tool: [
    {
      ...tool,
      part: '007',
      station: '+bench',
      dies: tool.dies.map((die) => ({
        ...die,
        id: '01',
        nests: die.nests.map((nest, i) => ({ ...nest, id: `0${i}5`, mark: '1/2', terminals: ['075', '10-6'] })),
      })),
    },
  ],
  connector: [
    {
      ...{
        part: '1/2',
        label: '=6',
        maker: '12:30',
        lock: null,
        sheet: { number: '007', revision: '1E5', page: '2/3' },
      },
      cavities: [
        { id: '01', column: 1, row: 1, terminals: ['10-6', '075'] },
        { id: '1.10', column: 2, row: 1, terminals: [] },
      ],
    },
  ],
} as const;
const KINDS = ['wire', 'terminal', 'tool', 'connector'] as const;

/** Desks: the language the file is opened and saved in, the separator and the characters of that desk (as the program counts them). */
const DESKS = {
  english: { locale: 'en_US.UTF-8', language: 1033, separator: 44, characters: 76 },
  german: { locale: 'de_DE.UTF-8', language: 1031, separator: 59, characters: 1 },
} as const;
type Desk = keyof typeof DESKS;

const PROGRAM = 'soffice';
const isInstalled = spawnSync(PROGRAM, ['--version']).status === 0;
const FOLDER = new URL('./spreadsheets/', import.meta.url);
const written = (kind: CatalogueKind & keyof typeof PARTS) => writeCsv(writePartTable(kind, PARTS[kind] as never));

/** Opens a file and saves it again, as a person at that desk would. */
async function throughSpreadsheet(desk: Desk, files: Readonly<Record<string, string>>): Promise<Map<string, Buffer>> {
  const { locale, language, separator, characters } = DESKS[desk];
  const folder = await mkdtemp(join(tmpdir(), 'tug-mark-desk-'));
  const run = (...args: string[]) => {
    const profile = `-env:UserInstallation=file://${folder}/profile`;
    const made = spawnSync(PROGRAM, [profile, '--headless', ...args], {
      env: { ...process.env, LC_ALL: locale, LANG: locale },
    });
    if (made.status !== 0) throw new Error(made.stderr.toString());
  };
  try {
    const names = Object.keys(files);
    for (const name of names) await writeFile(join(folder, `${name}.csv`), files[name] ?? '');
    run(
      '--infilter=Text - txt - csv (StarCalc):44,34,76,1,,1033,false,true',
      ...['--convert-to', 'ods', '--outdir', folder, ...names.map((name) => join(folder, `${name}.csv`))],
    );
    run(
      '--convert-to',
      `csv:Text - txt - csv (StarCalc):${separator},34,${characters},1,,${language},false,true`,
      ...['--outdir', folder],
      ...names.map((name) => join(folder, `${name}.ods`)),
    );
    const read = async (name: string) => [name, await readFile(join(folder, `${name}.csv`))] as const;
    return new Map(await Promise.all(names.map(read)));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

describe('A table of parts', () => {
  it('goes out with a byte order mark and the line ends of spreadsheets', () => {
    const text = written('wire');
    expect(text.startsWith('\ufeffpart,label,')).toBeTrue();
    expect(text.split('\r\n').length).toBe(PARTS.wire.length + 2);
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  });

  it('guards a cell exactly as it takes the guard off', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[='+\-@0-9/.:eE]{1,8}$/)), (text) => {
        expect(unguardCell(guardCell(text))).toBe(text);
      }),
      { numRuns: 3000 },
    );
    expect(['075', '2/0', '=1', '10-6', '1e5', 'yes', '0.75 mm2', 'AWG 18', '18'].map(guardCell)).toEqual([
      ...["'075", "'2/0", "'=1", "'10-6", "'1e5", 'yes', '0.75 mm2', 'AWG 18', '18'],
    ]);
  });

  for (const desk of Object.keys(DESKS) as Desk[]) {
    it(`comes back equal from a spreadsheet on a desk that is ${desk}`, async () => {
      // Where the program is not there, what it saved when these files were made.
      const files = isInstalled
        ? await throughSpreadsheet(desk, Object.fromEntries(KINDS.map((kind) => [kind, written(kind)])))
        : new Map(
            await Promise.all(
              KINDS.map(async (kind) => [kind, await readFile(new URL(`${desk}-${kind}.csv`, FOLDER))] as const),
            ),
          );
      for (const kind of KINDS) {
        const bytes = files.get(kind) ?? Buffer.alloc(0);
        if (process.env['TUG_KEEP_SPREADSHEETS']) await writeFile(new URL(`${desk}-${kind}.csv`, FOLDER), bytes);
        const read = readPartTable(kind, readCsv(bytes));
        expect(read.ok ? read.parts : read.problems)
          .withContext(`${desk} ${kind}`)
          .toEqual(PARTS[kind] as never);
      }
      // A decimal comma stands in the file of that desk.
      const [, , second] = readCsv(files.get('wire') ?? Buffer.alloc(0));
      expect(second).toContain(desk === 'german' ? '1,12' : '1.12');
    }, 120_000);
  }

  it('is refused by row where a spreadsheet made a day of a number', () => {
    const rows = readCsv(Buffer.from(written('wire')));
    const [header = [], first = [], ...others] = rows;
    const at = header.findIndex((cell) => cell.startsWith('insulation diameter'));
    const broken = first.map((cell, i) => (i === at ? '01.12.2026' : cell));
    const read = readPartTable('wire', [header, broken, ...others]);
    expect(read.ok ? [] : read.problems.map(({ row, column, value }) => [row, column, value])).toEqual([
      [2, 'insulation diameter mm', '01.12.2026'],
    ]);
  });
});
