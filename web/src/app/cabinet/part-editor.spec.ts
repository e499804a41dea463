import type { CatalogueKind } from '@tug-mark/core';
import { bareRing, insulatedRing, practice, stripper, tool, wire075 } from '../../../../core/src/testing/shop';
import { ApiProblem } from '../http/api';
import { Bench } from '../testing/bench';
import { CabinetStore } from './cabinet.store';
import { PartEditor } from './part-editor';
import { TestBed } from '@angular/core/testing';
import { EMPTY_CABINET } from '../testing/made-up';

const CABINET = {
  ...EMPTY_CABINET,
  ...{
    wires: [wire075],
    terminals: [bareRing, insulatedRing],
    tools: [tool],
    strippers: [stripper],
  },
  ...{ practices: [practice] },
};

describe('A part in the form', () => {
  let bench: Bench<PartEditor>;
  let keepPart: jasmine.Spy;
  const open = async (kind: CatalogueKind, part: unknown, kept: Record<string, string> = {}) => {
    keepPart = jasmine.createSpy('keepPart').and.resolveTo({});
    bench = await Bench.open(PartEditor, {
      role: 'engineer',
      api: {
        keepPart: (...args: unknown[]) => keepPart(...args) as unknown,
        cabinet: () => Promise.resolve(CABINET),
        revisions: () => Promise.resolve([{ revision: 3 }]),
      },
      inputs: { kind, part },
      kept,
    });
    await TestBed.inject(CabinetStore).load();
    await bench.settle();
  };
  /** A new terminal, past the question what kind it is. */
  const openNew = async () => {
    await open('terminal', null);
    await bench.press('Go on without the drawings');
  };
  const faults = () =>
    [...bench.element.querySelectorAll('tm-form-faults li')].map((li) => li.textContent?.replace(/\s+/g, ' ').trim());
  const field = (id: string) => bench.element.querySelector<HTMLInputElement>(`#${id}`);
  const labels = () => [...bench.element.querySelectorAll('label')].map((label) => label.textContent?.trim() ?? '');
  const effect = () => bench.element.querySelector('tm-part-effect')?.textContent?.replace(/\s+/g, ' ') ?? '';
  afterEach(() => {
    bench.close();
  });

  it('tells all that is wrong on top and at its field, with the way to each, and keeps nothing until all is right', async () => {
    await open('terminal', bareRing);
    await bench.type('f-barrel-length', 'long');
    await bench.type('f-brushMax', '4 cm');
    await bench.submit();
    expect(faults().map((text) => text?.split(':')[0])).toEqual(['Barrel length', 'Longest brush']);
    expect(bench.element.querySelector('#f-barrel-length-fault')?.textContent).toContain('is not a number');
    expect(field('f-barrel-length')?.getAttribute('aria-invalid')).toBe('true');
    expect(keepPart).not.toHaveBeenCalled();
    await bench.press('Longest brush');
    expect(document.activeElement?.id).toBe('f-brushMax');
    await bench.type('f-barrel-length', '0.25 in');
    await bench.type('f-brushMax', '4');
    await bench.submit();
    const [kind, opened, body] = keepPart.calls.mostRecent().args as [string, number, typeof bareRing];
    expect([kind, opened, body.barrel.length]).toEqual(['terminal', 3, 6.35]);
  });

  it('cannot be given another number once it is kept', async () => {
    await open('terminal', bareRing);
    expect(field('f-part')?.readOnly).toBeTrue();
  });

  it('asks of a terminal what its family has, and of another family something else', async () => {
    await openNew();
    await bench.choose('f-family', 'compression lug');
    expect(labels()).toContain('Die index');
    expect(labels().some((label) => label.startsWith('Barrel size'))).toBeFalse();
    await bench.choose('f-family', 'machined contact');
    expect(labels()).not.toContain('Die index');
    expect(labels()).toContain('Barrel size');
    // What was typed is not lost with its field: it stays in sight.
    await bench.type('f-barrelSize', '16');
    await bench.choose('f-family', 'compression lug');
    expect(field('f-barrelSize')?.value).toBe('16');
  });

  it('of a new terminal begins with its family, by its drawing; the number is typed next', async () => {
    await open('terminal', null);
    expect(field('f-part')).toBeNull();
    const drawn = [...bench.element.querySelectorAll<HTMLElement>('tm-family-choice li button')];
    expect(drawn).toHaveSize(12);
    expect(document.activeElement).toBe(drawn[0] ?? null);
    expect(drawn.every((button) => button.querySelector('svg path') !== null)).toBeTrue();
    drawn.find((button) => button.textContent?.includes('compression lug'))?.click();
    await bench.settle();
    expect(document.activeElement?.id).toBe('f-part');
    expect(labels()).toContain('Die index');
    await bench.press('Another family');
    expect(document.activeElement?.id).toBe('f-family');
  });

  it('leads from a dimension on the drawing to its field, and marks on it the field that has the focus', async () => {
    await open('terminal', { ...bareRing, barrel: { ...bareRing.barrel, innerDiameter: null } });
    const dimension = (title: string) => {
      const all = [...bench.element.querySelectorAll<SVGElement>('tm-terminal-drawing g[role=button]')];
      const found = all.find((g) => g.getAttribute('aria-label')?.startsWith(title));
      if (!found) throw new Error(`no dimension ${title}`);
      return found;
    };
    expect(dimension('barrel').textContent?.trim()).toBe(`barrel ${bareRing.barrel.length}`);
    expect(dimension('inner').textContent?.trim()).toBe('inner ...');
    expect(dimension('inner').classList).toContain('missing');
    dimension('inner').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await bench.settle();
    expect(document.activeElement?.id).toBe('f-barrel-innerDiameter');
    expect(dimension('inner').classList).toContain('active');
    expect(dimension('barrel').classList).not.toContain('active');
    await bench.type('f-barrel-innerDiameter', '0.1 in');
    expect(dimension('inner').textContent?.trim()).toBe('inner 2.54');
    expect(dimension('inner').classList).not.toContain('missing');
  });

  it('shows a stripper’s notches as a strip of bores, each leading to its fields', async () => {
    await open('stripper', stripper);
    const strip = () => [...bench.element.querySelectorAll<SVGElement>('tm-notch-strip g')];
    expect(strip()).toHaveSize(stripper.notches.length);
    const radius = (i: number) => Number(strip()[i]?.querySelector('circle')?.getAttribute('r'));
    const [first, second] = stripper.notches;
    expect(radius(1) / radius(0)).toBeCloseTo((second?.bore ?? 0) / (first?.bore ?? 1), 2);
    strip()[1]?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await bench.settle();
    expect(document.activeElement?.id).toBe('t-notches-1-bore');
    await bench.type('t-notches-1-bore', '');
    expect(strip()[1]?.textContent).toContain('...');
  });

  it('gives of size, strands and their diameter the third, and asks where they do not agree', async () => {
    await open('wire', null);
    await bench.type('f-conductor-size', '0.75 mm2');
    await bench.type('f-conductor-strands', '24');
    expect(effect()).toContain('24 strands of it: about 0.199 mm each.');
    await bench.type('f-conductor-strandDiameter', '0.25');
    expect(effect()).toContain('57 % more metal than the printed size');
    await bench.type('f-conductor-strandDiameter', '0.2');
    expect(effect()).not.toContain('than the printed size');
  });

  it('tells what a wire without a label may be, and takes the count over', async () => {
    await open('wire', null);
    await bench.type('w-strands', '24');
    await bench.type('w-diameter', '0.2');
    await bench.type('w-insulation', String(wire075.insulationDiameter));
    const guess = () => bench.element.querySelector('tm-what-wire')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(guess()).toContain('It may be 0.75 mm² (1 % more metal)');
    expect(guess()).toContain('W-075');
    await bench.press('Take count and diameters into the form');
    expect([field('f-conductor-strands')?.value, field('f-conductor-size')?.value]).toEqual(['24', '0.75 mm2']);
    await bench.type('w-strands', '24.5');
    expect(guess()).not.toContain('It may be');
  });

  it('has the terminals of a nest picked from the cabinet, its profile by its drawing', async () => {
    await open('tool', tool);
    const nest = tool.dies[0]?.nests[0];
    expect(bench.element.querySelector('#t-nests-0-terminals')?.closest('nz-select')?.textContent).toContain(
      nest?.terminals[0] ?? '?',
    );
    const profile = [...bench.element.querySelectorAll<HTMLElement>('[id="t-nests-0-profile"] label')];
    expect(
      profile.find((label) => label.classList.contains('ant-radio-button-wrapper-checked'))?.textContent,
    ).toContain(nest?.profile.replace(/-/g, ' ') ?? '?');
    profile
      .find((label) => label.textContent?.trim() === 'hex')
      ?.querySelector('input')
      ?.click();
    await bench.settle();
    await bench.submit();
    const [, , kept] = keepPart.calls.mostRecent().args as [string, number, typeof tool];
    expect(kept.dies[0]?.nests[0]?.profile).toBe('hex');
    expect(kept.dies[0]?.nests[0]?.terminals).toEqual(nest?.terminals ?? []);
  });

  it('begins with what nearly every sheet says, marks what is needed, and has words instead of codes', async () => {
    await openNew();
    expect(field('f-mostWires')?.value).toBe('1');
    expect(field('f-part')?.getAttribute('aria-required')).toBe('true');
    expect(await bench.offers('f-family')).toContain('wire-end ferrule');
    bench.close();
    await open('tool', null);
    // Typed on at once, with no way to it by keys.
    expect(document.activeElement?.id).toBe('f-part');
    expect(field('f-changeMinutes-die')?.value).toBe('6');
    expect(field('t-nests-0-index')?.closest('.field')?.textContent).toContain('of a lug die');
    expect(bench.text).toContain('Nest 1');
    bench.close();
    await open('stripper', null);
    expect(bench.element.querySelector('[id^=t-notches-0-for]')?.closest('tm-select')?.textContent).toContain(
      'stranded',
    );
  });

  it('computes what follows as it is typed: fit and strip on a wire of the shop, metal of a wire', async () => {
    await open('terminal', bareRing);
    expect(effect()).toContain('On your W-075 (0.75 mm²)');
    expect(effect()).toMatch(/Strip [\d.]+–[\d.]+ mm, set point/);
    expect(bench.element.querySelector('tm-part-effect svg')).not.toBeNull();
    await bench.type('f-barrel-length', '');
    expect(effect()).toMatch(/waits for the barrel length/);
    await bench.type('f-brushMax', 'x');
    expect(effect()).toContain('the strip length, wait for: longest brush.');
    bench.close();
    await open('wire', wire075);
    const metal = (24 * Math.PI * 0.2 ** 2) / 4;
    expect(effect()).toContain(`${metal.toFixed(3)} mm² of metal`);
    await bench.type('f-conductor-strands', '42');
    expect(effect()).toContain(`${((metal * 42) / 24).toFixed(3)} mm² of metal`);
  });

  it('reads a stamp and fills range and stud with the reading that is chosen', async () => {
    await openNew();
    await bench.type('f-stamp', '16-14 M5');
    await bench.press('AWG 16');
    expect([field('f-conductorRange-smallest')?.value, field('f-conductorRange-largest')?.value]).toEqual([
      'AWG 16',
      'AWG 14',
    ]);
    expect(field('f-stud')?.value).toBe('M5');
    await bench.type('f-stamp', 'gold');
    expect(bench.text).toContain('No reading of ‘gold’ makes sense');
  });

  it('is copied from a like one, but for its number', async () => {
    await open('terminal', null);
    await bench.choose('like', 'RB');
    expect([field('f-part')?.value, field('f-label')?.value]).toEqual(['', bareRing.label]);
    expect(field('f-barrel-length')?.value).toBe(String(bareRing.barrel.length));
    await bench.type('f-part', 'RB-2');
    await bench.submit();
    expect(keepPart.calls.mostRecent().args.slice(0, 2)).toEqual(['terminal', 0]);
    expect(keepPart.calls.mostRecent().args[2]).toEqual({ ...bareRing, part: 'RB-2' });
  });

  it('has a card for each nest and notch, one more like it, and its faults named by the card', async () => {
    await open('stripper', stripper);
    const cards = () => bench.element.querySelectorAll('tm-part-rows section').length;
    const before = cards();
    await bench.press('one more like it');
    expect(cards()).toBe(before + 1);
    await bench.type('t-notches-1-bore', '');
    await bench.submit();
    expect(faults()[0]).toMatch(/^Notch 2, bore/);
    await bench.press('take out');
    await bench.press('take out');
    await bench.submit();
    expect((keepPart.calls.mostRecent()?.args[2] as typeof stripper | undefined)?.notches.length).toBe(before - 1);
  });

  it('stays as typed when somebody else was quicker, and is kept on top when that is wanted', async () => {
    const stale = new ApiProblem({
      ...{ type: '', title: 'RB has been changed since you opened it: it is at revision 4.', status: 409, detail: '' },
      ...{ code: 'stale-revision', standing: { revision: 4 } },
    });
    await open('terminal', bareRing);
    keepPart.and.callFake((_kind: string, opened: number) =>
      opened === 4 ? Promise.resolve({}) : Promise.reject(stale),
    );
    await bench.type('f-brushMax', '3.5');
    await bench.submit();
    expect(bench.text).toContain('it is at revision 4');
    expect(field('f-brushMax')?.value).toBe('3.5');
    await bench.press('Keep mine');
    expect(keepPart.calls.mostRecent().args[1]).toBe(4);
  });

  it('that was left in the middle is there again, its cards too', async () => {
    await open('stripper', null);
    await bench.type('f-label', 'Bench stripper');
    await bench.press('one more like it');
    const [key = '', saved = ''] = Object.entries(localStorage).find(([name]) => name.includes('stripper/new')) ?? [];
    bench.close();
    await open('stripper', null, { [key]: saved as string });
    expect(field('f-label')?.value).toBe('Bench stripper');
    expect(bench.element.querySelectorAll('tm-part-rows section').length).toBe(2);
  });
});
