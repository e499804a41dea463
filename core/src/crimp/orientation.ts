import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import type { NestProfile } from '../tool';

export interface Orientation {
  /** The instruction itself. */
  readonly headline: string;
  readonly why: string;
  /** Wrong way round is a reject even when it holds the pull. */
  readonly critical: boolean;
  /** Where the seam, wings or window point, degrees counter-clockwise from the moving die; null where any angle does. */
  readonly angle: number | null;
  /** The words a person confirms it with. */
  readonly confirm: string;
}

/**
 * Which way round the terminal lies in the nest, from seam and nest profile. Angle 0 faces the moving die (up in the
 * drawing), 180 the cradle or anvil (down).
 *
 * A butted seam never gets a free angle in an indenting nest: an indent on the seam folds one side and leaves the
 * other standing, which may hold a pull and is a reject all the same.
 *
 * @returns null where this pair of seam and profile is not a termination at all (e.g. a closed barrel in a rolled nest)
 */
export function orientation(terminal: Terminal, profile: NestProfile, practice: Practice): Orientation | null {
  const { seam } = terminal.barrel;
  if ((seam === 'open') !== (profile === 'rolled')) return null;

  if (terminal.family === 'window-splice') {
    return {
      headline: 'Window up, bite in the window’s plane.',
      why: `The conductor has to be seen in the window after the bite. ${
        practice.secondBite === 'same-plane'
          ? 'Turn the second side back to the same plane.'
          : 'Turn the second side by 90°.'
      }`,
      critical: true,
      angle: 0,
      confirm: 'Window is up, wire seen in it',
    };
  }
  if (seam === 'open') {
    return {
      headline: 'Wings up into the rolling half, floor flat on the anvil.',
      why: 'The rolls curl both wings into the strands only when the floor lies flat; insulation wings go to the wide bite.',
      critical: true,
      angle: 0,
      confirm: 'Wings are up, floor is flat',
    };
  }
  if (profile === 'two-bite') {
    return {
      headline: 'Seam to the wide half, wire end in the wide bite.',
      why: 'The narrow bite presses the conductor, the wide one the insulation; the hidden seam is backed by the wide half.',
      critical: seam === 'hidden',
      angle: 180,
      confirm: 'Wire end lies in the wide bite',
    };
  }
  if (profile === 'symmetric-oval') {
    return {
      headline: 'Any way round; sleeve’s wire end in the wide half.',
      why: 'The oval presses both sides alike and the seam is hidden under the sleeve. Keep the tongue flat and parallel to the die.',
      critical: false,
      angle: null,
      confirm: 'Wire end lies in the wide half',
    };
  }
  if (seam === 'seamless') {
    return {
      headline: 'Any way round, the same through the lot.',
      why: 'There is no seam to open. Keep the tongue flat and parallel to the die.',
      critical: false,
      angle: null,
      confirm: 'Tongue lies flat in the die',
    };
  }
  if (seam === 'brazed') {
    return {
      headline: 'Seam down in the cradle. Indent opposite.',
      why: 'A brazed seam is closed, but the punch is set opposite all the same: brazing can be missed.',
      critical: false,
      angle: 180,
      confirm: 'Seam lies in the cradle',
    };
  }
  return {
    headline: 'Seam down in the cradle. Indent on the plain side.',
    why: 'An indent on the seam folds one side and leaves the other standing. It may still hold a pull; it is a reject all the same.',
    critical: true,
    angle: 180,
    confirm: 'Seam lies in the cradle',
  };
}
