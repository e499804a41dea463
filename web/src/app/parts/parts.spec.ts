import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { StripWindow, Terminal, Wire } from '@tug-mark/core';
import { packStrands, sideView } from './set-up-drawing.geometry';
import { TugLine } from './tug-line';
import { placeFlags, tugScale } from './tug-line.layout';

describe('The tug line', () => {
  it('puts at most ten round ticks on the scale and leaves room past the breaking load', () => {
    for (const breaks of [33, 177, 930, 11_800]) {
      const scale = tugScale(940, breaks / 2, breaks, []);
      expect(scale.ticks.length).toBeGreaterThan(3);
      expect(scale.ticks.length).toBeLessThanOrEqual(10);
      expect(scale.x(breaks)).toBeLessThan(940);
      const step = scale.ticks[0]?.force ?? 0;
      expect([1, 2, 5]).toContain(Number((step / 10 ** Math.floor(Math.log10(step))).toFixed(6)));
    }
  });

  it('stands flags that are close together on different rows', () => {
    const flags = [109.8, 111.5, 112.9, 114.1, 116.7].map((force, i) => ({
      piece: i + 1,
      force,
      verdict: 'holds' as const,
      current: false,
    }));
    const placed = placeFlags(flags, (force) => force * 4.5);
    expect(new Set(placed.map((f) => f.row)).size).toBe(5);
    // The strongest stands lowest, so that no pole crosses a number to its left.
    expect(placed.find((f) => f.force === 116.7)?.row).toBe(0);
  });

  it('tells limit, breaking load and every reading to those who do not see it', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(TugLine);
    fixture.componentRef.setInput('limit', 85);
    fixture.componentRef.setInput('breaks', 177.19);
    fixture.componentRef.setInput('flags', [{ piece: 1, force: 84.96, verdict: 'below', current: false }]);
    await fixture.whenStable();
    const said = (fixture.nativeElement as HTMLElement).querySelector('svg')?.getAttribute('aria-label');
    expect(said).toContain('Limit 85.0 N; the wire itself breaks near 177 N.');
    expect(said).toContain('piece 1:');
    expect(said).toContain('below');
  });

  it('shows the same scale in pounds-force', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(TugLine);
    for (const [name, value] of Object.entries({ limit: 85, breaks: 177.19, flags: [], unit: 'lbf' }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    // 85 / 4.44822 = 19.1
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('limit 19.1');
  });
});

const terminal = {
  family: 'bare-ring',
  barrel: {
    seam: 'butted',
    length: 6,
    innerDiameter: 1.7,
    outerDiameter: 3.3,
    depth: null,
    inspection: null,
    betweenGrips: null,
    supportLength: 0,
  },
} as Terminal;
const wire = { conductor: { strands: 7, strandDiameter: 0.5, lay: 'concentric' }, insulationDiameter: 3 } as Wire;
const strip = {
  setPoint: 9.5,
  window: { min: 9, max: 10 },
  brush: { min: 1.5, max: 4 },
  gap: { min: 0, max: 1.5 },
  position: { min: 0, max: 1.5 },
} as StripWindow;

describe('The side view', () => {
  it('is as long between conductor end and insulation edge as the strip set point', () => {
    const view = sideView(terminal, wire, strip, [], 3);
    expect(view.insulationEdge - view.wireEnd).toBeCloseTo(9.5, 12);
  });

  it('draws brush and gap within what its own dimension lines say', () => {
    const view = sideView(terminal, wire, strip, [], 3);
    expect(view.gap).toBeGreaterThanOrEqual(0);
    expect(view.gap).toBeLessThanOrEqual(1.5);
    expect(view.brush).toBeGreaterThanOrEqual(1.5);
    expect(view.brush).toBeLessThanOrEqual(4);
    expect((view.brush ?? 0) + 6 + view.gap).toBeCloseTo(9.5, 12);
  });

  it('lets a stop-located conductor end at the stop', () => {
    const splice = { ...terminal, family: 'window-splice', barrel: { ...terminal.barrel, depth: 7 } } as Terminal;
    expect(sideView(splice, wire, { ...strip, brush: null, setPoint: 7.6 }, [], 3).wireEnd).toBeCloseTo(-7, 12);
  });

  it('puts a bite where the computation puts it', () => {
    expect(sideView(terminal, wire, strip, [{ order: 1, centre: 4.5 }], 3).bites[0]?.centre).toBe(-4.5);
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
