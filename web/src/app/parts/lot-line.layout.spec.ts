import type { LotVerdict } from '@tug-mark/core';
import { drawnSamples, layOutLot, leftOutText, LINE_WIDTH, type SamplePiece } from './lot-line.layout';

const sample = (piece: number, tug: SamplePiece['tug'] = 'holds'): SamplePiece => ({ piece, look: 'accepted', tug });
const numbers = (samples: readonly SamplePiece[]) => samples.map((s) => s.piece);

describe('The samples beside the lot line', () => {
  it('are all drawn while they find room', () => {
    const all = Array.from({ length: 12 }, (_, i) => sample(i + 1));
    expect(drawnSamples(all)).toEqual(all);
    expect(leftOutText(all, all)).toBe('');
  });

  it('are the newest where they are many, after those that are not good, in their order', () => {
    const all = Array.from({ length: 40 }, (_, i) => sample(i + 1, i === 4 ? 'below' : 'holds'));
    const drawn = drawnSamples(all);
    expect(numbers(drawn)).toEqual([5, 30, 31, 32, 33, 34, 35, 36, 37, 38, 39, 40]);
    expect(leftOutText(all, drawn)).toBe('28 more');
  });

  it('say how many of those left out are not good', () => {
    const all = Array.from({ length: 40 }, (_, i) => sample(i + 1, i < 10 ? 'below' : 'holds'));
    expect(leftOutText(all, drawnSamples(all))).toBe('28 more, 4 not good');
  });
});

const lot = (changes: Partial<LotVerdict> = {}): LotVerdict =>
  ({
    head: { pieces: 400, name: 'L-1' },
    headline: '',
    spans: [],
    due: [],
    checks: [],
    ...changes,
  }) as unknown as LotVerdict;
const check = (piece: number, outcome: 'good' | 'bad') => ({ piece, outcome, text: '' });

describe('The lot line', () => {
  it('draws alike stretches as one, each as long as its pieces', () => {
    const spans = [
      { from: 1, to: 50, state: 'clear' },
      { from: 51, to: 100, state: 'clear' },
      { from: 101, to: 140, state: 'suspect' },
    ];
    expect(layOutLot(lot({ spans: spans as never })).spans).toEqual([
      { from: 1, state: 'clear', x: 0, width: 250 },
      { from: 101, state: 'suspect', x: 250, width: 100 },
    ]);
    expect(LINE_WIDTH).toBe(1000);
  });

  it('draws every bad check and a tenth of 1,200 good ones, with the last', () => {
    const checks = [...Array.from({ length: 1200 }, (_, i) => check(i + 1, 'good')), check(7, 'bad')];
    const drawn = layOutLot(lot({ head: { pieces: 2000 } as never, checks: checks as never })).checks;
    expect(drawn.filter((c) => c.outcome === 'good').length).toBe(121);
    expect(drawn.map((c) => c.piece)).toContain(1200);
    expect(drawn.filter((c) => c.outcome === 'bad').length).toBe(1);
  });

  it('leaves out a number that would stand on another, the plain one before the one that matters', () => {
    const labels = (piece: number) =>
      layOutLot(lot({ checks: [check(piece, 'bad')] as never })).labels.map((l) => l.piece);
    expect(labels(200)).toEqual([1, 200, 400]);
    expect(labels(3)).toEqual([3, 400]);
    expect(labels(398)).toEqual([1, 398]);
  });

  it('places what is due in the middle of its piece, and says whether it is due now', () => {
    const due = [
      { code: 'every', piece: 101, inPieces: 0 },
      { code: 'contain', piece: 90, inPieces: 0 },
    ];
    const dues = layOutLot(lot({ due: due as never })).dues;
    expect(dues.map(({ piece, now }) => [piece, now])).toEqual([[101, true]]);
    // Piece 101 of 400 lies from 250 to 252.5.
    expect(dues[0]?.x).toBeCloseTo(251.25, 9);
  });
});
