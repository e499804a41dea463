import { reterminationBudget, type SlideOnPart } from '@tug-mark/core';
import { bareRing, practice, wire075 } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { readLengths } from './length-fields';
import { Retermination } from './retermination';
import { TubeChooser } from './tube-chooser';

describe('Lengths as typed', () => {
  it('are read in the unit they are typed in, and together or not at all', () => {
    expect(readLengths({ cut: '450', trim: '0.04 in' }, ['cut', 'trim'])).toEqual({ cut: 450, trim: 1.016 });
    expect(readLengths({ cut: '450' }, ['cut', 'trim'])).toBeNull();
    expect(readLengths({ cut: '450', trim: 'short' }, ['cut', 'trim'])).toBeNull();
  });
});

describe('How often a crimp may be made again', () => {
  let bench: Bench<Retermination>;
  beforeEach(async () => {
    bench = await Bench.open(Retermination, { inputs: { lost: { strip: 7, crimp: 2 } } });
  });
  afterEach(() => {
    bench.close();
  });

  it('waits for both lengths, then counts, and counts again as they are changed', async () => {
    expect(bench.text).toContain('Type the wire’s length and the shortest the drawing allows.');
    await bench.type('budget-cut', '450');
    await bench.type('budget-shortest', '425');
    const said = () => bench.element.querySelector('[role=status]')?.textContent ?? '';
    // 25 mm to spare, 7 + 2 + 1 mm lost each time: twice, and 5 mm left.
    expect(said()).toBe(reterminationBudget({ cut: 450, shortest: 425 }, { strip: 7, crimp: 2, trim: 1 }).text);
    expect(said()).toMatch(/\b2\b/);
    await bench.type('budget-shortest', '449');
    expect(said()).not.toMatch(/\b2\b/);
  });

  it('says at its place what it cannot read', async () => {
    await bench.type('budget-cut', 'long');
    expect(bench.element.querySelector('.wrong')?.textContent?.trim()).toBeTruthy();
    await bench.type('budget-cut', '450');
    expect(bench.element.querySelector('.wrong')).toBeNull();
  });
});

describe('Which tube', () => {
  let bench: Bench<TubeChooser>;
  const tube = (part: string, bores: [number, number], changes: Partial<SlideOnPart> = {}): SlideOnPart => ({
    ...{
      part,
      label: `Tube ${part}`,
      kind: 'shrink-tube',
      outerDiameter: null,
      suppliedBore: bores[0],
      recoveredBore: bores[1],
    },
    ...{ length: null, adhesive: false, heat: null, wireRange: null, temperature: 125, wayRound: null },
    longitudinalShrink: 0.1,
    ...changes,
  });
  const open = async (tubes: readonly SlideOnPart[], wet = false) => {
    bench = await Bench.open(TubeChooser, { inputs: { practice, terminal: bareRing, wire: wire075, tubes, wet } });
  };
  const lines = () =>
    [...bench.element.querySelectorAll('li')].map((li) => li.textContent?.replace(/\s+/g, ' ').trim());
  afterEach(() => {
    bench.close();
  });

  it('begins with what follows from terminal and wire, and says so where the cabinet has none', async () => {
    await open([]);
    const field = (key: string) => Number(bench.element.querySelector<HTMLInputElement>(`#tube-${key}`)?.value);
    const thickest = Math.max(bareRing.barrel.outerDiameter ?? 0, wire075.insulationDiameter);
    expect(field('passes')).toBeCloseTo(thickest, 1);
    expect(field('overlap')).toBe(6);
    expect(lines()).toEqual(['The cabinet has no tube that shrinks.']);
  });

  it('gives the length to cut, or why a tube will not do, and both follow what is typed', async () => {
    await open([tube('T-6', [6, 1]), tube('T-3', [3.4, 1])]);
    for (const [key, text] of [
      ...[['passes', '3.3'] as const, ['grips', '2.2'] as const],
      ...[['covers', '6'] as const, ['overlap', '6'] as const],
    ])
      await bench.type(`tube-${key}`, text);
    // (6 + 2 x 6) / (1 - 0.1)
    expect(lines()[0]).toBe('passedT-6 Tube T-6 cut 20.0 mm');
    expect(lines()[1]).toContain('failedT-3 Tube T-3 Bore 3.4 mm as supplied does not pass 3.30 mm: 3.46 mm or more');
    await bench.type('tube-covers', '15');
    expect(lines()[0]).toContain('cut 30.0 mm');
  });

  it('asks for adhesive where the place is wet', async () => {
    await open([tube('T-6', [6, 1]), tube('T-A', [6, 1], { adhesive: true })], true);
    await bench.type('tube-grips', '2.2');
    expect(lines()[0]).toContain('T-A');
    expect(lines()[1]).toContain('The place is wet and this tube has no adhesive.');
  });
});
