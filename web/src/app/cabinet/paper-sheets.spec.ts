import { TestBed } from '@angular/core/testing';
import { FAMILIES, type Family, type Terminal } from '@tug-mark/core';
import { practice, stripper, tool, wire075 } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { CabinetStore } from './cabinet.store';
import { PartEditor } from './part-editor';
import { EMPTY_CABINET } from '../testing/made-up';

/* Made-up sheets, one of each family, as they lie on paper beside the screen: only what is printed on them. */
const TONGUE = {
  'conductorRange-smallest': '0.5 mm2',
  'conductorRange-largest': '1 mm2',
  temperature: '105',
  brushMax: '3',
};
const OPEN = {
  ...{ 'conductorRange-smallest': '0.5 mm2', 'conductorRange-largest': '1 mm2', temperature: '105', brushMax: '2' },
  ...{ 'barrel-length': '2.8', 'barrel-outerDiameter': '2.4', 'barrel-innerDiameter': '1.9' },
  ...{ 'barrel-betweenGrips': '1.4', 'barrel-supportLength': '2.6' },
};
const SHEETS: Readonly<Record<Family, Readonly<Record<string, string>>>> = {
  'insulated-terminal': { ...TONGUE, 'barrel-length': '5', 'barrel-supportLength': '4', stud: 'M4', studHole: '4.3' },
  'sealed-sleeve-terminal': {
    ...TONGUE,
    'barrel-length': '6',
    'barrel-supportLength': '9',
    stud: 'M5',
    studHole: '5.3',
  },
  'bare-terminal': { ...TONGUE, 'barrel-length': '6.2', 'barrel-outerDiameter': '3.4', stud: 'M4', studHole: '4.3' },
  'open-barrel-contact': OPEN,
  'sealed-contact': { ...OPEN, 'sealRange-min': '1.4', 'sealRange-max': '2.4' },
  'machined-contact': { ...TONGUE, 'barrel-length': '6', 'barrel-depth': '5.5', barrelSize: '16' },
  'signal-contact': OPEN,
  'butt-splice': { ...TONGUE, 'barrel-supportLength': '5', 'barrel-length': '7.5', 'barrel-depth': '7' },
  'window-splice': {
    ...TONGUE,
    'barrel-supportLength': '0',
    'barrel-length': '7.5',
    'barrel-inspection-min': '6',
    'barrel-inspection-max': '7',
  },
  'open-barrel-splice': OPEN,
  ferrule: { ...TONGUE, 'barrel-length': '8.3', 'barrel-supportLength': '6' },
  lug: { ...TONGUE, 'barrel-length': '10', 'barrel-depth': '9', dieIndex: '24', stud: 'M8', studHole: '8.4' },
};
/** What a sheet says in words rather than numbers. */
const CHOSEN: Readonly<Partial<Record<Family, Readonly<Record<string, string>>>>> = {
  'open-barrel-contact': { 'f-barrel-seam': 'open', 'f-barrel-stripRule': 'window', 'f-shape': 'receptacle' },
  'sealed-contact': { 'f-barrel-seam': 'open', 'f-barrel-stripRule': 'window', 'f-shape': 'receptacle' },
  'signal-contact': { 'f-barrel-seam': 'open', 'f-barrel-stripRule': 'window', 'f-shape': 'socket' },
  'open-barrel-splice': { 'f-barrel-seam': 'open', 'f-shape': 'splice' },
  'machined-contact': { 'f-barrel-seam': 'seamless', 'f-barrel-stripRule': 'stop', 'f-shape': 'pin' },
  'butt-splice': { 'f-barrel-stripRule': 'stop', 'f-shape': 'splice' },
  'window-splice': { 'f-shape': 'splice' },
  ferrule: { 'f-barrel-seam': 'seamless', 'f-barrel-stripRule': 'ferrule', 'f-shape': 'wire end' },
  lug: { 'f-barrel-seam': 'seamless', 'f-barrel-stripRule': 'lug' },
};

describe('A terminal from a paper sheet', () => {
  let bench: Bench<PartEditor>;
  const keepPart = jasmine.createSpy('keepPart');
  afterEach(() => {
    bench.close();
  });

  for (const family of FAMILIES) {
    it(`of each family is typed in and kept, and says what it does with a wire of the shop: ${family}`, async () => {
      keepPart.calls.reset();
      keepPart.and.resolveTo({});
      const cabinet = { ...EMPTY_CABINET, wires: [wire075], tools: [tool], strippers: [stripper] };
      bench = await Bench.open(PartEditor, {
        role: 'engineer',
        api: {
          keepPart,
          cabinet: () => Promise.resolve({ ...cabinet, practices: [practice], checks: [], returns: [] }),
        },
        inputs: { kind: 'terminal', part: null },
      });
      await TestBed.inject(CabinetStore).load();
      await bench.settle();
      const index = FAMILIES.indexOf(family);
      bench.element.querySelectorAll<HTMLElement>('tm-family-choice li button')[index]?.click();
      await bench.settle();
      for (const [id, text] of Object.entries({ part: `EY-${index}`, label: 'from paper', maker: 'Elm Yard' })) {
        await bench.type(`f-${id}`, text);
      }
      for (const [id, words] of Object.entries(CHOSEN[family] ?? {})) await bench.choose(id, words);
      for (const [id, text] of Object.entries(SHEETS[family])) await bench.type(`f-${id}`, text);
      const effect = bench.element.querySelector('tm-part-effect')?.textContent?.replace(/\s+/g, ' ') ?? '';
      expect(effect).toContain('On your W-075 (0.75 mm²)');
      expect(effect).toMatch(/Strip [\d.]+(–[\d.]+)? mm, set point [\d.]+ mm/);
      const drawn = [...bench.element.querySelectorAll('tm-terminal-drawing text')].map((text) =>
        text.textContent?.trim(),
      );
      expect(drawn).toContain(`barrel ${SHEETS[family]['barrel-length']}`);
      await bench.submit();
      expect([...bench.element.querySelectorAll('tm-form-faults li')].map((li) => li.textContent)).toEqual([]);
      const [, , kept] = keepPart.calls.mostRecent().args as [string, number, Terminal];
      expect([kept.family, kept.barrel.length]).toEqual([family, Number(SHEETS[family]['barrel-length'])]);
    });
  }
});
