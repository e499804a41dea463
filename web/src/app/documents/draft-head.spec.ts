import type { ShopDocument } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { DraftHead, draftOf, headFaults, headForm } from './draft-head';

const RELEASED: ShopDocument = {
  ...{ document: 'FL-SPEC-07', revision: 'C', class: '2', owner: 'Ines', status: 'released', origin: 'controlled' },
  ...{ effectiveFrom: '2026-02-01', effectiveUntil: null },
};

describe('The head of a draft', () => {
  it('of what stands asks for a revision of its own; of a draft it is the same one', () => {
    expect(headForm(RELEASED, '2026-11-01').getRawValue()).toEqual(
      jasmine.objectContaining({ revision: '', document: 'FL-SPEC-07', isControlled: true }),
    );
    expect(headForm({ ...RELEASED, status: 'draft' }, '2026-11-01').value.revision).toBe('C');
    expect(headForm('new', '2026-11-01').getRawValue()).toEqual(
      jasmine.objectContaining({
        revision: 'A',
        effectiveFrom: '2026-11-01',
        effectiveUntil: null,
        isControlled: false,
      }),
    );
  });

  it('becomes a draft, open where no end is named, its names without blanks around them', () => {
    const form = headForm(RELEASED, '2026-11-01');
    form.patchValue({ revision: ' D ' });
    expect(draftOf(form)).toEqual({ ...RELEASED, revision: 'D', status: 'draft' });
    form.patchValue({ isControlled: false });
    expect(draftOf(form).origin).toBe('made-up');
  });

  it('is wrong where a name is empty, a day is none, or it ends before it begins', () => {
    for (const [wrong, field] of [
      [{ revision: ' ' }, 'revision'],
      [{ owner: '' }, 'owner'],
      [{ effectiveFrom: null }, 'effectiveFrom'],
      [{ effectiveUntil: '2026-01-31' }, 'effectiveUntil'],
    ] as const) {
      const form = headForm(RELEASED, '2026-11-01');
      form.patchValue({ revision: 'D' });
      expect(headFaults(form)).toEqual([]);
      form.patchValue(wrong);
      expect(headFaults(form).map((fault) => fault.field))
        .withContext(field)
        .toEqual([`draft-${field}`]);
    }
    // The end is looked at again when the beginning moves.
    const form = headForm({ ...RELEASED, effectiveUntil: '2026-12-31' }, '2026-11-01');
    form.patchValue({ revision: 'D', effectiveFrom: '2027-01-01' });
    expect(headFaults(form).map(({ text }) => text)).toEqual(['It ends before it begins.']);
  });

  it('tells a fault at its field once somebody has been there', async () => {
    const form = headForm(RELEASED, '2026-11-01');
    const bench = await Bench.open(DraftHead, { inputs: { form } });
    expect(bench.element.querySelector('.wrong')).toBeNull();
    form.markAllAsTouched();
    await bench.settle();
    expect(bench.element.querySelector('#draft-revision-fault')?.textContent).toBe('is empty');
    await bench.type('draft-revision', 'D');
    expect(bench.element.querySelector('.wrong')).toBeNull();
    bench.close();
  });
});
