import type { Cabinet } from '@tug-mark/contract';
import { bareRing, practice, stripper, tool, wire075, wireOf } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { TickHarness } from '../testing/harness/tick.harness';
import { FinderPage } from './finder-page';
import { EMPTY_CABINET } from '../testing/made-up';

const thick = { ...wireOf({ strands: 84 }), part: 'W-250', label: 'thick' };
const cabinet: Cabinet = {
  ...EMPTY_CABINET,
  ...{ wires: [wire075, thick], terminals: [bareRing], strippers: [stripper], tools: [tool], practices: [practice] },
};

describe('What is asked of the finder', () => {
  let bench: Bench<FinderPage>;
  beforeEach(async () => {
    bench = await Bench.open(FinderPage, { api: { cabinet: () => Promise.resolve(cabinet) } });
    await bench.settle();
  });
  afterEach(() => {
    bench.close();
  });
  const wires = () => [...bench.element.querySelectorAll('.wires strong')].map((strong) => strong.textContent);
  const take = async (text: string) => {
    await bench.type('finder-wire', text);
    bench.element.querySelector('#finder-wire')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await bench.settle();
  };
  const found = async (text: string) => {
    for (let i = 0; i < 40 && !bench.text.includes(text); i++) await bench.settle();
    expect(bench.text).toContain(text);
  };

  it('is a wire taken by its number or its words, and the field is free for the next', async () => {
    await take(wire075.part);
    await take('thick');
    expect(wires()).toEqual([wire075.part, 'W-250']);
    expect(bench.element.querySelector<HTMLInputElement>('#finder-wire')?.value).toBe('');
    bench.element.querySelector<HTMLElement>(`[aria-label='Take out ${wire075.part}']`)?.click();
    await bench.settle();
    expect(wires()).toEqual(['W-250']);
  });

  it('offers what fits what is typed, and takes nothing for what nothing fits', async () => {
    await bench.type('finder-wire', 'no such wire');
    expect(bench.text).toContain('No wire matches.');
    await take('no such wire');
    expect(wires()).toEqual([]);
    await bench.type('finder-wire', 'thi');
    expect(bench.element.querySelectorAll('.offers button').length).toBe(1);
  });

  it('is answered again as soon as something of it changes', async () => {
    await take(wire075.part);
    await found('1 terminal can be made, best first.');
    await bench.type('finder-stud', 'M12');
    await found('Nothing can be made, see what stops it.');
    await bench.type('finder-stud', bareRing.stud ?? '');
    await found('1 terminal can be made, best first.');
    await bench.choose('finder-family', 'compression lug');
    await found('Nothing can be made, see what stops it.');
    await bench.choose('finder-family', 'any');
    await found('1 terminal can be made, best first.');
  });

  it('is told what is wrong with a number while it is typed, and searched without it', async () => {
    await take(wire075.part);
    await bench.type('finder-current', 'much');
    expect(bench.text).toContain("'much' is not a number.");
    expect(bench.element.querySelector('#finder-current')?.getAttribute('aria-invalid')).toBe('true');
    await found('1 terminal can be made, best first.');
    await bench.type('finder-current', '');
    expect(bench.text).not.toContain('is not a number');
  });

  const ranked = () =>
    [...bench.element.querySelectorAll('tm-which-termination ol li strong')].map((strong) => strong.textContent);
  const tick = async (text: string) => (await bench.part(TickHarness.with({ text }))).turn();

  it('may be which termination at all: ranked by the place with reasons, and its parts looked for', async () => {
    expect(bench.text).toContain('the order means nothing yet');
    await take(wire075.part);
    await tick('wet');
    await tick('shakes');
    expect(ranked()[0]).toBe('terminal with shrink sleeve');
    // 0.75 mm2 takes no lug.
    expect(ranked()).not.toContain('compression lug');
    expect(bench.text).toContain('A lug begins at about 6 mm²');
    expect(bench.text).toContain('nearly tight, not sealed');
    await bench.press('Find such parts');
    await found('Nothing can be made, see what stops it.');
    expect(bench.element.querySelector('#finder-family')?.closest('nz-select')?.textContent).toContain(
      'terminal with shrink sleeve',
    );
  });

  it('takes a wet place of use for a wet place', async () => {
    await bench.choose('finder-place', 'wet');
    expect(ranked()[0]).toBe('terminal with shrink sleeve');
  });

  it('may begin with a wire nobody knows: by a caliper or by its jacket, and one that fits is taken in the hand', async () => {
    const way = async (label: string) => {
      [...bench.element.querySelectorAll<HTMLElement>('tm-what-wire label')]
        .find((each) => each.textContent?.trim() === label)
        ?.querySelector('input')
        ?.click();
      await bench.settle();
    };
    await way('caliper');
    await bench.type('w-over', '1.13');
    expect(bench.text).toContain('0.752 mm² of metal, between 0.623 and 0.853');
    await way('jacket');
    await bench.type('w-jacket', '1.5 mm² 24/0.20');
    expect(bench.text).toContain('They contradict each other');
    await bench.type('w-jacket', 'AWG 18 24/0.20');
    await bench.press('It is W-075');
    expect(wires()).toEqual(['W-075']);
  });
});
