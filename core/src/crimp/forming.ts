import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import type { Die, Nest, Tool } from '../tool';
import { MOST_BITES, type StrokeFind } from './Gate';

/** A barrel formed nest after nest. */
export interface Forming {
  /** From the widest to the one the wire asks for, which is the last. */
  readonly nests: readonly Nest[];
  /** The nest whose mark and height the piece has: the first it was still in; until then the last of all, where it has to be. */
  readonly last: Nest;
  /** Strokes made and the one that comes next; none comes after the first still one. */
  readonly strokes: number;
}

/**
 * The strokes an open barrel is formed in: where the house rules and the terminal's sheet allow it, in a plier whose die has wider
 * nests of the same kind. It goes from the widest to the nest the wire asks for; after each stroke the barrel is still, which ends
 * it, or it moves. Nothing goes into a narrower nest than the wire's own. Height and mark are those of the last stroke.
 *
 * @param found what was found after the strokes made so far
 * @returns null where the barrel is pressed once
 * @example nests for 2.5, 1.5 and 0.75 mm2, wire 0.75: strokes in that order; 'moves', 'still' ends it in the nest for 1.5
 */
export function forming(
  terminal: Terminal,
  { tool, die, nest }: { readonly tool: Tool; readonly die: Die; readonly nest: Nest },
  practice: Practice,
  found: readonly StrokeFind[],
): Forming | null {
  if (!terminal.formingStrokes || practice.secondStroke !== 'forming' || tool.kind !== 'plier') return null;
  const wider = die.nests
    .filter((each) => each.profile === nest.profile && each.id !== nest.id && each.area.max > nest.area.max)
    .sort((a, b) => b.area.max - a.area.max)
    .slice(1 - MOST_BITES);
  if (!wider.length) return null;
  const nests = [...wider, nest];
  const still = found.indexOf('still');
  const strokes = still < 0 ? Math.min(found.length + 1, nests.length) : still + 1;
  const at = still < 0 ? nests.length : still + 1;
  return { nests, strokes, last: nests[at - 1] ?? nest };
}
