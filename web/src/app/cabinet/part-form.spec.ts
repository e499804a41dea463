import { CATALOGUES, FAMILIES, familyHas, type CatalogueKind, type CatalogueParts } from '@tug-mark/core';
import {
  bareRing,
  insulatedRing,
  openContact,
  stripper,
  tool,
  wire075,
  wireRound,
} from '../../../../core/src/testing/shop';
import {
  cellsFrom,
  concerns,
  faultsOf,
  fieldId,
  newRow,
  optionsOf,
  partForm,
  readForm,
  restorePart,
  typedCells,
} from './part-form';

const PARTS: readonly (readonly [CatalogueKind, CatalogueParts[CatalogueKind]])[] = [
  ...[bareRing, insulatedRing, openContact].map((part) => ['terminal', part] as const),
  ...[wire075, wireRound].map((part) => ['wire', part] as const),
  ...[['tool', tool] as const, ['stripper', stripper] as const],
];
const formOf = (kind: CatalogueKind, part: CatalogueParts[CatalogueKind]) => partForm(kind, cellsFrom(kind, part));

describe('A part as fields', () => {
  for (const [kind, part] of PARTS) {
    it(`comes out as it went in: ${kind} ${part.part}`, () => {
      const read = readForm(kind, formOf(kind, part));
      expect(read.ok ? read.part : read.problems).toEqual(part);
    });

    it(`is put back whole into the form of a new one: ${kind} ${part.part}`, () => {
      const form = partForm(kind, null);
      restorePart(kind, form, typedCells(formOf(kind, part)));
      const read = readForm(kind, form);
      expect(read.ok ? read.part : read.problems).toEqual(part);
    });
  }

  it('that is new lacks only what somebody has to know: no choice, flag or usual number is missing', () => {
    for (const kind of Object.keys(CATALOGUES) as CatalogueKind[]) {
      const columns = [...CATALOGUES[kind].columns, ...CATALOGUES[kind].tables.flatMap((table) => table.columns)];
      const missing = faultsOf(kind, readForm(kind, partForm(kind, null)));
      for (const { field, label } of missing) {
        const column = columns.find(({ path }) => field.endsWith(path.replace(/\./g, '-')));
        expect(['choice', 'flag'].includes(column?.type ?? 'none') || column?.start !== undefined)
          .withContext(`${kind}: ${label}`)
          .toBeFalse();
      }
      expect(missing.length).withContext(kind).toBeGreaterThan(0);
    }
  });

  it('takes a scanned label for the part it is on', () => {
    const form = formOf('tool', tool);
    form.controls.cells.controls['part']?.setValue('https://shop.local/cabinet/tool/CT%2F7');
    expect(typedCells(form).cells['part']).toBe('CT/7');
  });

  it('names a fault by its card and its field, and points at it', () => {
    const form = formOf('stripper', stripper);
    form.controls.tables.controls['notches']?.at(1).controls['bore']?.setValue('wide');
    const faults = faultsOf('stripper', readForm('stripper', form));
    expect(faults.map(({ field, label }) => [field, label])).toEqual([['t-notches-1-bore', 'Notch 2, bore']]);
    expect(faults[0]?.text).not.toMatch(/^Notch 2/);
    expect(fieldId('conductorRange.smallest')).toBe('f-conductorRange-smallest');
  });

  it('of a terminal shows what its family has, and what somebody has filled in all the same', () => {
    const form = partForm('terminal', null);
    const paths = CATALOGUES.terminal.columns.map(({ path }) => path);
    for (const family of FAMILIES) {
      form.controls.cells.controls['family']?.setValue(family);
      for (const path of paths.filter((each) => (form.controls.cells.controls[each]?.value ?? '') === ''))
        expect(concerns('terminal', form, path))
          .withContext(`${family} ${path}`)
          .toBe(familyHas(family, path));
    }
    const foreign = paths.find(
      (path) => !familyHas('bare-terminal', path) && !form.controls.cells.controls[path]?.value,
    );
    if (!foreign) throw new Error('a bare terminal has everything');
    form.controls.cells.controls['family']?.setValue('bare-terminal');
    form.controls.cells.controls[foreign]?.setValue('x');
    expect(concerns('terminal', form, foreign)).toBeTrue();
    expect(concerns('wire', partForm('wire', null), 'anything')).toBeTrue();
  });

  it('offers words, never codes, and says nothing where nothing has to be said', () => {
    const family = CATALOGUES.terminal.columns.find(({ path }) => path === 'family');
    if (!family) throw new Error('a terminal has no family');
    const words = optionsOf(family)?.map(({ label }) => label) ?? [];
    expect(words.length).toBeGreaterThanOrEqual(FAMILIES.length);
    expect(words.filter((word) => /[-_][a-z]+-/.test(word))).toEqual(
      words.filter((word) => word === 'wire-end-ferrule'),
    );
    const optional = CATALOGUES.terminal.columns.find(({ type, optional: is }) => type === 'choice' && is);
    expect(optional && optionsOf(optional)?.[0]).toEqual({ value: '', label: 'not said' });
    const typed = CATALOGUES.terminal.columns.find(({ type }) => type === 'length');
    expect(typed && optionsOf(typed)).toBeNull();
  });

  it('has a further card that begins as the first did', () => {
    for (const table of CATALOGUES.stripper.tables.filter(({ least }) => least)) {
      const first = partForm('stripper', null).controls.tables.controls[table.path]?.at(0).getRawValue();
      expect(newRow(table).getRawValue()).toEqual(first ?? {});
    }
  });
});
