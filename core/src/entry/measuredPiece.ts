import type { MeasuredPiece } from '../look';
import { endOf, type End, type NestProfile } from '../terminal';
import type { Entry } from './Entry';
import { measuresOf } from './measuresOf';

/** Dies that press a dent: what is measured into it is not how high the section is over all. */
const DENTED: ReadonlySet<NestProfile> = new Set(['indent-and-cradle', 'window-indent', 'four-indent']);

/**
 * Height and width measured of one end of a piece, mm: what its section is held against.
 * @param profile of the die it was pressed in
 */
export function measuredPiece(
  entries: readonly Entry[],
  { piece, end }: { readonly piece: number; readonly end: End },
  profile: NestProfile | null,
): MeasuredPiece {
  if (profile === null || DENTED.has(profile)) return { height: null, width: null };
  const own = measuresOf(entries).filter(({ body }) => body.piece === piece && endOf(body) === end);
  const valueOf = (what: 'height' | 'width') => own.find(({ body }) => body.what === what)?.body.value ?? null;
  return { height: valueOf('height'), width: valueOf('width') };
}
