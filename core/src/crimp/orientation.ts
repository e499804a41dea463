import type { Practice } from '../practice';
import { familyOf, isSplice, type Terminal } from '../terminal';
import { uncapital } from '../text';
import type { Nest } from '../tool';

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
  /** The way it must not lie, drawn beside the right one; null where nothing is wrong but carelessness. */
  readonly wrong: { readonly angle: number; readonly text: string } | null;
  /** For the second end of a splice: degrees its bite is turned about the wire against that of the first. Null at the first end. */
  readonly turn: 0 | 90 | null;
}

/** How far the two ends of a splice may be out of one line, degrees. */
export const STRAIGHT = 3;

/** Which way away from the punch is, as the tool is held. */
const WHERE_PUNCH = {
  moving: 'The moving half carries the punch: seam away from it, towards the half that stands still.',
  fixed: 'The half that stands still carries the punch: seam away from it, towards the moving half.',
  both: 'Both halves carry a punch: the tool’s sheet says how the seam lies.',
  unknown: 'Look first which half of the tool carries the punch.',
} as const;

const free = (headline: string, why: string, confirm: string): Omit<Orientation, 'turn'> => ({
  headline,
  why,
  critical: false,
  angle: null,
  confirm,
  wrong: null,
});

/**
 * Which way round the terminal lies in the nest, from seam and nest profile. Angle 0 faces the moving die (up in the
 * drawing), 180 the cradle or anvil (down).
 *
 * A butted seam never gets a free angle in an indenting nest: an indent on the seam folds one side and leaves the
 * other standing, which may hold a pull and is a reject all the same.
 *
 * @returns null where this pair of seam and profile is not a termination at all (e.g. a closed barrel in a rolled nest)
 */
export function orientation(
  terminal: Terminal,
  nest: Pick<Nest, 'profile' | 'punch'>,
  practice: Practice,
): Orientation | null {
  const { seam } = terminal.barrel;
  if ((seam === 'open') !== (nest.profile === 'rolled')) return null;
  return { turn: null, ...firstEnd(terminal, nest, practice) };
}

/**
 * Which way round a splice lies for its second end, once the first is pressed: turned end for end, and about the wire as the
 * house rules say. Where window, wings or seam decide how it lies, they decide at both ends, whatever the rules say of turning.
 * @param lies how the first end lay
 */
export function secondEnd(terminal: Terminal, lies: Orientation, practice: Practice): Orientation {
  const { words } = familyOf(terminal);
  const isFixed = lies.critical && lies.angle !== null;
  if (isFixed) {
    const school =
      practice.secondBite === 'turned-90'
        ? ' The house rules turn the second bite by 90°; this part leaves no choice.'
        : '';
    return {
      ...lies,
      headline: `Turn it end for end: ${uncapital(lies.headline)}`,
      why: `The other wire comes from its own side. It lies by its ${words.liesBy}, as at end 1, so both bites are in one plane.${school}`,
      turn: 0,
    };
  }
  const turn = practice.secondBite === 'same-plane' ? 0 : 90;
  return {
    ...lies,
    headline:
      turn === 0
        ? 'Turn it end for end: bite in the plane of end 1.'
        : 'Turn it end for end and by a quarter: bite across the plane of end 1.',
    why:
      turn === 0
        ? 'Bites in one plane are seen at one look. The bite of end 1 lies up again.'
        : 'Bites across each other spread the load. The bite of end 1 lies to the side.',
    confirm: turn === 0 ? 'The bite of end 1 lies up' : 'The bite of end 1 lies to the side',
    turn,
  };
}

