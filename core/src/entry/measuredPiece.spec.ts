import { measuredPiece } from './measuredPiece';
import type { Entry, EntryBody } from './Entry';

describe('What was measured of a piece before it was cut', () => {
  const measure = (piece: number, what: 'height' | 'width', value: number, end?: 2): Entry => {
    const body = {
      kind: 'measure',
      piece,
      what,
      value,
      typed: String(value),
      unit: 'mm',
      note: '',
      ...(end && { end }),
    };
    return { id: `${what}-${piece}-${end ?? 1}`, corrects: null, why: null, body: body as EntryBody } as Entry;
  };
  const entries = [
    measure(1, 'height', 1.48),
    measure(1, 'width', 1.78),
    measure(1, 'height', 1.2, 2),
    measure(2, 'width', 1.7),
  ];

  it('is of that piece and that end alone', () => {
    expect(measuredPiece(entries, { piece: 1, end: 1 }, 'rolled')).toEqual({ height: 1.48, width: 1.78 });
    expect(measuredPiece(entries, { piece: 1, end: 2 }, 'rolled')).toEqual({ height: 1.2, width: null });
    expect(measuredPiece(entries, { piece: 2, end: 1 }, 'rolled')).toEqual({ height: null, width: 1.7 });
  });

  it('says nothing of a section that has a dent, nor where the die is not known', () => {
    const nothing = { height: null, width: null };
    expect(measuredPiece(entries, { piece: 1, end: 1 }, 'indent-and-cradle')).toEqual(nothing);
    expect(measuredPiece(entries, { piece: 1, end: 1 }, null)).toEqual(nothing);
  });
});
