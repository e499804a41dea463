import { may, type CombinationLine, type Role } from '@tug-mark/contract';
import { uncapital, type BenchState } from '@tug-mark/core';
import { count, grouped } from '../parts/count';
import { STATE_WORDS } from './bench-counters';

/** What comes next, as the bench says it first; null where nothing waits. */
export function nextWords(line: CombinationLine): { readonly headline: string; readonly under: string } {
  return {
    headline: `Next: ${uncapital(line.next.text)}, ${line.terminal} on ${line.wire}.`,
    under: `${line.list} · ${count(line.pieces, 'piece')} · ${line.lot ? line.lot.headline : line.headline}`,
  };
}

/** How much is shown, and how the keys go through it. */
export function footWords(
  shown: number | string,
  of: number | null | undefined,
  { state, list }: { readonly state: BenchState | null; readonly list: string | null },
  isFiltered: boolean,
): string {
  const what = [state && STATE_WORDS[state], list && `of ${list}`].filter(Boolean).join(' ');
  const all = isFiltered ? '' : ` of ${of === null || of === undefined ? '...' : grouped(of)}`;
  return `${shown}${all} ${what} · arrow keys move, Enter opens the next step`;
}

/** States of the bench that wait for somebody of these roles: whoever only releases makes nothing. */
export function statesFor(roles: readonly Role[]): readonly BenchState[] {
  const isMaker = roles.some((role) => role !== 'quality');
  return ['held', ...(may(roles, 'release-set-up') ? RELEASING : []), ...(isMaker ? MAKING : [])];
}
const RELEASING = ['to-release'] as const;
const MAKING = ['to-make', 'to-set-up'] as const;
