import { asDrawn } from './asDrawn';
import type { Criterion } from './criteria';
import { faultsOf, spoil, type Example } from './faults';
import { judgePiece } from './judgePiece';
import type { LookContext } from './LookContext';

/**
 * What a point looks like on this very combination: right, just good enough, and wrong in each way it can be. The finding
 * beside each is what the criterion makes of its numbers.
 */
export function examples(context: LookContext, criterion: Criterion): Example[] {
  const right = asDrawn(context);
  const find = (piece: typeof right) => judgePiece(context, [criterion], piece).get(criterion.code) ?? 'accept';
  const faults = faultsOf(context).filter((f) => f.point === criterion.code);
  const shown = faults.flatMap((fault): Example[] => {
    const make = (kind: 'borderline' | 'wrong'): Example => {
      const piece = spoil(fault, right, context, kind, criterion);
      const title = kind === 'wrong' ? fault.title : `${fault.title}: just good enough`;
      return { kind, fault, piece, title, why: fault.why, finding: find(piece) };
    };
    return [...(fault.graded ? [make('borderline')] : []), make('wrong')];
  });
  return [
    { kind: 'right', fault: null, piece: right, title: 'As drawn', why: criterion.accept, finding: find(right) },
    ...shown,
  ];
}
