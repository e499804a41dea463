import { TestBed } from '@angular/core/testing';
import { PLAIN_SHEET, startingRows, type LookSheet } from '@tug-mark/core';
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
    expect(bench.text).toContain('The wire stands 1.2 to 4.0 mm past the barrel');
    expect(bench.text).toContain('One bite, centred 3.0 mm from the barrel’s wire end');
  });

  it('asks which fault a reject is, keeps it with its note, and says that the set-up is not good', async () => {
    await open();
    await bench.key('ArrowDown');
    await bench.key('ArrowDown');
    await bench.key('ArrowDown');
    await bench.key('3');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Reject: which fault?');
    await bench.type('look-note', 'indent on the seam');
    await bench.key('1');
    expect(bench.put[0]?.body).toEqual({
      kind: 'finding',
      piece: 1,
      criterion: 'seam',
      finding: 'reject',
      fault: 'upside-down',
      note: 'indent on the seam',
    });
    expect(bench.headline).toBe('1 of 5 pieces rejected: the set-up is not good.');
    expect(bench.text).toContain('A pull that holds does not change that.');
  });

  it('reworks no fault that cannot be reworked', async () => {
    await open();
    await bench.key('2');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain("'Tongue' cannot be 'rework' here: as drawn (1), reject (3).");
  });

  it('asks why when a finding is changed, and keeps the first one', async () => {
    await open([TOOL_TAKEN(), ...accepted(1)]);
    await bench.key('ArrowLeft');
    await bench.press('Bite');
    await bench.key('3');
    await bench.key('Enter');
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

  describe('by a sheet of the shop', () => {
    const sheet: LookSheet = {
      ...PLAIN_SHEET,
      document: 'LK-1',
      revision: 'A',
      class: '2',
      rows: startingRows().map((row) => (row.point === 'tongue' ? { ...row, measured: 'each' as const } : row)),
    };
    const look = { document: 'LK-1', revision: 'A', class: '2' };
    const taken = () => kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1', look });
    const openBy = async (changes: Parameters<typeof viewOf>[0] = {}) => {
      bench = await Bench.open(LookStage, { view: viewOf({ looks: [sheet], entries: [taken()], ...changes }) });
    };

    it('takes a number typed for a point and judges it at once', async () => {
      await openBy();
      expect(bench.text).toContain('By LK-1 rev A, grade 2');
      await bench.key('m');
      await bench.type('measured', '2,5');
      await bench.submit('form.measure');
      expect(bench.put[0]?.body).toEqual({
        kind: 'measure',
        piece: 1,
        what: 'tongue',
        value: 2.5,
        typed: '2,5',
        unit: '°',
        note: '',
      });
      expect(bench.headline).toBe('Piece 1 of 5: twist, end on.');
    });

    it('rejects a piece whose number is out of range without anybody saying so, and never accepts over it', async () => {
      await openBy();
      await bench.key('m');
      await bench.type('measured', '9');
      await bench.submit('form.measure');
      expect(bench.headline).toBe('1 of 5 pieces rejected: the set-up is not good.');
      expect(bench.text).toContain('Piece 1 is rejected: tongue 9.0°');
      await bench.press('Tongue');
      await bench.key('1');
      expect(bench.text).toContain('it cannot be accepted over it');
      expect(bench.put.length).toBe(1);
    });

    it('takes what the caliper’s button sends for the point in hand, and says so where nothing is measured', async () => {
      await openBy();
      await bench.press('Wire past the barrel');
      bench.measure(1.8);
      await bench.settle();
      expect(bench.put[0]?.body).toEqual(
        jasmine.objectContaining({ kind: 'measure', what: 'brush', value: 1.8, unit: 'mm', from: 'C-1' }),
      );
      await bench.press('Die mark');
      bench.measure(1.8);
      await bench.settle();
      expect(bench.text).toContain("nothing is measured at 'Die mark'");
      expect(bench.put.length).toBe(1);
    });

    it('takes one answer for a good piece only where the practice allows it', async () => {
      await openBy();
      await bench.key('a');
      expect(bench.put).toEqual([]);
      bench.close();
      TestBed.resetTestingModule();
      await openBy({ practice: { ...viewOf().practice, lookRecord: 'whole-piece' } });
      await bench.key('a');
      expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ criterion: 'as-drawn', finding: 'accept' }));
      // what is measured on each piece is still asked for
      expect(bench.text).toContain('to be measured');
    });

    it('answers a piece in one act but for the points that were named before', async () => {
      await openBy({ practice: { ...viewOf().practice, lookRecord: 'whole-piece' } });
      expect(bench.element.querySelector('.foot .ant-btn-primary')?.textContent).toContain('Piece 1 as drawn');
      await bench.press('Barrel');
      await bench.key('3');
      await bench.key('1');
      await bench.press('The rest of piece 1 as drawn');
      expect(bench.put.map(({ body }) => body.kind === 'finding' && [body.criterion, body.finding])).toEqual([
        ['barrel', 'reject'],
        ['as-drawn', 'accept'],
      ]);
      expect(bench.headline).toBe('1 of 5 pieces rejected: the set-up is not good.');
    });

    it('asks what has moved before it keeps a note', async () => {
      await openBy();
      await bench.press('Barrel');
      await bench.key('4');
      await bench.key('Enter');
      expect(bench.text).toContain('A note says what has moved.');
      await bench.type('look-note', 'a fin, thinner than a strand');
      await bench.submit('form.ask');
      expect(bench.put[0]?.body).toEqual(
        jasmine.objectContaining({ finding: 'note', note: 'a fin, thinner than a strand' }),
      );
    });
  });
});
