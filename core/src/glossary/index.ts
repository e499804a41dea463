/** A term of the trade or of statistics, in a sentence or two that somebody new to it can use. */
export interface GlossaryEntry {
  readonly term: string;
  readonly text: string;
}

/** The terms the screens use, in the order of the alphabet. */
export const GLOSSARY = [
  {
    term: 'bell-mouth',
    text: 'The flare the die leaves at the wire end of a barrel, so that its edge does not cut strands.',
  },
  {
    term: 'bracketing',
    text: 'Halving the stretch between the last good piece and the first bad one, so that few pieces are pulled to find where a fault began.',
  },
  {
    term: 'brush',
    text: 'The strands that stand out of the barrel on the terminal’s side. Seen, they prove that the wire went all the way in.',
  },
  {
    term: 'compression',
    text: 'The metal left in the cut of a crimp as a share of the metal of the wire before it: pressed further, the share is smaller.',
  },
  {
    term: 'Cpl',
    text: 'Capability against a lower limit: how far the mean lies above the limit, in units of three standard deviations. 1 is just enough, 1.33 is comfortable.',
  },
  {
    term: 'crimp height',
    text: 'The crimp measured across its seam with a pointed caliper. It follows the tool’s setting, and it is measured without destroying the piece.',
  },
  { term: 'die', text: 'The pair of jaws that shapes the barrel. Its mark on the crimp says which one was used.' },
  {
    term: 'failure mode',
    text: 'How a pull ended: the wire slid out, broke at the crimp, broke in the wire, or the terminal broke. It tells what to put right.',
  },
  { term: 'gap', text: 'Bare wire between the barrel and the edge of the insulation.' },
  {
    term: 'grade of work',
    text: 'How much is asked of the work, by the shop’s own names. Limits, inspection points and house rules can differ from grade to grade.',
  },
  {
    term: 'held back',
    text: 'Pieces that may be bad: made between the last good check and a failed one. They are neither used nor thrown away until somebody decides.',
  },
  {
    term: 'house rules',
    text: 'What a shop has chosen where practice differs: how long to strip, how to judge a group of pulls, how a look is recorded.',
  },
  {
    term: 'insulation edge',
    text: 'Where the insulation ends. It may have to lie within a band behind the barrel, or inside the insulation grip.',
  },
  {
    term: 'limit',
    text: 'The least pull force that is accepted, from a released table, by the size of the conductor.',
  },
  { term: 'lot', text: 'What is made with one released set-up, from its first piece to its last.' },
  {
    term: 'lower bound',
    text: 'The force that, by these readings, nearly all pieces like them exceed (99 of 100, said with 95 % confidence, unless the house rules say otherwise). Few readings make it low.',
  },
  { term: 'nest', text: 'The place in a tool or die where a terminal of one size is laid.' },
  { term: 'notch', text: 'The place in a stripper’s blade for one wire size. Too small, it nicks strands.' },
  {
    term: 'pull force',
    text: 'The highest force before the joint gives way, the wire pulled straight out of the terminal. The piece is spent by it.',
  },
  { term: 's', text: 'Standard deviation: how much the readings of a group differ from each other.' },
  { term: 'set point', text: 'The strip length to set the stripper to: as a rule in the middle of the window.' },
  {
    term: 'set-up',
    text: 'Everything that is settled before pieces are made: tool, die, setting, strip length and the way the terminal lies; proved on samples.',
  },
  {
    term: 'strip window',
    text: 'The strip lengths with which brush and gap are right at once. Outside it, one of them is wrong whatever is done.',
  },
  { term: 'voids', text: 'The share of the inside of a crimp that holds no metal, seen in a cut.' },
] as const satisfies readonly GlossaryEntry[];
export type Term = (typeof GLOSSARY)[number]['term'];
