import type { StripWindow } from '../prepare';
import type { Terminal } from '../terminal';
import type { Wire } from '../wire';
import fc from 'fast-check';
import { orientation } from '../crimp';
import { stripWindow } from '../prepare';
import { families, wireRound } from '../testing/families';
import { practice, stripper } from '../testing/shop';
import { drawEnd, drawSide, packStrands, pagesToSvg, pageToSvg, qrPath, sideView, type Shape } from './index';
import { PageWriter } from './PageWriter';
import { text } from './shapes';
import { textWidth, wrapText } from './wrapText';

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
  it('shows both bites of a two-bite nest: the narrow one on the barrel, the wide one on the insulation', () => {
    const sleeved = { ...terminal, barrel: { ...terminal.barrel, supportLength: 5 } } as Terminal;
    const bite = [{ order: 1, centre: 3.5 }];
    const of = (profile: 'two-bite' | 'symmetric-oval') =>
      drawSide(sleeved, seen(sleeved, wire, strip, bite, { width: 3, profile }), strip, null).shapes;
    const said = (shapes: ReturnType<typeof of>) => shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(of('two-bite').filter((s) => 'part' in s && s.part === 'bite').length).toBe(2);
    expect(said(of('two-bite'))).toContain('wide');
    expect(of('symmetric-oval').filter((s) => 'part' in s && s.part === 'bite').length).toBe(1);
    expect(said(of('symmetric-oval'))).not.toContain('wide');
  });

  it('is as long between conductor end and insulation edge as the strip set point', () => {
    const view = seen(terminal, wire, strip, [], { width: 3, profile: 'hex' });
    expect(view.insulationEdge - view.wireEnd).toBeCloseTo(9.5, 12);
  });

  it('draws brush and gap within what its own dimension lines say', () => {
    const view = seen(terminal, wire, strip, [], { width: 3, profile: 'hex' });
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
    expect(
      seen(splice, wire, { ...strip, brush: null, setPoint: 7.6 }, [], { width: 3, profile: 'hex' }).wireEnd,
    ).toBeCloseTo(-7, 12);
  });

  it('puts a bite where the computation puts it', () => {
    expect(
      seen(terminal, wire, strip, [{ order: 1, centre: 4.5 }], { width: 3, profile: 'hex' }).bites[0]?.centre,
    ).toBe(-4.5);
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

describe('A drawing', () => {
  const context = (family: keyof typeof families) => ({ terminal: families[family], wire: wireRound });
  const texts = (shapes: readonly Shape[]) => shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
  const slit = (angle: number, state: 'before' | 'wrong') => {
    const { terminal, wire: conductor } = context('bare-terminal');
    const lies = {
      headline: '',
      why: '',
      critical: true,
      angle,
      confirm: '',
      wrong: { angle: 0, text: '' },
      turn: null,
    };
    const drawn = drawEnd(terminal, conductor, 'indent-and-cradle', lies, state);
    const found = drawn?.shapes.find((shape) => shape.kind === 'path' && shape.width === 4 && shape.fill === null);
    return found?.kind === 'path' ? (found.d.match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number) : [];
  };

  // 180 degrees from the moving die is straight down: the slit runs outwards at x = 0, below the middle; 0 is above it.
  it('shows the seam where the rule puts it, and under the indent where it must not be', () => {
    const [x0 = 1, y0 = 0, x1 = 1, y1 = 0] = slit(180, 'before');
    expect(Math.max(Math.abs(x0), Math.abs(x1))).toBeLessThan(1e-6);
    expect(y0).toBeGreaterThan(0);
    expect(y1).toBeGreaterThan(y0);
    const [, wrong = 0] = slit(180, 'wrong');
    expect(wrong).toBeLessThan(0);
  });

  it('names the dies of every nest, crosses out the wrong way, and has nothing of a die left after the bite', () => {
    const { terminal, wire: conductor } = context('sealed-contact');
    const lies = orientation(terminal, { profile: 'rolled', punch: null }, practice);
    if (!lies) throw new Error('no orientation');
    const before = drawEnd(terminal, conductor, 'rolled', lies);
    expect(texts(before?.shapes ?? [])).toEqual(['rolling half', 'anvil', 'wings']);
    const wrong = drawEnd(terminal, conductor, 'rolled', lies, 'wrong');
    expect(wrong?.shapes.some((shape) => shape.kind === 'path' && shape.stroke === 'fail')).toBeTrue();
    const after = drawEnd(terminal, conductor, 'rolled', lies, 'after');
    expect(after?.shapes.some((shape) => shape.kind === 'path' && shape.fill === 'steel')).toBeFalse();
    expect(after?.shapes.some((shape) => shape.kind === 'path' && shape.stroke === 'fail')).toBeFalse();
  });

  it('is none where the sheet leaves out a diameter or the length, and nothing is made up for it', () => {
    const { terminal, wire: conductor } = context('bare-terminal');
    const without = { ...terminal, barrel: { ...terminal.barrel, outerDiameter: null } };
    const lies = orientation(terminal, { profile: 'indent-and-cradle', punch: null }, practice);
    if (!lies) throw new Error('no orientation');
    expect(drawEnd(without, conductor, 'indent-and-cradle', lies)).toBeNull();
    expect(sideView(without, conductor, strip, [], { width: 3, profile: 'hex' })).toBeNull();
  });

  // well 12, growth 1: before the bite the bare wire is S - 12, after it one less; 0 to 3 is allowed after it
  it('tells the bare wire of a lug before and after the barrel has grown', () => {
    const { terminal, wire: conductor } = context('lug');
    const window = stripWindow(terminal, conductor, practice, stripper);
    const view = sideView(terminal, conductor, window, [], { width: 6, profile: 'hex' });
    if (!view) throw new Error('no view');
    expect(texts(drawSide(terminal, view, window, null).shapes)).toContain('gap 2.5 (1.0–4.0), 1.5 after');
  });
});

describe('A page', () => {
  it('is an SVG of its true size, with every sign of the text kept as text', () => {
    const page = {
      width: 210,
      height: 297,
      items: [{ x: 0, y: 0, scale: 1, shapes: [text(1, 2, 'a < b & "c"')] }],
    };
    const svg = pageToSvg(page);
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(svg).toContain('a &lt; b &amp; &quot;c&quot;</text>');
  });

  it('and the ones after it stand below each other in one drawing, each in true size, with the fonts given', () => {
    const words = (said: string) => ({
      ...{ width: 210, height: 297 },
      items: [{ x: 0, y: 0, scale: 1, shapes: [text(1, 2, said)] }],
    });
    const svg = pagesToSvg([words('first'), words('cautions')], '@font-face{}');
    expect(svg).toContain('width="210mm" height="594mm" viewBox="0 0 210 594"');
    expect(svg.indexOf('cautions')).toBeGreaterThan(svg.indexOf('translate(0 297)'));
    expect(svg).toContain('<style>@font-face{}</style>');
  });

  it('breaks its lines at spaces, none wider than asked, and loses no word', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{1,9}$/), { minLength: 1, maxLength: 40 }),
        fc.integer({ min: 30, max: 90 }),
        (words, width) => {
          const lines = wrapText(words.join(' '), 3, width);
          expect(lines.join(' ')).toBe(words.join(' '));
          for (const line of lines) expect(textWidth(line, 3)).toBeLessThanOrEqual(width);
        },
      ),
    );
  });

  it('carries a QR code as large as asked, with its three corners dark', () => {
    const d = qrPath('http://127.0.0.1/bench/1', 10, 20, 24);
    const points = [...d.matchAll(/M([\d.]+) ([\d.]+)h([\d.]+)/g)].map(([, x, y, w]) => [
      Number(x),
      Number(y),
      Number(w),
    ]);
    const right = Math.max(...points.map(([x = 0, , w = 0]) => x + w));
    const bottom = Math.max(...points.map(([, y = 0, w = 0]) => y + w));
    expect([right, bottom].map((value) => Number(value.toFixed(2)))).toEqual([34, 44]);
    expect(points.some(([x, y]) => x === 10 && y === 20)).toBeTrue();
  });

  it('has a foot whose two sides never meet, however much there is to say', () => {
    const writer = new PageWriter(210, 297);
    writer.foot(
      `Fennick Lane Harness Works. ${'Terminal rev 1, wire rev 1, house rules rev 1. '.repeat(4)}`,
      '2026-11-27',
    );
    const said = writer.pages[0]?.items.flatMap(({ shapes }) => shapes.filter((shape) => shape.kind === 'text')) ?? [];
    const printed = said.find((shape) => shape.anchor === 'end');
    const left = said.filter((shape) => shape !== printed);
    expect(left.length).toBeGreaterThan(1);
    for (const { x, text, size } of left) {
      expect(x + textWidth(text, size)).toBeLessThan((printed?.x ?? 0) - textWidth(printed?.text ?? '', 2.6));
    }
  });
});
