import fc from 'fast-check';
import { families, fourIndent } from '../testing/families';
import { openContact, stripper, tool, wire075 } from '../testing/shop';
import {
  CATALOGUE_KINDS,
  CATALOGUES,
  compareParts,
  countChanges,
  familyHas,
  familyStart,
  FIELD_GROUPS,
  headingsLeft,
  indexParts,
  readPart,
  readPartTable,
  searchParts,
  writePart,
  writePartTable,
  type PartCells,
} from './index';

const change = (from: PartCells, cells: Record<string, string>): PartCells => ({
  ...from,
  cells: { ...from.cells, ...cells },
});
const faults = (from: PartCells, kind: 'terminal' | 'wire' | 'tool' | 'stripper' = 'terminal') => {
  const read = readPart(kind, from);
  return read.ok ? [] : read.problems.map((p) => `${p.path}: ${p.text}`);
};
const ring = writePart('terminal', families['bare-terminal']);
const wire = writePart('wire', wire075);

describe('A part as a form', () => {
  it('reads back as it was written, for a terminal of every family, tools and strippers', () => {
    for (const terminal of Object.values(families)) {
      const read = readPart('terminal', writePart('terminal', terminal));
      expect(read.ok && read.part)
        .withContext(terminal.part)
        .toEqual(terminal);
    }
    for (const one of [tool, fourIndent]) {
      const read = readPart('tool', writePart('tool', one));
      expect(read.ok && read.part).toEqual(one);
    }
    const read = readPart('stripper', writePart('stripper', stripper));
    expect(read.ok && read.part).toEqual(stripper);
  });

  it('takes lengths in either unit and sizes as they are printed', () => {
    const read = readPart(
      'terminal',
      change(ring, {
        'barrel.length': '0.25 in',
        'conductorRange.smallest': '18 AWG',
        'conductorRange.largest': 'AWG 14',
      }),
    );
    expect(read.ok && read.part.barrel.length).toBe(6.35);
    expect(read.ok && read.part.conductorRange.smallest).toEqual({ scale: 'awg', value: 18 });
  });

  it('says that a barrel range is backwards, also where AWG numbers make it look right', () => {
    expect(
      faults(change(ring, { 'conductorRange.smallest': '2.5 mm2', 'conductorRange.largest': '0.5 mm2' }))[0],
    ).toContain('conductorRange.smallest: The barrel range is backwards: 2.5 mm2 is larger than 0.5 mm2.');
    expect(
      faults(change(ring, { 'conductorRange.smallest': 'AWG 14', 'conductorRange.largest': 'AWG 18' }))[0],
    ).toContain('AWG numbers fall as wires grow');
    expect(faults(change(ring, { 'insulationRange.min': '3', 'insulationRange.max': '2' }))[0]).toContain(
      'is backwards',
    );
    expect(faults(change(ring, { 'insulationRange.min': '3' }))[0]).toContain('give both ends of the range');
  });

  it('tells which results a missing dimension costs and which it does not', () => {
    expect(faults(change(ring, { 'barrel.length': '' }))).toEqual([]);
    expect(faults(change(ring, { 'barrel.length': '0' }))).toEqual([
      'barrel.length: It is 0. Leave it empty if the sheet does not give it: strip length, bites and the drawing cannot be given then; fit, tool, way round and limit still can.',
    ]);
    expect(faults(change(ring, { 'barrel.outerDiameter': '0' }))[0]).toContain(
      'the drawing and the choice of shrink tube cannot be given',
    );
    expect(faults(change(wire, { insulationDiameter: '0' }), 'wire')[0]).toContain(
      'without it notch, insulation grip and seal cannot be given',
    );
    expect(
      faults(change(writePart('terminal', families.lug), { 'barrel.length': '', 'barrel.depth': '' }))[0],
    ).toContain('barrel.depth: Without the depth');
  });

  it('wants at least one nest of a tool and one notch of a stripper', () => {
    const none = { ...writePart('tool', tool), tables: {} };
    expect(faults(none, 'tool')).toEqual(['nests: It has no nest; at least one is needed.']);
    expect(faults({ ...writePart('stripper', stripper), tables: {} }, 'stripper')).toEqual([
      'notches: It has no notch; at least one is needed.',
    ]);
  });

  it('names every wrong cell at once, in words', () => {
    const wrong = change(ring, { family: 'rings', temperature: 'hot', sealed: 'maybe', mostWires: '1.5', stud: '' });
    expect(faults(wrong).map((text) => text.split(':')[0])).toEqual(['family', 'mostWires', 'sealed', 'temperature']);
  });
});

