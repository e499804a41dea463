import type { Judgement, LotVerdict } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { Ladder } from './ladder';

const STAGES = ['match', 'prepare', 'tool', 'crimp', 'look', 'tug'] as const;
const judged = (changes: object = {}) =>
  ({
    verdict: 'open',
    headline: 'Three pulls are missing.',
    stages: STAGES.map((stage) => ({ stage, state: 'pass', answer: `${stage} is settled` })),
    release: { state: 'none', by: null, reasons: [] },
    ...changes,
  }) as unknown as Judgement;
const lot = (verdict: LotVerdict['verdict'], headline: string) =>
  ({ verdict, headline, head: { name: 'L-7' } }) as unknown as LotVerdict;

describe('The ladder', () => {
  let bench: Bench<Ladder>;
  const open = async (judgement: Judgement, made: LotVerdict | null = null) => {
    bench = await Bench.open(Ladder, { inputs: { id: 'c1', judgement, lot: made } });
  };
  const rungs = () =>
    [...bench.element.querySelectorAll('a')].map((a) =>
      [...a.querySelectorAll('tm-mark .out-of-sight, .title, .answer')].map((part) => part.textContent).join(' '),
    );
  const holding = () => bench.element.querySelector('.holding');
  afterEach(() => {
    bench.close();
  });

  it('numbers the six stages with their answers, then says what follows', async () => {
    await open(judged());
    expect(rungs()).toEqual([
      ...STAGES.map((stage, i) => `passed ${i + 1} ${stage[0]?.toUpperCase()}${stage.slice(1)} ${stage} is settled`),
      'open Release Quality releases it when all six have passed.',
      'open Lot Opened when the set-up is released.',
    ]);
    expect(holding()?.textContent?.trim()).toBe('Three pulls are missing.');
    expect(bench.element.querySelector<HTMLAnchorElement>('a')?.getAttribute('href')).toBe('/bench/c1/match');
  });

  it('says who released it, or why the release lapsed', async () => {
    await open(judged({ verdict: 'accepted', release: { state: 'released', by: 'Ines', reasons: [] } }));
    expect(rungs()[6]).toContain('Released by Ines.');
    expect(holding()?.className).toContain('good');
    const reasons = [{ text: 'The wire has a newer revision.' }];
    bench.fixture.componentRef.setInput('judgement', judged({ release: { state: 'lapsed', by: 'Ines', reasons } }));
    await bench.settle();
    expect(rungs()[6]).toContain('Lapsed. The wire has a newer revision.');
  });

  it('puts a lot that is held above everything else', async () => {
    await open(judged({ verdict: 'accepted' }), lot('held', 'Held: piece 20 failed.'));
    expect(holding()?.textContent?.trim()).toBe('Held: piece 20 failed.');
    expect(holding()?.className).toContain('bad');
    expect(rungs()[7]).toBe('failed Lot L-7: Held: piece 20 failed.');
  });

  it('names a lot that runs without making it the headline', async () => {
    await open(judged(), lot('running', '12 of 40 made.'));
    expect(holding()?.textContent?.trim()).toBe('Three pulls are missing.');
    expect(rungs()[7]).toBe('open Lot L-7: 12 of 40 made.');
  });
});
