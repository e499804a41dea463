import { may, type CombinationLine, type Role } from '@tug-mark/contract';
import { uncapital, type BenchState } from '@tug-mark/core';
import { count, grouped } from '../parts/count';
import type { PlannedNext } from '../plan/bench-queue';
import { STATE_WORDS } from './bench-counters';

/** What comes next, as the bench says it first; null where nothing waits. */
export function nextWords(line: CombinationLine): { readonly headline: string; readonly under: string } {
  return {
    headline: `Next: ${uncapital(line.next.text)}, ${line.terminal} on ${line.wire}.`,
    under: `${line.list} · ${count(line.pieces, 'piece')} · ${line.lot ? line.lot.headline : line.headline}`,
  };
}

/** What the bench says first, and where Begin leads. */
export interface BenchHead {
  readonly headline: string;
  readonly under: string;
  readonly begin: readonly string[] | null;
}

/**
 * By the plan where it says what is next here, else by the first line that waits for whoever is here.
 * @param none what is said where nothing waits
 */
export function benchHead(planned: PlannedNext | null, line: CombinationLine | null, none: string): BenchHead {
  const toLine = line ? ['/bench', line.id, line.next.to] : null;
  if (planned) {
    const { headline, under, combination } = planned;
    return { headline, under, begin: combination === null ? toLine : ['/bench', combination] };
  }
  if (line) return { ...nextWords(line), begin: toLine };
  return {
    headline: none,
    under: 'A combination is one terminal on one wire. Open one and go up its ladder.',
    begin: null,
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

/** A set-up sheet's square code is the address of its combination; undefined where a scanned line is none. */
export const scannedCombination = (text: string): string | undefined => /\/bench\/([0-9a-f-]{36})/i.exec(text)?.[1];
