import type { ShopDocument } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { DraftHead, draftOf, headFrom, isHeadWrong, type Head } from './draft-head';

const RELEASED: ShopDocument = {
  ...{ document: 'FL-SPEC-07', revision: 'C', class: '2', owner: 'Ines', status: 'released', origin: 'controlled' },
  ...{ effectiveFrom: '2026-02-01', effectiveUntil: null },
};

describe('The head of a draft', () => {
  it('of what stands asks for a revision of its own; of a draft it is the same one', () => {
    expect(headFrom(RELEASED, '2026-11-01')).toEqual(
      jasmine.objectContaining({ revision: '', document: 'FL-SPEC-07' }),
    );
    expect(headFrom({ ...RELEASED, status: 'draft' }, '2026-11-01').revision).toBe('C');
    expect(headFrom('new', '2026-11-01')).toEqual(
      jasmine.objectContaining({ revision: 'A', effectiveFrom: '2026-11-01', effectiveUntil: '', origin: 'made-up' }),
    );
  });

  it('becomes a draft, open where no end is named', () => {
    const head = headFrom(RELEASED, '2026-11-01');
    expect(draftOf({ ...head, revision: 'D' })).toEqual({ ...RELEASED, revision: 'D', status: 'draft' });
    expect(draftOf({ ...head, effectiveUntil: ' ' }).effectiveUntil).toBeNull();
  });

  it('is wrong where a name is empty, a day is none, or it ends before it begins', () => {
    const head = { ...headFrom(RELEASED, '2026-11-01'), revision: 'D' };
    expect(isHeadWrong(head)).toBeFalse();
    for (const wrong of [
      { revision: ' ' },
      { owner: '' },
      { effectiveFrom: '' },
      { effectiveFrom: '1 Feb' },
      { effectiveUntil: '2026-01-31' },
    ])
      expect(isHeadWrong({ ...head, ...wrong }))
        .withContext(JSON.stringify(wrong))
        .toBeTrue();
  });

  it('tells each fault at its field, once keeping it was tried', async () => {
    const head: Head = { ...headFrom(RELEASED, '2026-11-01'), effectiveUntil: '2026-01-31' };
    const bench = await Bench.open(DraftHead, { inputs: { head, tried: false } });
    const faults = () => [...bench.element.querySelectorAll('.wrong')].map((each) => each.textContent);
    expect(faults()).toEqual([]);
    bench.fixture.componentRef.setInput('tried', true);
    await bench.settle();
    expect(faults()).toEqual(['It is empty.', 'It ends before it begins.']);
    await bench.type('draft-revision', 'D');
    expect(faults()).toEqual(['It ends before it begins.']);
    expect(bench.fixture.componentInstance.head().revision).toBe('D');
    bench.close();
  });
});
