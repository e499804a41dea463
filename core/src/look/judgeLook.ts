import { reason, type Reason } from '../verdict';
import type { Criterion, Finding } from './criteria';

export interface PieceFinding {
  readonly piece: number;
  readonly criterion: string;
  readonly finding: Finding;
}

export interface LookVerdict {
  readonly state: 'pass' | 'hold' | 'fail' | 'missing';
  /** Verdict of each piece from 1. */
  readonly pieces: readonly ('accepted' | 'rework' | 'rejected' | 'open')[];
  readonly reasons: readonly Reason[];
}

/**
 * Judges the findings in force (corrected ones left out) of `count` sample pieces. A reject fails whatever the pull
 * says; a piece to rework holds; a point not looked at is missing, never assumed good.
 */
export function judgeLook(
  criteria: readonly Criterion[],
  findings: readonly PieceFinding[],
  count: number,
): LookVerdict {
  const reasons: Reason[] = [];
  const pieces: ('accepted' | 'rework' | 'rejected' | 'open')[] = [];
  let open = 0;
  for (let piece = 1; piece <= count; piece++) {
    const given = new Map(findings.filter((f) => f.piece === piece).map((f) => [f.criterion, f.finding]));
    const of = (finding: Finding) => criteria.filter((c) => given.get(c.code) === finding);
    const missing = criteria.length - given.size;
    const rejected = of('reject');
    const rework = of('rework');
    if (rejected.length) {
      reasons.push(reason('piece-rejected', 'bad', `Piece ${piece} is rejected: ${names(rejected)}.`, { piece }));
    }
    if (rework.length) {
      reasons.push(reason('piece-rework', 'hold', `Piece ${piece} is to be reworked: ${names(rework)}.`, { piece }));
    }
    open += Math.max(0, missing);
    pieces.push(
      rejected.length ? 'rejected' : rework.length ? 'rework' : missing > 0 || !criteria.length ? 'open' : 'accepted',
    );
  }
  if (open) {
    reasons.push(
      reason('not-looked-at', 'hold', `${open} of ${count * criteria.length} points are not looked at yet.`, { open }),
    );
  }
  const state = pieces.includes('rejected')
    ? 'fail'
    : pieces.includes('open')
      ? 'missing'
      : pieces.includes('rework')
        ? 'hold'
        : 'pass';
  if (state === 'pass') {
    reasons.push(
      reason('look-accepted', 'good', `${count} of ${count} pieces accepted at ${criteria.length} points each.`, {
        count,
      }),
    );
  }
  return { state, pieces, reasons };
}

function names(list: readonly Criterion[]): string {
  return list.map((c) => c.title.toLowerCase()).join(', ');
}