function firstEnd(
  terminal: Terminal,
  { profile, punch }: Pick<Nest, 'profile' | 'punch'>,
  practice: Practice,
): Omit<Orientation, 'turn'> {
  const { seam } = terminal.barrel;

  const { lies, wings } = familyOf(terminal);
  if (lies) return { ...lies, critical: true };
  if (seam === 'open') {
    return {
      headline: 'Wings up into the rolling half, floor flat on the anvil.',
      why: wings?.why ?? 'The rolls curl the wings only when the floor lies flat.',
      critical: true,
      angle: 0,
      confirm: wings?.confirm ?? 'Wings are up, floor is flat',
      wrong: { angle: 180, text: 'Wings down on the anvil: the floor is rolled, the wings are crushed flat.' },
    };
  }
  if (profile === 'four-indent') {
    return free(
      'Seated on the positioner, wire bottomed.',
      'Four indents press alike from all sides; depth is all that matters. Keep a light pressure on the wire.',
      'Contact is seated, wire is bottomed',
    );
  }
  if (profile === 'trapezoid' || profile === 'square') {
    return {
      headline: 'Collar outside the die, ferrule square in the nest.',
      why: 'The die presses the metal barrel only; a collar in the die is cut and the wire end stays loose.',
      critical: true,
      angle: null,
      confirm: 'Collar lies outside the die',
      wrong: null,
    };
  }
  if (profile === 'hex' || profile === 'contoured') {
    return {
      headline: 'Pad square to the die, underside to the moving die.',
      why: 'The first bite lies next to the pad, the others follow towards the wire, so that the barrel grows over the wire and not against the pad.',
      critical: false,
      angle: 0,
      confirm: 'Pad is square, underside to the moving die',
      wrong: null,
    };
  }
  if (profile === 'two-bite') {
    return {
      headline: 'Seam to the wide half, wire end in the wide bite.',
      why: 'The narrow bite presses the conductor, the wide one the insulation; the hidden seam is backed by the wide half.',
      critical: seam === 'hidden' || seam === 'butted',
      angle: 180,
      confirm: 'Wire end lies in the wide bite',
      wrong: { angle: 0, text: 'Seam to the narrow half: it opens under the bite.' },
    };
  }
  if (profile === 'symmetric-oval') {
    if (isSplice(terminal)) {
      return free(
        'Any way round; bite on the barrel, clear of the centre stop.',
        'The oval presses both sides alike.',
        'Bite lies on the barrel',
      );
    }
    if (seam === 'butted') {
      return {
        headline: 'Seam up or down in the oval, never to its side.',
        why: 'The oval’s narrow sides push the edges of a seam past each other.',
        critical: true,
        angle: 180,
        confirm: 'Seam lies in the oval’s middle',
        wrong: { angle: 90, text: 'Seam to the side: its edges slide past each other.' },
      };
    }
    return free(
      'Any way round; sleeve’s wire end in the wide half.',
      'The oval presses both sides alike and the seam is hidden under the sleeve. Keep the tongue flat and parallel to the die.',
      'Wire end lies in the wide half',
    );
  }
  if (seam === 'seamless') {
    return isSplice(terminal)
      ? free('Any way round, the same through the lot.', 'There is no seam to open.', 'Bite lies on the barrel')
      : free(
          'Any way round, the same through the lot.',
          'There is no seam to open. Keep the tongue flat and parallel to the die.',
          'Tongue lies flat in the die',
        );
  }
  if (seam === 'brazed') {
    return practice.brazedSeam === 'any-side'
      ? free(
          'Any way round, the same through the lot.',
          'The seam is brazed shut and the house rules take it for seamless. Keep the tongue flat and parallel to the die.',
          'Tongue lies flat in the die',
        )
      : {
          headline: 'Seam in the cradle, away from the punch.',
          why: `A brazed seam is closed, but the punch is set opposite all the same: brazing can be missed. ${WHERE_PUNCH[punch ?? 'unknown']}`,
          critical: false,
          angle: 180,
          confirm: 'Seam lies in the cradle',
          wrong: { angle: 0, text: 'Seam under the indent: where brazing was missed it opens.' },
        };
  }
  if (seam === 'hidden') {
    return {
      headline: 'Seam in the cradle, away from the punch.',
      why: `The sleeve hides the seam: look into the wire end, find it, turn it away from the punch and mark the sleeve on that side. ${WHERE_PUNCH[punch ?? 'unknown']} An indent on the seam opens it, and nobody sees that afterwards.`,
      critical: true,
      angle: 180,
      confirm: 'Seam found in the wire end, marked side lies in the cradle',
      wrong: { angle: 0, text: 'Seam under the punch: it opens under the sleeve.' },
    };
  }
  return {
    headline: 'Seam in the cradle, away from the punch.',
    why: `${WHERE_PUNCH[punch ?? 'unknown']} An indent on the seam folds one side and leaves the other standing. It may still hold a pull; it is a reject all the same.`,
    critical: true,
    angle: 180,
    confirm: 'Seam lies in the cradle',
    wrong: { angle: 0, text: 'Seam under the indent: one edge is pushed down, the other stays up.' },
  };
}
