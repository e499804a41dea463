import { signal } from '@angular/core';
import type { DocumentHistory, Problem } from '@tug-mark/contract';
import type { DocumentKey, ShopDocument } from '@tug-mark/core';
import { limitTable } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { DocumentHead } from './document-head';
import type { AnyShelf } from './with-shelf';

const document = (revision: string, status: ShopDocument['status']): ShopDocument => ({
  ...limitTable,
  revision,
  status,
});
const HISTORY = {
  ...{ draftedBy: 'Marek', releasedBy: 'Ines', releasedAt: '2026-03-15T08:00:00.000Z' },
  ...{ withdrawnBy: null, withdrawnAt: null, problems: [] },
} as unknown as DocumentHistory;

describe('The head of a document', () => {
  let bench: Bench<DocumentHead>;
  let moves: unknown[];
  let compared: (DocumentKey | null)[];
  afterEach(() => {
    bench.close();
  });
  const open = async (
    chosen: ShopDocument,
    options: { problem?: Partial<Problem>; history?: Partial<DocumentHistory>; mayRelease?: boolean } = {},
  ) => {
    moves = [];
    compared = [];
    const others = [document('A', 'withdrawn'), document('B', 'withdrawn')];
    const shelf: AnyShelf = {
      chosen: signal(chosen),
      record: signal({ ...HISTORY, ...options.history }),
      others: signal(others),
      compared: signal(null),
      problem: signal((options.problem as Problem | undefined) ?? null),
      move: (of, to, replaces = false) => {
        moves.push([of.revision, to, replaces]);
        return Promise.resolve();
      },
      compareWith: (other) => compared.push(other),
    };
    bench = await Bench.open(DocumentHead, {
      inputs: { shelf, mayRelease: options.mayRelease ?? true, mayDraft: true, more: 'pulled at 25 mm/min' },
    });
  };

  it('says what became of it, and lets quality withdraw what is released', async () => {
    await open(document('C', 'released'));
    expect(bench.text).toContain('Drafted by Marek; released by Ines');
    expect(bench.text).toContain('pulled at 25 mm/min');
    expect(bench.has('Release rev C')).toBeFalse();
    await bench.press('Withdraw rev C, grade 2');
    expect(moves).toEqual([['C', 'withdraw', false]]);
  });

  it('lets quality release a draft, and leaves that to quality', async () => {
    await open(document('D', 'draft'));
    await bench.press('Release rev D, grade 2');
    expect(moves).toEqual([['D', 'release', false]]);
    expect(bench.has('Change this draft')).toBeTrue();
    bench.close();
    await open(document('D', 'draft'), { mayRelease: false });
    expect(bench.has('Release rev D')).toBeFalse();
    expect(bench.text).toContain('Releasing and withdrawing is for quality.');
  });

  it('offers to take the place of the one it overlaps, and only then', async () => {
    await open(document('D', 'draft'));
    expect(bench.has('Release it in place of the one in effect')).toBeFalse();
    bench.close();
    await open(document('D', 'draft'), { problem: { code: 'limit-overlaps' } });
    await bench.press('Release it in place of the one in effect');
    expect(moves).toEqual([['D', 'release', true]]);
  });

  it('shows what is wrong with its rows, the worst marked', async () => {
    const problems = [
      { row: 3, weight: 'bad', text: 'No force.' },
      { row: null, weight: 'note', text: 'No hold is named.' },
    ] as unknown as DocumentHistory['problems'];
    await open(document('D', 'draft'), { history: { problems } });
    expect(bench.element.querySelector('tm-notice[role=alert] .ant-alert-message')?.textContent?.trim()).toBe(
      'Row 3: No force.',
    );
    expect(bench.text).toContain('No hold is named.');
  });

  it('is compared with another of its revisions, or with nothing again', async () => {
    await open(document('C', 'released'));
    await bench.choose('compare-with', 'rev B');
    await bench.choose('compare-with', 'nothing');
    expect(compared.map((key) => key?.revision ?? null)).toEqual(['B', null]);
  });
});
