import { cutList, cutMoves, pickList, stockOf, type JobAbout, type StockMove } from '../../index';

const job = (changes: Partial<JobAbout> = {}): JobAbout => ({
  ...{
    job: 'a/0',
    does: 'crimp',
    combination: 'a',
    list: 'Loom',
    label: 'ring',
    terminal: 'R-1',
    wire: 'W-1',
    wireLabel: '0.75',
  },
  ...{ family: 'bare-terminal', slidOn: ['TU'], strokes: 1, pieces: 60, part: 1, parts: 1 },
  ...{ samples: 5, checks: 2, rework: 1, seconds: 20, learnedFrom: 0 },
  ...changes,
});
const counted = (kind: StockMove['kind'], part: string, amount: number, reel: string | null = null): StockMove => ({
  ...{ id: `${part}${reel}`, at: '2026-11-26T06:00:00.000Z', kind, part, reel, what: 'counted', amount },
  ...{ arrives: null, settles: null },
});

const NOW = '2026-11-26T18:00:00.000Z';

describe('The pick list', () => {
  it('counts pieces, samples, checks and rework of each part against its drawer', () => {
    const stock = stockOf(
      [
        counted('terminal', 'R-1', 52),
        { ...counted('terminal', 'R-1', 40), id: 'x', what: 'expected', arrives: '2026-11-27T08:00' },
      ],
      NOW,
    );
    const [ring, tube] = pickList([job()], stock);
    expect(ring).toEqual({
      ...{ kind: 'terminal', part: 'R-1', pieces: 60, samples: 5, checks: 2, rework: 1, total: 68 },
      ...{ have: 52, short: 16, arrives: '2026-11-27T08:00', jobs: ['a/0'] },
    });
    // Nobody counted the tubes: nothing is said to be missing.
    expect([tube?.part, tube?.have, tube?.short]).toEqual(['TU', null, 0]);
  });

  it('says of too little on its way that nothing settles it', () => {
    const stock = stockOf(
      [
        counted('terminal', 'R-1', 52),
        { ...counted('terminal', 'R-1', 15), id: 'x', what: 'expected', arrives: '2026-11-27T08:00' },
      ],
      NOW,
    );
    expect(pickList([job()], stock)[0]?.arrives).toBeNull();
  });

  it('takes the jobs of one part together, and nothing for cutting', () => {
    const jobs = [job(), job({ job: 'b/0', pieces: 10 }), job({ job: 'cut', does: 'cut', terminal: '', slidOn: [] })];
    expect(pickList(jobs, []).map(({ part, total }) => [part, total])).toEqual([
      ['R-1', 86],
      ['TU', 86],
    ]);
  });
});

describe('The cut list', () => {
  const wires = [
    { list: 'Loom', wire: 'W-1', length: 480, quantity: 40 },
    { list: 'Loom', wire: 'W-1', length: 480, quantity: 20 },
    { list: 'Loom', wire: 'W-1', length: 300, quantity: 10 },
  ];
  it('has the wires of the lists, short ones for samples, and the longest for what is pulled', () => {
    const [need] = cutList(wires, [job()], [], { sample: 150, keep: 500 });
    expect(need?.lists).toEqual([
      {
        list: 'Loom',
        demands: [
          { length: 480, count: 60 },
          { length: 300, count: 10 },
        ],
      },
    ]);
    expect(need?.samples).toEqual({ length: 150, count: 5 });
    expect(need?.checks).toEqual([{ length: 480, count: 2 }]);
    expect(need?.total).toBe(62 * 480 + 10 * 300 + 5 * 150);
    expect([need?.have, need?.plan]).toEqual([null, null]);
  });

  it('draws them from what was counted, and says what is missing', () => {
    const stock = stockOf([counted('wire', 'W-1', 20_000, 'reel 3'), counted('wire', 'W-1', 960, 'rest 1')], NOW);
    const [need] = cutList(wires, [job()], stock, { sample: 150, keep: 500 });
    expect(need?.have).toBe(20_960);
    const cut = need?.plan?.reels.flatMap(({ cuts }) => cuts) ?? [];
    const missing = need?.plan?.missing ?? [];
    const sum = (all: readonly { length: number; count: number }[]) =>
      all.reduce((total, one) => total + one.length * one.count, 0);
    expect(sum(cut) + sum(missing)).toBe(need?.total ?? 0);
    // 33,510 are needed; at most 20,960 of them can be cut.
    expect(sum(missing)).toBeGreaterThanOrEqual(12_550);
  });

  it('takes off each reel what is cut from it', () => {
    const stock = stockOf([counted('wire', 'W-1', 60_000), counted('wire', 'W-1', 960, 'rest 1')], NOW);
    const moves = cutMoves(cutList(wires, [job()], stock, { sample: 150, keep: 500 }));
    // The remnant wholly, the rest from the reel without a name.
    expect(moves).toEqual([
      { wire: 'W-1', reel: 'rest 1', amount: 960 },
      { wire: 'W-1', reel: null, amount: 62 * 480 + 10 * 300 + 5 * 150 - 960 },
    ]);
  });

  it('leaves out what is due last where there is not enough for all', () => {
    const two = [...wires, { list: 'Later', wire: 'W-1', length: 700, quantity: 10 }];
    const stock = stockOf([counted('wire', 'W-1', 34_000, 'reel 3')], NOW);
    const [need] = cutList(two, [], stock, { sample: 150, keep: 500 });
    // 31,800 for the first list: of the 2,200 mm behind it three of 700 are cut.
    expect(need?.plan?.missing).toEqual([{ length: 700, count: 7 }]);
  });

  it('needs no wire for a list that is cut', () => {
    expect(
      cutList(
        wires.map((wire) => ({ ...wire, isCut: true })),
        [job()],
        [],
        { sample: 150, keep: 500 },
      ),
    ).toEqual([]);
  });
});
