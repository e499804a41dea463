import type { StudyResults } from '@tug-mark/contract';
import type { Kappa } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { StudyResultsTable } from './study-results';

const kappa = (value: number | null, from: number | null = null, to: number | null = null) =>
  ({ kappa: value, from, to, agreement: 0.9, n: 40 }) as Kappa;
const results = (together: Kappa | null, points: StudyResults['result']['points'] = []): StudyResults['result'] => ({
  inspectors: [],
  together,
  pairs: [{ one: 'Odile', other: 'Tove', kappa: kappa(0.62, 0.4, 0.84) }],
  points,
});

describe('What a study showed', () => {
  let bench: Bench<StudyResultsTable>;
  const open = async (of: StudyResults['result']) => {
    bench = await Bench.open(StudyResultsTable, { inputs: { results: of } });
  };
  afterEach(() => {
    bench.close();
  });

  it('is called sure only where the whole interval says so', async () => {
    await open(results(kappa(0.9, 0.75, 1)));
    expect(bench.text).toContain('kappa 0.90 (0.75 to 1.00). They see the same.');
    bench.fixture.componentRef.setInput('results', results(kappa(0.8, 0.6, 1)));
    await bench.settle();
    expect(bench.text).toContain('a longer study would be surer');
    bench.fixture.componentRef.setInput('results', results(kappa(0.5, 0.2, 0.8)));
    await bench.settle();
    expect(bench.text).toContain('They do not see the same');
  });

  it('gives no kappa of all together where fewer than two answered, or nothing could be told apart', async () => {
    await open(results(null));
    expect(bench.text).toContain('there is no kappa of all together');
    bench.fixture.componentRef.setInput('results', results(kappa(null)));
    await bench.settle();
    expect(bench.text).toContain('nothing to tell apart');
  });

  it('tells each pair with its interval, and the points behind the differences', async () => {
    await open(results(kappa(0.9, 0.75, 1), [{ point: null, misses: 0, alarms: 2, shown: 0 }]));
    expect(bench.text).toContain('Odile with Tove: 0.62 (0.40 to 0.84).');
    expect(bench.text).toContain('not named');
    expect(bench.text).toContain('never bad in this study');
    bench.fixture.componentRef.setInput('results', results(kappa(0.9, 0.75, 1)));
    await bench.settle();
    expect(bench.text).toContain('Everybody agreed with the key.');
  });
});
