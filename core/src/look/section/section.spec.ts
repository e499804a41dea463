import { PRESSED } from '../../geometry';
import type { NestProfile } from '../../terminal';
import {
  blankSection,
  makeMicrograph,
  mendSection,
  readSection,
  sectionFigures,
  SOUND_MICROGRAPH,
  type MicrographModel,
  type Picture,
} from './index';

const small: MicrographModel = { ...SOUND_MICROGRAPH, width: 480, height: 360, pxPerMm: 190 };
const seven: MicrographModel = { ...small, strands: 7, strandDiameter: 0.37 };
const before = ({ strands, strandDiameter }: MicrographModel) => strands * (Math.PI / 4) * strandDiameter ** 2;

/** A micrograph is drawn and read once, however many look at it. */
const readBefore = new Map<MicrographModel, ReturnType<typeof drawAndRead>>();
function read(model: MicrographModel) {
  const own = readBefore.get(model) ?? drawAndRead(model);
  readBefore.set(model, own);
  return own;
}
function drawAndRead(model: MicrographModel) {
  const { picture, truth } = makeMicrograph(model);
  const result = readSection(picture);
  if (!result.ok) throw new Error(result.reasons[0]?.text ?? '');
  return { picture, truth, result, figures: sectionFigures(result.reading, model.pxPerMm, before(model)) };
}

/** The barrel takes the colour of the strands: what is grey and bright becomes copper. */
function copperBarrel(data: Uint8Array | Uint8ClampedArray): void {
  for (let i = 0; i < data.length; i += 4) {
    const [r, b] = [data[i] ?? 0, data[i + 2] ?? 0];
    if (r < 110 || r - b > 50) continue;
    data[i] = 1.09 * r;
    data[i + 1] = 0.67 * (data[i + 1] ?? 0);
    data[i + 2] = 0.44 * b;
  }
}

describe('A made-up micrograph', () => {
  it('has the compression and voids it was asked for, counted on its own pixels', () => {
    const { truth } = makeMicrograph({ ...small, compression: 0.8, voids: 0.06 });
    expect(truth.compression).toBeCloseTo(0.8, 2);
    expect(truth.voids).toBeCloseTo(0.06, 2);
    // 24 x 0.2: 0.754 mm2 before, 0.603 after
    expect(truth.metal).toBeCloseTo(0.603, 2);
  });

  it('is the same again from the same seed', () => {
    const one = makeMicrograph({ ...small, width: 300, height: 220, pxPerMm: 100 });
    const two = makeMicrograph({ ...small, width: 300, height: 220, pxPerMm: 100 });
    expect(one.picture.data.findIndex((value, i) => value !== two.picture.data[i])).toBe(-1);
  });
});

