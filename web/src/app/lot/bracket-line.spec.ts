import { Bench } from '../testing/bench';
import { BracketLine } from './bracket-line';

describe('The line on which a fault is looked for', () => {
  const open = (bracket: object) => Bench.open(BracketLine, { inputs: { bracket } });
  const told = (bench: Bench<BracketLine>) => bench.element.querySelector('[role=img]')?.getAttribute('aria-label');

  it('goes from the last good piece to the first bad one, with the next pull where it lies', async () => {
    const bench = await open({ next: 101, ifHolds: { clears: [82, 101], leaves: [102, 121] } });
    expect(told(bench)).toBe('Good at piece 81, bad at piece 121; piece 101 is to be pulled.');
    expect(bench.element.querySelector<HTMLElement>('.flag')?.style.left).toBe('50%');
    bench.close();
  });

  it('begins at the set-up where no piece of the lot was good', async () => {
    const bench = await open({ next: 10, ifHolds: { clears: [1, 10], leaves: [11, 40] } });
    expect(told(bench)).toBe('Good at the set-up, bad at piece 40; piece 10 is to be pulled.');
    expect(bench.element.querySelector<HTMLElement>('.flag')?.style.left).toBe('25%');
    bench.close();
  });

  it('is not drawn where nothing is left to pull', async () => {
    const bench = await open({ next: null, ifHolds: null });
    expect(told(bench)).toBeUndefined();
    bench.close();
  });
});
