import type { StripWindow } from '../prepare';
import type { Terminal } from '../terminal';
import type { Wire } from '../wire';
import { packStrands, sideView } from './index';

const terminal = {
  family: 'bare-terminal',
  barrel: {
    seam: 'butted',
    length: 6,
    innerDiameter: 1.7,
    outerDiameter: 3.3,
    depth: null,
    inspection: null,
    betweenGrips: null,
    supportLength: 0,
    growth: 0,
  },
  slideOn: [],
  brushMax: 4,
} as unknown as Terminal;
const wire = { conductor: { strands: 7, strandDiameter: 0.5, lay: 'concentric' }, insulationDiameter: 3 } as Wire;
const strip = {
  setPoint: 9.5,
  window: { min: 9, max: 10 },
  brush: { min: 1.5, max: 4 },
  gap: { min: 0, max: 1.5 },
  position: { min: 0, max: 1.5 },
} as StripWindow;

const seen = (...about: Parameters<typeof sideView>) => {
  const view = sideView(...about);
  if (!view) throw new Error('no drawing');
  return view;
};

describe('The side view', () => {
  it('is as long between conductor end and insulation edge as the strip set point', () => {
    const view = seen(terminal, wire, strip, [], 3);
    expect(view.insulationEdge - view.wireEnd).toBeCloseTo(9.5, 12);
  });

  it('draws brush and gap within what its own dimension lines say', () => {
    const view = seen(terminal, wire, strip, [], 3);
    expect(view.gap).toBeGreaterThanOrEqual(0);
    expect(view.gap).toBeLessThanOrEqual(1.5);
    expect(view.brush).toBeGreaterThanOrEqual(1.5);
    expect(view.brush).toBeLessThanOrEqual(4);
    expect((view.brush ?? 0) + 6 + view.gap).toBeCloseTo(9.5, 12);
  });

  it('lets a stop-located conductor end at the stop', () => {
    const splice = {
      ...terminal,
      family: 'window-splice',
      barrel: { ...terminal.barrel, depth: 7 },
    } as unknown as Terminal;
    expect(seen(splice, wire, { ...strip, brush: null, setPoint: 7.6 }, [], 3).wireEnd).toBeCloseTo(-7, 12);
  });

  it('puts a bite where the computation puts it', () => {
    expect(seen(terminal, wire, strip, [{ order: 1, centre: 4.5 }], 3).bites[0]?.centre).toBe(-4.5);
  });
});

describe('The end-on view', () => {
  it('packs any number of strands into the conductor without one overlapping another', () => {
    for (const count of [1, 7, 19, 24, 50, 91]) {
      const { r, at } = packStrands(count, 10);
      expect(at.length).toBe(count);
      for (const [i, a] of at.entries()) {
        expect(Math.hypot(a.x, a.y) + r).toBeLessThanOrEqual(10 + 1e-9);
        for (const b of at.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(2 * r - 1e-9);
      }
    }
  });
});
