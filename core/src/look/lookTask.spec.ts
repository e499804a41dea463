import fc from 'fast-check';
import type { PointState } from './judgeLook';
import { firstOpenPoint, firstRejectedPoint, isOpenPoint, lookHeadline } from './lookTask';

const GOOD: PointState = { finding: 'accept', value: null, toMeasure: false };
const OPEN: PointState = { finding: null, value: null, toMeasure: false };
const UNMEASURED: PointState = { finding: 'accept', value: null, toMeasure: true };
const BAD: PointState = { finding: 'reject', value: null, toMeasure: false };
const look = (...points: PointState[][]) => ({
  points,
  pieces: points.map((own) =>
    own.includes(BAD) ? 'rejected' : own.every((p) => p === GOOD) ? 'accepted' : 'open',
  ) as ('rejected' | 'accepted' | 'open')[],
});

describe('What is looked at next', () => {
  it('is the first open point from the piece in hand on, and from the first piece after the last', () => {
    const judged = look([GOOD, OPEN], [GOOD, GOOD], [OPEN, GOOD]);
    expect(firstOpenPoint(judged, 1)).toEqual({ piece: 1, point: 1 });
    expect(firstOpenPoint(judged, 2)).toEqual({ piece: 3, point: 0 });
    expect(firstOpenPoint(look([GOOD, OPEN], [GOOD, GOOD]), 2)).toEqual({ piece: 1, point: 1 });
    expect(firstOpenPoint(look([GOOD], [GOOD]), 1)).toBeNull();
  });

  it('includes what the eye has answered and the caliper has not', () => {
    expect(firstOpenPoint(look([GOOD, UNMEASURED]), 1)).toEqual({ piece: 1, point: 1 });
  });

  it('is never a point that is answered, wherever one begins', () => {
    const states = fc.constantFrom(GOOD, OPEN, UNMEASURED, BAD);
    const pieces = fc.array(fc.array(states, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(pieces, fc.nat(5), (points, at) => {
        const judged = look(...points);
        const found = firstOpenPoint(judged, (at % points.length) + 1);
        const any = points.flat().some((state) => state === OPEN || state === UNMEASURED);
        expect(found !== null).toBe(any);
        if (found) expect(isOpenPoint(judged, found)).toBeTrue();
      }),
    );
  });

  it('leads to the rejected point first where all are answered', () => {
    expect(firstRejectedPoint(look([GOOD, GOOD], [GOOD, BAD]))).toEqual({ piece: 2, point: 1 });
    expect(firstRejectedPoint(look([GOOD, OPEN]))).toBeNull();
  });

  it('is said in one line: the piece with its point and view, the end of it, or that it is not good', () => {
    const point = { title: 'Way round', view: 'end on' } as const;
    expect(lookHeadline(look([OPEN], [OPEN]), point, 2)).toBe('Piece 2 of 2: way round, end on.');
    expect(lookHeadline(look([GOOD], [GOOD]), point, 2)).toBe('All 2 pieces are looked at.');
    expect(lookHeadline(look([OPEN], [BAD]), point, 1)).toBe('1 of 2 pieces rejected: the set-up is not good.');
  });
});
