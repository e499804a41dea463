import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import type { Nest } from '../tool';

/** Whether a nest closes the conductor grip alone, so that the insulation grip can be left open for a pull. */
export function canLeaveOpen({ barrel }: Pick<Terminal, 'barrel'>, nest: Pick<Nest, 'grips'> | null): boolean {
  return barrel.betweenGrips !== null && nest?.grips === 'conductor';
}

/**
 * How the pieces for the pull are made, as far as the insulation grip goes: left open where the house rules want it and the nest can
 * leave it open; as made where it cannot. Only an open barrel has a grip of its own: nothing is said of collars and sleeves.
 */
export function pulledWith(terminal: Terminal, nest: Pick<Nest, 'grips'> | null, practice: Practice): string {
  if (terminal.barrel.betweenGrips === null || !nest) return '';
  if (practice.pullEvidence === 'as-made') return 'Pulled as made, insulation grip closed.';
  return canLeaveOpen(terminal, nest)
    ? 'Insulation grip left open on the pieces that are pulled.'
    : 'Pulled as made: this nest closes the insulation grip in the same stroke.';
}
