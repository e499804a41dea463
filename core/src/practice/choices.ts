import * as P from './Practice';
import type { PracticeChoices } from './Practice';

export interface School {
  readonly value: string;
  readonly title: string;
  /** What follows from it, in a line. */
  readonly effect: string;
}

export interface Choice {
  readonly key: keyof PracticeChoices;
  readonly title: string;
  /** Why practitioners disagree, in a line. */
  readonly why: string;
  readonly schools: readonly School[];
}

const school = (value: string, title: string, effect: string): School => ({ value, title, effect });

/** The choices that have schools, in the order of the job, the usual one first in each. */
export const CHOICES: readonly Choice[] = [
  {
    key: 'lay',
    title: 'Strand lay',
    why: 'Fingers leave residue and over-twisting birdcages; loose strands stray.',
    schools: [
      school(
        P.STRAND_LAYS_KEPT[0],
        'leave or restore the factory lay',
        'The step before the crimp asks for the lay as it left the factory.',
      ),
      school(
        P.STRAND_LAYS_KEPT[1],
        'slight twist to gather the strands',
        'The step before the crimp asks for a slight twist along the lay.',
      ),
    ],
  },
  {
    key: 'strandsHurt',
    title: 'Nicked and cut strands',
    why: 'A nick is where a strand breaks later; of many fine strands a few hardly count.',
    schools: [
      school(
        P.STRANDS_HURT[1],
        'by strand count, from the table below',
        'As many as the table says for the wire’s strands; none beyond it.',
      ),
      school(P.STRANDS_HURT[0], 'no nick, no cut', 'Any hurt strand costs the end: it is cut off and made again.'),
    ],
  },
  {
    key: 'strayStrand',
    title: 'Stray strand',
    why: 'A strand outside the barrel carries nothing either way; snipped, it looks like a good end.',
    schools: [
      school(P.STRAY_STRANDS[0], 'make the end again', 'The end is cut off, and the budget of the wire counts it.'),
      school(
        P.STRAY_STRANDS[1],
        'snip it off',
        'It counts as a cut strand: allowed as long as the table for hurt strands allows one.',
      ),
    ],
  },
  {
    key: 'insulatorOrder',
    title: 'Covers slid on',
    why: 'Before stripping a cover cannot be forgotten; after it no jaw has closed on it. A seal always goes on first.',
    schools: [
      school(P.INSULATOR_ORDERS[0], 'before stripping', 'The first step of making an end.'),
      school(
        P.INSULATOR_ORDERS[1],
        'after stripping, before the crimp',
        'The step after the stripped end is looked at.',
      ),
    ],
  },
  {
    key: 'brush',
    title: 'Wire past the barrel',
    why: 'Too little and nobody sees that the wire went through; too much and it stands in the stud or mating area.',
    schools: [
      school(
        P.BRUSH_RULES[0],
        'at least one conductor diameter',
        'Moves the lower end of the strip window with the wire.',
      ),
      school(
        P.BRUSH_RULES[1],
        'a fixed least length',
        'Moves the lower end of the strip window by the same length for every wire.',
      ),
      school(P.BRUSH_RULES[2], 'just visible (0.3 mm)', 'Shortest strip; hardest to see.'),
    ],
  },
  {
    key: 'gap',
    title: 'Gap to the insulation',
    why: 'Insulation inside the barrel spoils the crimp; bare wire behind it is weak and open.',
    schools: [
      school(P.GAP_RULES[1], 'small gap, up to one conductor diameter', 'Widest window without bare wire that shows.'),
      school(P.GAP_RULES[0], 'butted (up to 0.3 mm)', 'Shortens the strip; needs a stripper that repeats well.'),
      school(P.GAP_RULES[2], 'gap required', 'Lengthens the strip so that the insulation is not strained.'),
    ],
  },
  {
    key: 'thinWire',
    title: 'Thin wire in a big barrel',
    why: 'Folding back doubles the metal, but only where the sheet allows it.',
    schools: [
      school(P.THIN_WIRES[0], 'choose the right terminal', 'A conductor below the range is refused.'),
      school(
        P.THIN_WIRES[1],
        'fold back where the sheet allows it',
        'Twice the area is compared with the range; the strip length doubles and takes the bend.',
      ),
      school(
        P.THIN_WIRES[2],
        'fold fine wires back always, where the sheet allows it',
        'Conductors up to 0.35 mm² are folded also where they would fit single, as long as twice the area fits.',
      ),
    ],
  },
  {
    key: 'foldedEdge',
    title: 'Edge band of a folded wire',
    why: 'A folded conductor packs less well than a single one of twice the area.',
    schools: [
      school(P.FOLDED_EDGES[0], 'counts for the doubled area', 'Twice the area within the band needs trial pieces.'),
      school(P.FOLDED_EDGES[1], 'none for folded wires', 'Twice the area has to be in the range itself.'),
    ],
  },
  {
    key: 'insulatedParts',
    title: 'Insulation of the part',
    why: 'A sleeve of its own saves a step; a bare barrel shows its crimp before a tube covers it.',
    schools: [
      school(P.INSULATED_PARTS[0], 'as the wire list names it', 'Both are taken.'),
      school(P.INSULATED_PARTS[1], 'insulated parts', 'Bare terminals for a stud are refused.'),
      school(
        P.INSULATED_PARTS[2],
        'bare parts with a shrink tube',
        'Parts with a plain sleeve of their own are refused; those with adhesive stay.',
      ),
    ],
  },
  {
    key: 'strainRelief',
    title: 'Strain relief',
    why: 'A wire breaks where it bends; that place is moved away from the barrel or held still.',
    schools: [
      school(
        P.STRAIN_RELIEFS[0],
        'by wings or sleeve of the part',
        'What follows the crimp says where a part has none.',
      ),
      school(
        P.STRAIN_RELIEFS[1],
        'by a long tube',
        'The tube chooser begins with an overlap of five insulation diameters, and the steps after the crimp name it.',
      ),
    ],
  },
  {
    key: 'mounting',
    title: 'Die put in',
    why: 'The go/no-go check finds most wrong dies; two halves of two pairs may still pass it.',
    schools: [
      school(P.STEPS_ASKED[0], 'its check speaks for it', 'No step of its own.'),
      school(
        P.STEPS_ASKED[1],
        'codes, marked side and seat, step by step',
        'Three steps more where a tool has more than one die.',
      ),
    ],
  },
  {
    key: 'loading',
    title: 'Into the nest',
    why: 'Most wrong crimps are placed wrong; whoever makes hundreds alike does not answer four questions for each sort.',
    schools: [
      school(P.STEPS_ASKED[0], 'with the way round and the cycle', 'One step says how it lies, one how it is pressed.'),
      school(
        P.STEPS_ASKED[1],
        'seat, hold, wire and look, step by step',
        'Up to four steps more between strip and cycle, with the tool’s own way out.',
      ),
    ],
  },
  {
    key: 'twoGrips',
    title: 'Conductor and insulation grip',
    why: 'Two strokes let the conductor grip be tried before the insulation grip hides it.',
    schools: [
      school(P.TWO_GRIPS[0], 'one stroke where the die makes both', 'One closing of the tool.'),
      school(
        P.TWO_GRIPS[1],
        'conductor first, light tug, then insulation',
        'Two closings with a light tug between them.',
      ),
    ],
  },
  {
    key: 'biteSteps',
    title: 'Several bites',
    why: 'A second bite over the first, or beside the barrel, looks like one of two from above.',
    schools: [
      school(P.STEPS_ASKED[0], 'in one step', 'One step says how many bites and when each is complete.'),
      school(P.STEPS_ASKED[1], 'each bite by itself', 'Each bite has its step: its place, its cycle and its mark.'),
    ],
  },
  {
    key: 'secondBite',
    title: 'Second bite of a splice',
    why: 'Turned bites spread the load, bites in one plane can be seen at one look.',
    schools: [
      school(P.SECOND_BITES[0], 'in the same plane', 'The second side is turned back to the plane of the first.'),
      school(P.SECOND_BITES[1], 'turned by 90°', 'The second side is turned by a quarter.'),
    ],
  },
  {
    key: 'spliceBites',
    title: 'Bites of a splice',
    why: 'Two bites hold more wire but need the length for it.',
    schools: [
      school(P.SPLICE_BITES[0], 'one on each side', 'One bite on each barrel, unless the sheet says otherwise.'),
      school(
        P.SPLICE_BITES[1],
        'from the centre out, two on each side',
        'Two bites on each barrel, the inner one first, unless the sheet says otherwise.',
      ),
    ],
  },
  {
    key: 'brazedSeam',
    title: 'Brazed seam',
    why: 'Brazing closes the seam, but it can be missed in making.',
    schools: [
      school(P.BRAZED_SEAMS[0], 'punch opposite the seam all the same', 'The seam lies in the cradle.'),
      school(P.BRAZED_SEAMS[1], 'any side', 'Any way round, the same through the lot.'),
    ],
  },
  {
    key: 'looseInNest',
    title: 'Terminal loose in the nest',
    why: 'A loose terminal says that nest or terminal is wrong; a smaller nest may hide that.',
    schools: [
      school(P.LOOSE_IN_NEST[0], 'stop: wrong nest or terminal', 'The step before the bite says stop.'),
      school(
        P.LOOSE_IN_NEST[1],
        'step down one nest (plier-type tools only)',
        'Names the next smaller nest, on plier-type tools only.',
      ),
    ],
  },
  {
    key: 'secondStroke',
    title: 'A second stroke',
    why: 'Pressed twice, metal hardens and cracks; a cycle that stopped on its way, or a barrel that is rolled nest after nest, is another matter.',
    schools: [
      school(P.SECOND_STROKES[0], 'never', 'A cycle that was not completed costs the end.'),
      school(
        P.SECOND_STROKES[1],
        'once, in the same place, after a stopped cycle',
        'A stopped cycle may be closed again once, with nothing moved; then it costs the end.',
      ),
      school(
        P.SECOND_STROKES[2],
        'forming strokes where the sheet allows them',
        'An open barrel in a plier is formed nest after nest until it is still; all else is pressed once.',
      ),
    ],
  },
  {
    key: 'covering',
    title: 'Cover and heat',
    why: 'What a sleeve covers nobody sees again; bubbles and a warm seal leak later.',
    schools: [
      school(P.STEPS_ASKED[0], 'in one step', 'One step says how the sleeve is shrunk.'),
      school(
        P.STEPS_ASKED[1],
        'look, heater, shrinking and cooling, step by step',
        'The joint is looked at before an opaque sleeve covers it, and that look is final.',
      ),
    ],
  },
  {
    key: 'sealingHeat',
    title: 'Heat for the seal',
    why: 'A flame is quick and chars; it is never used near fuel, vapour, oil or trim.',
    schools: [
      school(P.SEALING_HEATS[0], 'hot air with a deflector', 'The sealing step names hot air.'),
      school(
        P.SEALING_HEATS[1],
        'flame, where nothing can catch fire',
        'The sealing step names a flame, with its caution.',
      ),
    ],
  },
  {
    key: 'adhesive',
    title: 'Sleeves with adhesive',
    why: 'Adhesive keeps water out and stiffens the wire’s end; a dry place does not ask for it.',
    schools: [
      school(P.ADHESIVE_RULES[0], 'where the place is wet', 'A dry place takes plain sleeves.'),
      school(P.ADHESIVE_RULES[1], 'always', 'Sleeved terminals and splices without adhesive are refused everywhere.'),
    ],
  },
  {
    key: 'solder',
    title: 'Solder after the crimp',
    why: 'Solder stiffens the wire and creeps; before the crimp it is never allowed.',
    schools: [
      school(P.SOLDER_RULES[0], 'forbidden', 'Any solder is a reject.'),
      school(P.SOLDER_RULES[1], 'a trace at the tip is permitted', 'Solder behind the barrel is a reject.'),
      school(
        P.SOLDER_RULES[2],
        'a little drawn into the finished barrel',
        'Strict shops and most released specifications forbid it; solder on the strands behind the barrel is a reject.',
      ),
    ],
  },
  {
    key: 'toolPolicy',
    title: 'Tools',
    why: 'A tool that is not listed may fit by its shape and still be wrong.',
    schools: [
      school(P.TOOL_POLICIES[0], 'only tools listed for the terminal', 'All other tools are left out.'),
      school(
        P.TOOL_POLICIES[1],
        'suitable by geometry, shown as such',
        'Other tools of the right shape and range are offered after the listed ones.',
      ),
    ],
  },
  {
    key: 'pullEvidence',
    title: 'Insulation grip in the pull',
    why: 'A closed insulation grip adds its own hold to the reading.',
    schools: [
      school(P.PULL_EVIDENCE[0], 'left open for the destructive pull', 'The pull tells the conductor grip alone.'),
      school(P.PULL_EVIDENCE[1], 'pulled as made', 'The pull tells both grips together.'),
    ],
  },
  {
    key: 'lookRecord',
    title: 'Record of a good piece',
    why: 'Answering every point makes sure that each was looked at; one answer for a good piece is quicker and is easily given without looking.',
    schools: [
      school(P.LOOK_RECORDS[0], 'each point answered', 'Every point of a sample piece takes its own key.'),
      school(
        P.LOOK_RECORDS[1],
        'the piece as a whole, when all is as drawn',
        'A good sample piece takes one deliberate answer; the record says that it was given so.',
      ),
    ],
  },
  {
    key: 'slightBow',
    title: 'Slight bow of a tongue',
    why: 'Metal bent back is weaker where it was bent; a slight bow does no harm.',
    schools: [
      school(P.SLIGHT_BOWS[0], 'rejected', 'Beyond its limit a tongue is a reject.'),
      school(
        P.SLIGHT_BOWS[1],
        'straightened once',
        'Up to twice the limit it may be straightened once, by hand, and is looked at again.',
      ),
    ],
  },
  {
    key: 'acceptance',
    title: 'Acceptance',
    why: 'A lowest reading says little about the pieces that were not pulled.',
    schools: [
      school(
        P.ACCEPTANCES[0],
        'every reading, and the group',
        'Each reading at or above the limit, and the group’s lower bound too.',
      ),
      school(P.ACCEPTANCES[1], 'every reading alone', 'The group is shown, not judged.'),
      school(P.ACCEPTANCES[2], 'the group alone', 'The lower bound decides; single readings are shown.'),
    ],
  },
  {
    key: 'setUpReleasedBy',
    title: 'Set-ups are released by',
    why: 'Whoever made the pieces overlooks their own mistakes; a shop of one has nobody else.',
    schools: [
      school(
        P.SET_UP_RELEASERS[0],
        'anyone who may release',
        'Also somebody who made or looked at the pieces: the record says in which role.',
      ),
      school(
        P.SET_UP_RELEASERS[1],
        'a second person',
        'Nobody releases a set-up they put a pull, a look or a measure on record for.',
      ),
    ],
  },
];

/** Every key of the choices, so that a file or a form can be held complete. */
export const CHOICE_KEYS: readonly (keyof PracticeChoices)[] = [
  ...CHOICES.map((choice) => choice.key),
  'brushFixed',
  'windowShare',
  'lugBare',
  'edgeBand',
  'setUpPieces',
  'measuredPieces',
  'coverage',
  'confidence',
  'secondPersonReleases',
  'wireSpare',
  'freshCut',
  'strandDamage',
  'tensileCopper',
  'tensileHighStrength',
  'tensileAluminium',
];
