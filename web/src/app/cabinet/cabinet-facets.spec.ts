import { bareRing, insulatedRing } from '../../../../core/src/testing/shop';
import { facetsOf, narrowed } from './cabinet-facets';

describe('Parts narrowed down', () => {
  const parts = [bareRing, insulatedRing];

  it('are offered only the columns in which they differ', () => {
    const paths = facetsOf('terminal', parts).map(({ column }) => column.path);
    expect(paths).toContain('family');
    expect(facetsOf('terminal', [bareRing])).toEqual([]);
    const family = facetsOf('terminal', parts).find(({ column }) => column.path === 'family');
    expect(family?.options).toEqual([bareRing.family, insulatedRing.family].sort());
  });

  it('have every value that is wanted, and all are there where none is', () => {
    expect(narrowed(parts, { family: insulatedRing.family })).toEqual([insulatedRing]);
    expect(narrowed(parts, { family: insulatedRing.family, 'barrel.seam': 'no such' })).toEqual([]);
    expect(narrowed(parts, { family: '' })).toEqual(parts);
  });
});
