import type { Criterion } from './criteria';
import type { Finding } from './Finding';
import type { LookContext } from './LookContext';
import { numberFinding } from './numberFinding';
import type { Piece } from './Piece';
import { pointOf, type PointCode } from './points';

/**
 * What a perfect inspector finds on a piece: the number of each point against its range, and what the eye sees beside it;
 * the worse of the two. Something borderline is a note where the sheet knows one, else accepted.
 */
export function judgePiece(
  context: LookContext,
  criteria: readonly Criterion[],
  piece: Piece,
): Map<PointCode, Finding> {
  return new Map(
    criteria.map((criterion) => {
      const point = pointOf(criterion.code);
      const value = point.number?.of(piece) ?? null;
      const own = point.number?.range(context) ?? null;
      const range = criterion.number?.range ?? own;
      const mends = criterion.number?.mends ?? point.mends?.(context, range)?.range ?? null;
      const outside = criterion.number?.outside ?? (mends ? 'reject' : worst(criterion));
      const byNumber = value === null || range === null ? 'accept' : numberFinding(value, { range, outside, mends });
      if (byNumber !== 'accept') return [criterion.code, byNumber];
      const seen = point.see(piece, context);
      if (seen === 'wrong') return [criterion.code, worst(criterion)];
      return [criterion.code, seen === 'borderline' && criterion.findings.includes('note') ? 'note' : 'accept'];
    }),
  );
}

/** What is said of a point that is plainly wrong: rework where it can be, else reject. */
function worst({ findings }: Criterion): Finding {
  return findings.includes('rework') ? 'rework' : 'reject';
}
