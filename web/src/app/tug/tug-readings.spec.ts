import type { ForceUnit } from '@tug-mark/core';
import { Bench, pulled } from '../testing/bench';
import { TugReadings, type TugReading, type TugRuling } from './tug-readings';

function reading(piece: number, force: number, changes: Partial<TugReading> = {}): TugReading {
  const verdict = force >= 85 ? 'holds' : 'below';
  const entry = pulled(piece, force) as TugReading['entry'];
  return { entry, piece, wire: 1, limit: 85, verdict: { verdict }, ruling: undefined, unsent: false, ...changes };
}

describe('The pulls of the samples', () => {
  let bench: Bench<TugReadings>;
  const open = async (
    readings: readonly TugReading[],
    more: { role?: 'technician' | 'quality'; unit?: ForceUnit; group?: object } = {},
  ) => {
    const { role = 'technician', unit = 'N', group = null } = more;
    bench = await Bench.open(TugReadings, { role, inputs: { readings, unit, group, empty: ' Pull piece 1.' } });
  };
  const rows = () =>
    [...bench.element.querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].slice(0, 3).map((cell) => cell.textContent?.replace(/\s+/g, ' ').trim()),
    );
  afterEach(() => {
    bench.close();
  });

  it('stand the newest first, each with its verdict as a word', async () => {
    await open([reading(1, 116.2), reading(2, 84.9)]);
    expect(rows()).toEqual([
      ['2', '84.9', 'failed below'],
      ['1', '116.2', 'passed holds'],
    ]);
  });

  it('say what to do while there is none', async () => {
    await open([]);
    expect(bench.text).toContain('No piece is pulled yet. Pull piece 1.');
  });

  it('are never rounded onto the limit, in any unit', async () => {
    await open([reading(1, 84.97)]);
    expect(rows()[0]?.[1]).toBe('84.97');
    bench.fixture.componentRef.setInput('unit', 'lbf');
    await bench.settle();
    const [, shown] = rows()[0] ?? [];
    expect(Number(shown) * 4.448_221_615_260_5).toBeLessThan(85);
    expect(bench.element.querySelectorAll('th')[1]?.textContent).toBe('lbf');
  });

  it('tell what was corrected, and why; and which are still on their way', async () => {
    const first = reading(1, 112.2);
    const entry = { ...first.entry, corrects: 'e0', why: 'read off the wrong gauge' };
    await open([{ ...first, entry }, reading(2, 118.4, { unsent: true })]);
    expect(bench.text).toContain('corrected: read off the wrong gauge');
    expect(bench.text).toContain('sending ...');
  });

  it('that were called not valid and low go to quality, who rules on them with a reason', async () => {
    const low = reading(3, 60, { verdict: { verdict: 'quality' } });
    await open([low], { role: 'quality' });
    const said: TugRuling[] = [];
    bench.fixture.componentInstance.rule.subscribe((ruling) => said.push(ruling));
    await bench.type('rule-3', 'the jaw slipped, seen in the curve');
    await bench.press('It was no test');
    expect(said).toEqual([{ reading: low, ruling: 'invalid', note: 'the jaw slipped, seen in the curve' }]);
  });

  it('leave that to quality', async () => {
    await open([reading(3, 60, { verdict: { verdict: 'quality' } })]);
    expect(bench.text).toContain('to quality');
    expect(bench.has('It counts')).toBeFalse();
  });

  it('are put right by their own row', async () => {
    await open([reading(1, 116.2), reading(2, 118.4)]);
    const asked: number[] = [];
    bench.fixture.componentInstance.correct.subscribe(({ piece }) => asked.push(piece));
    bench.element.querySelector<HTMLButtonElement>('button[aria-label="Correct piece 1"]')?.click();
    expect(asked).toEqual([1]);
  });

  it('come with what they amount to together', async () => {
    const sentences = [{ code: 'few', weight: 'hold', text: '2 of 5 valid readings are made.' }];
    await open([reading(1, 116.2)], {
      group: { n: 2, min: '112.2', mean: '114.2', s: '2.8', cpl: '3.48', bound: 'needs 2', sentences },
    });
    const numbers = [...bench.element.querySelectorAll('dl > div')].map((pair) => [
      pair.querySelector('dt')?.textContent?.trim().split(/\s/)[0],
      pair.querySelector('dd')?.textContent,
    ]);
    expect(numbers.slice(0, 3)).toEqual([
      ['n', '2'],
      ['lowest', '112.2'],
      ['mean', '114.2'],
    ]);
    expect(bench.text).toContain('held 2 of 5 valid readings are made.');
  });
});
