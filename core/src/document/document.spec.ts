import fc from 'fast-check';
import { documentKey, documentName, inEffect, isSameDocument, type ShopDocument } from './index';

const of = (changes: Partial<ShopDocument>): ShopDocument => ({
  document: 'FL-SPEC-07',
  revision: 'C',
  class: '2',
  owner: 'Ines',
  origin: 'controlled',
  status: 'released',
  effectiveFrom: '2026-01-01',
  effectiveUntil: null,
  ...changes,
});

describe('A document the shop judges by', () => {
  it('is the same where document, revision and class are; none and none are the same too', () => {
    expect(isSameDocument(of({}), of({ status: 'withdrawn', owner: 'Marek' }))).toBeTrue();
    for (const changes of [{ document: 'FL-SPEC-08' }, { revision: 'D' }, { class: '3' }]) {
      expect(isSameDocument(of({}), of(changes))).toBeFalse();
    }
    expect([isSameDocument(null, undefined), isSameDocument(of({}), null)]).toEqual([true, false]);
    expect(documentKey(of({}))).toEqual({ document: 'FL-SPEC-07', revision: 'C', class: '2' });
    expect(documentName(of({}))).toBe('FL-SPEC-07 rev C, grade 2');
  });

  it('is in effect from its first to its last day, both included, once released', () => {
    const bounded = of({ effectiveFrom: '2026-03-01', effectiveUntil: '2026-03-31' });
    const on = (day: string, document = bounded) => inEffect([document], '2', day).length;
    expect(['2026-02-28', '2026-03-01', '2026-03-31', '2026-04-01'].map((d) => on(d))).toEqual([0, 1, 1, 0]);
    expect(on('2026-03-15', { ...bounded, status: 'draft' })).toBe(0);
    expect(on('2026-03-15', { ...bounded, class: '3' })).toBe(0);
  });

  it('that has judged something stays what it is judged by, whatever became of it since', () => {
    fc.assert(
      fc.property(fc.constantFrom('draft' as const, 'released' as const, 'withdrawn' as const), (status) => {
        const [old, now] = [of({ status, effectiveUntil: '2026-02-01' }), of({ revision: 'D' })];
        expect(inEffect([now, old], '2', '2026-11-25', documentKey(old))).toEqual([old]);
      }),
    );
  });
});
