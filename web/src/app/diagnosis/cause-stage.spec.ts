import { Bench, kept, pulled, TOOL_TAKEN, viewOf } from '../testing/bench';
import { CauseStage } from './cause-stage';

describe('The cause of bad pieces', () => {
  let bench: Bench<CauseStage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (entries: ReturnType<typeof kept>[], causes: { cause: string; evidence: string[] }[] = []) => {
    bench = await Bench.open(CauseStage, {
      view: viewOf({ entries: [TOOL_TAKEN(), ...entries] }),
      api: { causes: () => Promise.resolve(causes) },
    });
    await bench.settle();
  };
  const rejected = (criterion: string, fault?: string) =>
    kept({ kind: 'finding', piece: 1, criterion, finding: 'reject', ...(fault ? { fault } : {}), note: '' });

  it('is asked for only when something is bad', async () => {
    await open([pulled(1, 120)]);
    expect(bench.headline).toBe('Nothing is bad, so there is no cause to look for.');
  });

  it('is ranked with what speaks for it, even where nobody named the fault', async () => {
    await open([rejected('seam')]);
    expect(bench.headline).toContain('aid in the wrong way round');
    expect(bench.text).toContain("Something wrong at 'way round'");
  });

  it('changes with the answer to the check that tells the first two apart', async () => {
    await open([rejected('brush', 'brush-short'), pulled(1, 60), pulled(2, 58)]);
    expect(bench.text).toContain('Next check: Measure the strip length of the next wire.');
    await bench.key('n');
    expect(bench.headline).toContain('ire not pushed home');
    expect(bench.text).toContain('not seen: strip measured short');
  });

  it('is put on record with what it was concluded from, and the page says how many cases it rests on', async () => {
    await open([rejected('seam', 'upside-down')], [{ cause: 'upside-down', evidence: ['upside-down'] }]);
    expect(bench.text).toContain('1 confirmed case of this shop');
    await bench.key('1');
    await bench.type('cause-note', 'shown the cradle');
    await bench.submit('form');
    const body = bench.put[0]?.body;
    expect(body).toEqual(
      jasmine.objectContaining({ kind: 'cause', step: 1, cause: 'upside-down', note: 'shown the cradle' }),
    );
    expect(body?.kind === 'cause' && body.evidence.includes('upside-down')).toBeTrue();
  });
});
