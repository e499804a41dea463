/**
 * A finished crimp as an eye and a caliper see it, in numbers. Lengths mm, angles degrees. What the terminal or wire
 * does not have is null. Drawings of faults, the key of a training set and simulated lots are all made from it.
 */
export interface Piece {
  /** Tongue, contact or body against the barrel, seen from the side. */
  readonly bend: number;
  /** Tongue, contact or body against the bite, seen end on. */
  readonly twist: number;
  /** Wire past the barrel; negative: it ends inside. Null where a stop locates the wire. */
  readonly brush: number | null;
  /** Share of the inspection hole or window that shows conductor, 0 to 1. */
  readonly windowFill: number | null;
  /** Insulation edge behind the barrel; negative: inside the barrel. */
  readonly edge: number;
  /** How far the bites lie from where they belong, towards the wire when positive. */
  readonly biteOff: number;
  /** Crimp height and width; null where nothing says what they should be. */
  readonly height: number | null;
  readonly width: number | null;
  /** Metal after the crimp against before, and share of the inside without metal, both 0 to 1. */
  readonly compression: number;
  readonly voids: number;
  /** Flare of the conductor grip towards the wire; null where the barrel is closed. */
  readonly bellmouth: number | null;
  /** Seam, wings or window against where they belong, about the wire. */
  readonly turn: number;
  /** How much farther one roll or side went than the other, as a share of the height: 0 when alike. */
  readonly lean: number;
  /** Whether the die's mark is the one named, another, or cannot be read. */
  readonly mark: 'right' | 'faint' | 'wrong';
  readonly crack: number;
  /** Height of the fin the die squeezed out. */
  readonly flash: number;
  /** Strands outside the barrel, and strands cut or nicked through. */
  readonly stray: number;
  readonly cut: number;
  /** Outer size of the closed insulation grip as a share of the insulation's diameter; null without one. */
  readonly grip: number | null;
  /** Wire seal from its place, towards the contact when positive; and whether it is cut. Null without one. */
  readonly sealShift: number | null;
  readonly sealTorn: boolean;
  /** Metal the cover leaves bare; null without a cover. */
  readonly uncovered: number | null;
  /** Shrunk sleeve; null without one. */
  readonly sleeve: {
    /** Off centre. */
    readonly off: number;
    /** How hot it got: 0 not shrunk, 1 right, 1.5 discoloured, 2 charred. */
    readonly heat: number;
    /** Ends it is closed at. */
    readonly closed: 0 | 1 | 2;
    readonly split: boolean;
    /** Bubbles under it. */
    readonly bubbles: number;
  } | null;
  /** The wire's insulation beside the sleeve: 0 as it was, 1 glossy or swollen, 2 melted. */
  readonly melted: number;
}
