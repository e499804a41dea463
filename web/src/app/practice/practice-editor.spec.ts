import { CHOICE_KEYS, STARTER_RULES, type Practice } from '@tug-mark/core';
import { practice } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { PracticeEditor } from './practice-editor';

const house: Practice = { ...practice, own: CHOICE_KEYS };

describe('A profile of house rules', () => {
  let bench: Bench<PracticeEditor>;
  let keepPractice: jasmine.Spy;
  const open = async (of: Practice | null, others: readonly Practice[], kept: Record<string, string> = {}) => {
    keepPractice = jasmine.createSpy('keepPractice').and.resolveTo({});
    bench = await Bench.open(PracticeEditor, {
      role: 'engineer',
      api: { keepPractice, revisions: () => Promise.resolve([{ revision: 4 }]) },
      inputs: { practice: of, others },
      kept,
    });
  };
  const faults = () => [...bench.element.querySelectorAll('tm-form-faults li')].map((li) => li.textContent?.trim());
  const effect = (key: string) =>
    bench.element.querySelector(`label[for=c-${key}]`)?.closest('tr')?.querySelectorAll('td')[1]?.textContent;
  afterEach(() => {
    bench.close();
  });

  it('that is a shop’s first stands ready with the usual choices, to be read and kept with one press', async () => {
    await open(null, []);
    expect(bench.text).toContain('This is what shops usually begin with. Read each line');
    expect(effect('gap')).toBe('Widest window without bare wire that shows.');
    await bench.submit();
    expect(faults()).toEqual([]);
    expect(keepPractice.calls.mostRecent().args).toEqual([
      0,
      jasmine.objectContaining({ part: 'house', base: null, choices: STARTER_RULES }),
    ]);
  });

  it('leaves nothing open where it stands on its own: every open line is named, with the way to it', async () => {
    await open(null, []);
    await bench.type('n-windowShare-min', '');
    await bench.type('n-coverage', '');
    await bench.submit();
    expect(faults()).toEqual([
      'Insulation edge between two grips, from: is left open. A profile without a base makes every choice.',
      'Share that has to hold: is left open. A profile without a base makes every choice.',
    ]);
    expect(keepPractice).not.toHaveBeenCalled();
  });

  it('based on another takes up what it leaves empty, and shows what that is', async () => {
    await open(null, [house]);
    expect(bench.element.querySelector<HTMLInputElement>('#n-coverage')?.placeholder).toBe('as in house: 99');
    expect(effect('gap')).toBe('Widest window without bare wire that shows.');
    await bench.choose('c-gap', 'gap required');
    expect(effect('gap')).toContain('Lengthens the strip');
    await bench.type('p-part', 'dock');
    await bench.type('p-label', 'Dock');
    await bench.type('n-coverage', '95 %');
    await bench.submit();
    expect(keepPractice.calls.mostRecent().args[1]).toEqual(
      jasmine.objectContaining({ part: 'dock', base: 'house', choices: { gap: 'required', coverage: 0.95 } }),
    );
  });

  it('is told at its field what is out of its range, and not sent', async () => {
    await open(null, [house]);
    await bench.type('n-setUpPieces', '2.5');
    await bench.type('n-brushFixed', '30');
    await bench.type('n-edgeBand', '5 mm');
    await bench.submit();
    expect(faults()).toEqual([
      'Short name: is empty',
      'Name: is empty',
      "Edge band: 'mm' is not the unit here: %.",
      'Fixed brush: It lies from 0.1 to 20 mm.',
      'Set-up pieces: It is a whole number.',
    ]);
    expect(keepPractice).not.toHaveBeenCalled();
  });

  it('may say that no strand is hurt at all; what is not understood is not sent', async () => {
    await open(null, [house]);
    await bench.type('p-part', 'dock');
    await bench.type('p-label', 'Dock');
    await bench.type('n-strandDamage', 'a few');
    await bench.submit();
    expect(faults()[0]).toContain("'a few' is not understood. Write 'none', or 'up to 30 strands: 1 nicked, 0 cut'.");
    await bench.type('n-strandDamage', 'none');
    await bench.choose('c-releases', 'a second person');
    await bench.submit();
    expect(keepPractice).toHaveBeenCalledWith(
      0,
      jasmine.objectContaining({ choices: { strandDamage: [], secondPersonReleases: true } }),
    );
  });

  it('is changed as it stands, on top of the revision it was opened with', async () => {
    await open(house, [house]);
    expect(bench.element.querySelector<HTMLInputElement>('#p-part')?.readOnly).toBeTrue();
    await bench.type('n-setUpPieces', '8');
    await bench.submit();
    const [opened, draft] = keepPractice.calls.mostRecent().args as [number, { choices: Practice }];
    expect(opened).toBe(4);
    expect([draft.choices.setUpPieces, draft.choices.windowShare]).toEqual([8, house.windowShare]);
  });

  it('that was left in the middle comes back as it was typed, and goes when it is kept', async () => {
    await open(null, []);
    await bench.type('n-coverage', '97');
    const [key = '', saved = ''] = Object.entries(localStorage).find(([name]) => name.includes('practice/new')) ?? [];
    bench.close();
    await open(null, [], { [key]: saved as string });
    expect(bench.element.querySelector<HTMLInputElement>('#n-coverage')?.value).toBe('97');
    expect(bench.text).toContain('is back; it is not kept yet');
    await bench.submit();
    expect(localStorage.getItem(key)).toBeNull();
  });
});
