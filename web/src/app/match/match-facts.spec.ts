import { wire075 } from '../../../../core/src/testing/shop';
import { Bench, viewOf } from '../testing/bench';
import { MatchFacts } from './match-facts';

describe('What terminal and wire are', () => {
  let bench: Bench<MatchFacts>;
  const open = async (changes: Parameters<typeof viewOf>[0] = {}) => {
    bench = await Bench.open(MatchFacts, { inputs: { view: viewOf(changes) } });
  };
  /** What stands beside a title in one of the two columns. */
  const fact = (section: 'terminal' | 'wire', title: string) => {
    const terms = [...bench.element.querySelectorAll(`section[aria-labelledby=${section}] dt`)];
    const found = terms.find((term) => term.textContent === title);
    return found?.nextElementSibling?.textContent?.replace(/\s+/g, ' ').trim();
  };
  afterEach(() => {
    bench.close();
  });

  it('is told side by side, with what follows from the strands', async () => {
    await open();
    const { strands, strandDiameter } = wire075.conductor;
    const area = (strands * Math.PI * strandDiameter ** 2) / 4;
    expect(fact('wire', 'metal')).toBe(`${area.toFixed(3)} mm², 24 × 0.2 mm ${wire075.conductor.material}`);
    expect(fact('wire', 'size')).toMatch(/^0\.75 mm²; .*AWG/);
    expect(fact('terminal', 'insulation')).toBe('not gripped');
    expect(fact('terminal', 'sealed')).toBe('no; place of use: dry');
  });

  it('names a sleeve’s colour as a hint and nothing more, and what the sheet says it carries', async () => {
    const { terminal } = viewOf();
    await open({ terminal: { ...terminal, sleeve: 'blue', current: 15, voltage: null } });
    expect(fact('terminal', 'sleeve')).toBe('blue, a hint only');
    expect(bench.element.querySelector('svg rect')?.getAttribute('fill')).toBe('#2d5f9a');
    expect(fact('terminal', 'carries')).toBe('15 A, – V');
  });

  it('names every other wire in the barrel', async () => {
    await open({ together: [{ ...wire075, part: 'W-S', label: '0.75 mm² shield' }] });
    expect(fact('wire', 'with it in the barrel')).toBe('W-S 0.75 mm² shield');
  });
});
