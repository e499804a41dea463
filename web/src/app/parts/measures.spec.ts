import { LookStage } from '../look/look-stage';
import { Bench, TOOL_TAKEN, viewOf } from '../testing/bench';
import { Measures } from './measures';

describe('Measured lengths', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });
  const measuring = () => {
    const view = viewOf({ entries: [TOOL_TAKEN()] });
    return { ...view, practice: { ...view.practice, measuredPieces: 2 } };
  };

  it('are typed piece by piece in either unit, judged at once, and corrected with a reason', async () => {
    bench = await Bench.open(Measures, { view: measuring() });
    await bench.type('strip-typed', 'nine');
    await bench.submit();
    expect(bench.text).toContain('is not a number');
    await bench.type('strip-typed', '0.358 in');
    await bench.submit();
    await bench.type('strip-typed', '12');
    await bench.submit();
    expect(
      bench.put.map(({ body }) =>
        body.kind === 'measure' ? [body.piece, Number(body.value.toFixed(3)), body.unit] : [],
      ),
    ).toEqual([
      [1, 9.093, 'in'],
      [2, 12, 'mm'],
    ]);
    expect(bench.element.querySelectorAll('.fail').length).toBe(1);
    const corrections = [...bench.element.querySelectorAll('button')].filter((b) =>
      b.textContent?.includes('put right'),
    );
    corrections[1]?.click();
    await bench.settle();
    await bench.type('strip-typed', '9.1');
    await bench.submit();
    expect(bench.text).toContain('A correction needs its reason');
    await bench.type('strip-why', 'read the wrong end');
    await bench.submit();
    expect(bench.put[2]?.why).toBe('read the wrong end');
  });

  it('are taken of each wire that shares the barrel, all wires of a piece before the next', async () => {
    const view = measuring();
    bench = await Bench.open(Measures, { view });
    expect(bench.text).not.toContain('wire 1');
    bench.close();
    const range = { smallest: { scale: 'mm2', value: 0.5 }, largest: { scale: 'mm2', value: 2.5 } } as const;
    const terminal = { ...view.terminal, mostWires: 2, conductorRange: range, insulationRange: null };
    bench = await Bench.open(Measures, { view: { ...view, terminal, together: [view.wire] } });
    expect(bench.text).toContain('Wire 2, W-075');
    const labels: string[] = [];
    for (const value of ['9', '12', '9.1']) {
      labels.push(bench.element.querySelector('label')?.textContent ?? '');
      await bench.type('strip-typed', value);
      await bench.submit();
    }
    expect(labels.map((label) => label.split(', mm')[0])).toEqual([
      'Piece 1, wire 1',
      'Piece 1, wire 2',
      'Piece 2, wire 1',
    ]);
    expect(bench.put.map(({ body }) => body.kind === 'measure' && [body.piece, body.wire, body.value])).toEqual([
      [1, undefined, 9],
      [1, 2, 12],
      [2, undefined, 9.1],
    ]);
    expect(bench.element.querySelectorAll('.fail').length).toBe(1);
  });

  it('are taken before a tool is, and not asked for where the sheet gives nothing to compare with', async () => {
    bench = await Bench.open(Measures, { view: { ...measuring(), entries: [] } });
    await bench.type('strip-typed', '9.1');
    await bench.submit();
    expect(bench.put.length).toBe(1);
    bench.close();
    bench = await Bench.open(LookStage, { view: measuring() });
    expect(bench.text).not.toContain('Crimp height');
  });

  it('out of range are trimmed where they are too long, or cut off, and say what the wire has left', async () => {
    bench = await Bench.open(Measures, { view: measuring() });
    // 8.263 to 10 mm is good.
    for (const value of ['12', '7']) {
      await bench.type('strip-typed', value);
      await bench.submit();
    }
    const ways = () =>
      [...bench.element.querySelectorAll('.piece')].map((piece) =>
        [...piece.querySelectorAll('button')].map((b) => b.textContent?.trim()),
      );
    expect(ways()).toEqual([
      ['trimmed', 'cut off, stripped again', 'put right'],
      ['cut off, stripped again', 'put right'],
    ]);
    expect(bench.text).toContain('2 more attempts are left');
    await bench.press('trimmed');
    await bench.type('strip-typed', '9.1');
    await bench.submit();
    expect(bench.put[2]).toEqual({
      body: jasmine.objectContaining({ piece: 1, value: 9.1, after: 'trim' }),
      why: 'wire end trimmed',
    });
    await bench.press('cut off, stripped again');
    await bench.type('strip-typed', '9.2');
    await bench.submit();
    expect(bench.put[3]?.body).toEqual(jasmine.objectContaining({ piece: 2, value: 9.2, after: 'cut-off' }));
    expect(bench.element.querySelectorAll('.fail').length).toBe(0);
  });
});
