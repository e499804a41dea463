import { makeCut, type KnownCut } from '../../testing/cuts';
import { normalFrom, random } from '../../statistics';
import { hasScratches } from './scratches';
import { readSection, sectionFigures, squareness, toldStrands, type SectionFigures } from './index';

const made = new Map<string, KnownCut>();
/** Smaller than a microscope makes it, so that it is quick. */
function cutOf(kind: string, seed: number): KnownCut {
  const name = `${kind} ${seed}`;
  const cut = made.get(name) ?? makeCut(kind, seed, 0.6);
  made.set(name, cut);
  return cut;
}

/** A cut of the second generator, read with what was measured of the piece before it was cut. */
function read(kind: string, seed: number, isMeasured = true) {
  const cut = cutOf(kind, seed);
  const result = readSection(cut.picture);
  if (!result.ok) return { ...cut, code: result.reasons[0]?.code, figures: null };
  const { height, width } = cut.truth;
  const measured = isMeasured ? { height, width } : { height: null, width };
  return { ...cut, code: 'read', figures: sectionFigures(result.reading, cut.pxPerMm, cut.wireArea, measured) };
}

describe('A cut drawn another way', () => {
  it('is read in white resin, upside down as well', () => {
    const { figures, truth } = read('white resin', 1);
    expect(Math.abs((figures?.metal ?? 0) / truth.metal - 1)).toBeLessThan(0.03);
    expect(Math.abs((figures?.voids ?? 0) - truth.voids)).toBeLessThan(0.02);
    expect(Math.abs((figures?.height ?? 0) / truth.height - 1)).toBeLessThan(0.02);
    expect(figures?.strands).toBe(truth.strands);
    expect(figures?.tilt).toBeUndefined();
  });

  it('keeps the plating of its strands as metal', () => {
    const { figures, truth } = read('tinned strands', 2);
    expect(Math.abs((figures?.metal ?? 0) / truth.metal - 1)).toBeLessThan(0.05);
    expect(Math.abs((figures?.voids ?? 0) - truth.voids)).toBeLessThan(0.03);
  });

  it('that is not square is put right where height and width were measured, and not touched where they were not', () => {
    const { figures, truth } = read('not square', 1);
    // made 22 degrees aslant
    expect(figures?.tilt).toBeGreaterThan(18);
    expect(figures?.tilt).toBeLessThan(26);
    expect(Math.abs((figures?.metal ?? 0) / truth.metal - 1)).toBeLessThan(0.03);
    const unmeasured = read('not square', 1, false).figures;
    expect(unmeasured?.tilt).toBeUndefined();
    expect((unmeasured?.metal ?? 0) / truth.metal).toBeGreaterThan(1.05);
  });

  it('is not read where the barrel is of the strands’ metal', () => {
    expect(read('copper barrel', 1).code).toBe('no-colour');
  });

  it('is read through scratches that run over the edge of the picture, with no count where they may part a strand', () => {
    const { code, figures, truth } = read('scratched', 101);
    expect(code).toBe('read');
    expect(Math.abs((figures?.metal ?? 0) / truth.metal - 1)).toBeLessThan(0.03);
    expect(Math.abs((figures?.height ?? 0) / truth.height - 1)).toBeLessThan(0.02);
    expect(figures?.strandsMost).toBeUndefined();
    expect(figures?.strands).toBe(0);
    expect(figures && toldStrands(figures)).toBe('strands not counted (scratched)');
  });

  it('is scratched by a few fine lines as well, and not by bubbles', () => {
    expect(read('few scratches', 107).figures?.isScratched).toBeTrue();
    const { figures, truth } = read('bubbles', 102);
    expect(figures?.isScratched).toBeUndefined();
    expect(figures?.strands).toBe(truth.strands);
  });

  it('whose strands cannot be told apart has no count', () => {
    const { figures } = read('not etched', 1);
    expect(figures?.strands).toBe(0);
    expect(figures && toldStrands(figures)).toBe('strands not counted');
    expect(toldStrands({ strands: 18, strandsMost: 20 })).toBe('18 to 20 strands');
    expect(toldStrands({ strands: 1 })).toBe('1 strand');
  });

  it('whose strands lie against each other and show too few lines between them has no count either', () => {
    // 37 strands, of which 27 to 35 stand apart.
    const { figures, truth } = read('not etched', 403);
    expect([truth.strands, figures?.strands, figures?.strandsMost]).toEqual([37, 0, undefined]);
  });

  it('is said to be square, aslant, of another scale, or not known to be either', () => {
    const figures: SectionFigures = {
      ...{ metal: 0.8, voids: 0.03, compression: 0.85, height: 1.3, width: 1.6, left: 0.5, strands: 19 },
    };
    const said = (own: Partial<SectionFigures>, height: number | null, width: number | null) => {
      const { text, isOff } = squareness({ ...figures, ...own }, { height, width });
      return [text.split(' ').slice(0, 3).join(' '), isOff];
    };
    expect(said({}, 1.31, 1.59)).toEqual(['Square, by the', false]);
    expect(said({ tilt: 21.4 }, 1.3, 1.49)).toEqual(['21° off square', true]);
    expect(said({}, 1.2, 1.48)).toEqual(['Not as measured', true]);
    expect(said({}, 1.3, null)).toEqual(['Not known to', false]);
  });
});

describe('A scratch', () => {
  const [columns, rows] = [160, 120];
  /** Resin of an even grey with noise, a piece in its middle, and something drawn: by how much it changes the light at a place. */
  const isSeen = (drawn: (x: number, y: number) => number) => {
    const normal = normalFrom(random(5));
    const light = new Float32Array(columns * rows);
    const body = new Uint8Array(columns * rows);
    for (let i = 0; i < light.length; i++) {
      const [x, y] = [i % columns, Math.floor(i / columns)];
      body[i] = Math.hypot(x - 80, y - 60) < 25 ? 1 : 0;
      light[i] = (body[i] ? 500 : 180) + 6 * normal() + drawn(x, y);
    }
    return hasScratches(light, body, columns, rows);
  };
  const near = (off: number) => (Math.abs(off) < 1 ? 1 : 0);

  it('is a straight line, dark or bright, whichever way it runs', () => {
    for (const slope of [0, 0.3, -1, 4]) {
      const line = (x: number, y: number) => near((y - 30 - slope * (x - 40)) / Math.hypot(1, slope));
      expect(isSeen((x, y) => -40 * line(x, y)))
        .withContext(`dark, ${slope}`)
        .toBeTrue();
      expect(isSeen((x, y) => 40 * line(x, y)))
        .withContext(`bright, ${slope}`)
        .toBeTrue();
    }
    expect(isSeen((x) => 40 * near(x - 20))).toBeTrue();
  });

  it('is no noise, no short line, no edge, no round one, and nothing within the piece', () => {
    expect(isSeen(() => 0)).toBeFalse();
    // shorter than 45 cells
    expect(isSeen((x, y) => (x < 42 ? 40 * near(y - 20) : 0))).toBeFalse();
    expect(isSeen((_, y) => (y < 20 ? 40 : 0))).toBeFalse();
    expect(isSeen((x, y) => 40 * near(Math.hypot(x - 40, y - 25) - 15))).toBeFalse();
    expect(isSeen((x, y) => (Math.abs(x - 80) < 24 ? 200 * near(y - 60) : 0))).toBeFalse();
  });
});
