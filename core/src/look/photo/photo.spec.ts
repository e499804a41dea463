import fc from 'fast-check';
import type { Criterion } from '../criteria';
import { judgeMark, markAnswers, measureMark, pixelsPerMm, type PhotoMark, type PhotoScale } from './index';

/** 620 pixels are 2 mm: 310 to a millimetre. */
const scale: PhotoScale = { from: { x: 100, y: 50 }, to: { x: 720, y: 50 }, length: 2 };
const at = (x: number, y: number) => ({ x, y });

describe('Measuring on a photograph', () => {
  it('goes by a known length', () => {
    expect(pixelsPerMm(scale)).toBe(310);
    const length = measureMark({ kind: 'length', points: [at(0, 0), at(93, 124)] }, scale);
    // 155 px
    expect(length?.value).toBeCloseTo(0.5, 9);
    expect(length?.unit).toBe('mm');
    expect(length?.within).toBeGreaterThan(Math.SQRT2 / 310);
  });

  it('measures nothing without one, but angles', () => {
    const points = [at(10, 0), at(0, 0), at(0, 10)];
    expect(measureMark({ kind: 'length', points }, null)).toBeNull();
    expect(measureMark({ kind: 'angle', points }, null)?.value).toBeCloseTo(90, 9);
    expect(pixelsPerMm({ ...scale, to: scale.from })).toBeNull();
  });

  it('takes the smaller of the two angles between two arms', () => {
    const angle = measureMark({ kind: 'angle', points: [at(-10, 1), at(0, 0), at(-10, -1)] }, null);
    expect(angle?.value).toBeCloseTo(11.42, 2);
  });

  it('draws the circle through three points of its rim, whichever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1.9, noNaN: true }),
        fc.double({ min: 20, max: 400, noNaN: true }),
        (turn, r) => {
          const rim = [0, 0.8 + turn / 3, 2.2 + turn].map((a) => at(500 + r * Math.cos(a), 300 + r * Math.sin(a)));
          const circle = measureMark({ kind: 'circle', points: rim }, scale);
          expect(circle?.value).toBeCloseTo((2 * r) / 310, 6);
        },
      ),
    );
    expect(measureMark({ kind: 'circle', points: [at(0, 0), at(5, 5), at(9, 9)] }, scale)).toBeNull();
  });

  it('measures an area by its corners', () => {
    const square = [at(0, 0), at(310, 0), at(310, 310), at(0, 310)];
    expect(measureMark({ kind: 'area', points: square }, scale)?.value).toBeCloseTo(1, 9);
    expect(measureMark({ kind: 'area', points: square.slice(0, 2) }, scale)).toBeNull();
  });

  it('tells how far an area may be off: its corners by a pixel each, its scale by its own', () => {
    const square = (side: number) => [at(0, 0), at(side, 0), at(side, side), at(0, side)];
    const within = (side: number) => measureMark({ kind: 'area', points: square(side) }, scale)?.within ?? NaN;
    // 310 px are 1 mm, the scale is 620 px long. Rim 4 x 310 px over the root of 4 corners: 620 px2, 0.00645 mm2; twice the
    // area of 1 mm2 by a share of 1.414/620: 0.00456 mm2. Together 0.0079.
    expect(within(310)).toBeCloseTo(Math.hypot(620 / 310 ** 2, (2 * Math.SQRT2) / 620), 9);
    // Twice as wide: the corners weigh twice as much, the scale four times.
    expect(within(620)).toBeCloseTo(Math.hypot(1240 / 310 ** 2, (8 * Math.SQRT2) / 620), 9);
  });

  it('is judged by the range of the point it answers, and sent to the caliper where the picture cannot tell', () => {
    const number = {
      what: 'brush length',
      unit: 'mm',
      range: { min: 0.5, max: 1 },
      outside: 'reject',
      measured: 'may',
    };
    const criteria = [{ code: 'brush', number } as Criterion];
    const judge = (pixels: number, changes: Partial<PhotoMark> = {}) =>
      judgeMark(
        { kind: 'length', points: [at(0, 0), at(pixels, 0)], point: 'brush', note: '', ...changes },
        scale,
        criteria,
      );
    // 0.75 mm lies well inside, 1.24 mm well outside; 1 mm is its very end.
    expect([judge(232.5)?.good, judge(232.5)?.isNear]).toEqual([true, false]);
    expect([judge(384.4)?.good, judge(384.4)?.isNear]).toEqual([false, false]);
    expect(judge(384.4)?.text).toBe('Out of range: reject; 0.50 to 1.00 mm is good.');
    expect(judge(310)?.isNear).toBeTrue();
    expect(judge(310)?.text).toContain('with the caliper');
    expect(judge(310, { point: null })).toBeNull();
    expect(judgeMark({ kind: 'length', points: [], point: 'brush', note: '' }, scale, criteria)).toBeNull();
  });

  it('answers a point in its own unit only', () => {
    expect(markAnswers('angle', '°')).toBeTrue();
    expect(markAnswers('length', 'mm')).toBeTrue();
    expect(markAnswers('length', '°')).toBeFalse();
    expect(markAnswers('area', 'mm')).toBeFalse();
  });
});
