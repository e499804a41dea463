import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { writePartTable, type CatalogueKind } from '@tug-mark/core';
import { unparse } from 'papaparse';
import { bareRing, practice, stripper, tool, wire075 } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { CabinetFiles } from './cabinet-files';
import { CabinetPage } from './cabinet-page';
import { CabinetStore } from './cabinet.store';
import { EMPTY_CABINET } from '../testing/made-up';

const CABINET = {
  ...EMPTY_CABINET,
  ...{ wires: [wire075], terminals: [bareRing], tools: [tool], strippers: [stripper] },
  ...{ practices: [practice] },
};

describe('A table of parts, before it is kept', () => {
  let bench: Bench<CabinetPage>;
  const importPartTable = jasmine.createSpy('importPartTable');
  const open = async (kindName: CatalogueKind) => {
    importPartTable.calls.reset();
    importPartTable.and.resolveTo({ parts: 3, changed: 2 });
    bench = await Bench.open(CabinetPage, {
      role: 'engineer',
      api: { importPartTable, cabinet: () => Promise.resolve(CABINET), revisions: () => Promise.resolve([]) },
      inputs: { kindName },
    });
    await TestBed.inject(CabinetStore).load();
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });
  /** As the file button hands a file on. */
  const give = async (file: File) => {
    const files = bench.fixture.debugElement.query(By.directive(CabinetFiles)).componentInstance as CabinetFiles;
    files.looked.emit(file);
    // Reading it takes its own time; who asks after is answered after.
    await file.arrayBuffer();
    await bench.settle();
    await bench.settle();
  };
  const look = async (cells: string[][], name = 'wires.csv') => {
    await give(new File([unparse(cells)], name));
  };
  const wires = (...parts: string[]) =>
    writePartTable(
      'wire',
      parts.map((part) => ({ ...wire075, part })),
    );
  const faults = () =>
    [...bench.element.querySelectorAll('tm-table-faults tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => cell.querySelector('input')?.value ?? cell.textContent?.trim()),
    );
  const mend = async (row: number, value: string) => {
    const field = bench.element.querySelectorAll<HTMLInputElement>('tm-table-faults input')[row];
    if (!field) throw new Error(`no fault ${row}`);
    field.value = value;
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await bench.settle();
  };

  it('says what is new, what is changed and what stands, and keeps nothing until that is pressed', async () => {
    await open('wire');
    const cells = wires('W-075', 'W-NEW', 'W-075B');
    const changed = wires('W-075');
    const label = cells[0]?.indexOf('label') ?? -1;
    await look(cells);
    expect(bench.text).toContain('3 wires: 2 new, 0 changed as a new revision, 1 as they stand.');
    expect(importPartTable).not.toHaveBeenCalled();
    (changed[1] ?? [])[label] = 'another name';
    await look(changed);
    expect(bench.text).toContain('1 wire: 0 new, 1 changed as a new revision, 0 as they stand.');
    await bench.press('Keep 1 wire');
    const [kind, file] = importPartTable.calls.mostRecent().args as [string, File];
    expect([kind, file.name]).toEqual(['wire', 'wires.csv']);
    expect(await file.text()).toContain('another name');
    expect(bench.text).toContain('wires.csv: 3 wires read, 2 of them new or changed.');
    expect(bench.element.querySelector('tm-part-file-preview section')).toBeNull();
  });

  it('has its mistakes mended in place, the same one in all its rows at once', async () => {
    await open('wire');
    const cells = wires('W-1', 'W-2', 'W-3', 'W-4');
    const at = (title: string) => cells[0]?.findIndex((heading) => heading.startsWith(title)) ?? -1;
    for (const row of [1, 2, 3]) (cells[row] ?? [])[at('material')] = 'cupper';
    (cells[4] ?? [])[at('strands')] = 'many';
    await look(cells);
    expect(bench.text).toContain('4 cells are not right yet');
    expect(faults()[0]?.slice(0, 3)).toEqual(['2, 3, 4', 'material', 'cupper']);
    expect(bench.has('Keep')).toBeFalse();
    await mend(0, 'copper');
    expect(bench.text).toContain('1 cell is not right yet');
    await mend(0, '24');
    expect(bench.text).toContain('4 wires: 4 new');
    await bench.press('Keep 4 wires');
    const [, file] = importPartTable.calls.mostRecent().args as [string, File];
    expect(await file.text()).not.toContain('cupper');
  });

  it('has columns nobody knows named or left out, and says which are missing', async () => {
    await open('wire');
    const cells = wires('W-1').map((row) => [...row, 'x']);
    const header = cells[0] ?? [];
    header[header.indexOf('insulation')] = 'jacket';
    header[header.length - 1] = 'price';
    await look(cells);
    expect(bench.text).toContain('No column is headed');
    await bench.choose(`head-${header.indexOf('jacket')}`, 'insulation');
    expect(bench.text).not.toContain('No column is headed');
    await bench.choose(`head-${header.indexOf('price')}`, 'nothing that is needed: leave it out');
    expect(bench.text).toContain('1 wire: 1 new');
  });

  it('leaves the cabinet as it was when the file is left', async () => {
    await open('wire');
    await look(wires('W-9'));
    expect(bench.element.querySelector('tm-cabinet-list')).toBeNull();
    await bench.press('Leave the file');
    expect(bench.element.querySelector('tm-cabinet-list')).not.toBeNull();
    expect(importPartTable).not.toHaveBeenCalled();
  });

  it('is not read at all when it is too large to be the right file', async () => {
    await open('wire');
    const large = new File(['part'], 'large.csv');
    Object.defineProperty(large, 'size', { value: 40 * 1024 * 1024 });
    await give(large);
    expect(bench.text).toContain('large.csv is too large to be read.');
    expect(bench.element.querySelector('tm-part-file-preview section')).toBeNull();
  });
});
