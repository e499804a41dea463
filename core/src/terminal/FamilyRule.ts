import type { NestProfile } from './nests';
import type { Terminal } from './Terminal';

/** Which way round a part lies, where its family decides it whatever the nest. */
export interface FamilyLies {
  readonly headline: string;
  readonly why: string;
  readonly confirm: string;
  /** Degrees from the moving die. */
  readonly angle: number;
  readonly wrong: { readonly angle: number; readonly text: string };
}

/**
 * Everything that follows from the family of a part and not from its dimensions: what presses it, how it lies, what it is
 * called, what it never has. A family is one file beside this one; the compiler asks for its place in the table.
 */
export interface FamilyRule {
  /** As it stands in sentences. */
  readonly name: string;
  /** It joins wire to wire: two wire ends, and nothing to go onto a stud or into a cavity. */
  readonly isSplice: boolean;
  readonly nests: {
    /** Shapes that can press it where the tool's own sheet lists the part. */
    readonly listed: readonly NestProfile[];
    /** Shapes it is offered in by shape alone: an adhesive sleeve is never offered a punch besides. */
    readonly byShape: readonly NestProfile[];
  };
  /** Its barrel lies under a sleeve of its own, with adhesive or without. */
  readonly isSleeved: boolean;
  /** A punch that presses it presses through a sleeve that hides what it does. */
  readonly hidesPunch: boolean;
  /** Null where seam and nest decide how it lies. */
  readonly lies: FamilyLies | null;
  /** How the wings of an open barrel are told of; null for closed ones. */
  readonly wings: { readonly why: string; readonly confirm: string } | null;
  /** The wire is looked for in the inspection hole before the bite; a window is looked into afterwards. */
  readonly asksForHole: boolean;
  /** After the crimp, beside what the cavity asks for. */
  readonly aftercare: (terminal: Terminal) => readonly string[];
  /** In a wet place, where it is sealed: what that is worth; null where it is sealed and that is that. */
  readonly inTheWet: string | null;
  readonly words: {
    /** What lies in front of the barrel, where the wire ends; null: tongue or mating end. */
    readonly front: string | null;
    /** What decides how a part lies that does not lie any way round. */
    readonly liesBy: string;
    /** What has to lie in one plane. */
    readonly inOnePlane: string;
    /** What the inspection opening is called, on the piece and in short. */
    readonly hole: string;
    readonly holeInShort: string;
    /** What must not be bitten; null: what lies in front. */
    readonly notBitten: string | null;
    /** Where the wire's end has to be, at the end of a sentence; null: clear of what lies in front. */
    readonly wireEnd: ((terminal: Terminal) => string) | null;
    /** How the insulation sits at the barrel; null: by the gap. */
    readonly insulationHome: string | null;
    /** What the whole piece shows, seen end on; null: by seam and nest. */
    readonly wayRound: string | null;
    /** How it is seated in the nest, as an instruction. */
    readonly seated: string;
    /** What stands behind the barrel. */
    readonly support: string;
    /** Points that are called otherwise. */
    readonly titles: { readonly tongue?: string; readonly gap?: string };
  };
  /** Something of its own grips the insulation. */
  readonly gripsInsulation: boolean;
  readonly drawing: {
    /** What is drawn in front of the barrel; 'by-dimensions': a tongue where there is a stud hole or no cavity. */
    readonly front: 'by-dimensions' | 'pin' | 'none';
    /** The window is drawn in the barrel's wall, seen end on. */
    readonly windowEndOn: boolean;
  };
}

/** What most families have in common; each file says what is its own. */
export const USUAL = {
  isSplice: false,
  isSleeved: false,
  hidesPunch: false,
  lies: null,
  wings: null,
  asksForHole: true,
  aftercare: () => [],
  inTheWet: null,
  words: {
    front: null,
    liesBy: 'seam',
    inOnePlane: 'Contact and bite',
    hole: 'window',
    holeInShort: 'hole',
    notBitten: null,
    wireEnd: null,
    insulationHome: null,
    wayRound: null,
    seated: 'Barrel in the nest up to its stop or edge, tongue parallel to the die.',
    support: 'sleeve',
    titles: {},
  },
  gripsInsulation: true,
  drawing: { front: 'by-dimensions', windowEndOn: false },
} as const satisfies Partial<FamilyRule>;

/** What splices have in common. */
export const SPLICE = {
  ...USUAL,
  isSplice: true,
  isSleeved: true,
  words: {
    ...USUAL.words,
    front: 'stop',
    inOnePlane: 'Both ends',
    seated: 'One barrel in the nest, from its mouth to short of the stop in the middle.',
  },
  drawing: { ...USUAL.drawing, front: 'none' },
} as const satisfies Partial<FamilyRule>;

/** What open barrels have in common. */
export const OPEN_BARREL = {
  ...USUAL,
  nests: { listed: ['rolled'], byShape: ['rolled'] },
  wings: {
    why: 'The rolls curl both wings into the strands only when the floor lies flat; insulation wings go to the wide bite.',
    confirm: 'Wings are up, floor is flat',
  },
  words: {
    ...USUAL.words,
    liesBy: 'wings',
    seated: 'Floor flat on the anvil, contact against its locator, mating end free of the die.',
    wayRound: 'Both wings rolled alike into the strands, tips touching or short of the floor, floor flat.',
  },
} as const satisfies Partial<FamilyRule>;
