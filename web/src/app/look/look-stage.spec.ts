import { Bench, kept, TOOL_TAKEN, viewOf } from '../testing/bench';
import { LookStage } from './look-stage';

const POINTS = ['tongue', 'brush', 'bite', 'seam', 'mark', 'barrel', 'strands', 'gap'];
const accepted = (pieces: number, except?: string) =>
  Array.from({ length: pieces }, (_, i) => i + 1).flatMap((piece) =>
    POINTS.filter((code) => `${piece}/${code}` !== except).map((criterion) =>
      kept({ kind: 'finding', piece, criterion, finding: 'accept', note: '' }),
    ),
  );

describe('Looking at the samples', () => {
  let bench: Bench<LookStage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (entries = [TOOL_TAKEN()]) => {
    bench = await Bench.open(LookStage, { view: viewOf({ entries }) });
  };

  it('goes from point to point and from piece to piece with the key 1', async () => {
    await open();
    expect(bench.headline).toBe('Piece 1 of 5: tongue, from the side.');
    for (let i = 0; i < 8; i++) await bench.key('1');
    expect(bench.headline).toBe('Piece 2 of 5: tongue, from the side.');
    expect(bench.put.map(({ body }) => (body.kind === 'finding' ? body.criterion : ''))).toEqual(POINTS);
  });

  it('starts at the first point nobody looked at', async () => {
    await open([TOOL_TAKEN(), ...accepted(5, '3/seam')]);
    expect(bench.headline).toBe('Piece 3 of 5: way round, end on.');
  });

  it('has the numbers of the set-up in each point', async () => {
    await open();
    expect(bench.text).toContain('The wire stands 1.1 to 4.0 mm past the barrel');
    expect(bench.text).toContain('One bite, centred 3.0 mm from the barrel’s wire end');
  });

  it('keeps a note with a reject, and says that the set-up is not good', async () => {
    await open();
    await bench.key('ArrowDown');
    await bench.key('ArrowDown');
    await bench.key('ArrowDown');
    await bench.type('look-note', 'indent on the seam');
    await bench.key('3');
    expect(bench.put[0]?.body).toEqual({
      kind: 'finding',
      piece: 1,
      criterion: 'seam',
      finding: 'reject',
      note: 'indent on the seam',
    });
    expect(bench.headline).toBe('1 of 5 pieces rejected: the set-up is not good.');
    expect(bench.text).toContain('A pull that holds does not change that.');
  });

  it('reworks no fault that cannot be reworked', async () => {
    await open();
    await bench.key('2');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain("'Tongue' cannot be reworked: accept (1) or reject (3).");
  });

  it('asks why when a finding is changed, and keeps the first one', async () => {
    await open([TOOL_TAKEN(), ...accepted(1)]);
    await bench.key('ArrowLeft');
    await bench.press('Bite');
    await bench.key('3');
    expect(bench.text).toContain('It is on record as accept. Why is it reject now?');
    expect(bench.put).toEqual([]);
    await bench.type('why-finding', 'looked at it under the glass');
    await bench.submit();
    expect(bench.put[0]?.why).toBe('looked at it under the glass');
    expect(bench.text).toContain('Piece 1 is rejected: bite.');
  });

  it('goes on to Tug when every point of every piece is looked at', async () => {
    await open([TOOL_TAKEN(), ...accepted(5)]);
    expect(bench.headline).toBe('All 5 pieces are looked at.');
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', 'c1', 'tug']);
  });

  it('takes nothing down before the tool is known', async () => {
    await open([]);
    await bench.key('1');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Take a tool first');
  });
});
