import type { Criterion } from './criteria';
import type { LookVerdict } from './judgeLook';

/** A point of a sample piece: pieces count from 1, points from 0 in the order of the criteria. */
export interface LookPlace {
  readonly piece: number;
  readonly point: number;
}

type Judged = Pick<LookVerdict, 'pieces' | 'points'>;

/** Whether something is still asked of a point: the eye has not answered, or its number was not measured. */
export function isOpenPoint({ points }: Judged, { piece, point }: LookPlace): boolean {
  const state = points[piece - 1]?.[point];
  return state === undefined || state.finding === null || state.toMeasure;
}

/** The first open point from the first of piece `from` on, beginning again after the last piece; null when none is. */
export function firstOpenPoint(look: Judged, from: number): LookPlace | null {
  const count = look.pieces.length;
  for (let i = 0; i < count; i++) {
    const piece = ((from - 1 + i) % count) + 1;
    const point = (look.points[piece - 1] ?? []).findIndex((_, p) => isOpenPoint(look, { piece, point: p }));
    if (point >= 0) return { piece, point };
  }
  return null;
}

/** Where a point was rejected first; null where none was. */
export function firstRejectedPoint({ pieces, points }: Judged): LookPlace | null {
  const index = pieces.indexOf('rejected');
  if (index < 0) return null;
  return { piece: index + 1, point: points[index]?.findIndex((state) => state.finding === 'reject') ?? 0 };
}

/** What is to be done next with the sample pieces, in one line. */
export function lookHeadline(
  { pieces }: Judged,
  criterion: Pick<Criterion, 'title' | 'view'> | undefined,
  piece: number,
): string {
  const rejected = pieces.filter((p) => p === 'rejected').length;
  if (rejected) return `${rejected} of ${pieces.length} pieces rejected: the set-up is not good.`;
  if (pieces.length && !pieces.includes('open')) return `All ${pieces.length} pieces are looked at.`;
  return `Piece ${piece} of ${pieces.length}: ${criterion?.title.toLowerCase() ?? ''}, ${criterion?.view ?? ''}.`;
}