describe('The section of a cut crimp', () => {
  for (const profile of Object.keys(PRESSED) as NestProfile[]) {
    it(`is read within 2.5 % of its metal and 1.5 points of its voids: ${profile}`, () => {
      const model = { ...small, profile, seed: 7, turn: 5, light: 0.25, noise: 8, strands: 19, strandDiameter: 0.22 };
      const { truth, figures } = read(model);
      expect(Math.abs(figures.metal / truth.metal - 1)).toBeLessThan(0.025);
      expect(Math.abs(figures.voids - truth.voids)).toBeLessThan(0.015);
      expect(Math.abs(figures.compression - truth.compression)).toBeLessThan(0.025);
      expect(figures.height).toBeCloseTo(truth.height, 1);
      expect(figures.width).toBeCloseTo(truth.width, 1);
    });
  }

  it('counts the strands where they can be told apart', () => {
    expect(read(seven).figures.strands).toBe(7);
    expect(read({ ...small, strands: 19, strandDiameter: 0.22, voids: 0.05 }).figures.strands).toBe(19);
  });

  it('tells a range where it depends on how narrow a neck counts as one', () => {
    const { strands, strandsMost = 0 } = read({ ...small, strands: 37, strandDiameter: 0.16, voids: 0.05 }).figures;
    expect(strands).toBeLessThanOrEqual(37);
    expect(strandsMost).toBeGreaterThanOrEqual(37);
    expect(strandsMost - strands).toBeLessThan(8);
  });

  it('tells which roll filled more', () => {
    const { truth, figures } = read({ ...small, lean: 0.3, seed: 4 });
    expect(Math.abs(figures.left - truth.left)).toBeLessThan(0.02);
    expect(figures.left).not.toBeCloseTo(0.5, 2);
  });

  it('takes what a person draws over the mask, and only that', () => {
    const { result, figures } = read(small);
    const { reading } = result;
    const middle = { x: reading.columns / 2, y: reading.rows / 2 + 20 };
    const mended = mendSection(reading, [{ label: 'void', radius: 6, points: [middle] }]);
    const after = sectionFigures(mended, small.pxPerMm, before(small));
    // a disc of radius 6 cells at 190 px/mm: pi 36 / 190^2 = 0.00313 mm2 less, if it was all metal
    const lost = figures.metal - after.metal;
    expect(lost).toBeGreaterThan(0.0024);
    expect(lost).toBeLessThan(0.0035);
    expect(after.height).toBe(figures.height);
  });

  it('is never over full: a section all of metal has no voids, not fewer than none', () => {
    const { result } = read(seven);
    const over = { ...result.reading, cover: result.reading.cover.map((c) => c + 0.05) };
    expect(sectionFigures(over, seven.pxPerMm, before(seven)).voids).toBe(0);
  });

  it('is one strand where a border between two was painted over', () => {
    const { result } = read(seven);
    const { columns, rows } = result.reading;
    const points = [
      { x: columns / 2 - 60, y: rows / 2 },
      { x: columns / 2 + 60, y: rows / 2 },
    ];
    const mended = mendSection(result.reading, [{ label: 'strand', radius: 40, points }]);
    expect(sectionFigures(mended, seven.pxPerMm, before(seven)).strands).toBeLessThan(7);
  });

  it('can be drawn by hand where it is not read', () => {
    const blank = blankSection({ width: 640, height: 480 });
    const drawn = mendSection(blank, [
      { label: 'barrel', radius: 100, points: [{ x: 320, y: 240 }] },
      { label: 'strand', radius: 60, points: [{ x: 320, y: 240 }] },
      { label: 'void', radius: 20, points: [{ x: 320, y: 240 }] },
    ]);
    const figures = sectionFigures(drawn, 100, 1);
    // rings of radius 0.6 and 0.2 mm inside one of 1 mm: pi (0.36 - 0.04) = 1.005 mm2 of metal, 0.04 / 0.36 void
    expect(figures.metal).toBeCloseTo(1.005, 1);
    expect(figures.voids).toBeCloseTo(1 / 9, 2);
    expect(figures.height).toBeCloseTo(2, 1);
  });

  describe('declines to answer', () => {
    const why = (picture: Picture) => {
      const result = readSection(picture);
      return result.ok ? 'answered' : result.reasons[0]?.code;
    };
    const pictureOf = (model: MicrographModel) => makeMicrograph(model).picture;

    it('when the crimp reaches the edge of the picture', () => {
      const { picture } = read(small);
      const shown = { width: 340, height: 360, data: new Uint8ClampedArray(340 * 360 * 4) };
      for (let y = 0; y < 360; y++) {
        shown.data.set(picture.data.subarray((y * 480 + 140) * 4, (y + 1) * 480 * 4), y * 340 * 4);
      }
      expect(why(shown)).toBe('cut-off');
    });

    it('when it is too small in the picture', () => {
      expect(why(pictureOf({ ...small, pxPerMm: 60 }))).toBe('too-small');
    });

    it('when barrel and strands are of one metal', () => {
      const picture = pictureOf({ ...small, noise: 3 });
      copperBarrel(picture.data);
      expect(why(picture)).toBe('no-colour');
    });

    it('when there is nothing but grain', () => {
      const data = Uint8ClampedArray.from({ length: 480 * 360 * 4 }, (_, i) => 90 + ((i * 7919) % 60));
      expect(why({ width: 480, height: 360, data })).toBe('nothing-found');
    });

    it('when it is out of focus', () => {
      expect(why(pictureOf({ ...small, blur: 11, voids: 0.02 }))).toBe('blurred');
      // a third of it is how a hand microscope sees
      expect(why(pictureOf({ ...small, blur: 4, voids: 0.02 }))).toBe('answered');
    });
  });
});
