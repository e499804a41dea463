import { curvesOver, outline, type Curve } from './curve-options';

const curve = (piece: number, forces: number[], changes: Partial<Curve> = {}): Curve => ({
  piece,
  force: Math.max(...forces),
  mode: 'slid out of the barrel',
  id: `t${piece}`,
  trace: { rate: 10, forces },
  read: { zero: 0, peak: { force: Math.max(...forces) } } as Curve['read'],
  ...changes,
});
const ink = (name: string) => `ink of ${name}`;

describe('Curves of a lot over each other', () => {
  it('begin where each passes a twentieth of its peak, so that they lie on each other', () => {
    // The peak is 100 N: 5 N is passed at the fourth sample.
    expect(outline(curve(1, [0, 0, 4, 20, 100, 30]))).toEqual([
      [0, 20],
      [0.1, 100],
      [0.2, 30],
    ]);
  });

  it('stand above their own zero', () => {
    const lifted = curve(1, [10, 10, 60, 110], {
      read: { zero: 10, peak: { force: 100 } } as Curve['read'],
    });
    expect(outline(lifted)).toEqual([
      [0, 50],
      [0.1, 100],
    ]);
  });

  it('keep their peak however much they are thinned', () => {
    const forces = Array.from({ length: 20_000 }, (_, i) => (i === 12_345 ? 250 : 100));
    const drawn = outline(curve(1, forces));
    expect(drawn.length).toBeLessThanOrEqual(401);
    expect(Math.max(...drawn.map(([, force]) => force))).toBe(250);
  });

  it('have the picked one on top and in its own colour, and the limit once', () => {
    const all = [curve(1, [0, 90]), curve(2, [0, 100]), curve(3, [0, 80])];
    const options = curvesOver(all, all[0] ?? null, 85, ink);
    expect(options.series.map((s) => s.name)).toEqual(['piece 2', 'piece 3', 'piece 1']);
    expect(options.series.map((s) => s.lineStyle.color)).toEqual(['ink of petrol', 'ink of petrol', 'ink of copper']);
    expect(options.series.filter((s) => 'markLine' in s).length).toBe(1);
    expect(curvesOver(all, null, null, ink).series.filter((s) => 'markLine' in s)).toEqual([]);
  });
});