describe('A table of parts', () => {
  it('reads back as it was written, a tool on as many rows as it has nests', () => {
    const table = writePartTable('tool', [tool, fourIndent]);
    // header, two nests of one tool; one nest, two selector rows and a positioner of the other
    expect(table.length).toBe(1 + 2 + 2);
    const read = readPartTable('tool', table);
    expect(read.ok && read.parts).toEqual([tool, fourIndent]);
    const terminals = [families['sealed-contact'], openContact];
    const back = readPartTable('terminal', writePartTable('terminal', terminals));
    expect(back.ok && back.parts).toEqual(terminals);
  });

  it('finds its columns in any order, with inches where the header says inches', () => {
    const [header = [], row = []] = writePartTable('stripper', [
      { ...stripper, notches: stripper.notches.slice(0, 1) },
    ]);
    const order = header.map((_, i) => i).reverse();
    const inches = header.map((name) => (name === 'step mm' ? 'Step (in)' : name.toUpperCase()));
    const read = readPartTable('stripper', [
      order.map((i) => inches[i] ?? ''),
      order.map((i) => (header[i] === 'step mm' ? '0.0625' : (row[i] ?? ''))),
    ]);
    expect(read.ok && read.parts[0]?.step).toBe(1.5875);
  });

  it('refuses a length that stands twice in two units, and a cell that contradicts its header', () => {
    const [header = [], row = []] = writePartTable('stripper', [
      { ...stripper, notches: stripper.notches.slice(0, 1) },
    ]);
    const twice = readPartTable('stripper', [
      [...header, 'step in'],
      [...row, '0.02'],
    ]);
    expect(!twice.ok && twice.problems[0]?.text).toContain('Two columns are both read as');
    const mixed = readPartTable('stripper', [
      header,
      row.map((cell, i) => (header[i] === 'step mm' ? '0.02 in' : cell)),
    ]);
    expect(!mixed.ok && [mixed.problems[0]?.row, mixed.problems[0]?.column, mixed.problems[0]?.text]).toEqual([
      2,
      'step mm',
      'Step is in in, but the column is headed in mm. Make header and cell agree.',
    ]);
  });

  it('refuses an unknown column, a missing one, a part twice and a row that contradicts the one above', () => {
    const texts = (table: string[][]) => {
      const read = readPartTable('tool', table);
      return read.ok ? [] : read.problems.map((p) => `${p.row} ${p.text}`);
    };
    const [header = [], first = [], second = []] = writePartTable('tool', [tool]);
    expect(texts([[...header, 'weight'], first])[0]).toContain("1 No field of a tool is called 'weight'");
    expect(texts([header.filter((name) => name !== 'kind'), first])[0]).toBe("1 No column is headed 'kind'.");
    const other = second.map((cell, i) => (header[i] === 'label' ? 'another name' : cell));
    expect(texts([header, first, other])[0]).toContain("3 says otherwise than row 2 ('Hand tool HT')");
    const stranger = first.map((cell, i) => (header[i] === 'part' ? 'X' : cell));
    expect(texts([header, first, stranger, first])[0]).toBe(
      "4 'HT' stands in row 2 already. A part has one place in the file.",
    );
    expect(texts([[]])[0]).toContain('The file is empty');
    expect(texts([header])[0]).toContain('nothing below it');
  });

  it('brings any text back as it was, and none out as a formula a spreadsheet would run', () => {
    const label = fc
      .stringMatching(/^[=+@A-Za-z0-9'-][ -~]{0,20}[A-Za-z0-9]$/)
      .filter((text) => !/^'([=+@]|-.)/.test(text));
    fc.assert(
      fc.property(label, (written) => {
        const table = writePartTable('wire', [{ ...wire075, label: written }]);
        expect(table[1]?.[1]).not.toMatch(/^[=+@]|^-./);
        const read = readPartTable('wire', table);
        expect(read.ok && read.parts[0]?.label).toBe(written);
      }),
    );
  });

  it('counts every fault and spells out no more than asked', () => {
    const [header = [], row = []] = writePartTable('wire', [wire075]);
    const bad = Array.from({ length: 50 }, (_, i) =>
      row.map((cell, c) => (header[c] === 'part' ? `W${i}` : header[c] === 'strands' ? 'x' : cell)),
    );
    const read = readPartTable('wire', [header, ...bad], 10);
    expect(!read.ok && [read.problems.length, read.total]).toEqual([10, 50]);
  });
});

describe('The list of parts', () => {
  it('is searched by every word a person would type, in any order', () => {
    const index = indexParts('terminal', Object.values(families));
    expect(searchParts(index, 'sealed CONTACT').map((t) => t.part)).toEqual(['F05']);
    expect(searchParts(index, 'm8 lug').map((t) => t.part)).toEqual(['F12']);
    expect(searchParts(index, '').length).toBe(12);
    expect(searchParts(index, 'nowhere')).toEqual([]);
  });

  it('never loses a part that has all the words, whatever is typed of it', () => {
    const index = indexParts('terminal', Object.values(families));
    fc.assert(
      fc.property(fc.constantFrom(...Object.values(families)), fc.nat(3), fc.nat(6), (terminal, from, length) => {
        const typed = terminal.label.slice(from, from + length + 1);
        expect(searchParts(index, typed)).toContain(terminal);
      }),
    );
  });

  it('puts two parts side by side and marks what differs', () => {
    const differing = compareParts('terminal', families.lug, { ...families.lug, stud: 'M10', studHole: 10.5 }).filter(
      (f) => f.differs,
    );
    expect(differing.map(({ title, unit, a, b }) => [title, unit, a, b])).toEqual([
      ['stud or mating size', '', 'M8', 'M10'],
      ['stud hole', 'mm', '8.4', '10.5'],
    ]);
    expect(CATALOGUES.terminal.columns.length).toBeLessThan(
      compareParts('terminal', families.lug, families.lug).length,
    );
  });
});

describe('The form of a part', () => {
  it('puts every field and list of a kind into one group', () => {
    for (const kind of CATALOGUE_KINDS) {
      const { columns, tables } = CATALOGUES[kind];
      for (const { path } of [...columns, ...tables]) {
        expect(FIELD_GROUPS[kind].some(({ takes }) => takes(path)))
          .withContext(`${kind} ${path}`)
          .toBeTrue();
      }
      // No group stands empty.
      for (const group of FIELD_GROUPS[kind]) {
        const own = [...columns, ...tables].filter(
          ({ path }) => FIELD_GROUPS[kind].find(({ takes }) => takes(path)) === group,
        );
        expect(own.length).withContext(`${kind} ${group.title}`).toBeGreaterThan(0);
      }
    }
  });

  it('hides no field a terminal of that family says something in', () => {
    for (const terminal of Object.values(families)) {
      const { cells } = writePart('terminal', terminal);
      for (const { path } of CATALOGUES.terminal.columns) {
        if (familyHas(cells['family'] ?? '', path)) continue;
        expect(['', 'no'])
          .withContext(`${terminal.part} ${path}`)
          .toContain(cells[path] ?? '');
      }
    }
    expect([
      familyHas('lug', 'dieIndex'),
      familyHas('ferrule', 'dieIndex'),
      familyHas('lug', 'cavity.release'),
    ]).toEqual([...[true, false, false]]);
  });

  it('begins with what nearly every sheet says', () => {
    const start = (kind: (typeof CATALOGUE_KINDS)[number], path: string) =>
      [...CATALOGUES[kind].columns, ...CATALOGUES[kind].tables.flatMap(({ columns }) => columns)].find(
        (column) => column.path === path,
      )?.start;
    expect(start('terminal', 'mostWires')).toBe('1');
    expect([start('tool', 'changeMinutes.die'), start('tool', 'changeMinutes.setting')]).toEqual(['6', '1']);
    // A solid notch on stranded wire cuts strands: nobody gets one without choosing it.
    expect(start('stripper', 'for')).toBe('stranded');
    expect(start('terminal', 'part')).toBeUndefined();
  });
});

describe('A table of parts that is looked at', () => {
  const wires = (...parts: string[]) => parts.map((part) => ({ ...wire075, part }));
  it('says how many would be new, changed, or as they stand', () => {
    const [first, second] = wires('W-1', 'W-2');
    if (!first || !second) throw new Error('two wires');
    const brought = [first, { ...second, label: 'another' }, ...wires('W-3', 'W-4')];
    expect(countChanges('wire', [first, second], brought)).toEqual({ parts: 4, fresh: 2, changed: 1, same: 1 });
    expect(countChanges('wire', [], [])).toEqual({ parts: 0, fresh: 0, changed: 0, same: 0 });
  });

  it('names the columns it does not have, whatever unit one is headed in', () => {
    const [header = []] = writePartTable('wire', wires('W-1'));
    expect(headingsLeft('wire', header)).toEqual([]);
    const other = header.map((heading) => heading.replace(/^insulation diameter mm$/, 'insulation diameter in'));
    expect(headingsLeft('wire', other)).toEqual([]);
    expect(
      headingsLeft(
        'wire',
        other.filter((heading) => !heading.startsWith('insulation diameter')),
      ),
    ).toEqual(['insulation diameter']);
    expect(headingsLeft('tool', [])).toContain('nest: mark');
  });
});

describe('A new terminal', () => {
  it('begins without a support where its family has none, and is asked for one where it has', () => {
    expect(familyStart('bare-terminal')).toEqual({ family: 'bare-terminal', 'barrel.supportLength': '0' });
    expect(familyStart('insulated-terminal')['barrel.supportLength']).toBe('');
    expect(familyStart('open-barrel-contact')['barrel.supportLength']).toBe('');
  });
});
